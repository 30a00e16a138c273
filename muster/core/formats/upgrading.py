"""Older documents brought to the form of today. Each step takes JSON and gives JSON.

Version 2 of recipes: what a pass ``needs`` was all that could be said, so daylight and noise become
what it ``wants``; ``cut`` between items was what was not said, so it follows from the work. Version
2 of choices: sittings are a weekly rhythm with exceptions, where they were a list up to the day.

Version 3 of recipes: what rules read in names and notes became fields. This is the last time that
anybody reads them: a word that said that tools are swapped, a part is fragile, fluid sets a decal
or a colour shines, says it as a field from now on.
"""

from __future__ import annotations

from collections import defaultdict
from datetime import date, timedelta
from typing import Any

WISHES = ("daylight", "noise allowed")
SHORT = ("mon", "tue", "wed", "thu", "fri", "sat", "sun")
LEAST_WEEKS = 2
"""So many sittings on one weekday at one time are a rhythm."""


def recipe_2(raw: Any) -> Any:
    """A recipe of version 1 in the form of version 2; what is none is left to the reader."""
    if not isinstance(raw, dict) or not isinstance(raw.get("passes"), list):
        return raw
    return {**raw, "passes": [_pass_2(one) for one in raw["passes"]]}


def _pass_2(raw: Any) -> Any:
    if not isinstance(raw, dict):
        return raw
    one = dict(raw)
    needs = one.get("needs", [])
    if isinstance(needs, list) and any(tag in WISHES for tag in needs):
        one["needs"] = [tag for tag in needs if tag not in WISHES]
        one["wants"] = [tag for tag in needs if tag in WISHES]
    if one.get("cut") == "item":
        one["cut"] = None
    return one


SWAPS = ("several", "swap", "differ", "turn", "vary")
SNAPS = ("railing", "rail", "aerial", "mast", "antenna", "strut", "lamp", "mirror", "fragile")
SHINES = ("wet mud", "mud", "oil stain", "glass", "gloss", "wet")
PRINTS, FITS = ("sponge",), ("glue", "assemble")
COATS = ("seal", "varnish", "mask", "decal", "dip", "fluid")


def recipe_3(raw: Any) -> Any:
    """A recipe of version 2 in the form of version 3."""
    if not isinstance(raw, dict) or not isinstance(raw.get("passes"), list):
        return raw
    return {**raw, "passes": [_pass_3(one) for one in raw["passes"]]}


def _pass_3(raw: Any) -> Any:
    if not isinstance(raw, dict):
        return raw
    one = dict(raw)
    technique = str(one.get("technique", ""))
    name, note = str(one.get("name", "")).lower(), str(one.get("note", "")).lower()
    if technique in PRINTS and any(word in note for word in SWAPS):
        one.setdefault("varied", True)
    if technique in FITS and any(word in f"{name} {note}" for word in SNAPS):
        one.setdefault("fragile", True)
    if technique == "decal" and ("softener" in note or "setting fluid" in note):
        if one.get("carrier") is None:
            one["carrier"] = "softener"
    said = any(name == word or name.startswith(f"{word} ") for word in SHINES)
    if technique == "brush" and said and one.get("finish") is None:
        one["finish"] = "gloss"
    if technique in ("spray", "brush") and "modulat" in name:
        one.setdefault("purpose", "modulate")
    return one


def choices_2(raw: Any) -> Any:
    """Choices of version 1 in the form of version 2."""
    if not isinstance(raw, dict) or not isinstance(raw.get("evenings"), list) or "rhythm" in raw:
        return raw
    by_time: dict[tuple[int, str, str], list[tuple[date, Any]]] = defaultdict(list)
    for row in raw["evenings"]:
        try:
            day = date.fromisoformat(row["day"])
            by_time[day.weekday(), str(row["start"]), str(row["end"])].append((day, row))
        except (KeyError, TypeError, ValueError):
            return raw
    rhythm: list[dict[str, Any]] = []
    lost: list[dict[str, Any]] = []
    alone: list[Any] = []
    for (weekday, start, end), rows in sorted(by_time.items()):
        days = sorted(day for day, _ in rows)
        weeks = (days[-1] - days[0]).days // 7 + 1
        if len(set(days)) < LEAST_WEEKS or weeks > 2 * len(set(days)):
            alone += [row for _, row in rows]
            continue
        name = f"{SHORT[weekday]}-{start[:5].replace(':', '')}"
        if any(one["id"] == name for one in rhythm):
            name = f"{name}-{end[:5].replace(':', '')}"
        rhythm.append({"id": name, "weekday": weekday, "start": start, "end": end,
                       "since": days[0].isoformat()})  # fmt: skip
        held = set(days)
        for week in range(weeks):
            day = days[0] + timedelta(days=7 * week)
            if day not in held:
                lost.append({"weekly": name, "day": day.isoformat()})
    return {**raw, "rhythm": rhythm, "lost": lost, "moved": [], "evenings": alone}


def muster_file_3(raw: Any) -> Any:
    """A muster file of version 1 or 2 in the form of version 3."""
    if not isinstance(raw, dict) or raw.get("version") not in (1, 2):
        return raw
    recipes = raw.get("recipes")
    oldest = raw["version"] == 1
    return {
        **raw,
        "version": 3,
        "choices": choices_2(raw.get("choices")) if oldest else raw.get("choices"),
        "recipes": [_recipe_now(one, oldest) for one in recipes]
        if isinstance(recipes, list)
        else recipes,
    }


def _recipe_now(raw: Any, oldest: bool) -> Any:
    return recipe_3(recipe_2(raw) if oldest else raw)


def recipe_file_3(raw: Any) -> Any:
    """A recipe file of version 1 or 2 in the form of version 3."""
    if not isinstance(raw, dict) or raw.get("version") not in (1, 2):
        return raw
    held, oldest = raw.get("held", []), raw["version"] == 1
    return {
        **raw,
        "version": 3,
        "recipe": _recipe_now(raw.get("recipe"), oldest),
        "held": [_recipe_now(one, oldest) for one in held] if isinstance(held, list) else held,
    }

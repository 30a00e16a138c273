"""Older documents brought to the form of today. Each step takes JSON and gives JSON.

Version 2 of recipes: what a pass ``needs`` was all that could be said, so daylight and noise become
what it ``wants``; ``cut`` between items was what was not said, so it follows from the work. Version
2 of choices: sittings are a weekly rhythm with exceptions, where they were a list up to the day.
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


def muster_file_2(raw: Any) -> Any:
    """A muster file of version 1 in the form of version 2."""
    if not isinstance(raw, dict) or raw.get("version") != 1:
        return raw
    recipes = raw.get("recipes")
    return {
        **raw,
        "version": 2,
        "choices": choices_2(raw.get("choices")),
        "recipes": [recipe_2(one) for one in recipes] if isinstance(recipes, list) else recipes,
    }


def recipe_file_2(raw: Any) -> Any:
    """A recipe file of version 1 in the form of version 2."""
    if not isinstance(raw, dict) or raw.get("version") != 1:
        return raw
    held = raw.get("held", [])
    return {
        **raw,
        "version": 2,
        "recipe": recipe_2(raw.get("recipe")),
        "held": [recipe_2(one) for one in held] if isinstance(held, list) else held,
    }

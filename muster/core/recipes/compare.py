"""Two versions of a recipe, pass by pass: what following the newer one would change."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, fields
from typing import Literal

from muster.core.recipes.recipe import MixPart, Pass, Recipe, ZoneCover

WORDS = {
    "name": "name", "technique": "technique", "minutes": "minutes a model", "tool": "tool",
    "mix": "mix", "colour": "colour", "finish": "finish", "setup_min": "minutes to open",
    "cleanup_min": "minutes to clean up", "open_min": "minutes open", "life_min": "minutes in all",
    "dry_min": "minutes to dry", "clock": "dries by", "stand_min": "wait",
    "window_min": "window", "cut": "may be cut", "needs": "needs", "tier": "worth it from",
    "part": "part", "note": "note", "medium": "medium", "carrier": "thinned with",
    "zones": "zones", "coats": "coats", "cover": "share covered", "thick": "thickness",
    "warm_air": "warm air", "adhesive": "glue", "size_mm": "size of a mark", "trial": "trial",
    "holds": "recipe held", "purpose": "meant to", "all_but": "all but",
    "cover_by": "share by zone",
    "dilution": "parts of thinner", "varnish_share": "varnish in the paint", "soak_s": "soaked, s",
    "materials": "joins", "fragile": "fragile", "varied": "varied", "tried": "trial showed",
}  # fmt: skip


@dataclass(frozen=True)
class Difference:
    """A pass that is new, gone, moved or changed; ``values``: what, old and new, in words."""

    key: str
    name: str
    how: Literal["new", "gone", "moved", "changed"]
    values: tuple[tuple[str, str, str], ...] = ()


def differences(old: Recipe, new: Recipe) -> list[Difference]:
    """In the order of the new version, those that are gone at the end."""
    before = {one.key: one for one in old.passes}
    after = {one.key: one for one in new.passes}
    moved = _moved([k for k in before if k in after], [k for k in after if k in before])
    found = []
    for key, one in after.items():
        was = before.get(key)
        if was is None:
            found.append(Difference(key, one.name, "new"))
            continue
        values = tuple(_changed(was, one))
        if values:
            found.append(Difference(key, one.name, "changed", values))
        elif key in moved:
            found.append(Difference(key, one.name, "moved"))
    found += [Difference(k, one.name, "gone") for k, one in before.items() if k not in after]
    return found


def _changed(old: Pass, new: Pass) -> Iterator[tuple[str, str, str]]:
    for one in fields(Pass):
        if one.name == "key":
            continue
        was, now = getattr(old, one.name), getattr(new, one.name)
        if was != now:
            yield WORDS[one.name], _said(was), _said(now)


def _said(value: object) -> str:
    if value is None or value in ((), ""):
        return "none"
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, float):
        return f"{value:g}"
    if isinstance(value, tuple):
        return ", ".join(
            f"{one.parts} {one.name}"
            if isinstance(one, MixPart)
            else f"{one.zone} {one.cover:.0%}"
            if isinstance(one, ZoneCover)
            else str(one)
            for one in value
        )
    return str(value)


def _moved(old: list[str], new: list[str]) -> set[str]:
    """The fewest keys that must be taken out for the rest to stand in one order."""
    # The longest common order of two lists of distinct keys is a longest rising run of places.
    place = {key: index for index, key in enumerate(old)}
    runs: list[list[str]] = []
    longest: list[str] = []
    for index, key in enumerate(new):
        mine: list[str] = []
        for run, last in zip(runs, new[:index], strict=True):
            if place[last] < place[key] and len(run) > len(mine):
                mine = run
        runs.append([*mine, key])
        if len(runs[-1]) > len(longest):
            longest = runs[-1]
    return set(new) - set(longest)

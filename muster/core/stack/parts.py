"""Parts painted apart: which zones are theirs, and when the rest of the model reaches them.

A part is on its own from its first pass until a glue fits it; what is done to the whole model in
between does not reach it, nor is it waited for.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from muster.core.craft.tables import Tables
from muster.core.craft.techniques import OTHER, Technique, TechniqueTrait
from muster.core.craft.zones import DETAIL_ZONES, JOINTS, Zone, inside_of, zones_of
from muster.core.recipes.recipe import Pass, Recipe


@dataclass(frozen=True, slots=True)
class Reach:
    """Zones that a pass meets; ``besides``: those that it also covers at the end, on parts of which
    nobody has said when they are fitted."""

    zones: tuple[str, ...]
    besides: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class _Part:
    zones: tuple[str, ...]
    begins: int
    last: int
    fitted: int | None


def slug(zone: str) -> str:
    """A zone's name as a part is called."""
    return zone.lower().replace(" ", "-")[:24]


def reaches(recipe: Recipe, tables: Tables) -> tuple[Reach, ...]:
    """By pass, the zones that it meets."""
    known = tables.zones[recipe.kind]
    ways = [tables.techniques.get(one.technique, OTHER) for one in recipe.passes]
    parts = _parts(recipe, known, ways)
    first = next((index for index, way in enumerate(ways) if not way.paint_free), 0)
    found = []
    for index, one in enumerate(recipe.passes):
        way = ways[index]
        # An undercoat and a bath take in the parts that nobody has begun to paint.
        ground = one.purpose == "ground" or (
            index == first and one.purpose is None and way.has(TechniqueTrait.UNDERCOAT)
        )
        found.append(_reach(index, one, ground or way.paint_free, known, parts))
    return tuple(found)


def _parts(recipe: Recipe, known: Mapping[str, Zone], ways: list[Technique]) -> dict[str, _Part]:
    found: dict[str, _Part] = {}
    for name in dict.fromkeys(one.part for one in recipe.passes if one.part):
        own = [index for index, one in enumerate(recipe.passes) if one.part == name]
        painted = [index for index in own if not ways[index].paint_free]
        if not painted:
            continue
        begins, last = painted[0], painted[-1]
        joined = (
            index
            for index, one in enumerate(recipe.passes)
            if index > last
            and ways[index].has(TechniqueTrait.JOINS)
            and (one.part == name or one.part is None)
        )
        zones = [zone for zone in known if slug(zone) == name]
        if zones:
            mine = inside_of(known, zones[0])
        else:
            inner = dict.fromkeys(
                zone
                for index in own
                for zone in recipe.passes[index].zones
                if zone not in (*DETAIL_ZONES, JOINTS)
            )
            mine = tuple(_place(name, zone) for zone in inner) or (name,)
        found[name] = _Part(mine, begins, last, next(joined, None))
    return found


def _place(part: str, zone: str) -> str:
    return f"{zone} of {part}"


def _reach(
    index: int, one: Pass, early: bool, known: Mapping[str, Zone], parts: dict[str, _Part]
) -> Reach:
    out = {slug(name) for name in one.all_but}
    if one.part is not None and one.part in parts:
        mine = parts[one.part].zones
        named = [zone for zone in one.zones if zone not in (*DETAIL_ZONES, JOINTS)]
        inner = {
            place
            for zone in named
            for place in (*inside_of(known, zone), _place(one.part, zone))
        } if named else set(mine)  # fmt: skip
        left = {_place(one.part, zone) for zone in one.all_but}
        return Reach(
            tuple(z for z in mine if z in inner and z not in left and slug(z) not in out) or mine
        )
    if one.part is not None:
        zones = [zone for zone in known if slug(zone) == one.part]
        mine = inside_of(known, zones[0]) if zones else (one.part,)
        return Reach(mine)
    touched = zones_of(known, one.zones, one.all_but)
    whole = not [zone for zone in one.zones if zone not in (*DETAIL_ZONES, JOINTS)]
    met, besides = list(touched), []
    for name, part in parts.items():
        if name in out:
            met = [zone for zone in met if zone not in part.zones]
            continue
        together = early and index < part.begins
        fitted = part.fitted is not None and index >= part.fitted
        theirs: set[str] = set() if whole else set(touched) & set(part.zones)
        if fitted or together:
            if whole:
                met += [zone for zone in part.zones if zone not in met]
            continue
        met = [zone for zone in met if zone not in part.zones]
        if part.fitted is None and index > part.last and (whole or theirs):
            besides += [zone for zone in part.zones if whole or zone in theirs]
    return Reach(tuple(dict.fromkeys(met)), tuple(besides))

"""Parts painted apart: which zones are theirs, and when the rest of the model reaches them.

A part is on its own from its first pass until a glue fits it; what is done to the whole model in
between does not reach it, nor is it waited for.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from muster.core.craft.tables import Tables
from muster.core.craft.techniques import OTHER, Technique, TechniqueTrait
from muster.core.craft.zones import DETAIL_ZONES, JOINTS, Zone, inside_of, slug, within, zones_of
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


def reaches(recipe: Recipe, tables: Tables) -> tuple[Reach, ...]:
    """By pass, the zones that it meets."""
    known = tables.zones[recipe.kind]
    if recipe.parts:
        return _of_kit(recipe, known, tables)
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


def _of_kit(recipe: Recipe, known: Mapping[str, Zone], tables: Tables) -> tuple[Reach, ...]:
    """By pass, the zones that it meets, where the recipe says whose each zone is: those of what
    hangs together with the part that it works."""
    top: dict[str | None, str | None] = {
        row.part: None if row.main else row.part for row in recipe.parts
    }
    owner = {zone: row.part for row in recipe.parts for zone in row.zones}

    def held(part: str | None) -> str | None:
        while part is not None and top.get(part, part) != part:
            part = top[part]
        return part

    found = []
    for one in recipe.passes:
        named = [zone for zone in one.zones if zone not in (*DETAIL_ZONES, JOINTS)]
        mine = [row for row in recipe.parts if held(row.part) == one.part]
        if named:
            touched = list(dict.fromkeys(z for n in named for z in _with_inner(known, n)))
        elif one.part is None:
            touched = list(zones_of(known, one.zones, one.all_but))
            touched += [zone for row in mine for zone in row.zones if zone not in known]
        else:
            touched = list(dict.fromkeys(
                zone for row in mine for own in row.zones for zone in _with_inner(known, own)
            )) or [one.part]  # fmt: skip
        out = {zone for name in one.all_but for zone in _with_inner(known, name)}
        met = [
            zone for zone in touched
            if zone not in out and held(_owner_of(zone, owner, known)) == one.part
        ]  # fmt: skip
        found.append(Reach(tuple(met) or tuple(touched) if one.part is not None else tuple(met)))
        joins = tables.techniques.get(one.technique, OTHER).has(TechniqueTrait.JOINS)
        if joins and one.part is not None and one.onto != one.part:
            top[one.part] = one.onto
    return tuple(found)


def _with_inner(known: Mapping[str, Zone], name: str) -> tuple[str, ...]:
    return inside_of(known, name) if name in known else (name,)


def _owner_of(zone: str, owner: Mapping[str, str], known: Mapping[str, Zone]) -> str | None:
    """The part that has a zone, or what that lies in; None: the main one."""
    names = within(known, zone) if zone in known else (zone,)
    return next((owner[name] for name in names if name in owner), None)


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

"""The passes of a recipe as Build sees them: which parts each works, how, and how much of it is
whose."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from muster.core.build.glues import material_of
from muster.core.build.kit import Kit, onto_of
from muster.core.craft.tables import Tables
from muster.core.craft.techniques import OTHER, Technique, TechniqueTrait
from muster.core.craft.zones import DETAIL_ZONES, JOINTS, Zone, inside_of, slug, zones_of
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.vocabulary import Material

T = TechniqueTrait

BENDS: frozenset[Material] = frozenset(("vinyl", "polythene"))

INNER_WEIGHT = 0.3
"""A zone that lies within another, or that a part has of its own, counts as so much of a whole
zone. Common practice: nobody measures zones."""


@dataclass(frozen=True, slots=True)
class Stage:
    """A pass of the recipe. ``shares``: of its minutes, by part; ``zones``: what it touches.

    ``whole``: it names no zone, so that whatever is joined by then is worked as one.
    """

    index: int
    one: Pass
    technique: Technique
    shares: Mapping[str, float]
    zones: frozenset[str]
    whole: bool
    ground: bool = False
    """Whether it is the undercoat."""

    @property
    def sprayed(self) -> bool:
        """Whether it is sprayed rather than brushed."""
        return self.one.tool in ("airbrush", "spray can") or self.technique.has(T.SPRAYS)

    @property
    def paints(self) -> bool:
        """Whether it lays colour: a clear coat does not."""
        return not self.technique.paint_free and not self.technique.has(T.COLOURLESS)

    @property
    def wears(self) -> bool:
        """Whether it is rough on what sticks out."""
        return self.technique.has(T.HANDLES)


@dataclass(frozen=True)
class Staged:
    """A recipe's passes on the parts of a kit, and whose each zone is."""

    stages: tuple[Stage, ...]
    owner: Mapping[str, str]
    replaced: tuple[Pass, ...]
    """Passes that only assemble: the kit's joints do that."""
    bends: frozenset[str] = frozenset()
    """Parts of a plastic so soft that paint on it cracks where it is bent."""


def staged(recipe: Recipe, kit: Kit, tables: Tables) -> Staged:
    """Sort a recipe's passes onto a kit's parts."""
    known = tables.zones[recipe.kind]
    owner = _owners(kit, known)
    kept: list[tuple[Pass, Technique]] = []
    replaced: list[Pass] = []
    for said in recipe.passes:
        one = _by_zone(said, kit, known)
        technique = tables.techniques.get(one.technique, OTHER)
        if _assembles(said, one, technique, kit):
            replaced.append(said)
        else:
            kept.append((one, technique))
    # The first film is an undercoat, whatever it is called: it takes in every part.
    first = next((n for n, (_, way) in enumerate(kept) if not way.paint_free), 0)
    stages = []
    for index, (one, technique) in enumerate(kept):
        ground = one.purpose == "ground" or (
            index == first and one.purpose is None and technique.has(T.UNDERCOAT)
        )
        stages.append(_stage(index, one, technique, kit, known, owner, ground))
    bends = frozenset(
        part.id for part in kit.in_use if material_of(kit, part.id, recipe, tables) in BENDS
    )
    return Staged(tuple(stages), owner, tuple(replaced), bends)


def _by_zone(one: Pass, kit: Kit, known: Mapping[str, Zone]) -> Pass:
    """A pass on a part that the kit does not have by that name, as one on the zone so called: who
    painted his wheels apart has a kit in which they belong to the running gear."""
    if one.part is None or kit.part(one.part) is not None:
        return one
    zone = next((name for name in known if slug(name) == one.part), None)
    return one if zone is None else replace(one, part=None, zones=one.zones or (zone,))


def _assembles(said: Pass, one: Pass, technique: Technique, kit: Kit) -> bool:
    """Whether a pass joins parts of the kit, or all of it at once."""
    if not technique.has(T.JOINS):
        return False
    if technique.has(T.CUTS_PARTS):
        return True
    return said.part is not None and (said.part != one.part or kit.part(said.part) is not None)


def _owners(kit: Kit, known: Mapping[str, Zone]) -> dict[str, str]:
    """By zone the part that has it: the one that names it, else the one that has what it is in."""
    named: dict[str, str] = {}
    for part in kit.in_use:
        for zone in part.zones:
            named.setdefault(zone, part.id)
    found = dict(named)
    for place in known:
        name = place
        while name and name not in named:
            name = known[name].within if name in known else ""
        found[place] = named[name] if name else kit.main.id
    return found


def _stage(
    index: int,
    one: Pass,
    technique: Technique,
    kit: Kit,
    known: Mapping[str, Zone],
    owner: Mapping[str, str],
    ground: bool,
) -> Stage:
    painted = {part.id: part for part in kit.in_use if part.painted}
    named = [zone for zone in one.zones if zone not in (*DETAIL_ZONES, JOINTS)]
    if one.part is not None and kit.part(one.part) is not None:
        mine = {one.part: 1.0} if one.part in painted else {}
        zones = frozenset(named) or frozenset(z for z, part in owner.items() if part == one.part)
        return Stage(index, one, technique, mine, zones, False)
    if named:
        touched = {inner for zone in named for inner in _inside(known, zone)}
    elif technique.has(T.DECALS):
        # Markings go where there is room for them: nobody puts them on wheels.
        touched = {zone for zone in ("markings",) if zone in known} or {kit.main.id}
    else:
        touched = set(zones_of(known, one.zones, one.all_but))
        # What a part has that no table knows is worked with the whole of it.
        touched |= {
            zone for part in painted.values() for zone in part.zones
            if zone not in known and zone not in one.all_but
        }  # fmt: skip
        if ground:
            clear = {zone.name for zone in known.values() if zone.clear}
            touched |= {zone for zone, part in owner.items() if part in painted} - clear
    touched -= {inner for zone in one.all_but for inner in _inside(known, zone)}
    weights: dict[str, float] = {}
    for zone in touched:
        part = owner.get(zone, kit.main.id)
        if part in painted:
            inner = zone not in known or bool(known[zone].within)
            weights[part] = weights.get(part, 0.0) + (INNER_WEIGHT if inner else 1.0)
    if not technique.has(T.DECALS):
        seats = _seats(kit)
        for each in painted.values():
            # A part without a zone of its own is painted as the one that it sits on.
            bare = not each.zones and each.id not in one.all_but
            if bare and (not named or seats.get(each.id, kit.main.id) in weights):
                weights.setdefault(each.id, INNER_WEIGHT)
    total = sum(weights.values())
    shares = {part: weight / total for part, weight in weights.items()} if total else {}
    return Stage(index, one, technique, shares, frozenset(touched), not named, ground)


def _seats(kit: Kit) -> dict[str, str]:
    """By part, the nearest one below it that has zones of its own."""
    onto = onto_of(kit)
    found = {}
    for part in kit.in_use:
        seat = onto.get(part.id, kit.main.id)
        while (row := kit.part(seat)) is not None and not row.zones and seat in onto:
            seat = onto[seat]
        found[part.id] = seat
    return found


def _inside(known: Mapping[str, Zone], zone: str) -> tuple[str, ...]:
    return inside_of(known, zone) if zone in known else (zone,)

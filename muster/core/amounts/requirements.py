"""What a muster still takes of each paint, what is short, and what to buy."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field, replace
from datetime import datetime

from muster.core.amounts.area import model_cm2
from muster.core.amounts.film import THIRSTY, Amount, amount, surface_share
from muster.core.by_name import ByName
from muster.core.choices import Unit
from muster.core.colour.mixed_passes import thins
from muster.core.craft.zones import ZONES
from muster.core.facts.replay import BenchState
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.work.calls import Call
from muster.core.work.coats import coat_key, pass_and_coat


@dataclass(frozen=True)
class Requirement:
    """Of one paint: ml still to be used, by unit; on the shelf; short; pots that would be enough,
    and what they cost (None where no size or price is known)."""

    paint: str
    ml: float
    by_unit: dict[str, float]
    left_ml: float | None
    short_ml: float
    pots: int | None
    cost: float | None
    owned: bool


@dataclass
class _Sum:
    ml: float = 0.0
    by_unit: dict[str, float] = field(default_factory=dict)


def area_of(unit: Unit) -> float:
    """cm² of one model: as stated for the unit, or by its kind."""
    return unit.area_cm2 or model_cm2(unit.kind, unit.scale)


def amount_of(one: Pass, unit: Unit, models: int, recipe: Recipe) -> Amount:
    """What a pass takes on so many models of a unit."""
    films = [each for each in recipe.passes if each.mix or each.colour]
    key, coat = pass_and_coat(one.key)
    ground = films[0].key if films else ""
    first = ground == one.key or (coat == 1 and ground[:17] == key)
    first = first and recipe.material in THIRSTY
    sized = recipe.parts and any(zone in ZONES[unit.kind] for zone in one.zones)
    part = unit.area_cm2 is None and one.part is not None and not sized
    area = area_of(unit) * (PART_SHARE if part else 1)
    surface = 1.0 if part else surface_share(unit.kind, one)
    return amount(one, unit.kind, area, models, surface, first)


PART_SHARE = 0.15
"""Of a model's surface, for a part painted apart. Common practice."""


def split(one: Pass, ml: float) -> dict[str, float]:
    """A mix's ml by paint; what only thins is left out, be it among the parts or said as the
    dilution, and so is the varnish stirred in."""
    whole = sum(part.parts for part in one.mix)
    if not any(thins(part.name) for part in one.mix):
        ml /= 1 + (one.dilution or 0)
    ml *= 1 - one.varnish_share
    return {part.name: ml * part.parts / whole for part in one.mix if not thins(part.name)}


def still_needed(
    calls: Iterable[Call], recipes: Mapping[tuple[str, int], Recipe], state: BenchState
) -> dict[str, dict[str, float]]:
    """By paint and unit, ml of everything that is not ticked yet; each call leaves its rest."""
    found = ByName[_Sum]()
    for call in calls:
        recipe = recipes[call.unit.recipe_key]
        for one, left in _coats_left(call, state):
            taken = amount_of(one, call.unit, len(left), recipe)
            for paint, ml in split(one, taken.ml).items():
                row = found.setdefault(paint, _Sum())
                row.ml += ml
                row.by_unit[call.unit.id] = row.by_unit.get(call.unit.id, 0.0) + ml
    return {paint: row.by_unit for paint, row in found.items()}


def _coats_left(call: Call, state: BenchState) -> Iterator[tuple[Pass, list[int]]]:
    """The passes of a call, coat by coat, and the models that still lack them."""
    for one in call.passes:
        left = [m for m in call.models if (call.unit.id, m, one.key) not in state.ticks]
        if one.coats == 1 or pass_and_coat(one.key)[1]:
            coats = [(one, left)]
        else:
            keys = [coat_key(one.key, n) for n in range(1, one.coats + 1)]
            coats = [
                (replace(one, key=key, coats=1),
                 [m for m in left if (call.unit.id, m, key) not in state.ticks])
                for key in keys
            ]  # fmt: skip
        yield from ((coat, models) for coat, models in coats if models)


def used_since(
    since: Mapping[str, datetime],
    units: Iterable[Unit],
    recipes: Mapping[tuple[str, int], Recipe],
    state: BenchState,
) -> Mapping[str, float]:
    """By paint, ml that ticks used after the moment from which the shelf counts it.

    What stays in cup and palette is counted once for each pass and tray that was worked.
    """
    by_id = {unit.id: unit for unit in units}
    used = ByName[float]()
    rested: set[tuple[str, str, str]] = set()
    for (unit_id, _, key), tick in state.ticks.items():
        unit = by_id.get(unit_id)
        recipe = recipes.get(unit.recipe_key) if unit else None
        one = _worked(recipe, key) if recipe else None
        if unit is None or recipe is None or one is None:
            continue
        taken = amount_of(one, unit, 1, recipe)
        for paint, ml in split(one, taken.each_ml).items():
            if paint not in since or tick.end <= since[paint]:
                continue
            used[paint] = used.get(paint, 0.0) + ml
            rest = (paint, unit_id, f"{key}/{tick.end.date()}")
            if rest not in rested:
                rested.add(rest)
                used[paint] += split(one, taken.left_ml)[paint]
    return used


def _worked(recipe: Recipe, key: str) -> Pass | None:
    """The pass that was ticked, or one coat of it."""
    name, coat = pass_and_coat(key)
    for one in recipe.passes:
        if one.key == key:
            return one
        if coat and one.coats > 1 and one.key[:17] == name:
            return replace(one, key=key, coats=1)
    return None


@dataclass(frozen=True)
class Stock:
    """Of one paint on the shelf."""

    left_ml: float | None
    size_ml: float | None
    price: float | None


def requirements(
    wanted: Mapping[str, Mapping[str, float]], shelf: Mapping[str, Stock], spare: float = 0.15
) -> list[Requirement]:
    """What is short, the shortest first. ``spare``: so much more is bought than is needed."""
    found = []
    for paint, by_unit in wanted.items():
        ml = sum(by_unit.values())
        stock = shelf.get(paint)
        left = stock.left_ml if stock else 0.0
        short = 0.0 if left is None else max(0.0, ml * (1 + spare) - left)
        pots = math.ceil(short / stock.size_ml) if stock and stock.size_ml and short else None
        cost = pots * stock.price if pots and stock and stock.price is not None else None
        found.append(
            Requirement(paint, ml, dict(by_unit), left, short, pots, cost, stock is not None)
        )
    return sorted(found, key=lambda one: (-one.short_ml, one.paint))

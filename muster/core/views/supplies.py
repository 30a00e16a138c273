"""What a muster still takes of each paint, and what is short."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, replace
from datetime import date

from muster.core.amounts.area import model_cm2
from muster.core.amounts.requirements import Requirement, Stock, requirements, still_needed
from muster.core.by_name import ByName
from muster.core.choices import Choices
from muster.core.facts.replay import BenchState
from muster.core.house import ExpectedDelivery
from muster.core.recipes.recipe import Recipe
from muster.core.work.calls import calls_of


@dataclass(frozen=True)
class UnitArea:
    """A unit's painted surface: cm² of one model, and whether it was measured."""

    unit: str
    name: str
    area_cm2: float
    measured: bool


@dataclass(frozen=True)
class SupplyRow:
    """A paint's row; ``awaited``: the day on which it will be there."""

    need: Requirement
    awaited: date | None


@dataclass(frozen=True)
class Supplies:
    """The whole list; ``unpriced``: how many paints that are short have no price."""

    rows: list[SupplyRow]
    cost: float
    unpriced: int
    areas: list[UnitArea]
    house: int


def supplies_of(
    choices: Choices, told: BenchState, recipes: dict[tuple[str, int], Recipe],
    stock: Mapping[str, Stock], awaited: Iterable[ExpectedDelivery], house: int,
) -> Supplies:  # fmt: skip
    """What is still needed, by paint, against ``stock``. ``house``: the version it was read in."""
    days = ByName((one.paint, one.day) for one in awaited)
    names = {unit.id: unit.name for unit in choices.units}
    needs = [
        replace(need, by_unit={names[unit]: ml for unit, ml in need.by_unit.items()})
        for need in requirements(
            still_needed(calls_of(choices, recipes, told), recipes, told), stock
        )
    ]
    return Supplies(
        rows=[SupplyRow(need, days.get(need.paint)) for need in needs],
        cost=round(sum(need.cost or 0 for need in needs), 2),
        unpriced=sum(1 for need in needs if need.short_ml > 0 and need.cost is None),
        areas=[
            UnitArea(
                unit.id, unit.name, round(unit.area_cm2 or model_cm2(unit.kind, unit.scale), 2),
                unit.area_cm2 is not None,
            )
            for unit in choices.units
        ],
        house=house,
    )  # fmt: skip

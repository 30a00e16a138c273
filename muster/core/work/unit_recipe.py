"""What a unit is painted by: its recipe unfolded, and built on the parts of its kit."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from types import MappingProxyType

from muster.core.build.built import BuiltRecipe, build_recipe
from muster.core.build.kit import Build
from muster.core.choices import Choices, Order, Unit
from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.recipes.expand import Known, expand_recipe
from muster.core.recipes.recipe import Recipe
from muster.core.stack.habits.house import Habits

Works = Mapping[str, BuiltRecipe]
"""By unit, what its kit makes of its recipe."""

PLAIN: Works = MappingProxyType({})


@dataclass(frozen=True)
class UnitRecipe:
    """A recipe unfolded; ``built``: where the unit has a kit, what that makes of it."""

    recipe: Recipe
    built: BuiltRecipe | None = None


def unit_recipe(
    unit: Unit, known: Known, habits: Habits | None = None, tables: Tables = DEFAULTS
) -> UnitRecipe:
    """What a unit is painted by. Raises DomainError where its recipe cannot be unfolded,
    or its kit makes too much of it."""
    unfolded = expand_recipe(known[unit.recipe, unit.recipe_version], known).recipe
    if unit.build is None:
        return UnitRecipe(unfolded)
    built = build_recipe(
        replace(unfolded, passes=unfolded.for_tier(unit.tier)), with_models(unit), tables,
        fixes_first(habits),
    )  # fmt: skip
    return UnitRecipe(built.recipe, built)


def fixes_first(habits: Habits | None) -> bool:
    """Whether the house fixes first what need not be left apart."""
    return habits is not None and habits.parts == "fixed"


def with_models(unit: Unit) -> Build:
    """The build of a unit, without mishaps of models that it no longer has."""
    assert unit.build is not None
    mishaps = [
        replace(one, models=tuple(m for m in one.models if m <= unit.count))
        for one in unit.build.mishaps
    ]
    return replace(unit.build, mishaps=tuple(one for one in mishaps if one.models))


def orders_between(choices: Choices, works: Works) -> tuple[Order, ...]:
    """Where a joint takes up models of another unit: those are done before it."""
    known = {unit.id for unit in choices.units}
    found = []
    for unit in choices.units:
        built = works.get(unit.id)
        if built is None or unit.build is None:
            continue
        for part in unit.build.kit.in_use:
            if part.unit is None or part.unit not in known or part.unit == unit.id:
                continue
            for joint in unit.build.kit.joints_in_use:
                key = built.closing.get(joint.id)
                if joint.part == part.id and key is not None:
                    found.append(Order(part.unit, unit.id, None, key))
    return tuple(found)

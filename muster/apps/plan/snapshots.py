"""From the database to a snapshot: the one place where that happens."""

from __future__ import annotations

from muster.apps import clock
from muster.apps.colour.queries import shelf_entries
from muster.apps.house.services import house_of
from muster.apps.plan.read_facts import facts_of
from muster.apps.recipes.queries import versions_of
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import choices_of
from muster.core.choices import Choices
from muster.core.recipes.recipe import Recipe
from muster.core.snapshot import Snapshot


def recipes_of(muster: Muster, choices: Choices) -> dict[tuple[str, int], Recipe]:
    """The recipe versions that the choices name, and those that these hold."""
    wanted = {(unit.recipe, unit.recipe_version) for unit in choices.units}
    return versions_of(muster.owner_id, wanted)


def snapshot_of(muster: Muster) -> tuple[Snapshot, int]:
    """The muster now: choices, facts, recipes, house, shelf; and the house's version. Six
    queries, one more a depth of nesting, one more where the shelf holds paints."""
    choices = choices_of(muster)
    facts = facts_of(muster)
    house, version = house_of(muster.owner_id)
    recipes = recipes_of(muster, choices)
    shelf = tuple(one.paint for one in shelf_entries(muster.owner_id))
    return Snapshot(choices, facts, recipes, clock.now(), house, shelf), version

"""From the database to a snapshot: the one place where that happens."""

from __future__ import annotations

from django.contrib.auth.models import User
from django.http import Http404

from muster.apps import clock
from muster.apps.colour.queries import shelf_entries
from muster.apps.errors import Outdated
from muster.apps.house.services import house_of
from muster.apps.recipes.queries import versions_of
from muster.apps.roll.models import Muster, Version
from muster.core.choices import Choices
from muster.core.recipes.recipe import Recipe
from muster.core.snapshot import Snapshot


def own_muster(user: User, muster_id: int, lock: bool = False) -> Muster:
    """The user's muster; Http404 where it is not his."""
    musters = Muster.objects.select_for_update() if lock else Muster.objects
    muster = musters.filter(owner=user, pk=muster_id).first()
    if muster is None:
        raise Http404
    return muster


def choices_of(muster: Muster) -> Choices:
    """The choices as they stand."""
    return Version.objects.get(muster=muster, number=muster.version).value()


def recipes_of(muster: Muster, choices: Choices) -> dict[tuple[str, int], Recipe]:
    """The recipe versions that the choices name, and those that these hold."""
    wanted = {(unit.recipe, unit.recipe_version) for unit in choices.units}
    return versions_of(muster.owner_id, wanted)


def snapshot_of(muster: Muster) -> tuple[Snapshot, int]:
    """The muster now: choices, facts, recipes, house, shelf; and the house's version. Five
    queries, one more a depth of nesting, one more where the shelf holds paints."""
    choices = choices_of(muster)
    facts = tuple(row.value() for row in muster.facts.order_by("at", "made_at"))
    house, version = house_of(muster.owner_id)
    recipes = recipes_of(muster, choices)
    shelf = tuple(one.paint for one in shelf_entries(muster.owner_id))
    return Snapshot(choices, facts, recipes, clock.now(), house, shelf), version


def refuse_outdated(muster: Muster, seen: int) -> None:
    """Raise Outdated where the command saw an older version."""
    if muster.version != seen:
        rows = Version.objects.filter(muster=muster, number__gt=seen).order_by("number")
        raise Outdated([row.label for row in rows[:5]])

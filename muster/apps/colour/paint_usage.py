"""What the bench used of the shelf, over all musters of a user; and what they still need."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime

from django.contrib.auth.models import User

from muster.apps.colour.queries import ShelfEntry
from muster.apps.recipes.queries import versions_of
from muster.apps.roll.models import Muster
from muster.core.amounts.requirements import used_since
from muster.core.choices import Unit
from muster.core.facts.replay import replay
from muster.core.recipes.expand import expand_recipe
from muster.core.recipes.recipe import Recipe


def used_from(user: User, kept: list[ShelfEntry]) -> list[ShelfEntry]:
    """The shelf with what ticks have used since each paint was counted."""
    since: dict[str, datetime] = {one.paint.name: one.since for one in kept}
    if not since:
        return kept
    used: dict[str, float] = {}
    for muster in Muster.objects.filter(owner=user):
        newest = muster.versions.get(number=muster.version).value()
        facts = [row.value() for row in muster.facts.filter(at__gt=min(since.values()))]
        if not facts:
            continue
        recipes = whole_recipes(user.pk, newest.units)
        for paint, ml in used_since(since, newest.units, recipes, replay(facts)).items():
            used[paint] = used.get(paint, 0.0) + ml
    return [one.less(used) for one in kept]


def whole_recipes(owner_id: int, units: Iterable[Unit]) -> dict[tuple[str, int], Recipe]:
    """The versions that units follow, nested recipes unfolded."""
    wanted = {(unit.recipe, unit.recipe_version) for unit in units}
    known = versions_of(owner_id, wanted)
    return {name: expand_recipe(known[name], known).recipe for name in wanted if name in known}

"""What the bench used of the shelf, over all musters of a user; and what they still need."""

from __future__ import annotations

from collections.abc import Collection, Iterable
from datetime import datetime
from itertools import chain

from django.contrib.auth.models import User

from muster.apps.colour.queries import ShelfEntry, less
from muster.apps.recipes.queries import versions_of
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import all_choices
from muster.core.amounts.requirements import Stock, used_since
from muster.core.by_name import ByName
from muster.core.choices import Unit
from muster.core.facts.fact import FACT, Fact
from muster.core.facts.replay import replay
from muster.core.recipes.expand import Known
from muster.core.recipes.recipe import Recipe
from muster.core.work.unit_recipe import unit_recipe


def used_from(user: User, kept: list[ShelfEntry]) -> list[ShelfEntry]:
    """The shelf with what ticks have used since each paint was counted. Three queries at most, and
    one more a depth of nesting."""
    since = ByName[datetime]()
    for one in kept:
        for name in one.names:
            since[name] = min(one.since, since.get(name, one.since))
    if not since:
        return kept
    facts: dict[int, list[Fact]] = {}
    rows = Muster.objects.filter(owner=user, facts__at__gt=min(since.values()))
    for muster, document in rows.values_list("pk", "facts__document").order_by("facts__at"):
        facts.setdefault(muster, []).append(FACT.validate_python(document))
    if not facts:
        return kept
    units = {
        muster: choices.units for muster, _, choices in all_choices(user.pk) if muster in facts
    }
    known = versions_of(user.pk, _named(chain.from_iterable(units.values())))
    used = ByName[float]()
    for muster, told in facts.items():
        recipes = _unfolded(units[muster], known)
        for paint, ml in used_since(since, units[muster], recipes, replay(told)).items():
            used[paint] = used.get(paint, 0.0) + ml
    return less(kept, used)


def stock_of(kept: Iterable[ShelfEntry]) -> ByName[Stock]:
    """What is on the shelf, by what recipes call it; pots of one paint together."""
    found = ByName[Stock]()
    for one in kept:
        for name in one.names:
            known = found.get(name)
            left = one.paint.left_ml
            if known is not None and known.left_ml is not None and left is not None:
                left += known.left_ml
            size = one.paint.size_ml or (known.size_ml if known else None)
            price = one.paint.price
            if price is None and known is not None:
                price = known.price
            found[name] = Stock(left, size, price)
    return found


def whole_recipes(owner_id: int, units: Collection[Unit]) -> dict[tuple[str, int], Recipe]:
    """What units are painted by, unfolded and built of their kits; units of one muster."""
    return _unfolded(units, versions_of(owner_id, _named(units)))


def _named(units: Iterable[Unit]) -> set[tuple[str, int]]:
    return {(unit.recipe, unit.recipe_version) for unit in units}


def _unfolded(units: Iterable[Unit], known: Known) -> dict[tuple[str, int], Recipe]:
    return {
        unit.recipe_key: unit_recipe(unit, known).recipe for unit in units
        if (unit.recipe, unit.recipe_version) in known
    }  # fmt: skip

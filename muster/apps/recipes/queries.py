"""Reading a user's recipes."""

from __future__ import annotations

from collections.abc import Iterable
from functools import reduce
from operator import or_

from django.contrib.auth.models import User
from django.db.models import OuterRef, Q, Subquery

from muster.apps.recipes.models import RecipeVersion
from muster.core.recipes.expand import held_by
from muster.core.recipes.recipe import Recipe


def newest_recipes(user: User) -> dict[str, Recipe]:
    """Every recipe of the user by its code, in its newest version. One query."""
    return {row.recipe.code: row.value() for row in newest_rows(user)}


def newest_rows(user: User) -> list[RecipeVersion]:
    """The newest version of every recipe of the user. One query."""
    last = RecipeVersion.objects.filter(recipe=OuterRef("recipe")).order_by("-number")
    rows = RecipeVersion.objects.filter(
        recipe__owner=user, number=Subquery(last.values("number")[:1])
    )
    found = rows.select_related("recipe").order_by("recipe_id")
    return list(found)


def versions_of(owner_id: int, wanted: Iterable[tuple[str, int]]) -> dict[tuple[str, int], Recipe]:
    """These versions and all that they hold, by id and version; one query a depth of nesting."""
    found: dict[tuple[str, int], Recipe] = {}
    open_ = set(wanted)
    while open_:
        these = reduce(or_, (Q(recipe__code=code, number=number) for code, number in open_))
        rows = RecipeVersion.objects.select_related("recipe").filter(these, recipe__owner=owner_id)
        new = {(row.recipe.code, row.number): row.value() for row in rows}
        found |= new
        held = {held_by(one) for recipe in new.values() for one in recipe.passes} - {None}
        open_ = {name for name in held if name is not None} - set(found)
    return found


def newest_version(owner: User, code: str) -> RecipeVersion | None:
    """The newest version of a recipe of this owner."""
    rows = RecipeVersion.objects.filter(recipe__owner=owner, recipe__code=code)
    return rows.order_by("-number").first()

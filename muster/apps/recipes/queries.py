"""Reading a user's recipes."""

from __future__ import annotations

from collections.abc import Iterable

from django.contrib.auth.models import User

from muster.apps.recipes.models import RecipeVersion
from muster.core.recipes.expand import held_by
from muster.core.recipes.recipe import Recipe


def newest_recipes(user: User) -> dict[str, Recipe]:
    """Every recipe of the user by its code, in its newest version. One query."""
    newest: dict[str, Recipe] = {}
    rows = RecipeVersion.objects.select_related("recipe").filter(recipe__owner=user)
    for row in rows.order_by("recipe_id", "number"):
        newest[row.recipe.code] = row.value()
    return newest


def versions_of(owner_id: int, wanted: Iterable[tuple[str, int]]) -> dict[tuple[str, int], Recipe]:
    """These versions and all that they hold, by id and version; one query a depth of nesting."""
    found: dict[tuple[str, int], Recipe] = {}
    open_ = set(wanted)
    while open_:
        rows = RecipeVersion.objects.select_related("recipe").filter(
            recipe__owner=owner_id, recipe__code__in=[code for code, _ in open_]
        )
        new = {
            (row.recipe.code, row.number): row.value()
            for row in rows
            if (row.recipe.code, row.number) in open_
        }
        found |= new
        held = {held_by(one) for recipe in new.values() for one in recipe.passes} - {None}
        open_ = {name for name in held if name is not None} - set(found)
    return found


def newest_version(owner: User, code: str) -> RecipeVersion | None:
    """The newest version of a recipe of this owner."""
    rows = RecipeVersion.objects.filter(recipe__owner=owner, recipe__code=code)
    return rows.order_by("-number").first()

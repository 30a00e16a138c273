"""Reading a user's recipes."""

from __future__ import annotations

from django.contrib.auth.models import User

from muster.apps.recipes.models import RecipeVersion
from muster.core.recipes.recipe import Recipe


def newest_recipes(user: User) -> dict[str, Recipe]:
    """Every recipe of the user by its code, in its newest version. One query."""
    newest: dict[str, Recipe] = {}
    rows = RecipeVersion.objects.select_related("recipe").filter(recipe__owner=user)
    for row in rows.order_by("recipe_id", "number"):
        newest[row.recipe.code] = row.value()
    return newest

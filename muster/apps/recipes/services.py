"""What a new account begins with."""

from __future__ import annotations

from django.contrib.auth.models import User

from muster.apps.recipes.models import Recipe, RecipeVersion
from muster.core.recipes.recipe import RECIPE
from muster.core.recipes.recipe import Recipe as RecipeDocument
from muster.core.recipes.starters_vehicles import STARTERS


def keep_version(owner: User, document: RecipeDocument) -> RecipeVersion:
    """Keep a recipe version under its owner; the same one again is the same row."""
    recipe, _ = Recipe.objects.get_or_create(owner=owner, code=document.id)
    version, _ = RecipeVersion.objects.get_or_create(
        recipe=recipe,
        number=document.version,
        defaults={"document": RECIPE.dump_python(document, mode="json")},
    )
    return version


def give_starters(user: User) -> None:
    """The starter recipes."""
    for document in STARTERS:
        keep_version(user, document)

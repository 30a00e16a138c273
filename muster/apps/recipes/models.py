"""Recipes, owned by a user, each with versions that never change."""

from __future__ import annotations

from django.conf import settings
from django.db import models

from muster.core.recipes.recipe import RECIPE
from muster.core.recipes.recipe import Recipe as RecipeDocument


class Recipe(models.Model):
    """A recipe; ``code`` is its id in open files."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    code = models.CharField(max_length=40)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["owner", "code"], name="recipe_code_once_an_owner")
        ]


class RecipeVersion(models.Model):
    """One version: a value, never changed."""

    recipe = models.ForeignKey(Recipe, on_delete=models.CASCADE, related_name="versions")
    number = models.PositiveIntegerField()
    document = models.JSONField()
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["recipe", "number"], name="recipe_version_once")
        ]

    def value(self) -> RecipeDocument:
        """The version as the core knows it."""
        return RECIPE.validate_python(self.document)

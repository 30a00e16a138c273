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
    put_away = models.BooleanField(default=False)

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


class Trial(models.Model):
    """A trial patch: a pass of a recipe tried out of sight, and what it showed. Never changed."""

    class Verdict(models.TextChoices):
        """What it showed."""

        GOOD = "good"
        STRONG = "too strong"
        WEAK = "too weak"
        LIFTED = "lifted"

    recipe = models.ForeignKey(Recipe, on_delete=models.CASCADE, related_name="trials")
    pass_key = models.CharField(max_length=24)
    where = models.CharField(max_length=60)
    verdict = models.CharField(max_length=12, choices=Verdict.choices)
    note = models.CharField(max_length=300, blank=True)
    laid = models.CharField(max_length=60, blank=True, default="")
    over = models.CharField(max_length=60, blank=True, default="")
    """Kinds of paint: what was laid, and over what; empty where none met."""
    at = models.DateTimeField()

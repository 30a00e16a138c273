"""The room as a Django app."""

from django.apps import AppConfig


class RecipesConfig(AppConfig):
    name = "muster.apps.recipes"

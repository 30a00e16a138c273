"""The room as a Django app."""

from django.apps import AppConfig


class ColourConfig(AppConfig):
    name = "muster.apps.colour"

"""The room as a Django app."""

from django.apps import AppConfig


class RollConfig(AppConfig):
    name = "muster.apps.roll"

"""The room as a Django app."""

from django.apps import AppConfig


class BuildConfig(AppConfig):
    name = "muster.apps.build"

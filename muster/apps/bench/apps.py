"""The room as a Django app."""

from django.apps import AppConfig


class BenchConfig(AppConfig):
    name = "muster.apps.bench"

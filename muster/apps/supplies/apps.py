"""The room as a Django app: it keeps nothing of its own."""

from django.apps import AppConfig


class SuppliesConfig(AppConfig):
    name = "muster.apps.supplies"

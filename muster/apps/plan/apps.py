"""The room as a Django app."""

from django.apps import AppConfig


class PlanConfig(AppConfig):
    name = "muster.apps.plan"

"""The house as a Django app."""

from django.apps import AppConfig


class HouseConfig(AppConfig):
    name = "muster.apps.house"

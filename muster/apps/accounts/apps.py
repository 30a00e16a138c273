"""The room as a Django app."""

from django.apps import AppConfig


class AccountsConfig(AppConfig):
    name = "muster.apps.accounts"

"""The account that the demo is shown with."""

from __future__ import annotations

from django.contrib.auth.hashers import UNUSABLE_PASSWORD_PREFIX
from django.contrib.auth.models import User

DEMO_NAME = "demo"


def demo_account() -> User | None:
    """The one account that nobody can sign in to; somebody's own is never it, however called."""
    found = User.objects.filter(password__startswith=UNUSABLE_PASSWORD_PREFIX)
    return found.order_by("pk").first()


def make_demo_account() -> User:
    """A new one, under a name that is free."""
    name, number = DEMO_NAME, 1
    while User.objects.filter(username=name).exists():
        number += 1
        name = f"{DEMO_NAME} {number}"
    return User.objects.create_user(name)

"""Requests as handlers get them."""

from __future__ import annotations

from django.contrib.auth.models import User
from django.http import HttpRequest


class UserRequest(HttpRequest):
    """A request of somebody who is signed in, as every handler that asks for that gets it."""

    user: User

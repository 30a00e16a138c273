"""Sign in, sign up, sign out."""

from __future__ import annotations

from django.conf import settings
from django.contrib.auth import authenticate, login, logout
from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.http import HttpRequest
from ninja import Router, Schema

from muster.apps.recipes.starting import give_starters
from muster.core.plan.fields import Refused

router = Router()

DEMO_NAME = "demo"


class Credentials(Schema):
    """A name and a password."""

    name: str
    password: str


class Me(Schema):
    """Who is signed in, and whether the demo can be opened."""

    name: str | None
    demo: bool


def _me(request: HttpRequest) -> Me:
    user = request.user
    return Me(name=user.get_username() if user.is_authenticated else None,
              demo=settings.DEMO_ACCOUNT)  # fmt: skip


@router.get("/me", auth=None, response=Me)
def me(request: HttpRequest) -> Me:
    """Who is signed in."""
    return _me(request)


@router.post("/sign-up", auth=None, response=Me)
def sign_up(request: HttpRequest, payload: Credentials) -> Me:
    """Make an account and sign in."""
    name = payload.name.strip()
    if not 1 <= len(name) <= 60:
        raise Refused("name: it must have 1 to 60 letters")
    try:
        validate_password(payload.password)
        with transaction.atomic():
            user = User.objects.create_user(name, password=payload.password)
            give_starters(user)
    except ValidationError as error:
        raise Refused(f"password: {' '.join(error.messages)}") from error
    except IntegrityError as error:
        raise Refused(f"name: '{name}' is taken: choose another") from error
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return _me(request)


@router.post("/sign-in", auth=None, response=Me)
def sign_in(request: HttpRequest, payload: Credentials) -> Me:
    """Sign in; too many wrong tries lock the name for a quarter of an hour."""
    user = authenticate(request, username=payload.name.strip(), password=payload.password)
    if user is None:
        raise Refused(
            "name or password is wrong; after eight wrong tries wait a quarter of an hour"
        )
    login(request, user)
    return _me(request)


@router.post("/open-demo", auth=None, response=Me)
def open_demo(request: HttpRequest) -> Me:
    """Open the demo account; only where the server was started as the demo."""
    user = User.objects.filter(username=DEMO_NAME).first() if settings.DEMO_ACCOUNT else None
    if user is None:
        raise Refused("this server was not started as the demo: sign in or sign up")
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return _me(request)


@router.post("/sign-out", response=Me)
def sign_out(request: HttpRequest) -> Me:
    """Sign out."""
    logout(request)
    return _me(request)

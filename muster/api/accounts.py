"""Sign in, sign up, sign out."""

from __future__ import annotations

import io
import json
import zipfile

from django.conf import settings
from django.contrib.auth import authenticate, login, logout
from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.db import IntegrityError, transaction
from django.db.models.functions import Lower
from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from ninja.errors import HttpError
from ninja.utils import check_csrf

from muster.api.requests import Line, Password, UserRequest
from muster.api.throttles import ByAddress, ByUser
from muster.apps.accounts.demo import demo_account
from muster.apps.exchange.muster_files import export_all
from muster.apps.house.services import house_of
from muster.apps.recipes.models import RecipeVersion
from muster.apps.recipes.services import give_starters
from muster.core.errors import DomainError
from muster.core.house import HOUSE
from muster.core.vocabulary import clean_name, name_key

router = Router()

SIGN_UPS = ByAddress("sign-up", settings.SIGN_UPS)
DELETIONS = ByUser("delete", "8/15m")


class Credentials(Schema):
    """A name and a password."""

    name: Line
    password: Password


class PasswordIn(Schema):
    """A password."""

    password: Password


class Me(Schema):
    """Who is signed in, and whether the demo can be opened."""

    name: str | None
    demo: bool


def _me(request: HttpRequest) -> Me:
    user = request.user
    return Me(name=user.get_username() if user.is_authenticated else None,
              demo=settings.DEMO_ACCOUNT)  # fmt: skip


def _cleaned(name: str) -> str:
    """A name as it is kept, for signing up and in. Raises DomainError where nothing is left."""
    try:
        return clean_name(name)
    except ValueError as error:
        raise DomainError(f"name: {error}") from error


def _refuse_foreign(request: HttpRequest) -> None:
    """Answers 403 where a page of somebody else's sends this, in the name of its visitor."""
    if check_csrf(request) is not None:
        raise HttpError(403, "this did not come from Crisp Muster's own page: load it again")


@router.get("/me", auth=None, response=Me)
def me(request: HttpRequest) -> Me:
    """Who is signed in."""
    return _me(request)


@router.post("/sign-up", auth=None, response=Me, throttle=SIGN_UPS)
def sign_up(request: HttpRequest, payload: Credentials) -> Me:
    """Make an account and sign in.

    Raises DomainError for a name that is taken or a weak password. A page of somebody else's is
    answered 403.
    """
    _refuse_foreign(request)
    name = _cleaned(payload.name)
    if len(name) > 60:
        raise DomainError("name: it must have 1 to 60 letters")
    alike = User.objects.annotate(key=Lower("username")).filter(key=name_key(name))
    if alike.exists():
        raise DomainError(f"name: '{name}' is taken: choose another")
    try:
        validate_password(payload.password, User(username=name))
        with transaction.atomic():
            user = User.objects.create_user(name, password=payload.password)
            give_starters(user)
    except ValidationError as error:
        raise DomainError(f"password: {' '.join(error.messages)}") from error
    except IntegrityError as error:
        raise DomainError(f"name: '{name}' is taken: choose another") from error
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return _me(request)


@router.post("/sign-in", auth=None, response=Me, throttle=ByAddress("sign-in", "200/h"))
def sign_in(request: HttpRequest, payload: Credentials) -> Me:
    """Sign in; too many wrong tries lock the name for a quarter of an hour. Raises DomainError.
    A page of somebody else's is answered 403."""
    _refuse_foreign(request)
    user = authenticate(request, username=_cleaned(payload.name), password=payload.password)
    if user is None:
        raise DomainError(
            "name or password is wrong; after eight wrong tries wait a quarter of an hour"
        )
    login(request, user)
    return _me(request)


@router.post("/open-demo", auth=None, response=Me, throttle=ByAddress("demo", "600/h"))
def open_demo(request: HttpRequest) -> Me:
    """Open the demo account; only where the server was started as the demo. Raises DomainError.
    A page of somebody else's is answered 403."""
    _refuse_foreign(request)
    user = demo_account() if settings.DEMO_ACCOUNT else None
    if user is None:
        raise DomainError("this server was not started as the demo: sign in or sign up")
    login(request, user, backend="django.contrib.auth.backends.ModelBackend")
    return _me(request)


@router.get("/me/file", response={200: None})
def all_of_mine(request: UserRequest) -> HttpResponse:
    """Everything that is the user's: each muster as an open file, with its recipes and facts."""
    packed = io.BytesIO()
    with zipfile.ZipFile(packed, "w", zipfile.ZIP_DEFLATED) as archive:
        for muster, text in export_all(request.user):
            archive.writestr(f"muster-{muster}.json", text)
        rows = RecipeVersion.objects.filter(recipe__owner=request.user)
        recipes = [row.document for row in rows.order_by("recipe_id", "number")]
        house, _ = house_of(request.user.pk)
        archive.writestr("house.json", HOUSE.dump_json(house, indent=1))
        archive.writestr("recipes.json", json.dumps(recipes, indent=1))
    answer = HttpResponse(packed.getvalue(), content_type="application/zip")
    answer["Content-Disposition"] = 'attachment; filename="crisp-muster.zip"'
    return answer


@router.post("/me/delete", response=Me, throttle=DELETIONS)
def delete_me(request: UserRequest, payload: PasswordIn) -> Me:
    """Delete the account with all that is in it; the password is asked for once more.

    Raises DomainError.
    """
    user = request.user
    if not user.check_password(payload.password):
        raise DomainError("the password is wrong: the account was not deleted")
    logout(request)
    user.delete()
    return _me(request)


@router.post("/sign-out", response=Me)
def sign_out(request: UserRequest) -> Me:
    """Sign out."""
    logout(request)
    return _me(request)

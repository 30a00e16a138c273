"""Recipes: list, read, keep a new version."""

from __future__ import annotations

from typing import Annotated

from django.contrib.auth.models import User
from django.http import Http404
from ninja import Router, Schema
from pydantic import Field

from muster.api.requests import Line, UserRequest
from muster.api.throttles import ByUser
from muster.apps.plan.services import change_recipe
from muster.apps.recipes.queries import newest_rows, newest_version, versions_of
from muster.apps.recipes.services import copy_recipe, new_recipe, put_away
from muster.apps.roll.queries import all_choices
from muster.core.recipes.compare import differences
from muster.core.recipes.recipe import MOST_PASSES, Pass, Subject, next_version
from muster.core.recipes.recipe import Recipe as RecipeDocument
from muster.core.vocabulary import DocumentVersion, Kind

router = Router()


class UsedBy(Schema):
    """A unit under a recipe, and the version it follows."""

    muster: int
    muster_name: str
    unit: str
    unit_name: str
    version: int
    scale: int
    tier: str


class RecipeOut(Schema):
    """The newest version of a recipe, and who uses it."""

    recipe: RecipeDocument
    used_by: list[UsedBy]
    put_away: bool


class ValueOut(Schema):
    """A value that differs: what, old and new."""

    what: str
    old: str
    new: str


class DifferenceOut(Schema):
    """A pass that is new, gone, moved or changed."""

    key: str
    name: str
    how: str
    values: list[ValueOut]


Following = Annotated[str, Field(pattern=r"^[0-9]{1,15}:[a-z0-9-]{1,40}$")]


class RecipeIn(Schema):
    """New passes for a recipe; ``follow`` lists units (muster id:unit id) that follow at once."""

    name: Line
    seen: DocumentVersion
    passes: Annotated[list[Pass], Field(max_length=MOST_PASSES)]
    subject: Subject | None = None
    follow: Annotated[list[Following], Field(max_length=500)] = []


def _all(user: User) -> list[RecipeOut]:
    used: dict[str, list[UsedBy]] = {}
    for muster, _, choices in all_choices(user.pk):
        for unit in choices.units:
            used.setdefault(unit.recipe, []).append(
                UsedBy(muster=muster, muster_name=choices.name, unit=unit.id,
                       unit_name=unit.name, version=unit.recipe_version, scale=unit.scale,
                       tier=unit.tier)
            )  # fmt: skip
    return [
        RecipeOut(
            recipe=row.value(), used_by=used.get(row.recipe.code, []),
            put_away=row.recipe.put_away,
        )
        for row in newest_rows(user)
    ]  # fmt: skip


@router.get("/recipes", response=list[RecipeOut])
def recipes(request: UserRequest) -> list[RecipeOut]:
    """Every recipe of the user, in its newest version."""
    return _all(request.user)


class NewRecipeIn(Schema):
    """A recipe to begin."""

    name: Line
    kind: Kind
    passes: Annotated[list[Pass], Field(max_length=MOST_PASSES)]
    subject: Subject = Subject()


class PutAwayIn(Schema):
    """Put away, or brought back."""

    away: bool


@router.post("/recipes", response=list[RecipeOut], throttle=ByUser("copy", "60/h"))
def begin(request: UserRequest, payload: NewRecipeIn) -> list[RecipeOut]:
    """Keep the first version of a new recipe; it is the last of the list."""
    new_recipe(request.user, payload.name, payload.kind, tuple(payload.passes), payload.subject)
    return _all(request.user)


@router.post("/recipes/{code}/away", response=list[RecipeOut])
def away(request: UserRequest, code: str, payload: PutAwayIn) -> list[RecipeOut]:
    """Put a recipe away, or bring it back; units that use it keep it."""
    put_away(request.user, code, payload.away)
    return _all(request.user)


@router.post("/recipes/{code}", response=list[RecipeOut])
def change(request: UserRequest, code: str, payload: RecipeIn) -> list[RecipeOut]:
    """Keep a new version; units named in ``follow`` follow it, others keep theirs."""
    old = _newest(request.user, code)
    new = next_version(old, payload.name, tuple(payload.passes), payload.subject)
    follow = [(int(muster), unit) for muster, _, unit in (f.partition(":") for f in payload.follow)]
    change_recipe(request.user, new, payload.seen, follow)
    return _all(request.user)


@router.post("/recipes/{code}/copy", response=list[RecipeOut], throttle=ByUser("copy", "60/h"))
def copy(request: UserRequest, code: str) -> list[RecipeOut]:
    """A recipe of one's own, from another."""
    copy_recipe(request.user, _newest(request.user, code))
    return _all(request.user)


@router.get("/recipes/{code}/changes", response=list[DifferenceOut])
def changes(request: UserRequest, code: str, since: DocumentVersion) -> list[DifferenceOut]:
    """The newest version against an older one, pass by pass.

    Raises Http404 where either version is not there.
    """
    newest = _newest(request.user, code)
    known = versions_of(request.user.pk, [(code, since)])
    if (code, since) not in known:
        raise Http404
    return [
        DifferenceOut(
            key=one.key, name=one.name, how=one.how,
            values=[ValueOut(what=what, old=was, new=now) for what, was, now in one.values],
        )
        for one in differences(known[code, since], newest)
    ]  # fmt: skip


def _newest(user: User, code: str) -> RecipeDocument:
    row = newest_version(user, code)
    if row is None:
        raise Http404
    return row.value()

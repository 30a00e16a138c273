"""Recipes: list, read, keep a new version."""

from __future__ import annotations

import re
from dataclasses import replace

from django.contrib.auth.models import User
from django.db import transaction
from django.http import Http404
from ninja import Router, Schema

from muster.apps.recipes.models import Recipe
from muster.apps.recipes.queries import newest_recipes, newest_version, versions_of
from muster.apps.recipes.services import keep_version
from muster.apps.requests import UserRequest
from muster.apps.roll import services
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import choices_of
from muster.core.commands.verbs.edit_unit import EditUnit
from muster.core.errors import DomainError
from muster.core.recipes.compare import differences
from muster.core.recipes.expand import expand_recipe, held_by
from muster.core.recipes.recipe import Pass, complaints_of
from muster.core.recipes.recipe import Recipe as RecipeDocument

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


class RecipeIn(Schema):
    """New passes for a recipe; ``follow`` lists units (muster id:unit id) that follow at once."""

    name: str
    seen: int
    passes: list[Pass]
    material: str | None = None
    follow: list[str] = []


def _all(user: User) -> list[RecipeOut]:
    newest = newest_recipes(user)
    used: dict[str, list[UsedBy]] = {}
    for muster in Muster.objects.filter(owner=user):
        choices = choices_of(muster)
        for unit in choices.units:
            used.setdefault(unit.recipe, []).append(
                UsedBy(muster=muster.pk, muster_name=choices.name, unit=unit.id,
                       unit_name=unit.name, version=unit.recipe_version, scale=unit.scale,
                       tier=unit.tier)
            )  # fmt: skip
    return [RecipeOut(recipe=one, used_by=used.get(code, [])) for code, one in newest.items()]


@router.get("/recipes", response=list[RecipeOut])
def recipes(request: UserRequest) -> list[RecipeOut]:
    """Every recipe of the user, in its newest version."""
    return _all(request.user)


@router.post("/recipes/{code}", response=list[RecipeOut])
def change(request: UserRequest, code: str, payload: RecipeIn) -> list[RecipeOut]:
    """Keep a new version; units named in ``follow`` follow it, others keep theirs."""
    with transaction.atomic():
        row = newest_version(request.user, code)
        if row is None:
            raise Http404
        if row.number != payload.seen:
            raise DomainError("this recipe was changed elsewhere meanwhile: look at it again")
        old = row.value()
        new = replace(
            old, name=payload.name.strip() or old.name, version=old.version + 1,
            passes=tuple(payload.passes), material=payload.material or old.material,
        )  # fmt: skip
        _refuse_bad(request.user, new)
        keep_version(request.user, new)
        for name in payload.follow:
            _follow(request.user, name, new)
    return _all(request.user)


@router.post("/recipes/{code}/copy", response=list[RecipeOut])
def copy(request: UserRequest, code: str) -> list[RecipeOut]:
    """A recipe of one's own, from another."""
    row = newest_version(request.user, code)
    if row is None:
        raise Http404
    base = re.sub(r"-\d+$", "", code)[:34]
    number = 2
    while Recipe.objects.filter(owner=request.user, code=f"{base}-{number}").exists():
        number += 1
    old = row.value()
    keep_version(
        request.user, replace(old, id=f"{base}-{number}", name=f"{old.name} {number}", version=1)
    )
    return _all(request.user)


@router.get("/recipes/{code}/changes", response=list[DifferenceOut])
def changes(request: UserRequest, code: str, since: int) -> list[DifferenceOut]:
    """The newest version against an older one, pass by pass."""
    row = newest_version(request.user, code)
    known = versions_of(request.user.pk, [(code, since)])
    if row is None or (code, since) not in known:
        raise Http404
    return [
        DifferenceOut(
            key=one.key, name=one.name, how=one.how,
            values=[ValueOut(what=what, old=was, new=now) for what, was, now in one.values],
        )
        for one in differences(known[code, since], row.value())
    ]  # fmt: skip


def _refuse_bad(user: User, recipe: RecipeDocument) -> None:
    if not recipe.passes:
        raise DomainError("a recipe needs at least one pass: add one")
    complaints = complaints_of(recipe)
    if complaints:
        raise DomainError(*complaints)
    expand_recipe(recipe, versions_of(user.pk, (held_by(one) or ("", 0) for one in recipe.passes)))


def _follow(user: User, name: str, recipe: RecipeDocument) -> None:
    muster_id, _, unit = name.partition(":")
    muster = Muster.objects.filter(owner=user, pk=int(muster_id) if muster_id.isdigit() else 0)
    found = muster.first()
    if found is None:
        raise Http404
    wanted = EditUnit("edit_unit", unit, recipe=recipe.id, recipe_version=recipe.version)
    services.command(user, found.pk, found.version, wanted)

"""Keeping recipes: versions, copies, files of them, trials."""

from __future__ import annotations

import re
from dataclasses import replace

from django.contrib.auth.models import User
from django.db import transaction
from django.http import Http404

from muster.apps import clock
from muster.apps.house.services import house_of
from muster.apps.recipes.models import Recipe, RecipeVersion
from muster.core.errors import DomainError
from muster.core.formats.recipe import RecipeFile
from muster.core.recipes.expand import with_held
from muster.core.recipes.recipe import RECIPE, Pass, Subject, with_subject
from muster.core.recipes.recipe import Recipe as RecipeDocument
from muster.core.recipes.starters_vehicles import STARTERS
from muster.core.stack.experience import what_met
from muster.core.vocabulary import Kind

MOST_RECIPES, MOST_VERSIONS = 300, 1_000
"""Of one account, and of one recipe."""
MOST_TRIALS = 500
"""Kept of one recipe."""


def keep_version(owner: User, document: RecipeDocument) -> RecipeVersion:
    """Keep a recipe version under its owner; the same one again is the same row. Raises DomainError
    for more than an account holds."""
    recipe, new = Recipe.objects.get_or_create(owner=owner, code=document.id)
    if new and owner.recipe_set.count() > MOST_RECIPES:
        raise DomainError(f"you have {MOST_RECIPES} recipes: work in one of them, or export it")
    if recipe.versions.count() >= MOST_VERSIONS:
        raise DomainError(f"'{document.name}' has {MOST_VERSIONS} versions: go on in a copy of it")
    version, _ = RecipeVersion.objects.get_or_create(
        recipe=recipe,
        number=document.version,
        defaults={"document": RECIPE.dump_python(document, mode="json")},
    )
    return version


def give_starters(user: User) -> None:
    """The starter recipes."""
    for document in STARTERS:
        keep_version(user, document)


def new_recipe(
    user: User, name: str, kind: Kind, passes: tuple[Pass, ...], subject: Subject
) -> str:
    """A recipe of one's own, from nothing. Returns its code. Raises DomainError for one without
    passes, and for more than an account holds."""
    if not passes:
        raise DomainError("a recipe needs at least one pass: add one")
    base = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:34].strip("-") or "recipe"
    code, number = base, 1
    while Recipe.objects.filter(owner=user, code=code).exists():
        number += 1
        code = f"{base}-{number}"
    keep_version(user, with_subject(RecipeDocument(code, name, kind, 1, passes), subject))
    return code


def put_away(user: User, code: str, away: bool) -> None:
    """Put a recipe away, or bring it back: units that use it keep it, and so does every step that
    can be taken back. Raises Http404."""
    recipe = Recipe.objects.filter(owner=user, code=code).first()
    if recipe is None:
        raise Http404
    recipe.put_away = away
    recipe.save(update_fields=["put_away"])


def copy_recipe(user: User, recipe: RecipeDocument) -> None:
    """A recipe of one's own, from another."""
    base = re.sub(r"-\d+$", "", recipe.id)[:34]
    number = 2
    while Recipe.objects.filter(owner=user, code=f"{base}-{number}").exists():
        number += 1
    copied = replace(recipe, id=f"{base}-{number}", name=f"{recipe.name} {number}"[:60], version=1)
    keep_version(user, copied)


@transaction.atomic
def keep_file(user: User, document: RecipeFile) -> str:
    """Keep every recipe of a file; one that differs from the user's own of its id gets a new id.

    Returns what the outermost is called now.
    """
    renamed: dict[tuple[str, int], str] = {}
    for one in (*document.held, document.recipe):
        code, number = one.id, 1
        while not _fits(user, replace(one, id=code)):
            number += 1
            code = f"{one.id[:36]}-{number}"
        renamed[one.id, one.version] = code
    for one in (*document.held, document.recipe):
        keep_version(user, replace(with_held(one, renamed), id=renamed[one.id, one.version]))
    return renamed[document.recipe.id, document.recipe.version]


def _fits(user: User, recipe: RecipeDocument) -> bool:
    """Whether the id is free, or this very version stands there."""
    row = Recipe.objects.filter(owner=user, code=recipe.id).first()
    if row is None:
        return True
    version = row.versions.filter(number=recipe.version).first()
    return version is not None and version.value() == recipe


def add_trial(user: User, code: str, key: str, where: str, verdict: str, note: str) -> None:
    """Record a trial patch. Raises Http404 where the recipe is not his, DomainError where too many
    are kept."""
    recipe = Recipe.objects.filter(owner=user, code=code).first()
    if recipe is None:
        raise Http404
    if recipe.trials.count() >= MOST_TRIALS:
        raise DomainError(f"{MOST_TRIALS} trials of one recipe are kept: copy the recipe to go on")
    newest = recipe.versions.order_by("-number").first()
    met = _what_met(user, newest.value(), key) if newest is not None else None
    laid, over = met or ("", "")
    recipe.trials.create(
        pass_key=key, where=where, verdict=verdict, note=note, at=clock.now(), laid=laid, over=over
    )


def _what_met(user: User, recipe: RecipeDocument, key: str) -> tuple[str, str] | None:
    """The kinds of paint that met in a trial, as the house lays them; of a recipe that holds others
    its own passes alone."""
    house, _ = house_of(user.pk)
    try:
        return what_met(recipe, key, house.habits, house.tables())
    except DomainError:
        return None

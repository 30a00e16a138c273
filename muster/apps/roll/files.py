"""A muster out to an open file, and in again."""

from __future__ import annotations

from dataclasses import replace

from django.contrib.auth.models import User
from django.db import transaction
from ninja import Schema
from ninja.files import UploadedFile

from muster.apps import clock
from muster.apps.bench.models import Fact
from muster.apps.recipes.models import RecipeVersion
from muster.apps.recipes.services import keep_version
from muster.apps.roll import services
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import choices_of, recipes_of
from muster.core.errors import DomainError
from muster.core.facts.fact import FACT
from muster.core.formats import muster as muster_format
from muster.core.pipeline import derive
from muster.core.recipes.expand import with_held
from muster.core.recipes.recipe import Recipe
from muster.core.snapshot import Snapshot


class Preview(Schema):
    """What an import would do."""

    name: str
    units: list[str]
    models: int
    sittings: int
    facts: int
    new_recipes: list[str]
    kept_recipes: list[str]


def export_text(muster: Muster) -> str:
    """The file of a muster."""
    choices = choices_of(muster)
    recipes = recipes_of(muster, choices)
    facts = [row.value() for row in muster.facts.order_by("at", "id")]
    return muster_format.write(
        muster_format.MusterFile(
            muster_format.FORMAT,
            muster_format.VERSION,
            choices,
            tuple(recipes[key] for key in sorted(recipes)),
            tuple(facts),
        )
    )


def _document(file: UploadedFile) -> muster_format.MusterFile:
    if file.size is None or file.size > muster_format.MOST_BYTES:
        raise DomainError(
            f"the file is larger than {muster_format.MOST_BYTES // 1_000_000} MB: it is no muster"
        )
    document = muster_format.read(file.read())
    recipes = {(recipe.id, recipe.version): recipe for recipe in document.recipes}
    derive(Snapshot(document.choices, document.facts, recipes, clock.now()))
    return document


def _same(user: User, recipe: Recipe) -> bool | None:
    """Whether the user has this very version; None: he has none of that number."""
    row = RecipeVersion.objects.filter(
        recipe__owner=user, recipe__code=recipe.id, number=recipe.version
    ).first()
    return None if row is None else row.value() == recipe


def preview_of(user: User, file: UploadedFile) -> Preview:
    """What an import would do, without doing it."""
    document = _document(file)
    kept = [recipe.name for recipe in document.recipes if _same(user, recipe)]
    return Preview(
        name=document.choices.name,
        units=[f"{unit.count} {unit.name}" for unit in document.choices.units],
        models=sum(unit.count for unit in document.choices.units),
        sittings=len(document.choices.rhythm) + len(document.choices.evenings),
        facts=len(document.facts),
        new_recipes=[r.name for r in document.recipes if r.name not in kept], kept_recipes=kept,
    )  # fmt: skip


@transaction.atomic
def import_file(user: User, file: UploadedFile) -> Muster:
    """Import a muster: all or nothing."""
    return keep_document(user, _document(file))


def keep_document(user: User, document: muster_format.MusterFile) -> Muster:
    """Keep a document as a new muster. A recipe that differs from the user's own gets a new id."""
    renamed: dict[tuple[str, int], str] = {}
    for recipe in document.recipes:
        if _same(user, recipe) is False:
            taken = 2
            while RecipeVersion.objects.filter(
                recipe__owner=user, recipe__code=f"{recipe.id[:36]}-{taken}"
            ).exists():
                taken += 1
            renamed[recipe.id, recipe.version] = f"{recipe.id[:36]}-{taken}"
    for recipe in document.recipes:
        code = renamed.get((recipe.id, recipe.version), recipe.id)
        keep_version(user, replace(with_held(recipe, renamed), id=code))
    units = tuple(
        replace(unit, recipe=renamed.get((unit.recipe, unit.recipe_version), unit.recipe))
        for unit in document.choices.units
    )
    muster = services.begin(user, replace(document.choices, units=units), "Imported")
    known = set(Fact.objects.filter(pk__in=[f.id for f in document.facts]).values_list("pk"))
    if known:
        raise DomainError("these facts are here already: the file was imported before")
    Fact.objects.bulk_create(
        Fact(id=f.id, muster=muster, document=FACT.dump_python(f, mode="json"), at=f.at)
        for f in document.facts
    )
    return muster

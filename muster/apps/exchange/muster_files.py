"""A muster out to an open file, and in again."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

from django.contrib.auth.models import User
from django.db import transaction

from muster.apps import clock
from muster.apps.bench.models import Fact
from muster.apps.bench.services import keep
from muster.apps.plan.snapshots import recipes_of
from muster.apps.recipes.models import RecipeVersion
from muster.apps.recipes.queries import versions_of
from muster.apps.recipes.services import keep_version
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import all_choices, choices_of
from muster.apps.roll.services import begin
from muster.core.choices import Choices
from muster.core.errors import DomainError
from muster.core.facts.fact import Fact as FactDocument
from muster.core.facts.new_ids import with_new_ids
from muster.core.formats import muster as muster_format
from muster.core.formats.muster import MusterFile
from muster.core.pipeline import derive
from muster.core.recipes.expand import all_held, with_held
from muster.core.recipes.recipe import Recipe
from muster.core.snapshot import Snapshot


@dataclass(frozen=True)
class Preview:
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
    facts = [row.value() for row in muster.facts.order_by("at", "id")]
    return _written(choices, recipes_of(muster, choices), facts)


def export_all(user: User) -> Iterator[tuple[int, str]]:
    """The file of every muster of a user, by its number. Three queries, and one more a depth of
    nesting."""
    facts: dict[int, list[FactDocument]] = {}
    for row in Fact.objects.filter(muster__owner=user).order_by("at", "id"):
        facts.setdefault(row.muster_id, []).append(row.value())
    found = all_choices(user.pk)
    units = [unit for _, _, choices in found for unit in choices.units]
    known = versions_of(user.pk, {(unit.recipe, unit.recipe_version) for unit in units})
    for muster, _, choices in found:
        named = {(unit.recipe, unit.recipe_version) for unit in choices.units} & known.keys()
        recipes = {name: known[name] for name in named}
        for name in named:
            recipes |= all_held(known[name], known)
        yield muster, _written(choices, recipes, facts.get(muster, []))


def _written(
    choices: Choices, recipes: dict[tuple[str, int], Recipe], facts: list[FactDocument]
) -> str:
    return muster_format.write(
        MusterFile(
            muster_format.FORMAT,
            muster_format.VERSION,
            choices,
            tuple(recipes[key] for key in sorted(recipes)),
            tuple(facts),
        )
    )


def read_document(text: bytes) -> MusterFile:
    """A muster's file, read and derived once, so that what is kept can be planned.

    Raises DomainError with every complaint.
    """
    document = muster_format.read(text)
    recipes = {(recipe.id, recipe.version): recipe for recipe in document.recipes}
    derive(Snapshot(document.choices, document.facts, recipes, clock.now()))
    return document


def _same(user: User, recipe: Recipe) -> bool | None:
    """Whether the user has this very version; None: he has none of that number."""
    row = RecipeVersion.objects.filter(
        recipe__owner=user, recipe__code=recipe.id, number=recipe.version
    ).first()
    return None if row is None else row.value() == recipe


def preview_of(user: User, text: bytes) -> Preview:
    """What an import would do, without doing it. Raises DomainError as ``read_document``."""
    document = read_document(text)
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
def import_file(user: User, text: bytes) -> Muster:
    """Import a muster: all or nothing. Raises DomainError as ``read_document``."""
    return keep_document(user, read_document(text))


def keep_document(user: User, document: MusterFile) -> Muster:
    """Keep a document as a new muster. A recipe that differs from the user's own gets a new id.

    Raises DomainError where it was imported before.
    """
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
    muster = begin(user, replace(document.choices, units=units), "Imported")
    known = Fact.objects.filter(pk__in=[fact.id for fact in document.facts])
    if known.filter(muster__owner=user).exists():
        raise DomainError("these facts are here already: the file was imported before")
    # A friend's facts, whose ids are his.
    facts = with_new_ids(document.facts) if known.exists() else document.facts
    keep(muster, list(facts))
    return muster

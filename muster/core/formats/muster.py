"""``crisp-muster/muster``: a whole muster as JSON: choices, the recipes they use, and facts."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import Field, TypeAdapter
from pydantic.dataclasses import dataclass

from muster.core.build.kit import complaints_of as kit_complaints
from muster.core.choices import Choices, refuse_too_much
from muster.core.errors import DomainError
from muster.core.facts.fact import Fact
from muster.core.formats.document import parsed, schema_of, validated, written
from muster.core.formats.upgrading import muster_file_3
from muster.core.recipes.expand import expand_recipe
from muster.core.recipes.recipe import Recipe, complaints_of
from muster.core.vocabulary import STRICT

FORMAT: Literal["crisp-muster/muster"] = "crisp-muster/muster"
VERSION: Literal[3] = 3
MOST_BYTES = 4_000_000


@dataclass(frozen=True, config=STRICT)
class MusterFile:
    """The file's whole content."""

    format: Literal["crisp-muster/muster"]
    version: Literal[3]
    choices: Choices
    recipes: tuple[Recipe, ...]
    facts: Annotated[tuple[Fact, ...], Field(max_length=50_000)] = ()


MUSTER_FILE: TypeAdapter[MusterFile] = TypeAdapter(MusterFile)


def schema() -> dict[str, Any]:
    """The published JSON Schema."""
    return schema_of(MUSTER_FILE, FORMAT)


def write(document: MusterFile) -> str:
    """The file's text; the same muster always gives the same text."""
    return written(MUSTER_FILE, document)


def read(text: str | bytes) -> MusterFile:
    """Read and check a file. Raises DomainError with every complaint; nothing half."""
    document = validated(MUSTER_FILE, muster_file_3(parsed(text, MOST_BYTES, "muster")))
    complaints = [
        f"recipe '{recipe.name}': {complaint}"
        for recipe in document.recipes
        for complaint in complaints_of(recipe)
    ]
    known = {(recipe.id, recipe.version) for recipe in document.recipes}
    for unit in document.choices.units:
        if (unit.recipe, unit.recipe_version) not in known:
            complaints.append(
                f"unit '{unit.name}': its recipe {unit.recipe}, version {unit.recipe_version}, is "
                f"not in the file: add it under recipes"
            )
        if unit.build is not None:
            complaints += [f"unit '{unit.name}': {one}" for one in kit_complaints(unit.build.kit)]
    refuse_too_much(document.choices)
    ids = [fact.id for fact in document.facts]
    if len(set(ids)) < len(ids):
        complaints.append("facts: two have the same id: take one of them out")
    by_name = {(recipe.id, recipe.version): recipe for recipe in document.recipes}
    if complaints:
        raise DomainError(*complaints)
    for recipe in document.recipes:
        expand_recipe(recipe, by_name)
    return document

"""``crisp-muster/muster``: a whole muster as JSON: choices, the recipes they use, and facts."""

from __future__ import annotations

import json
from typing import Annotated, Any, Literal

from pydantic import Field, TypeAdapter, ValidationError
from pydantic.dataclasses import dataclass

from muster.core.choices import Choices
from muster.core.facts import Fact
from muster.core.plan.fields import Refused
from muster.core.recipes.recipe import STRICT, Recipe, complaints_of

FORMAT = "crisp-muster/muster"
MOST_BYTES = 4_000_000


@dataclass(frozen=True, config=STRICT)
class MusterFile:
    """The file's whole content."""

    format: Literal["crisp-muster/muster"]
    version: Literal[1]
    choices: Choices
    recipes: tuple[Recipe, ...]
    facts: Annotated[tuple[Fact, ...], Field(max_length=50_000)] = ()


MUSTER_FILE: TypeAdapter[MusterFile] = TypeAdapter(MusterFile)


def schema() -> dict[str, Any]:
    """The published JSON Schema."""
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": FORMAT,
        **MUSTER_FILE.json_schema(),
    }


def write(document: MusterFile) -> str:
    """The file's text; the same muster always gives the same text."""
    raw = MUSTER_FILE.dump_python(document, mode="json")
    return json.dumps(raw, indent=1, ensure_ascii=False) + "\n"


def read(text: str | bytes) -> MusterFile:
    """Read and check a file. Raises Refused with every complaint; nothing half."""
    if len(text) > MOST_BYTES:
        raise Refused(f"the file is larger than {MOST_BYTES // 1_000_000} MB: it is no muster")
    try:
        document = MUSTER_FILE.validate_json(text)
    except ValidationError as error:
        raise Refused(*(in_words(one) for one in error.errors()[:20])) from error
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
    if complaints:
        raise Refused(*complaints)
    return document


def in_words(error: Any) -> str:
    place = " → ".join(str(part) for part in error["loc"]) or "the file"
    return f"{place}: {error['msg'].lower()}"

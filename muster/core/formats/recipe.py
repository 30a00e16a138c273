"""``crisp-muster/recipe``: one recipe as JSON, from the bare material up.

What follows from the technique may be left out: a pass's key, name and minutes, a recipe's id.
"""

from __future__ import annotations

import json
import re
from typing import Any, Literal

from pydantic import TypeAdapter, ValidationError
from pydantic.dataclasses import dataclass

from muster.core.formats.muster import in_words
from muster.core.plan.fields import Refused
from muster.core.recipes.recipe import STRICT, Recipe, complaints_of
from muster.core.stack.techniques import OTHER, TECHNIQUES

FORMAT = "crisp-muster/recipe"
MOST_BYTES = 400_000


@dataclass(frozen=True, config=STRICT)
class RecipeFile:
    """The file's whole content."""

    format: Literal["crisp-muster/recipe"]
    version: Literal[1]
    recipe: Recipe


RECIPE_FILE: TypeAdapter[RecipeFile] = TypeAdapter(RecipeFile)


def schema() -> dict[str, Any]:
    """The published JSON Schema."""
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": FORMAT,
        **RECIPE_FILE.json_schema(),
    }


def write(recipe: Recipe) -> str:
    """The file's text; the same recipe always gives the same text."""
    raw = RECIPE_FILE.dump_python(RecipeFile("crisp-muster/recipe", 1, recipe), mode="json")
    return json.dumps(raw, indent=1, ensure_ascii=False) + "\n"


def read(text: str | bytes) -> Recipe:
    """Read and check a file. Raises Refused with every complaint; nothing half."""
    if len(text) > MOST_BYTES:
        raise Refused(f"the file is larger than {MOST_BYTES // 1000} kB: it is no recipe")
    try:
        raw = json.loads(text)
    except ValueError as error:
        raise Refused(f"this is not JSON: {error}") from error
    try:
        recipe = RECIPE_FILE.validate_python(_filled(raw)).recipe
    except ValidationError as error:
        raise Refused(*(in_words(one) for one in error.errors()[:20])) from error
    complaints = complaints_of(recipe)
    if complaints:
        raise Refused(*complaints)
    return recipe


def _filled(raw: Any) -> Any:
    """The same with what follows from names and techniques filled in."""
    if not isinstance(raw, dict) or not isinstance(raw.get("recipe"), dict):
        return raw
    recipe = dict(raw["recipe"])
    recipe.setdefault("id", _slug(str(recipe.get("name", "recipe")), 40))
    recipe.setdefault("version", 1)
    keys: set[str] = set()
    passes = recipe.get("passes")
    if isinstance(passes, list):
        recipe["passes"] = [_filled_pass(one, keys) for one in passes]
    return {**raw, "recipe": recipe}


def _filled_pass(raw: Any, keys: set[str]) -> Any:
    if not isinstance(raw, dict):
        return raw
    one = dict(raw)
    technique = str(one.get("technique", ""))
    one.setdefault("name", technique)
    one.setdefault("minutes", TECHNIQUES.get(technique, OTHER).minutes)
    if "key" not in one:
        slug, key, number = _slug(str(one["name"]), 20), "", 1
        while not key or key in keys:
            key = slug if number == 1 else f"{slug}-{number}"
            number += 1
        one["key"] = key
    keys.add(str(one["key"]))
    return one


def _slug(words: str, most: int) -> str:
    return re.sub(r"[^a-z0-9]+", "-", words.lower()).strip("-")[:most].strip("-") or "pass"

"""``crisp-muster/recipe``: one recipe as JSON, from the bare material up.

What follows from the technique may be left out: a pass's key, name and minutes, a recipe's id.
"""

from __future__ import annotations

import re
from typing import Annotated, Any, Literal

from pydantic import Field, TypeAdapter
from pydantic.dataclasses import dataclass

from muster.core.craft.techniques import OTHER, TECHNIQUES
from muster.core.errors import DomainError
from muster.core.formats.document import parsed, schema_of, validated, written
from muster.core.formats.upgrading import recipe_file_3
from muster.core.recipes.expand import expand_recipe
from muster.core.recipes.recipe import Recipe, complaints_of
from muster.core.vocabulary import STRICT

FORMAT: Literal["crisp-muster/recipe"] = "crisp-muster/recipe"
VERSION: Literal[3] = 3
MOST_BYTES = 400_000


@dataclass(frozen=True, config=STRICT)
class RecipeFile:
    """The file's whole content."""

    format: Literal["crisp-muster/recipe"]
    version: Literal[3]
    recipe: Recipe
    held: Annotated[tuple[Recipe, ...], Field(max_length=60)] = ()
    """Every recipe that it holds, directly or through others."""

    def known(self) -> dict[tuple[str, int], Recipe]:
        """All recipes of the file by id and version."""
        return {(one.id, one.version): one for one in (self.recipe, *self.held)}


RECIPE_FILE: TypeAdapter[RecipeFile] = TypeAdapter(RecipeFile)


def schema() -> dict[str, Any]:
    """The published JSON Schema."""
    return schema_of(RECIPE_FILE, FORMAT)


def write(recipe: Recipe, held: tuple[Recipe, ...] = ()) -> str:
    """The file's text; the same recipe always gives the same text."""
    return written(RECIPE_FILE, RecipeFile(FORMAT, VERSION, recipe, held))


def read_file(text: str | bytes) -> RecipeFile:
    """Read and check a file. Raises DomainError with every complaint; nothing half."""
    document = validated(RECIPE_FILE, _filled(recipe_file_3(parsed(text, MOST_BYTES, "recipe"))))
    complaints = [
        complaint for one in (document.recipe, *document.held) for complaint in complaints_of(one)
    ]
    if complaints:
        raise DomainError(*complaints)
    expand_recipe(document.recipe, document.known())
    return document


def read(text: str | bytes) -> Recipe:
    """The recipe of a file, with what it holds unfolded. Raises DomainError as ``read_file``."""
    document = read_file(text)
    return expand_recipe(document.recipe, document.known()).recipe


def _filled(raw: Any) -> Any:
    """The same with what follows from names and techniques filled in."""
    if not isinstance(raw, dict) or not isinstance(raw.get("recipe"), dict):
        return raw
    held = raw.get("held", [])
    filled = [_filled_recipe(one) for one in held] if isinstance(held, list) else held
    return {**raw, "recipe": _filled_recipe(raw["recipe"]), "held": filled}


def _filled_recipe(raw: Any) -> Any:
    if not isinstance(raw, dict):
        return raw
    recipe = dict(raw)
    recipe.setdefault("id", _slug(str(recipe.get("name", "recipe")), 40))
    recipe.setdefault("version", 1)
    keys: set[str] = set()
    passes = recipe.get("passes")
    if isinstance(passes, list):
        recipe["passes"] = [_filled_pass(one, keys) for one in passes]
    return recipe


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

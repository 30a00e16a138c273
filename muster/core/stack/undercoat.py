"""What if the undercoat were another, or none: a draft to look at, nothing kept."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from muster.core.craft.climate import Climate
from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import MixPart, Recipe
from muster.core.stack.layer import apply_all

Undercoat = Literal["as it is", "black", "grey", "white", "oxide", "brown", "none"]

COLOURS: dict[str, str] = {
    "black": "#1c1d1f", "grey": "#9b9c9a", "white": "#e9e8e2", "oxide": "#6d3a2c",
    "brown": "#4a3526",
}  # fmt: skip


def with_undercoat(recipe: Recipe, undercoat: Undercoat) -> Recipe:
    """The recipe over another undercoat. The first sprayed film over the whole model is taken for
    it; a recipe without one stays as it is."""
    if undercoat == "as it is":
        return recipe
    passes = list(recipe.passes)
    films = apply_all(recipe, Climate())
    first = next((film for film in films if film.lays and film.cover >= 0.9), None)
    if first is None or not first.does(TechniqueTrait.UNDERCOAT):
        return recipe
    if undercoat == "none":
        if len(passes) > 1:
            del passes[first.index]
    else:
        passes[first.index] = replace(
            first.pass_, colour=COLOURS[undercoat], mix=(MixPart(f"{undercoat} undercoat"),)
        )
    return replace(recipe, passes=tuple(passes))

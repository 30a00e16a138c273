"""The colours of a recipe from the paints that are owned: what each mix dries to."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from functools import lru_cache

from muster.core.colour.owned import OwnedPaint, shelf_from
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.vocabulary import name_key

DILUENTS = ("water", "white spirit", "thinner", "glaze", "retarder", "alcohol", "lacquer thinner")
"""What thins: it is neither bought by the list nor has it a colour."""


def thins(name: str) -> bool:
    """Whether a part of a mix only thins."""
    return name_key(name) in DILUENTS


def dried(one: Pass, paints: Mapping[str, OwnedPaint]) -> str | None:
    """What a pass's mix dries to; None where a paint of it is not known, or it has no colour.

    Varnish and thinner in it are a share, not a colour.
    """
    parts = [part for part in one.mix if not thins(part.name)]
    known = [paints.get(part.name) for part in parts]
    if any(paint is None for paint in known):
        return None
    coloured_parts = tuple(
        (paint, part.parts)
        for paint, part in zip(known, parts, strict=True)
        if paint and not paint.clear
    )
    return _dried(coloured_parts) if coloured_parts else None


@lru_cache(maxsize=4096)
def _dried(mix: tuple[tuple[OwnedPaint, int], ...]) -> str:
    if len(mix) == 1:
        return mix[0][0].dry
    shelf = shelf_from(paint for paint, _ in mix)
    return shelf.optics([(index, parts) for index, (_, parts) in enumerate(mix)]).hex()


def coloured(recipe: Recipe, paints: Mapping[str, OwnedPaint]) -> Recipe:
    """The recipe with each pass in the colour that its mix dries to, where the shelf knows it."""
    if not paints:
        return recipe
    passes = []
    for one in recipe.passes:
        colour = dried(one, paints)
        passes.append(one if colour in (None, one.colour) else replace(one, colour=colour))
    return replace(recipe, passes=tuple(passes))

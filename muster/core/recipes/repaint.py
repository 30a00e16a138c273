"""A recipe's pass painted with another mix: a pot that was mixed, a colour that was matched."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from math import gcd

from muster.core.errors import DomainError
from muster.core.recipes.recipe import MOST_PARTS, MixPart, Recipe


def painted_with(recipe: Recipe, key: str, drops: Sequence[tuple[str, int]], colour: str) -> Recipe:
    """The recipe's next version, its pass ``key`` mixed of ``drops`` and dried to ``colour``.

    Raises KeyError where there is no such pass, DomainError where a part grows too large.
    """
    if all(one.key != key for one in recipe.passes):
        raise KeyError(key)
    least = gcd(*(many for _, many in drops))
    mix = tuple(MixPart(name, many // least) for name, many in drops)
    if max(part.parts for part in mix) > MOST_PARTS:
        raise DomainError(
            f"more than {MOST_PARTS} parts of one paint: mix it again in smaller numbers"
        )
    passes = tuple(
        replace(one, mix=mix, colour=colour) if one.key == key else one for one in recipe.passes
    )
    return replace(recipe, version=recipe.version + 1, passes=passes)

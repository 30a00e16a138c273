"""A recipe as this house would do it: habits change passes and times, not only what is said."""

from __future__ import annotations

from dataclasses import replace

from muster.core.craft.techniques import OTHER, TECHNIQUES
from muster.core.recipes.recipe import MixPart, Pass, Recipe
from muster.core.stack.habits import Habits

INSTEAD = {
    "enamel": "acrylic", "enamel wash": "acrylic wash", "oil": "acrylic wash",
    "enamel varnish": "acrylic varnish", "fixed pigment": "acrylic fixer",
    "bound pigment": "acrylic mud",
}  # fmt: skip
"""By oily medium: what an all-acrylic house uses. Common practice."""

SPIRITS = ("white spirit", "thinner for enamel", "turpentine")


def apply_house_habits(recipe: Recipe, habits: Habits) -> Recipe:
    """The recipe in this house; the same object where nothing changes."""
    if habits.weathering != "all-acrylic":
        return recipe
    passes = [_acrylic(one) for one in recipe.passes]
    if all(new is old for new, old in zip(passes, recipe.passes, strict=True)):
        return recipe
    return replace(recipe, passes=tuple(passes))


def _acrylic(one: Pass) -> Pass:
    """One pass without spirits; its waits follow from its layers again."""
    usual = TECHNIQUES.get(one.technique, OTHER).medium
    medium = one.medium or usual or ""
    spirits = one.carrier in SPIRITS
    if medium not in INSTEAD and not spirits:
        return one
    mix = tuple(MixPart("water", part.parts) if part.name in SPIRITS else part for part in one.mix)
    return replace(
        one,
        medium=INSTEAD.get(medium, one.medium),
        carrier="water" if spirits else None,
        mix=mix,
        dry_min=None,
        stand_min=None,
        window_min=None,
        clock="water",
        warm_air=one.warm_air and not spirits,
    )

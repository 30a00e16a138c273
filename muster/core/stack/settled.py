"""A recipe with its waits settled: what follows from its layers, where the user states nothing."""

from __future__ import annotations

from dataclasses import replace

from muster.core.recipes.recipe import Recipe
from muster.core.stack.habits import Habits
from muster.core.stack.room import Room
from muster.core.stack.walk import walk


def settled(recipe: Recipe, room: Room | None = None, habits: Habits | None = None) -> Recipe:
    """The same with a number for every ``dry_min`` and ``stand_min``, and clocks that fit.

    A wait of the user's own stays as it is.
    """
    if all(one.dry_min is not None and one.stand_min is not None for one in recipe.passes):
        return recipe
    walked = walk(recipe, room, habits)
    passes = []
    for step in walked.steps:
        one, medium = step.laid.one, step.laid.medium
        computed = one.dry_min is None or one.stand_min is None
        passes.append(
            replace(
                one,
                dry_min=step.laid.touch if one.dry_min is None else one.dry_min,
                stand_min=step.wait.minutes if one.stand_min is None else one.stand_min,
                clock=medium.clock if medium and computed else one.clock,
            )
        )
    return replace(walked.recipe, passes=tuple(passes))

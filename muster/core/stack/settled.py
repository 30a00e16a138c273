"""A recipe with its waits settled: what follows from its layers, where the user states nothing."""

from __future__ import annotations

from dataclasses import replace

from muster.core.recipes.recipe import Pass, Recipe
from muster.core.stack.habits import Habits
from muster.core.stack.spraying import DRY_AIR, fogs
from muster.core.stack.tables import DEFAULTS, Tables
from muster.core.stack.walk import walk
from muster.core.stack.windows import window_of


def settled(recipe: Recipe, habits: Habits | None = None, tables: Tables = DEFAULTS) -> Recipe:
    """The same with a number for every ``dry_min`` and ``stand_min``, windows and clocks that fit,
    and dry air as a need of what fogs.

    Minutes are for 20 °C and 50 %: the plan's clocks run slower or faster by the room of the day.
    A wait of the user's own stays as it is.
    """
    walked = walk(recipe, None, habits, tables)
    passes: list[Pass] = []
    for step in walked.steps:
        one, medium = step.laid.one, step.laid.medium
        computed = one.dry_min is None or one.stand_min is None
        needs = (*one.needs, DRY_AIR) if fogs(step.laid) else one.needs
        passes.append(
            replace(
                one,
                dry_min=step.laid.touch if one.dry_min is None else one.dry_min,
                stand_min=step.wait.minutes if one.stand_min is None else one.stand_min,
                window_min=window_of(walked, step),
                clock=medium.clock if medium and computed else one.clock,
                needs=tuple(dict.fromkeys(needs)),
            )
        )
    return replace(walked.recipe, passes=tuple(passes))

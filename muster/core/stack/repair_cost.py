"""What a repair costs: the hours that it adds to one model's way from bare to done."""

from __future__ import annotations

from muster.core.recipes.expand import Known, expand_recipe
from muster.core.recipes.recipe import Recipe
from muster.core.stack.finding import Repair, mended
from muster.core.stack.formatting import duration
from muster.core.stack.walk import Walk, walk_again


def minutes_of(walked: Walk) -> float:
    """From the first pass to the last one's drying, minutes."""
    last = walked.steps[-1]
    return last.end + last.wait.minutes


def cost_of(walked: Walk, repair: Repair, given: Recipe, known: Known | None = None) -> str:
    """ "adds 2 h", "saves 25 min"; nothing below a minute, or where nothing of the recipe is left.

    ``given``: the recipe as it was before ``walked`` unfolded it and the house changed it. Raises
    KeyError for a repair of a pass that it does not have itself.
    """
    recipe, habits = mended(given, walked.habits, repair)
    if not recipe.passes:
        return ""
    after = walk_again(walked, expand_recipe(recipe, known or {}).recipe, habits)
    minutes = round(minutes_of(after) - minutes_of(walked))
    if minutes == 0:
        return ""
    return f"adds {duration(minutes)}" if minutes > 0 else f"saves {duration(-minutes)}"

"""Where a wait is longer than a night: what sealing there would save."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from muster.core.recipes.recipe import Recipe
from muster.core.stack.finding import Insert, mended
from muster.core.stack.formatting import duration, seal_before
from muster.core.stack.looking import look
from muster.core.stack.walk import Walk, walk_again

NIGHT_MIN = 13 * 60.0
"""From an evening to the next morning; what dries in it costs nobody a day."""


@dataclass(frozen=True, slots=True)
class Offer:
    """At the wait after the pass with ``key``: a seal, and the minutes that it saves."""

    key: str
    words: str
    saves: float
    repair: Insert


def seals_that_save(recipe: Recipe, walked: Walk) -> Iterator[Offer]:
    """Every long wait that a seal would shorten by hours, without a finding of its own."""
    marks = {(one.code, one.key) for one in look(walked)}
    for step, following in zip(walked.steps, walked.steps[1:], strict=False):
        wait = step.wait
        if wait.stated or wait.minutes <= NIGHT_MIN or not following.layer.lays:
            continue
        repair = Insert("seal it here", seal_before(following), following.layer.pass_.key)
        try:
            sealed, habits = mended(recipe, walked.habits, repair)
        except KeyError:
            continue
        after = walk_again(walked, sealed, habits)
        saves = _ends(walked) - _ends(after)
        if saves < LEAST_SAVED_MIN or {(one.code, one.key) for one in look(after)} - marks:
            continue
        yield Offer(step.layer.pass_.key, f"seal here, saves {duration(saves)}", saves, repair)


LEAST_SAVED_MIN = 240.0
"""A seal is a call of its own: for less it is not worth it."""


def _ends(walked: Walk) -> float:
    last = walked.steps[-1]
    return last.end + last.wait.minutes

"""Windows: within which time the next pass must come, where it works what was just laid.

A wash is wiped and blended, chipping fluid scratched through its top coat, while that can be done.
A window of the user's own goes before.
"""

from __future__ import annotations

import math

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.attack import meant_for, workable, works_wet
from muster.core.stack.layer import SECOND, AppliedLayer
from muster.core.stack.walk import Step, Walk, worked_films

SCRATCH_WITHIN_MIN = 60.0
"""After the top coat over chipping fluid; it is harder each hour. Common practice."""


def window_of(walked: Walk, step: Step) -> float | None:
    """Minutes from the end of a pass within which the next must begin; None: no limit.

    None too where the wait before the next is longer already: rules speak of that. Minutes are
    those of the walk's room.
    """
    one = step.layer.pass_
    if one.window_min is not None:
        return one.window_min
    after = walked.after(step)
    if not after or after[0].layer.technique.act != "work":
        return None
    following = after[0].layer
    if following.does(TechniqueTrait.SCRATCHES):
        met = meant_for(following, step.layer) and set(following.zones) & set(step.layer.zones)
        within = SCRATCH_WITHIN_MIN if met and step.layer.lays else math.inf
    else:
        films = [step.layer] if works_wet(following, step.layer) else _both_work(step, after[0])
        within = min((workable(film)[1] for film in films), default=math.inf)
    return within if math.isfinite(within) and step.wait.minutes <= within + SECOND else None


def _both_work(step: Step, following: Step) -> list[AppliedLayer]:
    """Films that a pass has worked and the next works on."""
    return [film for film in worked_films(step) if works_wet(following.layer, film)]

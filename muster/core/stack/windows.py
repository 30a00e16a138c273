"""Windows: within which time the next pass must come, where it works what was just laid.

A wash is wiped and blended, chipping fluid scratched through its top coat, while that can be done.
A window of the user's own goes before.
"""

from __future__ import annotations

import math

from muster.core.stack.walk import Step, Walk, meant_for

SCRATCH_WITHIN_MIN = 60.0
"""After the top coat over chipping fluid; it is harder each hour. Common practice."""


def window_of(walked: Walk, step: Step) -> float | None:
    """Minutes from the end of a pass within which the next must begin; None: no limit.

    None too where the wait before the next is longer already: rules speak of that.
    """
    one, medium = step.laid.one, step.laid.medium
    if one.window_min is not None:
        return one.window_min
    after = walked.after(step)
    if not after or medium is None or after[0].laid.technique.act != "work":
        return None
    following = after[0].laid
    if not meant_for(following, step.laid) or not set(following.zones) & set(step.laid.zones):
        return None
    if following.technique.name == "scratch":
        within = SCRATCH_WITHIN_MIN
    elif medium.window is not None and math.isfinite(medium.window[1]):
        within = medium.window[1]
    else:
        return None
    return within if step.wait.minutes <= within else None

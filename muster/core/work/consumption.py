"""What the ticks teach: how far a technique's minutes stray from what was planned."""

from __future__ import annotations

import math
from collections.abc import Iterable
from statistics import fmean

from muster.core.facts.replay import BenchState
from muster.core.plan.chance import SPREAD
from muster.core.work.calls import Call

ASSUMED = 4
"""The spread that is assumed counts as so many calls logged."""

FARTHEST = 4.0
"""A call that took so many times its minutes, or so small a part, was something else."""


def spreads_of(calls: Iterable[Call], state: BenchState) -> dict[str, float]:
    """By call id: the standard deviation of the logarithm of its minutes, by its technique's log.

    The mean is the painter's own pace, so only what strays from it counts; the more calls of a
    technique were logged, the less of the assumed spread is left (a conjugate prior on a variance).
    """
    calls = list(calls)
    strays: dict[str, list[float]] = {}
    for call in calls:
        ratio = _took(call, state)
        if ratio is not None and 1 / FARTHEST <= ratio <= FARTHEST:
            strays.setdefault(call.first.technique, []).append(math.log(ratio))
    found: dict[str, float] = {}
    for technique, logs in strays.items():
        mean = fmean(logs)
        square = ASSUMED * SPREAD**2 + sum((one - mean) ** 2 for one in logs)
        found[technique] = math.sqrt(square / (ASSUMED + len(logs)))
    return {call.id: found.get(call.first.technique, SPREAD) for call in calls}


def _took(call: Call, state: BenchState) -> float | None:
    """Times the planned seconds that its ticked models took; None where too few were timed."""
    ticks = [state.ticks.get((call.unit.id, model, call.keys[0])) for model in call.models]
    done = [tick for tick in ticks if tick is not None]
    if not done or len(done) < len(call.models) / 2:
        return None
    seconds = sum((tick.end - tick.start).total_seconds() for tick in done)
    return seconds / (call.per_item_s * len(done)) if seconds > 0 else None

"""What the ticks teach: how far a technique's minutes stray from what was planned."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from statistics import fmean, median

from muster.core.craft.techniques import TECHNIQUES, Technique
from muster.core.facts.replay import BenchState
from muster.core.plan.chance import SPREAD
from muster.core.stack.minutes import minutes_for
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


LEAST_LOGGED = 3
"""Models of a technique that must be logged before their minutes stand for those of the table."""


def paces_of(
    calls: Iterable[Call], state: BenchState, known: Mapping[str, Technique] = TECHNIQUES
) -> dict[str, float]:
    """By technique: how many times the table's minutes a model took at this bench, the median of
    all that were logged. What is proposed from now on takes so long."""
    times: dict[str, list[float]] = {}
    for call in calls:
        one, unit = call.first, call.unit
        usual = minutes_for(one.technique, unit.kind, unit.tier, unit.scale, known)
        if one.technique not in known or len(call.passes) > 1 or one.coats > 1:
            continue
        for model in call.models:
            tick = state.ticks.get((unit.id, model, one.key))
            if tick is None:
                continue
            ratio = (tick.end - tick.start).total_seconds() / 60 / usual
            if 1 / (2 * FARTHEST) <= ratio <= 2 * FARTHEST:
                times.setdefault(one.technique, []).append(ratio)
    return {
        technique: round(median(ratios), 3)
        for technique, ratios in times.items()
        if len(ratios) >= LEAST_LOGGED
    }


def _took(call: Call, state: BenchState) -> float | None:
    """Times the planned seconds that its ticked models took; None where too few were timed."""
    ticks = [state.ticks.get((call.unit.id, model, call.keys[0])) for model in call.models]
    done = [tick for tick in ticks if tick is not None]
    if not done or len(done) < len(call.models) / 2:
        return None
    seconds = sum((tick.end - tick.start).total_seconds() for tick in done)
    return seconds / (call.per_item_s * len(done)) if seconds > 0 else None

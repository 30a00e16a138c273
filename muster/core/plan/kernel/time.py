"""Waiting on clocks, and finding slots, compiled."""

from __future__ import annotations

from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import INF, Frame


@compiled
def reach(frame: Frame, clock: int, start: int, milli: int) -> int:
    """The first whole second by which at least ``milli`` thousandths have been waited."""
    if milli <= 0:
        return start
    if clock < 0:
        return start - (-milli // 1000)
    left = milli
    moment = start
    first, last = frame.clock_rates[clock], frame.clock_rates[clock + 1]
    for index in range(first, last):
        until = INF if index + 1 == last else frame.rate_from[index + 1]
        if until <= moment:
            continue
        rate = frame.rate_milli[index]
        if rate > 0:
            needed = -(-left // rate)
            if moment + needed <= until:
                return moment + needed
            left -= (until - moment) * rate
        moment = until
    return INF


@compiled
def ready(frame: Frame, clock: int, start: int, wait_s: int) -> int:
    """When ``wait_s`` have been waited from ``start``."""
    return reach(frame, clock, start, wait_s * 1000)


@compiled
def latest(frame: Frame, clock: int, start: int, window_s: int, earliest: int) -> int:
    """The last second at which no more than ``window_s`` have been waited.

    Slow drying stretches a window on its clock, but a label's minutes are the wall's: where the
    clock runs slower the shorter of the two is kept, unless it ends before ``earliest``.
    """
    by_clock = reach(frame, clock, start, window_s * 1000 + 1) - 1
    by_wall = start + window_s
    return by_clock if by_wall < earliest else min(by_clock, by_wall)

"""Waiting on a clock, exactly: integrals of a rate that changes by time, in thousandths."""

from __future__ import annotations

from collections.abc import Sequence

from muster.core.plan.problem import WALL, Problem, Rate

FOREVER = 2**60
"""Later than anything in a plan."""

STEADY: tuple[Rate, ...] = (Rate(0, 1000),)


def rates_of(problem: Problem, clock: str) -> tuple[Rate, ...]:
    """The rates of a named clock; the wall clock is steady."""
    return STEADY if clock == WALL else problem.clocks[clock]


def waited_milli(rates: Sequence[Rate], start: int, end: int) -> int:
    """Thousandths of a second waited from ``start`` to ``end`` (0 where end is not later)."""
    total = 0
    for index, rate in enumerate(rates):
        low = start if index == 0 else max(start, rate.start)
        high = end if index + 1 == len(rates) else min(end, rates[index + 1].start)
        if high > low:
            total += (high - low) * rate.milli
    return total


def ready_at(rates: Sequence[Rate], start: int, wait_s: int) -> int:
    """The first whole second by which ``wait_s`` have been waited from ``start``."""
    return _reach(rates, start, wait_s * 1000)


def latest_at(rates: Sequence[Rate], start: int, window_s: int) -> int:
    """The last whole second by which no more than ``window_s`` have been waited from ``start``."""
    return _reach(rates, start, window_s * 1000 + 1) - 1


def _reach(rates: Sequence[Rate], start: int, milli: int) -> int:
    """The first whole second by which at least ``milli`` thousandths have been waited."""
    left = milli
    moment = start
    if left <= 0:
        return start
    for index, rate in enumerate(rates):
        until = FOREVER if index + 1 == len(rates) else rates[index + 1].start
        if until <= moment:
            continue
        if rate.milli > 0:
            needed = -(-left // rate.milli)
            if moment + needed <= until:
                return moment + needed
            left -= (until - moment) * rate.milli
        moment = until
    raise ValueError("the last rate of a clock must be above 0")

"""A stronger bound still: tools are got out and families opened as a whole or not at all.

In fractions a family is opened a fifth in each of five sittings, and models stand finished as if it
stood open in all of them. Here openings are whole numbers: branch and bound (Land and Doig 1960),
the least promising sharing first, each answer of the linear programme checked by weak duality as
ever. So the bound holds at whatever moment one stops.
"""

from __future__ import annotations

import heapq
import math
from collections.abc import Callable
from dataclasses import replace
from itertools import count

from muster.core.plan.bounds_lp import Sharing
from muster.core.plan.clocks import FOREVER
from muster.core.plan.linear_program import Floats, Programme
from muster.core.plan.plan import Bounds
from muster.core.plan.problem import Problem

WHOLE = 1e-4
"""A switch within so much of 0 or 1 is taken for whole."""

Fixed = tuple[tuple[int, int], ...]
"""Switches that are decided: (variable, 0 or 1)."""


def proven_whole(problem: Problem, bounds: Bounds, go_on: Callable[[], bool]) -> Bounds:
    """``bounds`` with what whole openings prove of the cost while ``go_on`` answers True."""
    if bounds.finish >= FOREVER or not go_on():
        return bounds
    sharing = Sharing(problem, bounds)
    if not sharing.build(fine_s=None):
        return bounds
    least = branch(sharing.made, sharing.switches, go_on)
    return replace(bounds, cost_s=max(bounds.cost_s, math.floor(least)))


def branch(made: Programme, switches: list[int], go_on: Callable[[], bool]) -> float:
    """A number that no solution with whole ``switches`` is below."""
    tie = count()
    least, x = made.solved()
    open_: list[tuple[float, int, Fixed, Floats]] = [(least, next(tie), (), x)]
    while open_:
        least, _, fixed, x = heapq.heappop(open_)
        switch = _next(made, switches, fixed, x)
        if switch is None or not go_on():
            return least
        for value in (0, 1):
            mine = (*fixed, (switch, value))
            bound, solution = made.solved(dict(mine))
            # What is narrower is never less.
            heapq.heappush(open_, (max(least, bound), next(tie), mine, solution))
    return least


def _next(made: Programme, switches: list[int], fixed: Fixed, x: Floats) -> int | None:
    """The switch to decide next: the dearest one whose share is furthest from whole."""
    decided = {switch for switch, _ in fixed}
    if not len(x):
        return next((switch for switch in switches if switch not in decided), None)
    best, worth = None, 0.0
    for switch in switches:
        share = float(x[switch])
        if switch in decided or not WHOLE < share < 1 - WHOLE:
            continue
        mine = made.costs[switch] * min(share, 1 - share)
        if mine > worth:
            best, worth = switch, mine
    return best

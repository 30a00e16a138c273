"""What a plan amounts to, exactly, for the planner's own use."""

from __future__ import annotations

import math
from collections.abc import Sequence
from fractions import Fraction

from muster.core.plan.plan import Block, Score
from muster.core.plan.problem import DAY_S, Problem


def cost_of(problem: Problem, hands_on_s: int, finish: int, waits: Fraction) -> Fraction:
    """The cost in seconds of bench work; ``waits`` = Σ over items of weight × seconds till done."""
    return (
        Fraction(hands_on_s)
        + Fraction(problem.day_s * (finish - problem.now), 2 * DAY_S)
        + problem.item_day_s * waits / DAY_S
    )


def measure(
    problem: Problem, blocks: Sequence[Block], done_at: dict[str, int], missed: int
) -> Score:
    """The score of blocks that leave each item with tasks done at ``done_at``."""
    hands_on = sum(block.end - block.start for block in blocks)
    finish = max((block.end for block in blocks), default=problem.now)
    late, days, waits = Fraction(0), Fraction(0), Fraction(0)
    moments, weights = Fraction(0), Fraction(0)
    for name, done in done_at.items():
        item = problem.items[name]
        weights += item.weight
        moments += item.weight * done
        waits += item.weight * max(0, done - problem.now)
        if item.due is not None and done > item.due:
            late += item.weight
            days += item.weight * -(-(done - item.due) // DAY_S)
    return Score(
        missed=missed,
        late_weight=late,
        lateness_days=days,
        cost_s=math.ceil(cost_of(problem, hands_on, finish, waits)),
        hands_on_s=hands_on,
        finish=finish,
        mean_done=math.ceil(moments / weights) if weights else problem.now,
    )

"""Whether a better plan is worth the calls that it moves: a plan that is known is not thrown about
for little."""

from __future__ import annotations

from muster.core.plan.plan import Plan
from muster.core.plan.problem import Problem

AS_PLANNED_S = 120
"""What starts or ends within so much of its time goes as planned."""

MOVED_S = 1800
"""A call that starts so much sooner or later has moved; so has one in another sitting."""

WORTH_A_CALL_S = 20
"""What a call that stays where it is known is worth, in seconds of bench work."""

MOST_WORTH_S = 900
"""Whatever moves, so much saved is worth it."""


def worth_changing(problem: Problem, known: Plan, found: Plan) -> bool:
    """Whether ``found`` is better than ``known`` by more than what its moved calls are worth."""
    if found.score.rank()[:5] != known.score.rank()[:5]:
        return found.score.rank() < known.score.rank()
    saved = known.score.cost_s - found.score.cost_s
    return saved > 0 and saved >= min(
        MOST_WORTH_S, WORTH_A_CALL_S * moved_calls(problem, known, found)
    )


def moved_calls(problem: Problem, known: Plan, found: Plan) -> int:
    """How many tasks start in another sitting, or half an hour sooner or later."""
    was, now = _starts(known), _starts(found)
    count = 0
    for name, start in was.items():
        then = now.get(name)
        same = then is not None and problem.sitting_at(start) == problem.sitting_at(then)
        count += not same or abs((then or 0) - start) >= MOVED_S
    return count


def _starts(plan: Plan) -> dict[str, int]:
    starts: dict[str, int] = {}
    for block in plan.blocks:
        if block.do == "work":
            starts.setdefault(block.ref, block.start)
    return starts

"""A plan that was kept, at a later moment: counted from another origin, whether it still stands,
and what of it lies behind."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace
from datetime import datetime, timedelta

from muster.core.pipeline import Derived
from muster.core.plan.carrying_on import carry_on
from muster.core.plan.plan import Plan
from muster.core.snapshot import Chore

GRACE = timedelta(seconds=60)
"""A call may begin so much later than planned before the plan mends itself."""

BEHIND = timedelta(hours=18)
"""Chores that lie further back are of another sitting."""


def shifted(plan: Plan, by_s: int) -> Plan:
    """The plan with its seconds counted from an origin that lies ``by_s`` earlier."""
    if not by_s:
        return plan
    return replace(
        plan,
        blocks=tuple(
            replace(block, start=block.start + by_s, end=block.end + by_s) for block in plan.blocks
        ),
        score=replace(
            plan.score, finish=plan.score.finish + by_s, mean_done=plan.score.mean_done + by_s
        ),
        bounds=replace(plan.bounds, finish=plan.bounds.finish + by_s),
    )


def carried_on(plan: Plan, derived: Derived, facts: int) -> Plan | None:
    """What of a shifted plan is still to come, where all went and goes as planned; else None.

    ``facts``: how many the plan was made with. A plan that leaves something is made anew after
    others: there may be room now.
    """
    problem = derived.instance.problem
    if facts == len(derived.snapshot.facts):
        return plan if _still_holds(plan, derived) else None
    return None if plan.left else carry_on(problem, plan, int(GRACE.total_seconds()))


def _still_holds(plan: Plan, derived: Derived) -> bool:
    """Whether nothing lies so far back that it can no longer be begun, or ended, as planned."""
    problem = derived.instance.problem
    work = [block for block in plan.blocks if block.do == "work"]
    if any(block.ref not in problem.tasks for block in work):
        return False
    limit = problem.now - int(GRACE.total_seconds())
    for block in work[:1]:
        under_way = block.ref == derived.instance.running
        return (block.end if under_way else block.start) >= limit
    return True


def chores_so_far(
    past: Iterable[Chore], plan: Plan, origin: datetime, now: datetime
) -> tuple[Chore, ...]:
    """What was to be got out, opened, closed and put away lately up to now: ``past`` by the plans
    before, and this one's."""
    found = [one for one in past if now - one.end < BEHIND]
    for block in plan.blocks:
        start, end = (origin + timedelta(seconds=at) for at in (block.start, block.end))
        if block.do != "work" and end <= now and now - end < BEHIND:
            found.append(Chore(block.do, block.ref, start, end))
    return tuple(found)

"""The last gate: no plan leaves the planner that its own checker refuses.

One that fails is a fault of this program. It is reported with its problem, so that it can be
mended, and in its place comes the plan before, followed anew, or one that leaves everything.
"""

from __future__ import annotations

import logging
from collections.abc import Callable

from muster.core.plan.bounds import bounds_beside
from muster.core.plan.checking import check
from muster.core.plan.left import left_of
from muster.core.plan.plan import Block, Plan
from muster.core.plan.problem import Problem
from muster.core.plan.relaxation import NoRelaxation
from muster.core.plan.scoring import dry_after, items_of, measure

log = logging.getLogger(__name__)

Report = Callable[[Problem, Plan, list[str]], None]


def _unheard(problem: Problem, plan: Plan, complaints: list[str]) -> None:
    """Where nobody keeps faults, the log still says them."""


report: Report = _unheard
"""Who keeps a problem on which the planner failed; set by whoever can write."""


def vetted(problem: Problem, plan: Plan, before: Plan | None = None) -> Plan:
    """The plan where it keeps every rule; else ``before`` where that still does; else everything
    left."""
    complaints = check(problem, plan)
    if not complaints:
        return plan
    log.error("a plan was refused by the checker: %s", "; ".join(complaints[:5]))
    report(problem, plan, complaints)
    if before is not None and not check(problem, before):
        return before
    return all_left(problem, plan.seed, plan.steps)


def all_left(problem: Problem, seed: int = 1, steps: int = 0) -> Plan:
    """The plan that does nothing but close and put away what is out: valid for every problem."""
    blocks = _closing(problem)
    worked = problem.done_s()
    left = left_of(problem, worked, NoRelaxation())
    gone = items_of(problem, left)
    done_at = dict.fromkeys(gone, problem.last_end())
    done_at |= {k: v for k, v in dry_after(problem, ()).items() if k not in gone}
    return Plan(
        status="partial" if left else "planned",
        blocks=blocks,
        score=measure(problem, blocks, done_at, 0, left),
        bounds=bounds_beside(problem, left),
        missed=(),
        seed=seed,
        steps=steps,
        left=left,
    )


def _closing(problem: Problem) -> tuple[Block, ...]:
    """Closing and putting away what facts have left out, back to back from now."""
    if problem.sitting_at(problem.now) is None:
        return ()
    at = problem.now
    found = []
    tools = list(problem.out)
    for left in problem.open:
        family = problem.families[left.family]
        if family.tool and family.tool not in tools:
            tools.append(family.tool)
        if family.cleanup_s:
            found.append(Block("close", left.family, at, at + family.cleanup_s))
            at += family.cleanup_s
    for name in tools:
        if problem.tools[name].cleanup_s:
            end = at + problem.tools[name].cleanup_s
            found.append(Block("put_away", name, at, end))
            at = end
    return tuple(found)

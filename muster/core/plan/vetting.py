"""The last gate: no plan leaves the planner that its own checker refuses.

One that fails is a fault of this program. It is reported with its problem, so that it can be
mended, and in its place comes the plan before, followed anew, or one that leaves everything.
"""

from __future__ import annotations

import logging
from collections.abc import Callable
from dataclasses import replace

from muster.core.plan.bounds import bounds_of
from muster.core.plan.checking import check
from muster.core.plan.clocks import rates_of, ready_at
from muster.core.plan.left import left_of
from muster.core.plan.plan import Block, Plan
from muster.core.plan.problem import Problem
from muster.core.plan.relaxation import NoRelaxation
from muster.core.plan.scoring import measure
from muster.core.plan.subproblem import placed_part

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
    gone = {
        item
        for one in left
        for item in problem.tasks[one.task].items[one.from_s // problem.tasks[one.task].per_item_s:]
    }  # fmt: skip
    done_at = dict.fromkeys(gone, problem.last_end())
    done_at |= {k: v for k, v in dry_from_facts(problem).items() if k not in gone}
    placed = bounds_of(placed_part(problem, left))
    return Plan(
        status="partial" if left else "planned",
        blocks=blocks,
        score=measure(problem, blocks, done_at, 0, left),
        bounds=replace(placed, left_weight=bounds_of(problem).left_weight),
        missed=(),
        seed=seed,
        steps=steps,
        left=left,
    )


def dry_from_facts(problem: Problem) -> dict[str, int]:
    """When the items are dry of which all that was ever worked is fact."""
    found: dict[str, int] = {}
    for piece in problem.done:
        task = problem.tasks[piece.task]
        span, work = piece.end - piece.start, piece.to_s - piece.from_s
        for place in range(piece.from_s // task.per_item_s, piece.to_s // task.per_item_s):
            high = (place + 1) * task.per_item_s
            ended = piece.start - (-(high - piece.from_s) * span // work)
            dry = ready_at(rates_of(problem, task.clock), ended, task.dry_s)
            item = task.items[place]
            found[item] = max(found.get(item, dry), dry)
    return found


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

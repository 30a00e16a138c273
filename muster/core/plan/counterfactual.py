"""Reasons proven: where the reason that is named is taken away, the call can start sooner.

The call is put in the plan's order right after what it follows, everything else kept, and placed;
then once more in the problem without the reason. What that wins is what the reason holds it by.
"""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from muster.core.plan.kernel.attempt import LEFT_S, attempt_list
from muster.core.plan.kernel.fields import column, scalar
from muster.core.plan.kernel.follow import FROM_SITTING, TASK
from muster.core.plan.kernel.layout import BLOCK_FIELDS, DO_WORK, INF, State
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.plan.problem import Problem, Sitting
from muster.core.plan.reasons import Reason

EARLIER_S = 3600
"""A sitting is thought to have begun so much earlier."""


def sooner_without(problem: Problem, plan: Plan, task: str, reason: Reason) -> int | None:
    """Seconds by which the task's next piece can start sooner where ``reason`` is taken away.

    0: it does not hold the task. None: nothing that can be taken away (now, a saving, a window).
    Raises KeyError for a task of which the plan has no piece to come.
    """
    start = next((b.start for b in plan.blocks if b.do == "work" and b.ref == task), None)
    if start is None:
        raise KeyError(task)
    as_it_is = soonest(problem, plan, task)
    if reason.kind in ("full", "order"):
        # The bench is taken away by letting the task go first.
        sooner = max(0, start - as_it_is) if as_it_is is not None else 0
        return sooner or (None if reason.kind == "order" else 0)
    free = _without(problem, task, reason)
    if free is None:
        return None
    then = soonest(free, plan, task)
    reached = start if as_it_is is None else min(start, as_it_is)
    return max(0, reached - then) if then is not None else 0


def soonest(problem: Problem, plan: Plan, task: str) -> int | None:
    """When a task starts that comes right after what it follows; None where that has no place."""
    ground = Planner(problem).search
    one = ground.assembled
    number = list(problem.tasks).index(task)
    rows = ground.lists.rows_of(plan, keep_sittings=True)
    before = {list(problem.tasks).index(x.before) for x in problem.links if x.after == task}
    mine, others = rows[rows[:, TASK] == number].copy(), rows[rows[:, TASK] != number]
    planned = np.flatnonzero(np.isin(others[: len(plan.blocks), TASK], list(before)))
    # The last rows, one for each task, only catch what the plan does not know.
    planned = planned[planned < len(others) - len(one.tasks) + 1]
    at = int(planned[-1]) + 1 if len(planned) else 0
    mine[:, FROM_SITTING] = 0
    moved = np.concatenate([others[:at], mine, others[at:]])
    attempt_list(
        one.frame, one.weight, ground.start, ground.state, ground.spare, one.order,
        one.windows, moved, len(moved), INF, ground.measures,
    )  # fmt: skip
    size = scalar(ground.state, State, "n_blocks") * BLOCK_FIELDS
    blocks = column(ground.state, State, "blocks", size).reshape(-1, BLOCK_FIELDS)
    placed = blocks[(blocks[:, 0] == DO_WORK) & (blocks[:, 1] == number)]
    whole = ground.measures[LEFT_S] <= plan.score.left_s
    return int(placed[0, 4]) if len(placed) and whole else None


def _without(problem: Problem, task: str, reason: Reason) -> Problem | None:
    """The problem with the reason taken away."""
    tasks = dict(problem.tasks)
    if reason.kind == "pinned":
        return replace(problem, pins=tuple(p for p in problem.pins if p.task != task))
    if reason.kind in ("stand", "wet", "dry_since"):
        tasks[reason.other] = replace(tasks[reason.other], dry_s=0)
        links = tuple(
            replace(link, stand_s=0) if (link.before, link.after) == (reason.other, task) else link
            for link in problem.links
        )
        return replace(problem, tasks=tasks, links=links)
    if reason.kind == "not_before":
        tasks[task] = replace(tasks[task], not_before=None)
        return replace(problem, tasks=tasks)
    if reason.kind == "condition":
        needs = tuple(tag for tag in tasks[task].needs if tag != reason.other)
        tasks[task] = replace(tasks[task], needs=needs)
        return replace(problem, tasks=tasks)
    if reason.kind == "sitting":
        index = problem.sitting_at(reason.at)
        if index is None:
            return None
        before = problem.sittings[index - 1].end if index else problem.now
        start = max(problem.now, before, reason.at - EARLIER_S)
        longer = Sitting(start, problem.sittings[index].end)
        sittings = (*problem.sittings[:index], longer, *problem.sittings[index + 1 :])
        return replace(problem, sittings=sittings)
    return None

"""Where else a task may stand: each sitting tried by mending the plan with the task placed there.

The rest of the plan is followed (see ``kernel/follow.py``), so that a place costs about as much as
one step of the search.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace

import numpy as np

from muster.core.plan.kernel.attempt import FINISH, HANDS_ON, LEFT_S, LEFT_WEIGHT, attempt_list
from muster.core.plan.kernel.fields import Ints, column, scalar
from muster.core.plan.kernel.follow import FROM_SITTING, TASK
from muster.core.plan.kernel.layout import BLOCK_FIELDS, DO_WORK, INF, State
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.plan.problem import Problem


@dataclass(frozen=True, slots=True)
class AlternativeStart:
    """A legal place: pinned from ``low`` up to ``slack_s`` later, the task begins at ``start`` and
    ends at ``end``.

    ``hands_on_s`` and ``finish_s`` say what that adds to the plan as it is (less: saves);
    ``moves``: the other tasks that begin in another sitting for it, with their new starts."""

    low: int
    slack_s: int
    start: int
    end: int
    hands_on_s: int
    finish_s: int
    as_planned: bool
    moves: tuple[tuple[str, int], ...] = ()


def alternative_starts(
    problem: Problem, plan: Plan, task: str, most: int = 8
) -> list[AlternativeStart]:
    """The legal places of a task, those in the ``most`` sittings nearest to its own, in order.

    Empty where the plan has no piece of it to come. Raises KeyError for an unknown task.
    """
    number = list(problem.tasks).index(task) if task in problem.tasks else -1
    if number < 0:
        raise KeyError(task)
    planned = next((b for b in plan.blocks if b.do == "work" and b.ref == task), None)
    if planned is None:
        return []
    pins = tuple(pin for pin in problem.pins if pin.task != task)
    ground = Planner(replace(problem, pins=pins)).search
    one = ground.assembled
    rows = ground.lists.rows_of(plan, keep_sittings=True)
    home = problem.sitting_at(planned.start) or 0
    names = list(problem.tasks)
    sitting_of = _sittings_of(problem, ((b.ref, b.start) for b in plan.blocks if b.do == "work"))
    end = max(b.end for b in plan.blocks if b.do == "work" and b.ref == task)
    coming = [n for n, sitting in enumerate(problem.sittings) if sitting.end > problem.now]
    found = []
    for index in sorted(sorted(coming, key=lambda n: abs(n - home))[:most]):
        sitting = problem.sittings[index]
        low = max(sitting.start, problem.now)
        slack = sitting.end - 1 - low
        if index == home:
            found.append(AlternativeStart(low, slack, planned.start, end, 0, 0, True))
            continue
        moved = _moved(rows, number, index)
        attempt_list(
            one.frame, one.weight, ground.start, ground.state, ground.spare, one.order,
            one.windows, moved, len(moved), INF, ground.measures,
        )  # fmt: skip
        size = scalar(ground.state, State, "n_blocks") * BLOCK_FIELDS
        blocks = column(ground.state, State, "blocks", size).reshape(-1, BLOCK_FIELDS)
        mine = blocks[(blocks[:, 0] == DO_WORK) & (blocks[:, 1] == number)]
        more_left = ground.measures[LEFT_WEIGHT] > float(plan.score.left_weight) or (
            ground.measures[LEFT_S] > plan.score.left_s
        )
        if more_left or not len(mine) or not low <= mine[0, 4] < sitting.end:
            continue
        work = blocks[blocks[:, 0] == DO_WORK]
        work = work[np.argsort(work[:, 4], kind="stable")]
        starts = {names[one]: int(at) for one, at in zip(work[::-1, 1], work[::-1, 4], strict=True)}
        there = _sittings_of(problem, starts.items())
        found.append(
            AlternativeStart(
                low, slack, int(mine[0, 4]), int(mine[-1, 5]),
                int(ground.measures[HANDS_ON]) - plan.score.hands_on_s,
                int(ground.measures[FINISH]) - plan.score.finish, False,
                tuple(
                    (name, starts[name]) for name, at in there.items()
                    if name != task and sitting_of.get(name, at) != at
                ),
            )
        )  # fmt: skip
    return found


def _sittings_of(problem: Problem, starts: Iterable[tuple[str, int]]) -> dict[str, int | None]:
    """By task: the sitting that it begins in, of the first start given."""
    found: dict[str, int | None] = {}
    for name, start in starts:
        if name not in found:
            found[name] = problem.sitting_at(start)
    return found


def _moved(rows: Ints, number: int, sitting: int) -> Ints:
    """The list with a task's rows before the first of that sitting or of a later one."""
    mine, others = rows[rows[:, TASK] == number].copy(), rows[rows[:, TASK] != number]
    mine[:, FROM_SITTING] = sitting
    at = int(np.searchsorted(np.maximum.accumulate(others[:, FROM_SITTING]), sitting))
    return np.concatenate([others[:at], mine, others[at:]])

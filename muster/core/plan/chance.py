"""Chance: the same plan in many futures, each with minutes of its own.

The policy is stated and simple: the order and the sittings of the plan are kept, each piece starts
as soon as it can (right-shift), and every rule holds. A painter who mends the plan does no worse on
the whole, so the chances err on the side of caution. How long a task takes is spread log-normally
about its planned minutes: products of many small hindrances (Galton, McAlister 1879).
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from muster.core.plan.kernel.attempt import FINISH, attempt_list
from muster.core.plan.kernel.fields import Ints, column, copy_of
from muster.core.plan.kernel.follow import LIST_FIELDS
from muster.core.plan.kernel.layout import INF, Floats, Frame, State
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.plan.problem import Break, Problem

SPREAD = 0.25
"""Standard deviation of the logarithm of a task's minutes, where nothing was logged."""

TOGETHER = 0.5
"""How much of a task's spread is the evening's or the painter's, shared by all tasks."""


@dataclass(frozen=True)
class Chance:
    """What became of the plan in ``futures`` of them, as shares 0 to 1."""

    futures: int
    all_in_time: float
    by_unit: dict[str, float]
    matters_most: str | None
    """The task whose minutes go most with how late all is done; None where nothing is at risk."""
    finish_early: int
    finish_late: int
    """Seconds by which one future in ten, and nine in ten, have finished."""


def chance_of(
    problem: Problem,
    plan: Plan,
    futures: int = 1000,
    seed: int = 1,
    spread: Mapping[str, float] | None = None,
) -> Chance:
    """Carry the plan out in so many futures. ``spread`` by task, else ``SPREAD``.

    What is left by the plan is left in every future, and late where the last sitting ends too late.
    """
    planner = Planner(problem)
    ground = planner.search
    one = ground.assembled
    rows = _rows(problem, plan, one.tasks)
    names = list(problem.tasks)
    sigma = np.array([(spread or {}).get(name, SPREAD) for name in names])
    per = column(one.frame, Frame, "task_per_item", len(names)).copy()
    frame = copy_of(one.frame)
    live = column(frame, Frame, "task_per_item", len(names))
    begun = problem.done_s()
    fixed = np.array([begun[name] > 0 for name in names])
    random = np.random.Generator(np.random.PCG64(seed))
    items = list(problem.items.values())
    due = np.array([INF if item.due is None else item.due for item in items])
    units = sorted({item.unit for item in items if item.unit is not None})
    member = {unit: np.array([item.unit == unit for item in items]) for unit in units}
    in_time = np.zeros(futures, bool)
    unit_in_time = dict.fromkeys(units, 0)
    finishes = np.zeros(futures)
    owns = np.zeros((futures, len(names)))
    for future in range(futures):
        shared = random.normal() * math.sqrt(TOGETHER)
        own = random.normal(size=len(names)) * math.sqrt(1 - TOGETHER)
        factor = np.exp(sigma * (shared + own) - sigma**2 / 2)
        # What has begun is timed by its facts; the file's seconds of it stay as they are.
        factor[fixed] = 1.0
        live[:] = np.maximum(1, np.round(per * factor))
        entries = rows.copy()
        cut = entries[:, 1] < INF
        entries[cut, 1] *= live[entries[cut, 0]]
        attempt_list(
            frame, one.weight, ground.start, ground.state, ground.spare, one.order, one.windows,
            entries, len(entries), INF, ground.measures,
        )  # fmt: skip
        done = column(ground.state, State, "item_done_at", len(items))
        kept = done <= due
        in_time[future] = bool(kept.all())
        finishes[future] = ground.measures[FINISH]
        owns[future] = np.where(fixed, 0.0, sigma * own)
        for unit in units:
            unit_in_time[unit] += bool(kept[member[unit]].all())
    return Chance(
        futures=futures,
        all_in_time=float(in_time.mean()),
        by_unit={unit: count / futures for unit, count in unit_in_time.items()},
        matters_most=_matters(names, owns, finishes),
        finish_early=int(np.quantile(finishes, 0.1)),
        finish_late=int(np.quantile(finishes, 0.9)),
    )


def _rows(problem: Problem, plan: Plan, tasks: list[str]) -> Ints:
    """The plan as a list whose cuts count items (INF: all that is left)."""
    at = {name: number for number, name in enumerate(tasks)}
    rows = []
    for block in plan.blocks:
        if block.do != "work":
            continue
        task = problem.tasks[block.ref]
        whole = block.to_s == task.work_s or task.break_ is not Break.ITEM
        up_to = INF if whole else block.to_s // task.per_item_s
        rows.append((at[block.ref], up_to, problem.sitting_at(block.start) or 0, 0))
    rows.extend((number, INF, 0, 0) for number in range(len(tasks)))
    return np.array(rows, np.int64).reshape(-1, LIST_FIELDS)


def _matters(names: list[str], owns: Floats, finishes: Floats) -> str | None:
    """The task whose own minutes, apart from what all share, go most with the finish."""
    pull = (owns - owns.mean(axis=0)).T @ (finishes - finishes.mean())
    best = int(np.argmax(pull))
    return names[best] if pull[best] > 0 else None

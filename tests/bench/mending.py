"""How fast a plan mends, how fast places are found, and how near right-shift is to mending.

python -m tests.bench.mending
"""

from __future__ import annotations

import time
from dataclasses import replace

import numpy as np

from muster.core.plan.alternative_starts import alternative_starts
from muster.core.plan.chance import SPREAD, chance_of
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.plan.problem import Problem
from muster.core.plan.reading import problem_from
from tests.bench.instances import KINDS, force

FUTURES = 12


def milliseconds(act: object) -> float:
    """The best of five, in milliseconds."""
    found = []
    for _ in range(5):
        begun = time.monotonic()
        act()
        found.append(time.monotonic() - begun)
    return 1000 * min(found)


def apart(problem: Problem, plan: Plan) -> tuple[float, float]:
    """Mean days by which right-shift, and mending with some search, finish after the plan."""
    random = np.random.Generator(np.random.PCG64(1))
    shifted, mended = [], []
    for _ in range(FUTURES):
        factors = np.exp(random.normal(0, SPREAD, len(problem.tasks)) - SPREAD**2 / 2)
        tasks = {
            name: replace(task, per_item_s=max(1, round(task.per_item_s * drying_factor)))
            for (name, task), drying_factor in zip(problem.tasks.items(), factors, strict=True)
        }
        future = replace(problem, tasks=tasks)
        planner = Planner(future)
        planner.search.lists.follow(plan, 2**60)
        shifted.append(planner.plan().score.finish)
        planner = Planner(future)
        planner.first(plan)
        mended.append(planner.improve(600, lambda: 1.0).score.finish)
    base = plan.score.finish
    return (float(np.mean(shifted)) - base) / 86_400, (float(np.mean(mended)) - base) / 86_400


def main() -> None:
    """Print the figures."""
    warm = Planner(problem_from(force(3)))
    warm.first()
    warm.improve(60, lambda: 1.0)
    print("| kind | tasks | mend, ms | places of a task, ms | 1,000 futures, ms |")
    print("| --- | --- | --- | --- | --- |")
    for name in ("12 trays", "30 trays", "66 trays"):
        problem = problem_from(force(**KINDS[name]))
        planner = Planner(problem)
        planner.first()
        plan = planner.improve(100, lambda: 1.0)
        later = replace(problem, now=problem.sittings[0].start + 300)
        task = list(problem.tasks)[len(problem.tasks) // 2]
        mend = milliseconds(lambda later=later, plan=plan: Planner(later).first(plan))
        place = milliseconds(lambda p=problem, a=plan, t=task: alternative_starts(p, a, t))
        begun = time.monotonic()
        chance_of(problem, plan)
        futures = 1000 * (time.monotonic() - begun)
        count = len(problem.tasks)
        print(f"| {name} | {count} | {mend:.0f} | {place:.0f} | {futures:.0f} |", flush=True)
    problem = problem_from(force(**KINDS["12 trays"]))
    planner = Planner(problem)
    planner.first()
    plan = planner.improve(2000, lambda: 1.0)
    shift, mend_days = apart(problem, plan)
    print(
        f"\nOver {FUTURES} futures of 12 trays, right-shift ends {shift:.2f} days after the plan,"
    )
    print(f"mending with 600 attempts {mend_days:.2f} days.")


if __name__ == "__main__":
    main()

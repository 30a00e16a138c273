"""Several searches of one problem side by side, one a core, each from a seed of its own."""

from __future__ import annotations

from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from dataclasses import replace

from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.plan.problem import Problem

APART = 7919
"""How far apart the seeds of a team are."""


def improve_in_parallel(problem: Problem, seed: int, many: int, go_on: Callable[[], float]) -> Plan:
    """The best plan of ``many`` searches while ``go_on`` answers more than 0.

    The kernel lets go of Python's lock, so the searches run at once. What comes of it depends on
    time; for a plan that can be made again, search alone for a number of steps.
    """
    planners = [Planner(problem, seed + APART * number) for number in range(many)]
    for planner in planners:
        planner.first()
    with ThreadPoolExecutor(many + 1) as pool:
        proof = pool.submit(planners[0].prove, lambda: go_on() > 0)
        plans = list(pool.map(lambda one: one.improve(None, go_on), planners))
        proof.result()
    best: Plan = min(plans, key=lambda plan: plan.score.rank())
    steps = sum(plan.steps for plan in plans)
    bounds = planners[0].bounds_beside(best.left, best.dropped_pins)
    return replace(best, bounds=bounds, seed=seed, steps=steps)

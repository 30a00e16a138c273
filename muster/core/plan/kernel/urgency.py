"""How much still follows each task, and when it must start for what is due."""

from __future__ import annotations

from graphlib import TopologicalSorter

import numpy as np

from muster.core.plan.clocks import rates_of, ready_at
from muster.core.plan.kernel.layout import Floats
from muster.core.plan.problem import Problem


def urgency(problem: Problem) -> tuple[list[str], Floats, Floats]:
    """Topological order; what follows each task (0 to 1); when each must start for its dues."""
    sorter: TopologicalSorter[str] = TopologicalSorter(dict.fromkeys(problem.tasks, ()))
    after: dict[str, list[tuple[str, int]]] = {name: [] for name in problem.tasks}
    for link in problem.links:
        sorter.add(link.after, link.before)
        wait = ready_at(rates_of(problem, link.clock), problem.now, link.stand_s) - problem.now
        after[link.before].append((link.after, wait))
    order = list(sorter.static_order())
    done = problem.done_s()
    pins = {pin.task: pin.start for pin in problem.pins if pin.start >= problem.now}
    follows: dict[str, float] = {}
    by: dict[str, float] = {}
    for name in reversed(order):
        task = problem.tasks[name]
        left = task.work_s - done[name]
        dry = ready_at(rates_of(problem, task.clock), problem.now, task.dry_s) - problem.now
        waits = [max(wait, dry) + follows[other] for other, wait in after[name]]
        follows[name] = left + max([float(dry), *waits])
        dues = [problem.items[item].due for item in task.items]
        last = min([float(due) for due in dues if due is not None], default=np.inf) - dry - left
        by[name] = min([last, *(by[other] - wait - left for other, wait in after[name])])
        if name in pins:
            by[name] = min(by[name], float(pins[name]))
    longest = max(follows.values(), default=1.0) or 1.0
    tail = np.array([follows[name] / longest for name in problem.tasks], np.float64)
    return order, tail, np.array([by[name] for name in problem.tasks], np.float64)

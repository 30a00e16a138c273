"""Where the planner stands: one table, ratios from one run.

    python -m tests.bench.planning [--seconds 5] [--baseline 120] [--library] [KIND ...]

Compared with (a) each tray alone, nothing shared; (b) the frozen baseline: the best of 10,000
varied restarts of the dispatch, or of as many as are made in the time given; (c) where asked, a
general scheduling library given the same problem and time, its order placed by our own rules.
"""

from __future__ import annotations

import argparse
import resource
import time
from typing import Any

import numpy as np

from muster.core.plan.checking import check
from muster.core.plan.kernel.layout import INF
from muster.core.plan.parallel import improve_in_parallel
from muster.core.plan.planner import Planner
from muster.core.plan.problem import Problem
from muster.core.plan.reading import problem_from
from muster.core.plan.search_state import SearchState
from tests.bench.baseline import Restarts
from tests.bench.instances import HALF_DONE, KINDS, force
from tests.core.plan.test_planner import carried_out

RESTARTS = 10_000

CORES = 2
"""Our search runs on as many; so do the restarts, half of them each."""


def alone_s(raw: dict[str, Any]) -> int:
    """Hands-on where each tray is planned by itself, as if it alone were on the bench."""
    total = 0
    for tray in sorted({task["id"].split("/")[0] for task in raw["tasks"]}):
        tasks = [task for task in raw["tasks"] if task["id"].split("/")[0] == tray]
        names = {task["id"] for task in tasks}
        items = {item for task in tasks for item in task["items"]}
        mine = {
            **raw, "tasks": tasks,
            "items": [item for item in raw["items"] if item["id"] in items],
            "links": [link for link in raw["links"] if link["after"] in names],
            "holds": [hold for hold in raw["holds"] if hold["from"] in names],
            "done": [piece for piece in raw.get("done", ()) if piece["task"] in names],
        }  # fmt: skip
        total += Planner(problem_from(mine)).first().score.hands_on_s
    return total


def baseline(problem: Problem, seconds: float) -> tuple[float, int]:
    """The best cost of the frozen restarts, and how many were made."""
    planner = Planner(problem)
    ground = SearchState(planner.assembled, planner.search.start, 1)
    restarts = Restarts(ground)
    restarts.first()
    until = time.monotonic() + seconds
    while ground.steps < RESTARTS and time.monotonic() < until:
        restarts.step(max(0.0, 1 - ground.steps / RESTARTS))
    assert ground.best_rank is not None
    return ground.best_rank[5], ground.steps


def library(problem: Problem, seconds: float, set_ups: bool) -> float | None:
    """PyJobShop (PyPI): one machine with breaks and delays; None: no plan in the time.

    With ``set_ups`` changing the family takes time, as it does here; that is the hard part for it.
    """
    from pyjobshop import Model

    model = Model()
    end = max(sitting.end for sitting in problem.sittings)
    edges = [0, *(m for s in problem.sittings for m in (s.start, s.end)), end + 1]
    breaks = [(a, b) for a, b in zip(edges[::2], edges[1::2], strict=True) if b > a]
    machine = model.add_machine(breaks=breaks)
    made = {}
    for name, task in problem.tasks.items():
        weight = round(sum(float(problem.items[i].weight) for i in task.items))
        made[name] = model.add_task(job=model.add_job(weight=weight))
        model.add_mode(made[name], machine, duration=task.work_s)
    for link in problem.links:
        model.add_end_before_start(made[link.before], made[link.after], delay=link.stand_s)
    for one in problem.tasks.values() if set_ups else ():
        for two in problem.tasks.values():
            if one.family != two.family and two.family:
                family = problem.families[two.family]
                setup = family.setup_s + family.cleanup_s
                model.add_setup_time(machine, made[one.id], made[two.id], setup)
    model.set_objective(weight_makespan=1, weight_total_flow_time=1)
    result = model.solve(solver="ortools", time_limit=seconds, display=False)
    if not result.best.tasks:
        return None
    starts = {name: result.best.tasks[n].start for n, name in enumerate(problem.tasks)}
    planner = Planner(problem)
    names = list(problem.tasks)
    order = [(names.index(n), INF, 0, 0) for n in sorted(names, key=lambda name: starts[name])]
    planner.search.lists.place(np.array(order, np.int64), len(order), INF)
    rank = planner.search.best_rank
    return rank[5] if rank is not None and rank[2] == 0 else None


def half_done(raw: dict[str, Any]) -> dict[str, Any]:
    """The problem half an evening later, worked to plan but for ten minutes."""
    plan = Planner(problem_from(raw)).first()
    first = raw["sittings"][0]
    return carried_out(raw, plan, (first["start"] + first["end"]) // 2, 600)


def row(name: str, seconds: float, base_s: float, with_library: bool) -> str:
    """One line of the table."""
    raw = force(**KINDS[name])
    if name == HALF_DONE:
        raw = half_done(raw)
    problem = problem_from(raw)
    begun = time.monotonic()
    planner = Planner(problem)
    first = planner.first()
    first_s = time.monotonic() - begun
    begun = time.monotonic()
    plan = improve_in_parallel(problem, 1, CORES, lambda: 1 - (time.monotonic() - begun) / seconds)
    assert check(problem, plan) == [], name
    base, made = baseline(problem, base_s)
    cells = [
        name, f"{len(problem.tasks)}", f"{first_s:.2f}",
        f"{1 - plan.score.hands_on_s / alone_s(raw):.0%}",
        f"{first.score.cost_s / base:.3f}", f"{plan.score.cost_s / base:.3f}", f"{made:,}",
        f"{plan.gap():.1%}", f"{plan.steps / seconds:,.0f}",
        f"{float(plan.score.late_weight):g} / {float(plan.bounds.late_weight):g}",
        f"{float(plan.score.left_weight):g} / {float(plan.bounds.left_weight):g}",
    ]  # fmt: skip
    for set_ups in (True, False) if with_library else ():
        found = library(problem, seconds, set_ups)
        cells.append("no plan" if found is None else f"{plan.score.cost_s / found:.3f}")
    return "| " + " | ".join(cells) + " |"


def main() -> None:
    """Print the table."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--seconds", type=float, default=5)
    parser.add_argument("--baseline", type=float, default=120)
    parser.add_argument("--library", action="store_true")
    parser.add_argument("kinds", nargs="*", metavar="KIND")
    given = parser.parse_args()
    warm = Planner(problem_from(force(2)))
    warm.first()
    warm.improve(60, lambda: 1.0)
    heads = ["kind", "tasks", "first, s", "hands-on saved", "first / baseline", "cost / baseline",
             "restarts", "gap", "steps a second", "late / bound", "left / bound"]  # fmt: skip
    heads += ["cost / library", "the same without set-ups"] if given.library else []
    print("| " + " | ".join(heads) + " |\n|" + " --- |" * len(heads), flush=True)
    for name in given.kinds or KINDS:
        print(row(name, given.seconds, given.baseline, given.library), flush=True)
    peak = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss // 1024
    print(f"\nPeak memory {peak} MiB.")


if __name__ == "__main__":
    main()

"""A small plan that uses every kernel: made once, all that is compiled lies loaded in the process.

Compiling takes most of a minute, reading what was compiled a second or more on a slow machine:
neither belongs into the time of somebody's first request.
"""

from __future__ import annotations

from typing import Any

from muster.core.plan.planner import Planner
from muster.core.plan.problem import Problem
from muster.core.plan.reading import problem_from


def load_kernels() -> None:
    """What a first plan calls, read from disk (compiled where it is not there)."""
    Planner(problem(1)).first()


def problem(trays: int) -> Problem:
    """Trays of two passes that share a mix, the second by daylight; one pin cannot be kept."""
    names = [f"{tray}" for tray in range(trays)]
    tasks: list[dict[str, Any]] = []
    for name in names:
        more = {"items": [f"{name}-1", f"{name}-2"], "per_item_s": 60, "places": {"rack": 1}}
        tasks += [
            {"id": f"{name}/wash", "family": "wash", "dry_s": 300, **more},
            {"id": f"{name}/wipe", "family": "base", "wants": {"daylight": 600}, **more},
        ]
    sittings = [{"start": day * 86_400, "end": day * 86_400 + 2700} for day in range(9)]
    family = {"tool": "brush", "setup_s": 60, "cleanup_s": 30, "open_s": 900, "life_s": None}
    return problem_from({
        "format": "crisp-muster/plan-problem", "version": 1,
        "origin": "2027-03-02T00:00:00+00:00", "sittings": sittings,
        "conditions": [{"tag": "daylight", "start": 0, "end": 1500}],
        "places": {"rack": 3}, "families": {"wash": family, "base": family},
        "tools": {"brush": {"setup_s": 30, "cleanup_s": 30, "open_families": 1}},
        "items": [{"id": f"{name}-{number}"} for name in names for number in (1, 2)],
        "tasks": tasks,
        "links": [
            {"before": f"{name}/wash", "after": f"{name}/wipe", "stand_s": 300, "window_s": 90_000,
             "clock": "wall"}
            for name in names
        ],
        # Freeing a pin that cannot be kept is compiled, too.
        "pins": [{"task": "0/wipe", "start": 10}],
    })  # fmt: skip

"""Compile the kernels, so that what is compiled lies on disk before it is needed.

``first``: what a first plan needs, its two largest parts side by side. ``rest``: improving a plan,
and matching a colour. Either may be left out: what is missing is compiled when it is first called.
"""

from __future__ import annotations

import subprocess
import sys
from collections.abc import Callable
from typing import Any

import numpy as np

from muster.core.colour.match import match
from muster.core.colour.owned import OwnedPaint, shelf_from
from muster.core.plan.kernel.commit import commit, end_sitting, work_items
from muster.core.plan.kernel.find_slot import find_slot
from muster.core.plan.kernel.jit import compile_now
from muster.core.plan.planner import Planner
from muster.core.plan.problem import Problem
from muster.core.plan.reading import problem_from


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


def slots() -> None:
    """Finding a slot."""
    compile_now(find_slot)


def placing() -> None:
    """Placing what was found."""
    for function in (work_items, commit, end_sitting):
        compile_now(function)


def first() -> None:
    """All that a first plan needs."""
    parts = [
        subprocess.Popen([sys.executable, "-m", "muster.cli.warm", part])
        for part in ("slots", "placing")
    ]
    codes = [part.wait() for part in parts]
    if any(codes):
        raise SystemExit(1)
    Planner(problem(1)).first()


def rest() -> None:
    """Improving a plan, and matching a colour."""
    planner = Planner(problem(5))
    planner.first()
    planner.improve(60, lambda: 1.0)
    shelf = shelf_from(OwnedPaint(name, colour) for name, colour in (
        ("white", "#f4f3ee"), ("black", "#1b1b1d"), ("ochre", "#a9853f"), ("blue", "#46586b"),
    ))  # fmt: skip
    match(shelf, np.array([50.0, 0.0, 10.0]), 4)


PARTS: dict[str, Callable[[], None]] = {
    "slots": slots, "placing": placing, "first": first, "rest": rest,
}  # fmt: skip


if __name__ == "__main__":
    for word in sys.argv[1:] or ("first", "rest"):
        PARTS[word]()

"""Compile the kernels, so that what is compiled lies on disk before it is needed.

``first``: what a first plan needs, its two largest parts side by side. ``rest``: improving a plan,
and matching a colour. Either may be left out: what is missing is compiled when it is first called.
"""

from __future__ import annotations

import subprocess
import sys
from collections.abc import Callable

import numpy as np

from muster.core.colour.match import match
from muster.core.colour.owned import OwnedPaint, shelf_from
from muster.core.plan.kernel.commit import commit, end_sitting, work_items
from muster.core.plan.kernel.find_slot import find_slot
from muster.core.plan.kernel.jit import compile_now
from muster.core.plan.planner import Planner
from muster.core.plan.warm import load_kernels, problem


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
    load_kernels()


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

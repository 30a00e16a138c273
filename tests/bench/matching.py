"""How fast and how near the best a match is: against measuring every mix.

.run/venv/bin/python -m tests.bench.matching [--all]   (--all: every mix of 80 paints, minutes)
"""

from __future__ import annotations

import sys
import time

import numpy as np

from muster.core.colour.match import match
from tests.bench.shelves import everything, shelf, targets


def timed(paints: int, most: int, count: int) -> str:
    """A row: 50 and 95 % of the times of so many matches."""
    own = shelf(paints, 1)
    match(own, targets(1, 0)[0], most)
    took, off = [], []
    for goal in targets(count, 2):
        begun = time.perf_counter()
        best = match(own, goal, most)[0]
        took.append(1000 * (time.perf_counter() - begun))
        off.append(best.off)
    half, p95 = np.percentile(took, (50, 95))
    return (
        f"| {paints} paints, {most} of them | {half:.0f} ms | {p95:.0f} ms | {np.median(off):.2f} |"
    )


def against_all(paints: int, count: int) -> str:
    """How often the best of three is that of all mixes, or within ΔE00 0.1."""
    own = shelf(paints, 1)
    worse = []
    for goal in targets(count, 3):
        best = min(one.off for one in match(own, goal, 3, keep=40))
        least = min(everything(own, goal, n, 12) for n in (1, 2, 3))
        worse.append(best - least)
    near = sum(one <= 0.1 for one in worse)
    return (
        f"{paints} paints: within 0.1 of the best of all mixes in {near} of {count}; at worst "
        f"{max(worse):.2f}"
    )


def main() -> None:
    """Print the table."""
    print("| shelf | median | 95 % | median ΔE00 |\n| --- | --- | --- | --- |")
    for paints, most, count in ((80, 2, 60), (80, 3, 100), (80, 4, 60), (300, 3, 60)):
        print(timed(paints, most, count), flush=True)
    print(against_all(30, 100))
    if "--all" in sys.argv:
        print(against_all(80, 100))


if __name__ == "__main__":
    main()

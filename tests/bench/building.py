"""How long Build takes over large kits: ways, order and checks, and a view of one unit.

python -m tests.bench.building
"""

from __future__ import annotations

import time
from collections.abc import Callable

from muster.core.build.built import build_recipe
from muster.core.build.checks.run import check_build
from muster.core.build.choose import Chooser, Chosen
from muster.core.build.kit import Build
from muster.core.build.needs import circles_of, needs_of, settled
from tests.core.build.making import HAULER, chooser, random_kit

PARTS, JOINTS, JOBS = 60, 90, 150


def seconds(act: Callable[[], object]) -> float:
    """The best of three."""
    found = []
    for _ in range(3):
        begun = time.monotonic()
        act()
        found.append(time.monotonic() - begun)
    return min(found)


def main() -> None:
    """Six kits."""
    print(f"{PARTS} parts, {JOINTS} joints, {JOBS} jobs")
    print(f"{'kit':>4} {'ways s':>8} {'gap min':>8} {'order and checks ms':>20} {'recipe ms':>10}")
    for seed in range(6):
        build = Build(random_kit(seed, PARTS, JOINTS, JOBS))
        made = chooser(HAULER, build)
        best = made.choose()

        def order(made: Chooser = made, best: Chosen = best) -> None:
            circles_of(needs_of(made.assessor, best.slots))
            settled(made.assessor, best.slots)
            check_build(HAULER, made.assessor, best, 72)

        ways = seconds(lambda build=build: chooser(HAULER, build).choose())
        both = 1000 * seconds(order)
        recipe = 1000 * seconds(
            lambda build=build, best=best: build_recipe(HAULER, build, chosen=best)
        )
        print(f"{seed:>4} {ways:>8.2f} {best.gap_min:>8.1f} {both:>20.0f} {recipe:>10.0f}")


if __name__ == "__main__":
    main()

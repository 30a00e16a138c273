"""Plan a tiny problem and match a colour once, so that what is compiled lies on disk before it is
needed."""

import numpy as np

from muster.core.colour.match import match
from muster.core.colour.owned import OwnedPaint, shelf_from
from muster.core.plan.planner import Planner
from muster.core.plan.reading import problem_from


def main() -> None:
    """Compile every function of the kernels."""
    planner = Planner(
        problem_from(
            {
                "format": "crisp-muster/plan-problem",
                "version": 1,
                "origin": "2027-03-02T00:00:00+00:00",
                "sittings": [{"start": 0, "end": 7200}],
                "families": {},
                "items": [{"id": "pike-1"}],
                "tasks": [
                    {
                        "id": "base",
                        "items": ["pike-1"],
                        "per_item_s": 60,
                        "family": None,
                        "not_before": 60,
                    }
                ],
                # A pin that cannot be kept: freeing it is compiled, too.
                "pins": [{"task": "base", "start": 10}],
                "links": [],
            }
        )
    )
    planner.first()
    planner.improve(3, lambda: 1.0)
    shelf = shelf_from(OwnedPaint(name, colour) for name, colour in (
        ("white", "#f4f3ee"), ("black", "#1b1b1d"), ("ochre", "#a9853f"), ("blue", "#46586b"),
    ))  # fmt: skip
    match(shelf, np.array([50.0, 0.0, 10.0]), 4)


if __name__ == "__main__":
    main()

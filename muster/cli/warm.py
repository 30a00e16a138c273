"""Plan a tiny problem once, so that the compiled planner lies on disk before it is needed."""

from muster.core.plan.planner import Planner
from muster.core.plan.reading import problem_from


def main() -> None:
    """Compile every function of the kernel."""
    planner = Planner(
        problem_from(
            {
                "format": "crisp-muster/plan-problem",
                "version": 1,
                "origin": "2027-03-02T00:00:00+00:00",
                "sittings": [{"start": 0, "end": 7200}],
                "families": {},
                "items": [{"id": "pike-1"}],
                "tasks": [{"id": "base", "items": ["pike-1"], "per_item_s": 60, "family": None}],
                "links": [],
            }
        )
    )
    planner.first()
    planner.improve(3, lambda: 1.0)


if __name__ == "__main__":
    main()

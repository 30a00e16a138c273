"""Where the search's time goes: shares of one run, by kind of step.

python -m tests.bench.profiling [--seconds 5] [KIND ...]
"""

from __future__ import annotations

import argparse
import time
from collections import defaultdict
from collections.abc import Callable
from typing import Any

from muster.core.plan import batch_search, list_search
from muster.core.plan.planner import Planner
from muster.core.plan.reading import problem_from
from tests.bench.instances import KINDS, force

PARTS = {
    (list_search, "attempt_list"): "placing a list",
    (list_search, "attempt"): "dispatch leaning on a list",
    (list_search, "vary"): "making a neighbour",
    (list_search, "read_list"): "reading a plan as a list",
    (batch_search, "attempt"): "dispatch in waves",
}


def timed(act: Callable[..., Any], name: str, spent: dict[str, float]) -> Callable[..., Any]:
    """The same, its time added up under ``name``."""

    def run(*args: Any) -> Any:
        begun = time.perf_counter()
        try:
            return act(*args)
        finally:
            spent[name] += time.perf_counter() - begun

    return run


def main() -> None:
    """Print one line a kind."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--seconds", type=float, default=5)
    parser.add_argument("kinds", nargs="*", metavar="KIND")
    given = parser.parse_args()
    warm = Planner(problem_from(force(2)))
    warm.first()
    warm.improve(60, lambda: 1.0)
    plain = {part: getattr(*part) for part in PARTS}
    print("| kind | " + " | ".join(PARTS.values()) + " | Python around it |")
    print("|" + " --- |" * (len(PARTS) + 2))
    for kind in given.kinds or KINDS:
        planner = Planner(problem_from(force(**KINDS[kind])))
        planner.first()
        spent: dict[str, float] = defaultdict(float)
        for (module, name), words in PARTS.items():
            setattr(module, name, timed(plain[module, name], words, spent))
        begun = time.monotonic()
        planner.improve(None, lambda: 1 - (time.monotonic() - begun) / given.seconds)  # noqa: B023
        whole = time.monotonic() - begun
        shares = [spent[words] / whole for words in PARTS.values()]
        cells = [f"{share:.0%}" for share in (*shares, 1 - sum(shares))]
        print(f"| {kind} | " + " | ".join(cells) + " |", flush=True)


if __name__ == "__main__":
    main()

"""``crisp plan``: make a plan for a problem file. Needs no database and no network."""

from __future__ import annotations

import argparse
import json
import os
import sys
import time
from pathlib import Path

from muster.core.plan.fields import Refused
from muster.core.plan.planner import Planner
from muster.core.plan.reading import read_problem
from muster.core.plan.team import improve_together

PLANNED, REFUSED, IMPOSSIBLE = 0, 2, 3
MOST_BYTES = 50_000_000
MOST_CORES = 4


def share_left(begun: float, end: float) -> float:
    """How much of the time is left, 1 to 0."""
    return (end - time.monotonic()) / (end - begun) if end > begun else 0.0


def main(arguments: list[str] | None = None) -> int:
    """Exit 0 planned, 2 refused, 3 impossible."""
    parser = argparse.ArgumentParser(prog="crisp plan", description="Plan a problem file.")
    parser.add_argument("problem", type=Path)
    limit = parser.add_mutually_exclusive_group()
    limit.add_argument("--seconds", type=float, default=5.0, help="how long to improve (5)")
    limit.add_argument("--steps", type=int, help="how many attempts instead; repeatable")
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--out", type=Path, help="where to write the plan; else standard output")
    given = parser.parse_args(arguments)
    if given.seed < 0 or (given.steps is not None and given.steps < 1) or given.seconds < 0:
        parser.error("--seed and --seconds are 0 or more, --steps is 1 or more")
    begun = time.monotonic()
    try:
        if given.problem.stat().st_size > MOST_BYTES:
            raise Refused(f"the file is larger than {MOST_BYTES // 1_000_000} MB: split it")
        problem = read_problem(given.problem.read_bytes())
    except OSError as error:
        print(f"{given.problem}: {error.strerror}: name a file that can be read", file=sys.stderr)
        return REFUSED
    except Refused as refusal:
        for complaint in refusal.complaints:
            print(f"{given.problem}: {complaint}", file=sys.stderr)
        return REFUSED
    # Where nothing is found at once there may still be a plan: the time is used either way.
    if given.steps is not None:
        planner = Planner(problem, given.seed)
        planner.first()
        planner.prove()
        plan = planner.improve(given.steps, lambda: 1.0)
    else:
        end = begun + given.seconds
        many = min(MOST_CORES, len(os.sched_getaffinity(0)))
        plan = improve_together(problem, given.seed, many, lambda: share_left(begun, end))
    text = json.dumps(plan.to_json(), indent=1) + "\n"
    if given.out:
        given.out.write_text(text, encoding="utf-8")
    else:
        sys.stdout.write(text)
    for reason in plan.reasons:
        print(reason, file=sys.stderr)
    return PLANNED if plan.status == "planned" else IMPOSSIBLE


if __name__ == "__main__":
    sys.exit(main())

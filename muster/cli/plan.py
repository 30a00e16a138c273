"""``crisp plan``: make a plan for a problem file or a muster file. Needs no database and no
network."""

from __future__ import annotations

import argparse
import json
import os
import sys
import time
from pathlib import Path
from typing import Any

from muster.core.errors import DomainError
from muster.core.plan.plan import Plan
from muster.core.plan.problem import Problem
from muster.core.plan.reading import problem_from

PLANNED, REFUSED, PARTIAL = 0, 2, 3
MOST_BYTES = 50_000_000
MOST_CORES = 4
MUSTER = "crisp-muster/muster"


def share_left(begun: float, end: float) -> float:
    """How much of the time is left, 1 to 0."""
    return (end - time.monotonic()) / (end - begun) if end > begun else 0.0


def main(arguments: list[str] | None = None) -> int:
    """Exit 0 planned, 2 refused, 3 partial: something is left, and the plan is written."""
    parser = argparse.ArgumentParser(
        prog="crisp plan",
        description="Plan a problem file, or a muster file by the application's own work builder. "
        "Of a problem the plan is written as JSON; of a muster the sittings with their calls, and "
        "what is left and why.",
    )
    parser.add_argument("file", type=Path, metavar="PROBLEM.json or MUSTER.json")
    limit = parser.add_mutually_exclusive_group()
    limit.add_argument("--seconds", type=float, default=5.0, help="how long to improve (5)")
    limit.add_argument("--steps", type=int, help="how many attempts instead; repeatable")
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--out", type=Path, help="where to write the plan as JSON")
    parser.add_argument("--now", help="of a muster: the moment, as 2027-03-02T19:30+00:00 (now)")
    parser.add_argument(
        "--house",
        type=Path,
        help="of a muster: the house as JSON (20 degrees C, 50 %%, usual ways)",
    )
    given = parser.parse_args(arguments)
    if given.seed < 0 or (given.steps is not None and given.steps < 1) or given.seconds < 0:
        parser.error("--seed and --seconds are 0 or more, --steps is 1 or more")
    try:
        raw = _read(given.file)
        if isinstance(raw, dict) and raw.get("format") == MUSTER:
            from muster.cli.plan_muster import derived_from, said

            derived = derived_from(raw, given.now, _read(given.house) if given.house else None)
            plan = _planned(derived.instance.problem, given)
            print(said(derived, plan))
        elif given.now or given.house:
            raise DomainError("--now and --house are for musters: a problem says its own now")
        else:
            plan = _planned(problem_from(raw), given)
            if not given.out:
                print(_text(plan), end="")
            for one in plan.left:
                print(f"left: {json.dumps(one.to_json())}", file=sys.stderr)
    except OSError as error:
        print(f"{error.filename}: {error.strerror}: name a file that can be read", file=sys.stderr)
        return REFUSED
    except DomainError as refusal:
        for complaint in refusal.complaints:
            print(f"{given.file}: {complaint}", file=sys.stderr)
        return REFUSED
    if given.out:
        given.out.write_text(_text(plan), encoding="utf-8")
    return PARTIAL if plan.left else PLANNED


def _read(path: Path) -> Any:
    """The JSON of a file. Raises DomainError, or OSError."""
    if path.stat().st_size > MOST_BYTES:
        raise DomainError(f"the file is larger than {MOST_BYTES // 1_000_000} MB: split it")
    try:
        return json.loads(path.read_bytes())
    except (ValueError, RecursionError) as error:
        raise DomainError(f"the file is not JSON: {error}") from error


def _planned(problem: Problem, given: argparse.Namespace) -> Plan:
    """The plan after so many steps or seconds; the time is used even where all is placed."""
    # Loaded only here: help, and a file that is refused, are answered at once.
    from muster.core.plan.parallel import improve_in_parallel
    from muster.core.plan.planner import Planner

    _keep_faults()
    if given.steps is not None:
        planner = Planner(problem, given.seed)
        planner.first()
        planner.prove()
        return planner.improve(given.steps, lambda: 1.0)
    begun = time.monotonic()
    end = begun + given.seconds
    many = min(MOST_CORES, len(os.sched_getaffinity(0)))
    return improve_in_parallel(problem, given.seed, many, lambda: share_left(begun, end))


def _keep_faults() -> None:
    from muster.core.plan import vetting
    from muster.faults import keeper

    folder = os.environ.get("CRISP_RUN_DIR")
    if folder:
        vetting.report = keeper(Path(folder) / "faults")


def _text(plan: Plan) -> str:
    return json.dumps(plan.to_json(), indent=1) + "\n"


if __name__ == "__main__":
    from muster.cli.running import run

    sys.exit(run(main))

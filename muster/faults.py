"""Keeping a problem on which the planner failed its own checker, so that it can be mended."""

from __future__ import annotations

import hashlib
import json
from collections.abc import Callable
from pathlib import Path

from muster.core.plan.plan import Plan
from muster.core.plan.problem import Problem
from muster.core.plan.writing import problem_to_json

MOST_KEPT = 20


def keeper(folder: Path) -> Callable[[Problem, Plan, list[str]], None]:
    """Writes each such problem to the folder, the newest twenty; never fails itself."""

    def keep(problem: Problem, plan: Plan, complaints: list[str]) -> None:
        raw = {
            "problem": problem_to_json(problem), "seed": plan.seed, "steps": plan.steps,
            "complaints": complaints, "plan": plan.to_json(),
        }  # fmt: skip
        text = json.dumps(raw)
        name = hashlib.sha256(text.encode()).hexdigest()[:16]
        try:
            folder.mkdir(parents=True, exist_ok=True)
            (folder / f"{name}.json").write_text(text)
            kept = sorted(folder.glob("*.json"), key=lambda path: path.stat().st_mtime)
            for path in kept[:-MOST_KEPT]:
                path.unlink(missing_ok=True)
        except OSError:
            return

    return keep

"""A better plan is taken where it is worth the calls that it moves; faults are kept."""

from __future__ import annotations

import json
from dataclasses import replace
from pathlib import Path

from muster.core.plan.plan import Plan
from muster.core.plan.reading import problem_from
from muster.core.plan.replanning import moved_calls, worth_changing
from muster.core.plan.writing import problem_to_json
from muster.faults import MOST_KEPT, keeper
from tests.bench.instances import KINDS, force
from tests.core.plan.test_planner import planned

PROBLEM = problem_from(force(4))
KNOWN = planned(PROBLEM, 30)


def other(saved_s: int, moved: int) -> Plan:
    """The plan cheaper by so much, so many of its calls an hour later."""
    names = list(dict.fromkeys(b.ref for b in KNOWN.blocks if b.do == "work"))[:moved]
    blocks = tuple(
        replace(b, start=b.start + 3600, end=b.end + 3600) if b.ref in names else b
        for b in KNOWN.blocks
    )
    score = replace(KNOWN.score, cost_s=KNOWN.score.cost_s - saved_s)
    return replace(KNOWN, blocks=blocks, score=score)


def test_a_few_seconds_do_not_throw_known_calls_about() -> None:
    assert moved_calls(PROBLEM, KNOWN, other(0, 10)) == 10
    assert not worth_changing(PROBLEM, KNOWN, other(150, 10))
    assert worth_changing(PROBLEM, KNOWN, other(250, 10))
    assert worth_changing(PROBLEM, KNOWN, other(5, 0))


def test_a_quarter_of_an_hour_is_worth_any_calls_and_a_dearer_plan_none() -> None:
    assert worth_changing(PROBLEM, KNOWN, other(900, 24))
    assert not worth_changing(PROBLEM, KNOWN, other(-1, 0))


def test_fewer_models_left_is_worth_any_cost() -> None:
    worse = replace(KNOWN, score=replace(KNOWN.score, left_weight=KNOWN.score.late_weight + 1))
    assert worth_changing(PROBLEM, worse, other(-5000, 20))
    assert not worth_changing(PROBLEM, KNOWN, worse)


def test_a_problem_written_is_the_problem_read() -> None:
    for kind in ("12, handles", "12, wishes", "30, all of it"):
        problem = problem_from(force(**KINDS[kind]))
        assert problem_from(json.loads(json.dumps(problem_to_json(problem)))) == problem


def test_faults_are_kept_the_newest_twenty(tmp_path: Path) -> None:
    keep = keeper(tmp_path / "faults")
    for number in range(MOST_KEPT + 3):
        keep(PROBLEM, replace(KNOWN, seed=number), ["5: touched"])
    kept = sorted((tmp_path / "faults").glob("*.json"))
    assert len(kept) == MOST_KEPT
    assert problem_from(json.loads(kept[0].read_text())["problem"]) == PROBLEM
    keeper(Path("/proc/nowhere"))(PROBLEM, KNOWN, [])

"""A plan followed is the same plan; a guide is kept to when facts differ a little."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from hypothesis import given, settings
from hypothesis import strategies as st

from muster.core.plan.checking import check
from muster.core.plan.planner import Planner
from muster.core.plan.reading import problem_from
from tests.bench.instances import force
from tests.core.plan.making import problems
from tests.core.plan.test_planner import carried_out, planned, read_or_skip, slow


@given(problems())
@settings(slow, max_examples=60)
def test_the_searchs_own_cost_is_the_plans(raw: dict[str, Any]) -> None:
    problem = read_or_skip(raw)
    planner = Planner(problem)
    planner.first()
    plan = planner.improve(20, lambda: 1.0)
    rank = planner.search.best_rank
    assert rank is not None
    score = plan.score
    assert abs(rank[5] - score.cost_s) <= 1
    assert rank[1:3] == (float(score.left_weight), score.left_s)
    assert rank[3:5] == (float(score.late_weight), float(score.lateness_days))


def test_a_plan_followed_at_the_same_moment_is_the_same_plan() -> None:
    problem = problem_from(force(8, seed=3))
    plan = planned(problem, 200)
    again = Planner(problem, 9).first(guide=plan)
    assert again.blocks == plan.blocks


def test_a_call_that_took_longer_moves_only_what_it_must() -> None:
    raw = force(8, seed=3)
    problem = problem_from(raw)
    plan = planned(problem, 200)
    now = next(s.end for s in problem.sittings) - 3600
    later = problem_from(carried_out(raw, plan, now, 300))
    mended = Planner(later, 9).first(guide=plan)
    assert check(later, mended) == []
    was = {b.ref: problem.sitting_at(b.start) for b in reversed(plan.blocks) if b.do == "work"}
    now_in = {b.ref: later.sitting_at(b.start) for b in reversed(mended.blocks) if b.do == "work"}
    moved = [name for name in now_in if now_in[name] != was[name]]
    assert len(moved) <= len(now_in) // 4


def test_a_guide_that_knows_too_little_is_filled_up() -> None:
    problem = problem_from(force(4))
    plan = planned(problem, 20)
    half = replace(plan, blocks=plan.blocks[: len(plan.blocks) // 2])
    full = Planner(problem).first(guide=half)
    assert full.status == "planned"
    assert check(problem, full) == []


def test_an_added_sitting_is_used_at_once() -> None:
    raw = force(8, seed=3)
    plan = planned(problem_from(raw), 200)
    first = raw["sittings"][0]
    extra = {"start": first["end"] + 3600, "end": first["end"] + 3600 + 9000}
    wider = problem_from({**raw, "sittings": [first, extra, *raw["sittings"][1:]]})
    assert Planner(wider).first(guide=plan).score.rank() < plan.score.rank()


@given(problems(), st.integers(0, 3))
@settings(slow, max_examples=25)
def test_more_steps_are_never_worse(raw: dict[str, Any], seed: int) -> None:
    problem = read_or_skip(raw)
    planner = Planner(problem, seed)
    before = planner.first()
    for steps in (20, 60, 120):
        after = planner.improve(steps, lambda: 1.0)
        assert (len(after.dropped_pins), after.score.rank()) <= (
            len(before.dropped_pins), before.score.rank()
        )  # fmt: skip
        before = after


def test_starting_a_few_minutes_late_throws_nothing_about() -> None:
    raw = force(8, seed=3)
    problem = problem_from(raw)
    plan = planned(problem, 200)
    first = problem.sittings[0]
    later = problem_from({**raw, "now": first.start + 240})
    mended = Planner(later, 9).first(guide=plan)
    assert check(later, mended) == []
    was = {b.ref: problem.sitting_at(b.start) for b in reversed(plan.blocks) if b.do == "work"}
    now_in = {b.ref: later.sitting_at(b.start) for b in reversed(mended.blocks) if b.do == "work"}
    assert all(now_in[name] >= was[name] for name in was)

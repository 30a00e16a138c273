"""Whole openings prove more than shares of them, and never more than a plan reaches."""

from __future__ import annotations

import itertools
from typing import Any

import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings

from muster.core.errors import DomainError
from muster.core.plan.bounds import bounds_of
from muster.core.plan.bounds_exact import branch, proven_whole
from muster.core.plan.bounds_lp import proven
from muster.core.plan.linear_program import Programme
from muster.core.plan.reading import problem_from
from tests.bench.instances import force
from tests.core.plan.making import problems
from tests.core.plan.test_against_optimum import tiny
from tests.core.plan.test_planner import EXAMPLES, planned


def forever() -> bool:
    return True


@given(problems())
@settings(max_examples=EXAMPLES, deadline=None, suppress_health_check=list(HealthCheck))
def test_no_plan_is_cheaper_than_what_whole_openings_prove(raw: dict[str, Any]) -> None:
    try:
        problem = problem_from(raw)
    except DomainError:
        return
    plan = planned(problem, 40)
    if plan.status != "planned" or plan.dropped_pins:
        return
    many = iter(range(30))
    bounds = proven_whole(problem, bounds_of(problem), lambda: next(many, None) is not None)
    assert bounds.cost_s <= plan.score.cost_s


@given(tiny())
@settings(max_examples=15, deadline=None, suppress_health_check=list(HealthCheck))
def test_the_optimum_found_by_trying_everything_is_no_cheaper(raw: dict[str, Any]) -> None:
    from tests.core.plan.oracle import best_score

    problem = problem_from(raw)
    best = best_score(problem)
    if best.left_s or best.late_weight:
        return
    assert proven_whole(problem, bounds_of(problem), forever).cost_s <= best.cost_s


def test_whole_openings_prove_some_percent_more_of_a_force() -> None:
    problem = problem_from(force(6))
    shares = proven(problem, bounds_of(problem))
    many = iter(range(40))
    whole = proven_whole(problem, shares, lambda: next(many, None) is not None)
    assert whole.cost_s > shares.cost_s * 1.02
    assert whole.cost_s <= planned(problem, 400).score.cost_s


@pytest.mark.parametrize("seed", range(4))
def test_branching_finds_the_least_of_a_small_programme_with_whole_switches(seed: int) -> None:
    """min c·x with three covering rows over five switches, against trying all 32."""
    chance = np.random.default_rng(seed)
    costs = chance.integers(1, 9, 5)
    rows = chance.integers(0, 3, (3, 5)) + np.eye(3, 5, dtype=int)
    made = Programme()
    switches = [made.variable(float(cost), 1.0) for cost in costs]
    for row in rows:
        short = made.variable(100.0, 2.0)
        terms = [(s, float(a)) for s, a in zip(switches, row, strict=True)]
        made.row(2, [(short, 1.0), *terms], float("inf"))
    all_of_them = [
        int(costs @ np.array(x))
        for x in itertools.product((0, 1), repeat=5)
        if (rows @ np.array(x) >= 2).all()
    ]
    if not all_of_them:
        return
    assert branch(made, switches, forever) == pytest.approx(min(all_of_them), abs=1e-2)
    assert branch(made, switches, forever) <= min(all_of_them)

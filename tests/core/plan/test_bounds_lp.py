"""The bound by shared sittings: below every plan that is found, above what chains alone prove."""

from __future__ import annotations

import os
from typing import Any

from hypothesis import HealthCheck, given, settings

from muster.core.errors import DomainError
from muster.core.plan.bounds import bounds_of
from muster.core.plan.bounds_lp import proven
from muster.core.plan.linear_program import Programme
from muster.core.plan.reading import problem_from
from tests.bench.instances import force
from tests.core.plan.making import problems
from tests.core.plan.test_planner import planned

EXAMPLES = int(os.environ.get("CRISP_EXAMPLES", "30"))


@given(problems())
@settings(max_examples=EXAMPLES, deadline=None, suppress_health_check=list(HealthCheck))
def test_no_plan_is_cheaper_than_what_is_proven(raw: dict[str, Any]) -> None:
    """With facts, pins, windows, daylight, racks and openings under way."""
    try:
        problem = problem_from(raw)
    except DomainError:
        return
    plan = planned(problem, 40)
    if plan.status != "planned" or plan.dropped_pins:
        return
    bounds = proven(problem, bounds_of(problem))
    assert bounds.cost_s <= plan.score.cost_s


def test_sharing_the_sittings_proves_more_than_chains_do() -> None:
    problem = problem_from(force(4))
    bounds = bounds_of(problem)
    better = proven(problem, bounds)
    assert better.cost_s > bounds.cost_s + 500
    assert (better.finish, better.hands_on_s) == (bounds.finish, bounds.hands_on_s)
    assert better.cost_s <= planned(problem, 300).score.cost_s


def test_a_force_too_large_for_the_programme_keeps_its_bounds() -> None:
    problem = problem_from(force(66))
    bounds = bounds_of(problem)
    assert proven(problem, bounds) == bounds


def test_the_least_of_a_small_programme_is_found_and_never_overstated() -> None:
    """min x + 2y with x + y ≥ 3, x ≤ 2: x = 2, y = 1, so 4."""
    programme = Programme()
    x, y = programme.variable(1, 2), programme.variable(2, 10)
    programme.row(3, [(x, 1.0), (y, 1.0)], float("inf"))
    assert 4 - 1e-3 <= programme.least() <= 4

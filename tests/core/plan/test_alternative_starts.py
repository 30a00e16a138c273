"""Legal places of a task: each keeps the rules when it is pinned there, and costs what is said."""

from __future__ import annotations

from dataclasses import replace

import pytest

from muster.core.plan.alternative_starts import alternative_starts
from muster.core.plan.checking import check
from muster.core.plan.planner import Planner
from muster.core.plan.problem import Pin
from muster.core.plan.reading import problem_from
from tests.bench.instances import force
from tests.core.plan.test_planner import planned


def test_the_place_as_planned_is_among_them_and_costs_nothing() -> None:
    problem = problem_from(force(6, seed=2))
    plan = planned(problem, 120)
    for name in list(problem.tasks)[::5]:
        here = [place for place in alternative_starts(problem, plan, name, 40) if place.as_planned]
        assert len(here) == 1
        assert (here[0].hands_on_s, here[0].finish_s) == (0, 0)
        assert here[0].start == next(
            b.start for b in plan.blocks if b.do == "work" and b.ref == name
        )


def test_pinned_where_it_is_said_to_fit_there_is_a_plan() -> None:
    problem = problem_from(force(6, seed=2, windows=True))
    plan = planned(problem, 120)
    tried = 0
    for name in list(problem.tasks)[::7]:
        for place in alternative_starts(problem, plan, name, 4):
            assert place.low <= place.start <= place.low + place.slack_s
            pinned = replace(problem, pins=(Pin(name, place.low, place.slack_s),))
            mended = Planner(pinned).first(guide=plan)
            assert mended.status == "planned"
            assert check(pinned, mended) == []
            tried += 1
    assert tried > 6


def test_a_pass_has_no_place_before_what_it_waits_for() -> None:
    problem = problem_from(force(4))
    plan = planned(problem, 60)
    last = alternative_starts(problem, plan, "t0/varnish", 40)
    assert min(place.start for place in last) > problem.sittings[0].start


def test_what_is_over_has_no_places_and_what_is_unknown_is_no_task() -> None:
    problem = problem_from(force(4))
    plan = planned(problem, 60)
    without = replace(plan, blocks=tuple(b for b in plan.blocks if b.ref != "t0/wash"))
    assert alternative_starts(problem, without, "t0/wash") == []
    with pytest.raises(KeyError):
        alternative_starts(problem, plan, "gone")

"""Reasons proven by relaxing: taken away, the call can move; what does not hold it wins nothing."""

from __future__ import annotations

import pytest

from muster.core.plan.counterfactual import sooner_without, soonest
from muster.core.plan.reading import problem_from
from muster.core.plan.reasons import BINDING, Reason, reasons_of
from tests.bench.instances import force
from tests.core.plan.making import task
from tests.core.plan.test_binding import case, plan_of


def proven(raw, name, kind):
    problem, plan = problem_from(raw), plan_of(raw)
    reason = next(one for one in reasons_of(problem, plan)[name] if one.kind == kind)
    return sooner_without(problem, plan, name, reason)


def test_without_the_stand_the_next_pass_starts_as_soon_as_the_brush_is_free() -> None:
    # The first model's 900 s run while the second is painted, which takes 60 s.
    assert proven(case(), "base", "stand") == 900 - 60


def test_without_the_pin_the_call_starts_when_its_wait_is_over() -> None:
    raw = case(pins=[{"task": "base", "start": 4000}])
    start = next(b.start for b in plan_of(case()).blocks if b.ref == "base" and b.do == "work")
    assert proven(raw, "base", "pinned") == 4000 - start


def test_without_the_need_for_daylight_the_call_starts_at_once() -> None:
    day = [{"tag": "daylight", "start": 3000, "end": 9000}]
    tasks = case()["tasks"]
    tasks[0]["needs"] = ["daylight"]
    assert proven(case(tasks=tasks, conditions=day), "under", "condition") == 3000 - 40


def test_a_call_behind_another_could_go_first() -> None:
    tasks = [task("one", ["m-1"], 500), task("two", ["m-2"], 500)]
    raw = case(tasks=tasks, links=[])
    second = max((b for b in plan_of(raw).blocks if b.do == "work"), key=lambda b: b.start).ref
    assert proven(raw, second, "full") == 500


def test_a_wait_that_ends_between_sittings_holds_and_one_that_fits_neither_way_does_not() -> None:
    """Dry since long ago, and yet: without the wait both passes fit into the first sitting."""
    sittings = [{"start": 0, "end": 400}, {"start": 50_000, "end": 60_000}]
    assert proven(case(sittings=sittings), "base", "dry_since") == 50_000 - 160
    short = [{"start": 0, "end": 230}, {"start": 50_000, "end": 60_000}]
    assert proven(case(sittings=short), "base", "dry_since") == 0


def test_what_is_no_rule_cannot_be_taken_away() -> None:
    problem, plan = problem_from(case()), plan_of(case())
    assert sooner_without(problem, plan, "base", Reason("now", 0)) is None
    assert soonest(problem, plan, "under") == 40
    with pytest.raises(KeyError):
        sooner_without(problem, plan, "nothing", Reason("now", 0))


@pytest.mark.parametrize("seed", [2, 3])
def test_most_binding_reasons_of_a_whole_force_are_proven(seed: int) -> None:
    problem = problem_from(force(8, seed=seed, windows=True, daylight=True))
    plan = plan_of(force(8, seed=seed, windows=True, daylight=True), 150)
    tried = won = 0
    for name, reasons in reasons_of(problem, plan).items():
        sooner = [
            sooner_without(problem, plan, name, one) for one in reasons if one.kind in BINDING
        ]
        known = [one for one in sooner if one is not None]
        if known:
            tried += 1
            won += max(known) > 0
    assert tried > 10
    assert won >= 0.9 * tried

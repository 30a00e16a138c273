"""Built cases: what binds a call moves it, and by how much; what does not bind leaves it."""

from __future__ import annotations

from typing import Any

import pytest

from muster.core.plan.checking import check
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.plan.reading import problem_from
from muster.core.plan.reasons import BINDING, reasons_of
from tests.bench.instances import force
from tests.core.plan.making import items, problem_json, task

AIRBRUSH = {"setup_s": 30, "cleanup_s": 30, "open_families": 1}
BLACK = {"tool": "airbrush", "setup_s": 10, "cleanup_s": 10, "open_s": 300, "life_s": None}


def case(**parts: Any) -> dict[str, Any]:
    """Two models undercoated and painted in one long sitting; the wait between them binds."""
    made: dict[str, Any] = {
        "sittings": [{"start": 0, "end": 10_000}],
        "families": {"black": BLACK},
        "tools": {"airbrush": AIRBRUSH},
        "items": items("m-1", "m-2"),
        "tasks": [
            task("under", ["m-1", "m-2"], 60, family="black", dry_s=600),
            task("base", ["m-1", "m-2"], 60, family=None),
        ],
        "links": [{"before": "under", "after": "base", "stand_s": 900}],
    }
    return problem_json(**{**made, **parts})


def plan_of(raw: dict[str, Any], steps: int = 60) -> Plan:
    problem = problem_from(raw)
    planner = Planner(problem)
    planner.first()
    plan = planner.improve(steps, lambda: 1.0)
    assert check(problem, plan) == []
    return plan


def start_of(raw: dict[str, Any], name: str) -> int:
    return next(b.start for b in plan_of(raw).blocks if b.do == "work" and b.ref == name)


def link(**more: Any) -> list[dict[str, Any]]:
    return [{"before": "under", "after": "base", "stand_s": 900, **more}]


def test_a_longer_stand_moves_the_next_pass_by_as_much() -> None:
    assert start_of(case(links=link(stand_s=1500)), "base") == start_of(case(), "base") + 600


def test_a_dry_time_shorter_than_the_stand_binds_nothing() -> None:
    tasks = case()["tasks"]
    tasks[0]["dry_s"] = 899
    assert start_of(case(tasks=tasks), "base") == start_of(case(), "base")
    tasks[0]["dry_s"] = 1000
    assert start_of(case(tasks=tasks), "base") == start_of(case(), "base") + 100


def test_a_minute_more_a_model_moves_what_follows() -> None:
    tasks = case()["tasks"]
    tasks[0]["per_item_s"] = 120
    # The first model is done a minute later, and binds.
    assert start_of(case(tasks=tasks), "base") == start_of(case(), "base") + 60


def test_a_slower_clock_stretches_the_wait() -> None:
    clocks = {"water": [{"from": 0, "rate": 0.5}]}
    slow = case(clocks=clocks, links=link(clock="water"))
    assert start_of(slow, "base") == start_of(case(), "base") + 900


def test_a_clock_that_slows_half_way_counts_both_halves() -> None:
    first = start_of(case(), "base") - 900
    clocks = {"water": [{"from": 0, "rate": 1.0}, {"from": first + 450, "rate": 0.25}]}
    half = case(clocks=clocks, links=link(clock="water"))
    assert start_of(half, "base") == start_of(case(), "base") + 450 * 3


def test_a_window_too_short_for_the_sittings_gap_keeps_both_passes_in_one_sitting() -> None:
    gap = [{"start": 0, "end": 900}, {"start": 90_000, "end": 100_000}]
    free = start_of(case(sittings=gap), "under")
    held = start_of(case(sittings=gap, links=link(window_s=2000)), "under")
    assert free < 900
    assert held >= 90_000


def test_a_due_puts_first_what_would_be_late() -> None:
    tasks = [task("slow", ["m-1"], 4000), task("quick", ["m-2"], 500)]
    free = case(tasks=tasks, links=[])
    assert start_of(free, "quick") < start_of(free, "slow")
    due = [*items("m-1", due=4100), *items("m-2")]
    assert start_of({**free, "items": due}, "slow") < start_of({**free, "items": due}, "quick")


def test_a_heavier_item_goes_first() -> None:
    tasks = [task("one", ["m-1"], 500), task("two", ["m-2"], 500)]
    raw = case(tasks=tasks, links=[], item_day_s=86_400)
    for heavy, light in (("m-1", "m-2"), ("m-2", "m-1")):
        raw["items"] = [{"id": heavy, "weight": 5}, {"id": light, "weight": 1}]
        name = {"m-1": "one", "m-2": "two"}[heavy]
        other = {"m-1": "two", "m-2": "one"}[heavy]
        assert start_of(raw, name) < start_of(raw, other)


def test_daylight_holds_back_only_what_needs_it() -> None:
    day = [{"tag": "daylight", "start": 3000, "end": 9000}]
    tasks = case()["tasks"]
    tasks[0]["needs"] = ["daylight"]
    assert start_of(case(tasks=tasks, conditions=day), "under") == 3000
    assert start_of(case(conditions=day), "under") < 3000


def test_paint_not_yet_bought_holds_its_call() -> None:
    tasks = case()["tasks"]
    tasks[1]["not_before"] = 5000
    assert start_of(case(tasks=tasks), "base") == 5000


def test_a_rack_with_one_place_makes_models_wait_for_each_other() -> None:
    tasks = case()["tasks"]
    tasks[0]["places"] = {"rack": 1}
    wide = plan_of(case(tasks=tasks, places={"rack": 2}, links=[]))
    narrow = plan_of(case(tasks=tasks, places={"rack": 1}, links=[]))
    assert narrow.score.cost_s > wide.score.cost_s
    ends = [b.end for b in narrow.blocks if b.do == "work" and b.ref == "under"]
    assert ends[1] - ends[0] >= 600


def test_two_trays_that_share_a_colour_open_it_once() -> None:
    tasks = [task(f"under-{n}", [f"m-{n}"], 60, family="black") for n in (1, 2)]
    plan = plan_of(case(tasks=tasks, links=[]))
    assert sum(block.do == "open" for block in plan.blocks) == 1
    green = {**BLACK}
    two = case(tasks=[tasks[0], {**tasks[1], "family": "green"}], links=[],
               families={"black": BLACK, "green": green})  # fmt: skip
    assert plan_of(two).score.hands_on_s == plan.score.hands_on_s + 20


def test_a_mix_that_goes_off_is_opened_again() -> None:
    tasks = [task("under", ["m-1", "m-2"], 200, family="black")]
    keeps = plan_of(case(tasks=tasks, links=[]))
    families = {"black": {**BLACK, "life_s": 250}}
    dies = plan_of(case(tasks=tasks, links=[], families=families))
    assert sum(b.do == "open" for b in dies.blocks) == sum(b.do == "open" for b in keeps.blocks) + 1


def test_a_pin_moves_the_call_and_the_reason_says_so() -> None:
    pins = [{"task": "base", "start": 4000}]
    raw = case(pins=pins)
    assert start_of(raw, "base") == 4000
    problem = problem_from(raw)
    kinds = [reason.kind for reason in reasons_of(problem, plan_of(raw))["base"]]
    assert "pinned" in kinds


@pytest.mark.parametrize(
    ("changes", "kind"),
    [
        ({}, "stand"),
        ({"tasks": [task("under", ["m-1", "m-2"], 60, family="black", dry_s=1200),
                    task("base", ["m-1", "m-2"], 60)]}, "wet"),
        ({"sittings": [{"start": 0, "end": 400}, {"start": 50_000, "end": 60_000}]}, "sitting"),
    ],
)  # fmt: skip
def test_the_reason_named_is_the_one_that_binds(changes: dict[str, Any], kind: str) -> None:
    raw = case(**changes)
    reasons = reasons_of(problem_from(raw), plan_of(raw))["base"]
    assert reasons[0].kind == kind or kind in {reason.kind for reason in reasons}


def test_long_work_is_cut_where_the_sitting_ends_and_goes_on_in_the_next() -> None:
    raw = case(
        tasks=[task("build", ["m-1"], 3000, **{"break": "any"})], links=[],
        sittings=[{"start": 0, "end": 2000}, {"start": 90_000, "end": 95_000}],
    )  # fmt: skip
    pieces = [b for b in plan_of(raw).blocks if b.do == "work"]
    assert [(b.from_s, b.to_s) for b in pieces] == [(0, 1800), (1800, 3000)]
    assert pieces[1].start == 90_000


def test_every_call_has_a_reason_that_binds_or_is_said_to_stand_by_order_alone() -> None:
    problem = problem_from(force(10, seed=2, windows=True, daylight=True))
    planner = Planner(problem)
    planner.first()
    plan = planner.improve(200, lambda: 1.0)
    for reasons in reasons_of(problem, plan).values():
        kinds = {reason.kind for reason in reasons}
        assert kinds & (BINDING | {"order"})
        assert not (kinds & BINDING and "order" in kinds)


def test_a_binding_wait_taken_away_lets_the_call_move() -> None:
    """Proven by relaxing: without the wait that is named, the call can start sooner."""
    raw = case()
    problem = problem_from(raw)
    named = next(r for r in reasons_of(problem, plan_of(raw))["base"] if r.kind == "stand")
    free = case(links=[{**raw["links"][0], "stand_s": 0}])
    assert named.other == "under"
    assert start_of(free, "base") < start_of(raw, "base")

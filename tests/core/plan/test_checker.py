"""Each rule of the checker catches a plan that breaks it and nothing else does."""

from __future__ import annotations

from dataclasses import replace
from typing import Any, Literal

import pytest

from muster.core.plan.bounds import bounds_of
from muster.core.plan.checking import check
from muster.core.plan.checking_facts import Story
from muster.core.plan.plan import Block, Left, Plan
from muster.core.plan.problem import Problem
from muster.core.plan.reading import problem_from
from muster.core.plan.scoring import measure
from tests.core.plan.making import items, problem_json, task

BLACK = {"tool": "airbrush", "setup_s": 10, "cleanup_s": 10, "open_s": 50, "life_s": 200}
GREEN = {**BLACK, "open_s": None}
AIRBRUSH = {"setup_s": 20, "cleanup_s": 20, "open_families": 1}


def shop(**parts: Any) -> Problem:
    """One tray of two, black then green by airbrush, in two sittings."""
    base: dict[str, Any] = {
        "sittings": [{"start": 0, "end": 600}, {"start": 1000, "end": 1600}],
        "conditions": [{"tag": "daylight", "start": 0, "end": 500}],
        "places": {"rack": 2},
        "tools": {"airbrush": AIRBRUSH},
        "families": {"black": BLACK, "green": GREEN},
        "items": items("m-1", "m-2"),
        "tasks": [
            task("under", ["m-1", "m-2"], 30, family="black", dry_s=60, places={"rack": 1}),
            task("base", ["m-1", "m-2"], 30, family="green", needs=["daylight"]),
        ],
        "links": [{"before": "under", "after": "base", "stand_s": 60, "window_s": 200}],
    }
    return problem_from(problem_json(**{**base, **parts}))


GOOD = [
    Block("get_out", "airbrush", 0, 20),
    Block("open", "black", 20, 30),
    Block("work", "under", 30, 90, 0, 60),
    Block("close", "black", 90, 100),
    Block("open", "green", 140, 150),
    Block("work", "base", 150, 210, 0, 60),
    Block("close", "green", 210, 220),
    Block("put_away", "airbrush", 220, 240),
]


def stated(
    problem: Problem,
    blocks: list[Block],
    missed: tuple[tuple[str, str], ...] = (),
    left: tuple[Left, ...] = (),
) -> Plan:
    """A plan of these blocks that states its true figures."""
    nothing = measure(problem, blocks, {}, 0)
    plan = Plan("planned", tuple(blocks), nothing, bounds_of(problem), missed, 1, 1)
    done: dict[str, int] = {}
    for course in Story.of(problem, plan).courses.values():
        for item, ready, end in zip(course.task.items, course.ready, course.ends, strict=True):
            done[item] = max(done.get(item, 0), problem.last_end() if end is None else ready)
    score = measure(problem, blocks, done, len(missed), left)
    bounds = replace(plan.bounds, cost_s=0, finish=0, hands_on_s=0)
    status: Literal["planned", "partial"] = "partial" if left else "planned"
    return replace(plan, status=status, score=score, bounds=bounds, left=left)


def shifted(by: dict[int, int]) -> list[Block]:
    """GOOD with some blocks moved."""
    return [
        replace(b, start=b.start + by.get(n, 0), end=b.end + by.get(n, 0))
        for n, b in enumerate(GOOD)
    ]


def without(*gone: int) -> list[Block]:
    return [block for n, block in enumerate(GOOD) if n not in gone]


def test_a_plan_that_keeps_every_rule_has_no_complaint() -> None:
    problem = shop()
    assert check(problem, stated(problem, GOOD)) == []


BROKEN: list[tuple[str, list[Block], dict[str, Any]]] = [
    ("1: ", shifted({3: -5}), {}),
    ("wrong length", [replace(GOOD[0], end=19), *GOOD[1:]], {}),
    ("not lie in one sitting", shifted({7: 370}), {}),
    ("starts before now", GOOD, {"now": 10}),
    ("worked to 30 of 60, and not named as left",
     [*GOOD[:5], replace(GOOD[5], to_s=30, end=180), *GOOD[6:]], {}),
    ("is cut where task under may not be",
     [*GOOD[:2], replace(GOOD[2], to_s=40, end=70), Block("work", "under", 70, 90, 40, 60),
      *GOOD[3:]], {}),
    ("stands open from 90 to 145", shifted({3: 55, 4: 60, 5: 60, 6: 60, 7: 60}), {}),
    ("lasts 60 s, over 50 s", GOOD, {"families": {"black": {**BLACK, "life_s": 50},
                                                  "green": GREEN}}),
    ("is worked while 'black' is not open", without(1), {}),
    ("is opened and not closed", without(6), {}),
    ("got out 0 times", without(0), {}),
    ("put away 0 times", without(7), {}),
    ("holds 2 families", [*GOOD[:3], *[replace(GOOD[4], start=90, end=100),
                          replace(GOOD[3], start=100, end=110)], *GOOD[5:]], {}),
    ("5: base touches m-1", shifted({4: -40, 5: -40}), {"links": []}),
    ("too soon", shifted({4: -40, 5: -40}),
     {"tasks": [task("under", ["m-1", "m-2"], 30, family="black"),
                task("base", ["m-1", "m-2"], 30, family="green", needs=["daylight"])]}),
    ("too late", shifted({4: 120, 5: 120, 6: 120, 7: 120}), {}),
    ("7: rack holds 2 of 1", GOOD, {"places": {"rack": 1}}),
    ("does not lie within daylight", GOOD,
     {"conditions": [{"tag": "daylight", "start": 0, "end": 200}]}),
    ("starts before 200", GOOD,
     {"tasks": [task("under", ["m-1", "m-2"], 30, family="black", dry_s=60, places={"rack": 1}),
                task("base", ["m-1", "m-2"], 30, family="green", not_before=200)]}),
    ("not where it is pinned", GOOD, {"pins": [{"task": "base", "start": 160, "slack_s": 20}]}),
]  # fmt: skip


@pytest.mark.parametrize(("words", "blocks", "parts"), BROKEN)
def test_a_broken_rule_is_named(words: str, blocks: list[Block], parts: dict[str, Any]) -> None:
    problem = shop(**parts)
    found = check(problem, stated(problem, blocks))
    assert any(words in complaint for complaint in found), found


ONE_LEFT = (Left("base", 30, "no_time", 30),)
HALF = [*GOOD[:5], replace(GOOD[5], to_s=30, end=180), replace(GOOD[6], start=180, end=190),
        replace(GOOD[7], start=190, end=210)]  # fmt: skip
FREE = {"links": [{"before": "under", "after": "base", "stand_s": 60}]}


def test_what_is_named_as_left_is_no_fault() -> None:
    problem = shop(**FREE)
    plan = stated(problem, HALF, left=ONE_LEFT)
    assert check(problem, plan) == []
    assert (plan.score.left_weight, plan.score.left_s) == (1, 30)


LEFT_BROKEN: list[tuple[str, list[Block], tuple[Left, ...], dict[str, Any]]] = [
    ("named as left, but it is worked to its end", GOOD, ONE_LEFT, FREE),
    ("is left from 30, not 0", HALF, (Left("base", 0, "no_time", 30),), FREE),
    ("which must follow it in time, is left", HALF, ONE_LEFT, {}),
    ("works m-2, which under leaves",
     [*GOOD[:2], replace(GOOD[2], to_s=30, end=60), *GOOD[3:]],
     (Left("under", 30, "no_time", 30),), FREE),
    ("under is left", [*GOOD[:2], replace(GOOD[2], to_s=30, end=60), *GOOD[3:]],
     (Left("under", 30, "no_time", 30),),
     {"items": items("m-1", "m-2", "n-1"), **FREE,
      "tasks": [task("under", ["m-1", "m-2"], 30, family="black"),
                task("base", ["n-1"], 60, family="green")]}),
    ("rack holds 3 of 2", [*HALF, Block("work", "sign", 1000, 1020, 0, 20)], ONE_LEFT,
     {**FREE, "places": {"rack": 2}, "items": items("m-1", "m-2", "n-1", "n-2"),
      "tasks": [task("under", ["m-1", "m-2"], 30, family="black"),
                task("base", ["m-1", "m-2"], 30, family="green"),
                task("sign", ["n-1", "n-2"], 10, dry_s=30, places={"rack": 1})],
      "holds": [{"from": "under", "to": "base", "places": {"rack": 1}}]}),
]  # fmt: skip


@pytest.mark.parametrize(("words", "blocks", "left", "parts"), LEFT_BROKEN)
def test_a_broken_rule_about_what_is_left_is_named(
    words: str, blocks: list[Block], left: tuple[Left, ...], parts: dict[str, Any]
) -> None:
    problem = shop(**parts)
    found = check(problem, stated(problem, blocks, left=left))
    assert any(words in complaint for complaint in found), found


def test_a_piece_outside_what_it_wants_costs_once_and_is_no_fault() -> None:
    tasks = [task("under", ["m-1", "m-2"], 30, family="black", dry_s=60),
             task("base", ["m-1", "m-2"], 30, family="green", wants={"daylight": 700})]  # fmt: skip
    night = shop(tasks=tasks, conditions=[{"tag": "daylight", "start": 0, "end": 200}])
    day = shop(tasks=tasks)
    plan = stated(night, GOOD)
    assert check(night, plan) == []
    assert plan.score.wants_s == 700
    assert plan.score.cost_s == stated(day, GOOD).score.cost_s + 700
    free = replace(plan, score=replace(plan.score, wants_s=0))
    assert any("wants_s is stated" in one for one in check(night, free))


def test_a_dropped_pin_is_named_and_only_where_it_is_dropped() -> None:
    problem = shop(pins=[{"task": "base", "start": 160, "slack_s": 20}])
    plan = replace(stated(problem, GOOD), dropped_pins=("base",))
    assert check(problem, plan) == []
    kept = shop(pins=[{"task": "base", "start": 140, "slack_s": 20}])
    assert any("but it is" in one for one in check(kept, plan))


def test_a_hold_keeps_its_place_from_the_first_start_to_the_last_end() -> None:
    hold = {"holds": [{"from": "under", "to": "base", "places": {"rack": 1}}]}
    problem = shop(places={"rack": 3}, **hold)
    assert any("7: rack holds 4 of 3" in one for one in check(problem, stated(problem, GOOD)))
    problem = shop(places={"rack": 4}, **hold)
    assert check(problem, stated(problem, GOOD)) == []


def test_a_window_from_a_fact_may_be_missed_but_not_one_from_the_plan() -> None:
    problem = shop()
    found = check(problem, stated(problem, GOOD, (("under", "base"),)))
    assert any("counts from no fact" in one for one in found)


@pytest.mark.parametrize("name", ["cost_s", "hands_on_s", "finish", "mean_done"])
def test_a_false_figure_is_named(name: str) -> None:
    problem = shop()
    plan = stated(problem, GOOD)
    false = replace(plan, score=replace(plan.score, **{name: getattr(plan.score, name) + 1}))
    assert any(f"{name} is stated" in one for one in check(problem, false))


def test_a_bound_above_what_was_reached_is_named() -> None:
    problem = shop()
    plan = stated(problem, GOOD)
    false = replace(plan, bounds=replace(plan.bounds, finish=plan.score.finish + 1))
    assert any("the bound of finish" in one for one in check(problem, false))

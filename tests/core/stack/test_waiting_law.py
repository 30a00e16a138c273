"""A recipe that keeps the waits the program itself computes has no finding about waiting, in any
room, with any minutes; and a plan keeps them, each film by its own clock."""

from __future__ import annotations

from collections import Counter
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from muster.core.craft.climate import Climate
from muster.core.craft.clocks import drying_factor, rate
from muster.core.house import Air, House
from muster.core.pipeline import Derived, derive, plan_first
from muster.core.plan.plan import Plan
from muster.core.recipes.recipe import Recipe
from muster.core.recipes.starters_vehicles import STARTERS
from muster.core.snapshot import Snapshot
from muster.core.stack.check import check
from muster.core.stack.walk import walk
from muster.core.work.coats import pass_and_coat
from tests.core.making import NOW, choices, unit

ROOMS = st.builds(Climate, st.floats(5, 34), st.floats(10, 92))
CLIMATE = {"fog"}
"""About the air while spraying, not about waiting."""


def findings(recipe: Recipe, climate: Climate | None = None) -> Counter[tuple[str, str]]:
    return Counter(
        (one.code, one.key) for one in check(recipe, climate).findings if one.code not in CLIMATE
    )


@given(st.sampled_from(STARTERS), ROOMS, st.data())
@settings(max_examples=150, deadline=None)
def test_computed_waits_never_trip_a_check_whatever_the_room_and_the_minutes(
    starter: Recipe, climate: Climate, data: st.DataObject
) -> None:
    odd = st.floats(0.3, 4).map(lambda times: round(times, 3))
    passes = tuple(
        replace(one, minutes=max(0.1, round(one.minutes * data.draw(odd), 2)))
        for one in starter.passes
    )
    assert findings(replace(starter, passes=passes), climate) == findings(starter)


@given(st.floats(-10, 45), st.floats(0, 100), st.sampled_from(["water", "cure"]))
def test_a_wait_of_the_stack_and_the_plans_clock_meet_to_the_second(
    celsius: float, humidity: float, clock: str
) -> None:
    climate = Climate(celsius, humidity)
    slow, fast = drying_factor(clock, climate), rate(clock, climate)
    for minutes in (5, 25, 60, 1440):
        assert minutes * 60 * slow == pytest.approx(minutes * 60 / fast, abs=1e-6)
        assert round(fast * 1000) == pytest.approx(fast * 1000, abs=1e-9)


def planned_in(starter: Recipe, climate: Climate) -> tuple[Derived, Plan]:
    house = House(air=Air(climate.celsius, climate.humidity))
    chosen = choices(unit(3, recipe=starter.id, kind=starter.kind, tier="close"), parade_day=None)
    known = {(starter.id, starter.version): starter}
    return plan_first(derive(Snapshot(chosen, (), known, NOW, house)))


@pytest.mark.parametrize("air", [(20, 50), (12, 68), (28, 35)])
@pytest.mark.parametrize("starter", STARTERS, ids=lambda one: one.id)
def test_a_plan_gives_every_film_the_age_that_the_stack_asks_in_that_room(
    starter: Recipe, air: tuple[float, float]
) -> None:
    climate = Climate(*air)
    made, plan = planned_in(starter, climate)
    times: dict[tuple[str, int], tuple[float, float]] = {}
    for block in plan.blocks:
        if block.do != "work":
            continue
        call, per = made.calls[block.ref], made.instance.problem.tasks[block.ref].per_item_s
        for place in range(block.from_s // per, block.to_s // per):
            start = block.start + place * per - block.from_s
            for one in call.passes:
                name = pass_and_coat(one.key)[0]
                first, _ = times.get((name, call.models[place]), (start, 0))
                times[name, call.models[place]] = (first, start + per)
    joined = {frozenset(pass_and_coat(key)[0] for key in call.keys) for call in made.calls.values()}
    walked = walk(starter, climate)
    looked = 0
    for step in walked.steps:
        before = walked.before(step)
        if not before or before[-1].wait.stated:
            continue
        for film, until in step.asks:
            for model in (1, 2, 3):
                apply_pass, mine = (
                    times.get((key[:24], model)) or times.get((key[:17], model))
                    for key in (film.pass_.key, step.layer.pass_.key)
                )
                if apply_pass is None or mine is None:
                    continue
                if any({film.pass_.key, step.layer.pass_.key} <= names for names in joined):
                    continue
                looked += 1
                assert mine[0] - apply_pass[1] >= until * 60 - 1, (
                    film.name,
                    step.layer.name,
                    until,
                )
    assert looked > 3

"""The room by day moves the plan: clocks run slower, and nothing that fogs is sprayed."""

from __future__ import annotations

from datetime import UTC, date, datetime, timedelta
from itertools import pairwise

from hypothesis import given
from hypothesis import strategies as st

from muster.core.craft.clocks import drying_factor
from muster.core.house import USUAL, Air, House
from muster.core.pipeline import derive, plan_first
from muster.core.plan.plan import Plan
from muster.core.plan.problem import Rate
from muster.core.recipes.recipe import Recipe
from muster.core.snapshot import Snapshot
from muster.core.stack.habits.house import Habits
from muster.core.work.air import clocks_of, dry_air
from tests.core.making import NOW, a_pass, choices, evenings, recipe, unit

ORIGIN = datetime(2027, 3, 2, tzinfo=UTC)
LONDON = "Europe/London"
TODAY = date(2027, 3, 2)
DAMP, COLD = Air(14, 88), Air(8, 60)
LAYERS = recipe(
    a_pass("undercoat", 1, technique="spray", tool="airbrush"),
    a_pass("base", 2, tool="brush"),
    a_pass("glaze", 2, technique="glaze", tool="brush"),
)
VARNISHED = recipe(
    a_pass("base", 1, tool="brush"),
    a_pass("matt", 1, technique="varnish", tool="airbrush"),
)


def planned(house: House, of: Recipe = LAYERS, nights: int = 6) -> Plan:
    chosen = choices(unit(4), evenings=evenings(nights))
    known = {(of.id, of.version): of}
    return plan_first(derive(Snapshot(chosen, (), known, NOW, house)))[1]


def starts(plan: Plan) -> dict[str, int]:
    return {block.ref: block.start for block in reversed(plan.blocks) if block.do == "work"}


def test_a_day_of_its_own_turns_the_rates_at_local_midnight_and_back() -> None:
    house = USUAL.with_air(TODAY + timedelta(days=1), DAMP)
    rates = clocks_of(house, ORIGIN, LONDON)["water"]
    slow = round(1000 / drying_factor("water", DAMP.climate))
    assert rates == (Rate(0, 1000), Rate(86400, slow), Rate(2 * 86400, 1000))
    in_auckland = clocks_of(house, ORIGIN, "Pacific/Auckland")["water"]
    assert in_auckland[1].start == 86400 - 13 * 3600


def test_a_damp_evening_moves_the_plan() -> None:
    usual, damp = planned(USUAL), planned(USUAL.with_air(TODAY, DAMP))
    last = "pikes.1/glaze"
    assert starts(damp)[last] > starts(usual)[last]
    elsewhere = planned(USUAL.with_air(date(2027, 4, 20), DAMP))
    assert starts(elsewhere) == starts(usual)


def test_what_fogs_waits_for_a_day_with_dry_air() -> None:
    first = planned(USUAL.with_air(TODAY, COLD), VARNISHED)
    assert starts(first)["pikes.1/base"] < 86400
    assert starts(first)["pikes.1/matt"] >= 86400
    assert starts(planned(USUAL, VARNISHED))["pikes.1/matt"] < 86400


def test_in_a_room_that_is_always_too_damp_the_varnish_finds_no_place() -> None:
    assert dry_air(House(air=DAMP), ORIGIN, LONDON) == []
    plan = planned(House(air=DAMP), VARNISHED)
    assert [(one.task, one.why, one.detail) for one in plan.left] == [
        ("pikes.1/matt", "no_tag", "dry air")
    ]
    assert "pikes.1/base" in starts(plan)


def test_by_brush_nothing_fogs() -> None:
    brushed = recipe(a_pass("matt", 1, technique="varnish", tool="brush"))
    assert "pikes.1/matt" in starts(planned(House(air=DAMP), brushed))


def test_an_all_acrylic_house_waits_less() -> None:
    oily = recipe(
        a_pass("base", 1, tool="brush"),
        a_pass("pin", 2, technique="pin wash", tool="brush"),
        a_pass("matt", 1, technique="varnish", tool="brush"),
    )
    solvent = planned(USUAL, oily)
    acrylic = planned(House(habits=Habits(weathering="all-acrylic")), oily)
    assert starts(acrylic)["pikes.1/matt"] < starts(solvent)["pikes.1/matt"]


@given(st.integers(0, 30), st.floats(0, 35), st.floats(10, 95))
def test_stretches_of_dry_air_rise_and_do_not_touch(day: int, celsius: float, damp: float) -> None:
    house = USUAL.with_air(TODAY + timedelta(days=day), Air(celsius, damp))
    found = dry_air(house, ORIGIN, LONDON)
    for one, two in pairwise(found):
        assert one.start < one.end < two.start < two.end


def test_forgetting_a_day_brings_the_usual_air_back() -> None:
    house = USUAL.with_air(TODAY, DAMP)
    assert house.climate_on(TODAY) == DAMP.climate
    assert house.with_air(TODAY, None) == USUAL

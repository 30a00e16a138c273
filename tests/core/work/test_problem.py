"""Roster × recipes × calendar × facts → plan problem."""

from __future__ import annotations

from datetime import date, time, timedelta

import pytest

from muster.core.choices import Evening, PinChoice, PutOff, Spell
from muster.core.pipeline import Derived, plan_first
from muster.core.plan.reading import problem_from
from tests.core.making import (
    BASE,
    NOW,
    UNDERCOAT,
    a_pass,
    choices,
    derived,
    evenings,
    fact,
    raw_of,
    recipe,
    ticks,
    unit,
)


def task(made, name: str) -> dict:
    return next(row for row in raw_of(made)["tasks"] if row["id"] == name)


def item(made, name: str) -> dict:
    return next(row for row in raw_of(made)["items"] if row["id"] == name)


def test_a_pass_on_a_tray_is_a_task_in_seconds() -> None:
    made = task(derived(), "pikes.1/base")
    assert made["items"] == [f"pikes-{n}" for n in range(1, 7)]
    assert made["per_item_s"] == 180
    assert made["dry_s"] == 900
    assert made["family"] == "brush: 1 base"
    assert made["places"] == {"rack": 1}


def test_waits_and_windows_become_links() -> None:
    fluid = a_pass("fluid", 2, stand_min=20, window_min=90, clock="water")
    made = derived(recipes=(recipe(fluid, BASE),))
    assert raw_of(made)["links"] == [
        {"before": "pikes.1/fluid", "after": "pikes.1/base", "stand_s": 1200, "window_s": 5400,
         "clock": "water"}
    ]  # fmt: skip


def test_the_weight_of_a_model_follows_its_units_priority_and_its_hours() -> None:
    plain = item(derived(), "pikes-1")["weight"]
    urgent = item(derived(choices(unit(priority=4))), "pikes-1")["weight"]
    assert urgent == pytest.approx(2 * plain, abs=0.002)
    slow = recipe(a_pass("base", 60))
    slower = recipe(a_pass("base", 120))
    one = item(derived(recipes=(slow,)), "pikes-1")["weight"]
    two = item(derived(recipes=(slower,)), "pikes-1")["weight"]
    assert two == pytest.approx(2 * one, abs=0.002)


def test_parts_weigh_nothing() -> None:
    made = derived(recipes=(recipe(a_pass("wheels", part="wheels"), BASE),))
    assert item(made, "pikes-1/wheels")["weight"] == 0
    assert item(made, "pikes-1")["weight"] > 0


def test_due_is_the_start_of_the_parade_day_where_the_painter_lives() -> None:
    made = derived(choices(parade_day=date(2027, 4, 2)))
    # Clocks go forward on 28 March: midnight in London is eleven in the evening by UTC.
    assert (
        made.instance.moment(item(made, "pikes-1")["due"]).isoformat()
        == "2027-04-01T23:00:00+00:00"
    )


def test_sittings_past_are_gone_and_those_that_touch_midnight_go_on() -> None:
    late = Evening("late", date(2027, 3, 3), time(22), time(0, 30))
    made = derived(choices(evenings=(*evenings(1), late)), minutes=200)
    assert [s.end - s.start for s in made.instance.problem.sittings] == [9000]


def test_two_sittings_that_overlap_are_one() -> None:
    rows = (Evening("a", date(2027, 3, 3), time(19), time(21)),
            Evening("b", date(2027, 3, 3), time(20), time(22)))  # fmt: skip
    made = derived(choices(evenings=rows))
    assert [s.end - s.start for s in made.instance.problem.sittings] == [3 * 3600]


def test_a_need_asks_for_its_hours_on_days_with_a_sitting() -> None:
    spray = a_pass("spray", needs=("daylight",))
    chosen = choices(spells=(Spell("daylight", time(8), time(18)),))
    made = derived(chosen, recipes=(recipe(spray),))
    # Six sittings; the daylight of the first day is over when it begins.
    assert len(raw_of(made)["conditions"]) == 5
    assert task(made, "pikes.1/spray")["needs"] == ["daylight"]
    assert raw_of(derived())["conditions"] == []


def test_one_family_for_the_same_mix_on_the_same_tool_with_the_narrower_limits() -> None:
    one = a_pass("base", tool="brush", paint="green", setup_min=1, open_min=30)
    two = a_pass("light", tool="brush", paint="green", setup_min=3, open_min=10)
    families = raw_of(derived(recipes=(recipe(one, two),)))["families"]
    assert list(families) == ["brush: 1 green"]
    assert families["brush: 1 green"]["setup_s"] == 180
    assert families["brush: 1 green"]["open_s"] == 600


def test_a_call_put_off_does_not_start_before() -> None:
    until = NOW + timedelta(days=2)
    made = derived(choices(put_off=(PutOff("pikes.1/undercoat", until),)))
    assert task(made, "pikes.1/undercoat")["not_before"] == made.instance.seconds(until)


def test_a_pin_of_a_call_that_is_no_more_is_forgotten() -> None:
    pins = (PinChoice("gone.1/base", NOW), PinChoice("pikes.1/base", NOW, 60))
    rows = raw_of(derived(choices(pins=pins)))["pins"]
    assert [row["task"] for row in rows] == ["pikes.1/base"]


def test_ticks_are_done_pieces_from_the_trays_front() -> None:
    made = derived(None, *ticks(range(1, 4)), minutes=5)
    done = made.instance.problem.done
    assert [(piece.from_s, piece.to_s) for piece in done] == [(0, 30), (30, 60), (60, 90)]
    assert [piece.end - piece.start for piece in done] == [60, 60, 60]


def test_what_was_worked_on_the_model_in_hand_counts_but_never_as_all_of_it() -> None:
    begin = fact("begin", 0, ("base",))
    half = derived(None, begin, minutes=1).instance.problem.done[-1]
    assert half.to_s == 60
    long = derived(None, begin, minutes=30).instance.problem.done[-1]
    assert long.to_s < BASE.minutes * 60


def test_the_call_under_way_is_pinned_to_now_until_it_may_move() -> None:
    begin = fact("begin", 0, ("undercoat",))
    made = derived(None, begin, minutes=1)
    assert [(pin.task, pin.start) for pin in made.instance.problem.pins] == [
        ("pikes.1/undercoat", made.instance.problem.now)
    ]


def test_what_was_sprayed_this_sitting_is_still_open_and_its_tool_out() -> None:
    made = derived(None, fact("begin", 0), *ticks(range(1, 4)), minutes=4)
    assert [left.family for left in made.instance.problem.open] == ["airbrush: 1 undercoat"]
    assert made.instance.problem.out == ("airbrush",)


def test_on_a_tool_that_holds_one_mix_the_one_before_is_closed() -> None:
    green = a_pass("green", 1, tool="airbrush")
    made = derived(None, *ticks(range(1, 2)), *ticks(range(1, 2), "green", first=3), minutes=5,
                   recipes=(recipe(UNDERCOAT, green),))  # fmt: skip
    assert [left.family for left in made.instance.problem.open] == ["airbrush: 1 green"]


def test_what_was_left_open_too_late_to_clean_up_is_cleaned_up_all_the_same() -> None:
    """A minute before the sitting ends with the airbrush out: it runs over by what that takes."""
    made = derived(None, *ticks(range(1, 2), first=148), minutes=149)
    problem = made.instance.problem
    assert [left.family for left in problem.open] == ["airbrush: 1 undercoat"]
    assert problem.sittings[0].end == problem.now + 120 + 480


def test_nothing_is_carried_into_another_sitting() -> None:
    made = derived(None, *ticks(range(1, 4)), minutes=60 * 24 * 2 + 5)
    assert made.instance.problem.open == ()
    assert made.instance.problem.out == ()


def test_a_pass_longer_than_any_sitting_is_left_and_the_rest_is_planned() -> None:
    long = recipe(BASE, a_pass("sculpt", 40, cut="none"))
    _, plan = plan_first(derived(recipes=(long,)))
    assert [(one.task, one.why) for one in plan.left] == [("pikes.1/sculpt", "too_long")]
    assert {b.ref for b in plan.blocks if b.do == "work"} == {"pikes.1/base"}


@pytest.mark.parametrize(
    "made",
    [
        derived(),
        derived(choices(unit(7), rack=3, spare_min=10, finish_first="pikes")),
        derived(None, *ticks(range(1, 4)), minutes=15),
        derived(choices(pins=(PinChoice("pikes.1/base", NOW, 60),))),
    ],
)
def test_a_problem_that_we_build_is_the_same_when_it_is_written_and_read(made: Derived) -> None:
    assert problem_from(raw_of(made)) == made.instance.problem

"""Sittings reach as far ahead as the work, its waits and the parade day ask; late work runs on."""

from __future__ import annotations

from dataclasses import replace
from datetime import date, time, timedelta

import pytest

from muster.core.choices import Evening, Order, Weekly
from muster.core.errors import DomainError
from muster.core.pipeline import plan_first
from muster.core.views.roll import head_of, roll_of
from muster.core.work.horizon import MOST_SITTINGS
from tests.core.making import BASE, NOW, UNDERCOAT, a_pass, choices, derived, raw_of, recipe, unit

TUESDAYS = (Weekly("tue", 1, time(19, 30), time(22), date(2027, 3, 2)),)


def of(**more: object):
    made = {"evenings": (), "rhythm": TUESDAYS, "parade_day": None, **more}
    return choices(unit(6), **made)


def test_twice_the_work_fits() -> None:
    made = derived(of())
    work = sum(task.work_s for task in made.instance.problem.tasks.values())
    held = sum(s.end - s.start for s in made.instance.problem.sittings)
    assert held >= 2 * work
    assert len(made.instance.problem.sittings) < 12


def test_all_sittings_to_the_parade_day_are_there() -> None:
    made = derived(of(parade_day=date(2027, 7, 1)))
    last = made.instance.moment(made.instance.problem.last_end())
    assert last.date() >= date(2027, 6, 29)


def test_never_more_than_four_hundred() -> None:
    slow = recipe(a_pass("paint", 6000, cut="any"))
    made = derived(of(), recipes=(slow,))
    assert len(made.instance.problem.sittings) == MOST_SITTINGS


def test_late_work_runs_on_in_the_rhythm_and_is_called_late() -> None:
    long = recipe(a_pass("paint", 60, tool="brush"))
    made, plan = plan_first(derived(of(parade_day=date(2027, 3, 8)), recipes=(long,)))
    assert plan.left == ()
    assert head_of(made, plan, roll_of(made)).late_models > 0


def test_a_long_chain_of_nights_has_a_sitting_for_each_pass() -> None:
    """Ten passes of a minute, a day apart: two sittings would hold the work, but not the waits."""
    passes = [a_pass(f"p{n}", 1, tool="brush", stand_min=1500, dry_min=1500) for n in range(10)]
    _, plan = plan_first(derived(of(), recipes=(recipe(*passes),)))
    assert plan.left == ()


def test_a_need_that_is_never_met_does_not_stretch_the_plan_without_end() -> None:
    spray = replace(UNDERCOAT, needs=("daylight",))
    made = derived(of(), recipes=(recipe(spray, BASE),))
    assert len(made.instance.problem.sittings) <= 20


def test_a_sitting_lost_or_moved_is_so_in_the_problem() -> None:
    from muster.core.choices import LostSitting, MovedSitting

    lost = derived(of(lost=(LostSitting("tue", date(2027, 3, 9)),)))
    moved = derived(
        of(moved=(MovedSitting("tue", date(2027, 3, 9), date(2027, 3, 10), time(20), time(21)),))
    )
    days = [made.instance.moment(made.instance.problem.sittings[1].start).date()
            for made in (lost, moved)]  # fmt: skip
    assert days == [date(2027, 3, 16), date(2027, 3, 10)]


def test_a_rhythm_stays_right_across_a_change_to_summer_time() -> None:
    made = derived(of(parade_day=date(2027, 4, 20)))
    starts = {made.instance.moment(s.start).hour for s in made.instance.problem.sittings}
    assert starts == {19, 18}


def test_a_single_sitting_that_meets_the_rhythm_makes_one_longer() -> None:
    extra = Evening("x", date(2027, 3, 2), time(21), time(23))
    made = derived(of(evenings=(extra,)))
    first = made.instance.problem.sittings[0]
    assert first.end - first.start == 3.5 * 3600


def test_a_circle_of_orders_is_refused_in_the_names_of_the_roll() -> None:
    chosen = choices(
        unit(4, id="crew", name="Crew"), unit(2, id="cab", name="Cabs"),
        order=(Order("crew", "cab"), Order("cab", "crew")),
    )  # fmt: skip
    with pytest.raises(DomainError, match=r"in a circle: .* of (Crew|Cabs) then .*take one"):
        derived(chosen)


def test_a_single_pass_can_wait_for_a_single_pass() -> None:
    chosen = choices(
        unit(4, id="crew", name="Crew"), unit(2, id="cab", name="Cabs"),
        order=(Order("crew", "cab", "undercoat", "base"),),
    )  # fmt: skip
    links = [(k["before"], k["after"]) for k in raw_of(derived(chosen))["links"]]
    assert ("crew.1/undercoat", "cab.1/base") in links
    gone = replace(chosen, units=chosen.units[1:])
    assert derived(gone).instance.problem.tasks


def test_nothing_to_do_wants_few_sittings_and_now_moves_them_on() -> None:
    later = derived(of(), minutes=60 * 24 * 8)
    assert later.instance.moment(later.instance.problem.sittings[0].start) > NOW + timedelta(days=8)

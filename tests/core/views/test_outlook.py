"""The outlook: what other trays would bring, and whether all will be in time."""

from __future__ import annotations

from datetime import date

import pytest

from muster.core.pipeline import plan_first
from muster.core.views.outlook import TraySizes, outlook_of, reasons_of_sizes
from tests.core.making import choices, derived, evenings, fact, ticks
from tests.core.making import unit as a_unit


def look(chosen=None, *facts, minutes=0):
    made, plan = plan_first(derived(chosen or choices(a_unit(12), evenings=evenings(10)), *facts,
                                    minutes=minutes))  # fmt: skip
    return outlook_of(made, plan)


def row(outlook, name):
    return next(one for one in outlook.sizes if one.name == name)


def test_one_model_at_a_time_takes_more_setting_up_than_trays() -> None:
    seen = look()
    assert row(seen, "One model at a time").openings >= row(seen, "This plan").openings
    assert row(seen, "One model at a time").bench_s >= row(seen, "This plan").bench_s
    assert sum(one.this_plan for one in seen.sizes) == 1


def test_a_way_that_is_this_plans_is_not_shown_twice() -> None:
    names = [one.name for one in look().sizes]
    assert "As proposed" not in names
    chosen = choices(a_unit(12, tray_size=4), evenings=evenings(10))
    assert "As proposed" in [one.name for one in look(chosen).sizes]


def test_whole_units_keep_to_the_rack() -> None:
    chosen = choices(a_unit(12), evenings=evenings(10), rack=5)
    changes = row(look(chosen), "Whole units").command.changes
    assert [(one.unit, one.split) for one in changes] == [("pikes", (5, 5, 2))]


def test_what_does_not_fit_says_so() -> None:
    seen = look(choices(a_unit(90), evenings=evenings(1)))
    assert any(one.left_models for one in seen.sizes)


def test_models_done_stay_done_under_other_trays() -> None:
    facts = [fact("begin", 0), *ticks(range(1, 5))]
    small = choices(a_unit(12, tray_size=4), evenings=evenings(10))
    fresh, begun = look(small), look(small, *facts, minutes=6)
    assert row(begun, "Whole units").bench_s < row(fresh, "Whole units").bench_s + 60


def test_the_chance_falls_as_the_parade_comes_nearer() -> None:
    far = look()
    near = look(choices(a_unit(12), evenings=evenings(10), parade_day=date(2027, 3, 3)))
    assert far.in_time == 1
    assert near.in_time is not None and near.in_time < 1
    assert [one.unit for one in near.units] == ["pikes"]


def test_without_a_parade_day_there_is_no_chance_to_speak_of() -> None:
    assert look(choices(a_unit(12), parade_day=None)).in_time is None


def trays(**more) -> TraySizes:
    made = {"name": "Trays of 6", "command": None, "this_plan": False, "left_models": 0,
            "bench_s": 36000, "cost_s": 50000, "openings": 20, "finish": None, "in_hand": 1,
            "late_models": 0}  # fmt: skip
    return TraySizes(**{**made, **more})


@pytest.mark.parametrize(("mine", "words"), [
    ({"left_models": 4}, "Trays of 6: 4 models fewer are left."),
    ({"late_models": 2, "cost_s": 10}, "Trays of 6: 2 models fewer are late."),
    ({"cost_s": 53000, "bench_s": 37800, "openings": 23},
     "Trays of 6 serve the whole plan better by 50 min of work: 3 changeovers fewer, 30 min less "
     "at the bench."),
    ({"cost_s": 53000, "bench_s": 37800, "openings": 18},
     "Trays of 6 serve the whole plan better by 50 min of work: 30 min less at the bench."),
    ({"cost_s": 53000, "bench_s": 35000},
     "Trays of 6 serve the whole plan better by 50 min of work: models stand finished sooner."),
])  # fmt: skip
def test_a_better_row_comes_with_its_reason(mine, words) -> None:
    own = trays(name="This plan", this_plan=True, **mine)
    assert words in reasons_of_sizes([own, trays()])


def test_a_plan_that_is_best_gives_no_reason_against_itself() -> None:
    own = trays(name="This plan", this_plan=True, cost_s=40000)
    assert "better" not in reasons_of_sizes([own, trays()])
    assert reasons_of_sizes([own]) == ""


def test_every_row_better_than_the_plan_is_in_the_reasons() -> None:
    for chosen in (choices(a_unit(12), evenings=evenings(10)),
                   choices(a_unit(12, tray_size=2), evenings=evenings(10)),
                   choices(a_unit(9, tray_size=1), evenings=evenings(12))):  # fmt: skip
        seen = look(chosen)
        mine = next(one for one in seen.sizes if one.this_plan)
        for one in seen.sizes:
            if (one.left_models, one.late_models, one.cost_s) < (
                mine.left_models, mine.late_models, mine.cost_s
            ):  # fmt: skip
                assert one.name in seen.why

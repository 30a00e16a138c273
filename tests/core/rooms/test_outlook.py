"""The outlook: what other trays would bring, and whether all will be in time."""

from __future__ import annotations

from datetime import date

from muster.core.pipeline import plan_first
from muster.core.rooms.outlook import outlook_of
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

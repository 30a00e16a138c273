"""Commands turn one document of choices into the next, or refuse and change nothing."""

from __future__ import annotations

from datetime import date, time, timedelta
from typing import Any

import pytest

from muster.core.choices import CHOICES, Choices
from muster.core.commands.command import COMMAND, carry_out, evenings_until
from muster.core.plan.fields import Refused
from tests.core.making import NOW, choices, unit


def after(chosen: Choices, **wanted: Any) -> Choices:
    return carry_out(chosen, COMMAND.validate_python(wanted), NOW)[0]


def test_a_unit_is_added_from_a_typed_line_with_an_id_of_its_own() -> None:
    one = after(choices(), do="add_unit", line="8 pikes foot 1/72", recipe="r", recipe_version=1)
    assert [u.id for u in one.units] == ["pikes", "pikes-2"]
    assert one.units[1].count == 8


def test_a_unit_without_a_scale_takes_that_of_the_unit_before() -> None:
    chosen = choices(unit(scale=100))
    one = after(chosen, do="add_unit", line="4 guns", recipe="r", recipe_version=1)
    assert one.units[1].scale == 100


def test_only_what_is_given_of_a_unit_changes() -> None:
    before = choices(unit(tray_size=3))
    one = after(before, do="edit_unit", unit="pikes", priority=5)
    assert one.units[0].priority == 5
    assert one.units[0].tray_size == 3
    assert after(one, do="edit_unit", unit="pikes", tray_size=0).units[0].tray_size is None


def test_a_sitting_each_week_comes_until_the_parade_day() -> None:
    one = after(choices(evenings=()), do="add_evening", day="2027-03-05", start="20:00",
                end="21:00", weekly=True)  # fmt: skip
    assert [e.day.day for e in one.evenings] == [5, 12, 19, 26]


def test_weekly_sittings_leave_those_alone_that_are_there_already() -> None:
    one = after(
        choices(evenings=()), do="add_evening", day="2027-03-12", start="20:00", end="21:00"
    )
    two = after(one, do="add_evening", day="2027-03-05", start="20:30", end="22:00", weekly=True)
    assert [(e.day.day, e.start.hour, e.start.minute) for e in two.evenings] == [
        (5, 20, 30), (12, 20, 0), (19, 20, 30), (26, 20, 30),
    ]  # fmt: skip


def test_hours_of_a_condition_are_said_once() -> None:
    one = after(choices(), do="set_hours", tag="daylight", start="07:00", end="19:00")
    assert next(s for s in one.spells if s.tag == "daylight").start == time(7)
    assert len(one.spells) == len(choices().spells)


def test_a_pin_replaces_the_one_before_and_can_be_freed() -> None:
    start = (NOW + timedelta(days=2)).isoformat()
    one = after(choices(), do="pin_call", call="pikes.1/base", start=start)
    two = after(one, do="pin_call", call="pikes.1/base", start=start, slack_s=600)
    assert [pin.slack_s for pin in two.pins] == [600]
    assert after(two, do="pin_call", call="pikes.1/base").pins == ()


BAD: list[tuple[dict[str, Any], str]] = [
    ({"do": "edit_unit", "unit": "gone", "count": 3}, "no longer on the roll"),
    ({"do": "edit_unit", "unit": "pikes", "count": 501}, "1 to 500"),
    ({"do": "edit_unit", "unit": "pikes", "tray_size": 7}, "choose 1 to 6"),
    ({"do": "remove_unit", "unit": "gone"}, "no longer on the roll"),
    ({"do": "add_evening", "day": "2027-03-03", "start": "22:00", "end": "20:00"}, "not after"),
    ({"do": "add_evening", "day": "2027-03-02", "start": "20:00", "end": "21:00"}, "already"),
    ({"do": "remove_evening", "evening": "gone"}, "gone already"),
    ({"do": "set_parade_day", "day": "2027-03-02"}, "not to come"),
    ({"do": "set_rack", "rack": 0}, "choose 1 to"),
    ({"do": "set_hours", "tag": "daylight", "start": "19:00", "end": "07:00"}, "not after"),
    ({"do": "add_unit", "line": "6 widgets", "recipe": "r", "recipe_version": 1}, "what kind"),
]


@pytest.mark.parametrize(("wanted", "words"), BAD)
def test_what_cannot_be_is_refused_with_how_to_mend_it(wanted: dict[str, Any], words: str) -> None:
    with pytest.raises(Refused, match=words):
        after(choices(), **wanted)


def test_each_week_needs_a_parade_day() -> None:
    with pytest.raises(Refused, match="parade day first"):
        after(choices(parade_day=None), do="add_evening", day="2027-03-05", start="20:00",
              end="21:00", weekly=True)  # fmt: skip


def test_every_command_says_what_it_did() -> None:
    said = carry_out(choices(), COMMAND.validate_python({"do": "set_rack", "rack": 12}), NOW)[1]
    assert said == "A rack of 12 places"


def test_sittings_on_weekdays_until_the_day_before_the_parade() -> None:
    hours = {1: (time(19, 30), time(22)), 5: (time(10), time(13))}
    found = evenings_until(hours, date(2027, 3, 2), date(2027, 3, 9))
    assert [e.day for e in found] == [date(2027, 3, 2), date(2027, 3, 6)]


def test_choices_written_and_read_back_are_the_same() -> None:
    chosen = choices(unit(tray_size=3), rack=9)
    assert CHOICES.validate_json(CHOICES.dump_json(chosen)) == chosen


def test_changes_together_are_all_done_or_none() -> None:
    changes = [
        {"do": "edit_unit", "unit": "pikes", "tray_size": 2},
        {"do": "add_evening", "day": "2027-03-03", "start": "20:00", "end": "21:00"},
    ]
    both = after(choices(), do="together", changes=changes)
    assert both.units[0].tray_size == 2
    assert len(both.evenings) == len(choices().evenings) + 1
    with pytest.raises(Refused, match="no longer on the roll"):
        after(choices(), do="together", changes=[*changes, {"do": "remove_unit", "unit": "gone"}])

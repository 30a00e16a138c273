"""Commands turn one document of choices into the next, or refuse and change nothing."""

from __future__ import annotations

from datetime import date, time, timedelta
from itertools import islice
from typing import Any

import pytest

from muster.core.choices import CHOICES, Choices, Order
from muster.core.commands.any_command import COMMAND
from muster.core.commands.rhythm import rhythm_of
from muster.core.errors import DomainError
from muster.core.work.sittings import sittings_from
from tests.core.making import NOW, choices, unit


def after(chosen: Choices, **wanted: Any) -> Choices:
    return COMMAND.validate_python(wanted).apply(chosen, NOW)[0]


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


def days(chosen: Choices, many: int = 6) -> list[tuple[int, int]]:
    """Month and day of the sittings from the second of March on."""
    ahead = islice(sittings_from(chosen, date(2027, 3, 2)), many)
    return [(one.day.month, one.day.day) for one in ahead]


FRIDAYS: dict[str, Any] = {"do": "add_evening", "day": "2027-03-05", "start": "20:00",
                           "end": "21:00", "weekly": True}  # fmt: skip


def test_a_sitting_each_week_has_no_end() -> None:
    """Late work runs on in the rhythm beyond the parade day of 27 March."""
    one = after(choices(evenings=()), **FRIDAYS)
    assert days(one) == [(3, 5), (3, 12), (3, 19), (3, 26), (4, 2), (4, 9)]
    assert after(choices(evenings=(), parade_day=None), **FRIDAYS).rhythm == one.rhythm


def test_one_sitting_of_a_rhythm_is_lost_and_the_others_stand() -> None:
    one = after(choices(evenings=()), **FRIDAYS)
    name = next(sittings_from(one, date(2027, 3, 12))).id
    two = after(one, do="remove_evening", evening=name)
    assert days(two, 3) == [(3, 5), (3, 19), (3, 26)]
    with pytest.raises(DomainError, match="gone already"):
        after(two, do="remove_evening", evening=name)


def test_one_sitting_of_a_rhythm_is_moved_and_may_be_moved_again_or_lost() -> None:
    one = after(choices(evenings=()), **FRIDAYS)
    name = next(sittings_from(one, date(2027, 3, 12))).id
    move = {"do": "move_evening", "evening": name, "start": "10:00", "end": "12:00"}
    two = after(one, **move, day="2027-03-13")
    assert days(two, 3) == [(3, 5), (3, 13), (3, 19)]
    three = after(two, **move, day="2027-03-14")
    assert days(three, 3) == [(3, 5), (3, 14), (3, 19)]
    assert days(after(three, do="remove_evening", evening=name), 2) == [(3, 5), (3, 19)]


def test_a_single_sitting_stands_beside_the_rhythm_and_can_be_moved() -> None:
    one = after(choices(evenings=()), **FRIDAYS)
    two = after(one, do="add_evening", day="2027-03-06", start="10:00", end="12:00")
    assert days(two, 2) == [(3, 5), (3, 6)]
    three = after(two, do="move_evening", evening=two.evenings[0].id, day="2027-03-07",
                  start="10:00", end="12:00")  # fmt: skip
    assert days(three, 2) == [(3, 5), (3, 7)]
    with pytest.raises(DomainError, match="already"):
        after(three, do="move_evening", evening=three.evenings[0].id, day="2027-03-05",
              start="20:30", end="22:00")  # fmt: skip


def test_a_weekly_sitting_ends_with_its_exceptions() -> None:
    one = after(choices(evenings=()), **FRIDAYS)
    name = next(sittings_from(one, date(2027, 3, 12))).id
    two = after(one, do="remove_evening", evening=name)
    three = after(two, do="end_weekly", weekly=two.rhythm[0].id)
    assert (three.rhythm, three.lost, days(three)) == ((), (), [])
    with pytest.raises(DomainError, match="gone already"):
        after(three, do="end_weekly", weekly="fri-2000")


def test_the_same_weekly_sitting_is_refused_twice() -> None:
    one = after(choices(evenings=()), **FRIDAYS)
    with pytest.raises(DomainError, match="already"):
        after(one, **{**FRIDAYS, "day": "2027-03-12", "start": "20:30"})


def test_a_muster_may_have_no_parade_day() -> None:
    assert after(choices(), do="set_parade_day", day=None).parade_day is None


def test_an_order_between_units_is_said_and_taken_back() -> None:
    two = choices(unit(), unit(id="cab", name="Cabs"))
    said = after(two, do="set_order", before="pikes", after="cab", after_pass="base")
    assert said.order == (Order("pikes", "cab", None, "base"),)
    gone = after(said, do="drop_order", before="pikes", after="cab", after_pass="base")
    assert gone.order == ()
    assert after(said, do="remove_unit", unit="cab").order == ()
    for bad, words in (("pikes", "before itself"), ("gone", "no longer on the roll")):
        with pytest.raises(DomainError, match=words):
            after(two, do="set_order", before="pikes", after=bad)


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
    with pytest.raises(DomainError, match=words):
        after(choices(), **wanted)


def test_every_command_says_what_it_did() -> None:
    said = COMMAND.validate_python({"do": "set_rack", "rack": 12}).apply(choices(), NOW)[1]
    assert said == "A rack of 12 places"


def test_weekdays_chosen_are_a_rhythm_from_that_day_on() -> None:
    hours = {1: (time(19, 30), time(22)), 5: (time(10), time(13))}
    chosen = choices(evenings=(), rhythm=rhythm_of(hours, date(2027, 3, 2)))
    assert days(chosen, 4) == [(3, 2), (3, 6), (3, 9), (3, 13)]


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
    with pytest.raises(DomainError, match="no longer on the roll"):
        after(choices(), do="together", changes=[*changes, {"do": "remove_unit", "unit": "gone"}])

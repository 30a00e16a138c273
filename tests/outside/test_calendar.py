"""Sittings as iCalendar, against RFC 5545 as the icalendar library and the IANA zones read it."""

from __future__ import annotations

from datetime import UTC, date, datetime, time
from zoneinfo import ZoneInfo

import pytest
from icalendar import Calendar

from muster.core.choices import Choices, Evening
from muster.core.formats.calendar import SittingEvent, calendar_text

NOW = datetime(2027, 3, 2, 19, 30, tzinfo=UTC)


def feed(zone: str, *evenings: Evening, parade: date | None = None) -> Calendar:
    made = Choices(name="Reed Coast, the whole; of it", zone=zone, parade_day=parade)
    events = [SittingEvent(one, ("19:40 base, Pikes 1: 5 Reed green, 2 Silt",)) for one in evenings]
    return Calendar.from_ical(calendar_text(made, events, "muster-7", NOW))


def as_utc(moment: date) -> datetime:
    assert isinstance(moment, datetime)
    return moment.astimezone(UTC)


def evening(day: date, start: time = time(19, 30), end: time = time(22)) -> Evening:
    return Evening(f"w-on-{day:%Y%m%d}", day, start, end)


@pytest.mark.parametrize(
    ("zone", "before", "after", "apart_h"),
    [
        # Europe puts its clocks on by an hour on Sunday 28 March 2027 (Directive 2000/84/EC).
        ("Europe/London", date(2027, 3, 27), date(2027, 3, 29), 47),
        # The United States on Sunday 14 March 2027 (Energy Policy Act of 2005).
        ("America/New_York", date(2027, 3, 13), date(2027, 3, 15), 47),
        # Lord Howe Island puts them back by half an hour on Sunday 4 April 2027 (IANA).
        ("Australia/Lord_Howe", date(2027, 4, 3), date(2027, 4, 5), 48.5),
    ],
)
def test_half_past_seven_stays_half_past_seven_when_the_clocks_change(
    zone: str, before: date, after: date, apart_h: float
) -> None:
    one, two = feed(zone, evening(before), evening(after)).events
    for event in (one, two):
        assert isinstance(event.start, datetime)
        assert event.start.time() == time(19, 30) and event.start.tzinfo is not None
    apart = as_utc(two.start) - as_utc(one.start)
    assert apart.total_seconds() / 3600 == apart_h


def test_the_zone_travels_with_the_calendar_so_that_no_reader_needs_to_know_it() -> None:
    found = feed("Europe/London", evening(date(2027, 3, 29)))
    (zone,) = found.timezones
    assert zone.tz_name == "Europe/London"
    # Its own rules, not the reader's, say that this is an hour before UTC's half past seven.
    start = datetime(2027, 3, 29, 19, 30, tzinfo=zone.to_tz(lookup_tzid=False))
    assert start.astimezone(UTC).hour == 18


def test_a_sitting_over_midnight_ends_on_the_next_day() -> None:
    (one,) = feed("Europe/London", evening(date(2027, 3, 5), time(22), time(1, 30))).events
    assert (one.end - one.start).total_seconds() == 3.5 * 3600


def test_a_moved_sitting_is_the_same_event() -> None:
    was = Evening("tue-on-20270309", date(2027, 3, 9), time(19, 30), time(22))
    now = Evening("tue-on-20270309", date(2027, 3, 10), time(18), time(20))
    (one,), (two,) = feed("UTC", was).events, feed("UTC", now).events
    assert one["UID"] == two["UID"] and one.start != two.start


def test_its_calls_stand_in_the_description_and_the_parade_is_a_whole_day() -> None:
    found = feed("UTC", evening(date(2027, 3, 9)), parade=date(2027, 3, 27))
    sitting, parade = found.events
    assert "5 Reed green, 2 Silt" in str(sitting["DESCRIPTION"])
    assert str(sitting["SUMMARY"]) == "Reed Coast, the whole; of it: at the bench"
    assert parade.start == date(2027, 3, 27) and parade.end == date(2027, 3, 28)


def test_every_line_is_folded_and_ended_as_the_standard_asks() -> None:
    # RFC 5545, 3.1: lines end in CRLF and should be no longer than 75 octets.
    made = Choices(name="A name as long as names of musters can be, sixty letters, a",
                   zone="Europe/London")  # fmt: skip
    lines = ("A long line of a call with its mix " * 6,)
    event = SittingEvent(evening(date(2027, 3, 9)), lines)
    text = calendar_text(made, [event], "muster-7", NOW)
    rows = text.split(b"\r\n")
    assert b"\n" not in b"".join(rows) and all(len(row) <= 75 for row in rows)


def test_without_a_change_of_clocks_local_time_is_that_of_the_zone() -> None:
    (one,) = feed("Asia/Kolkata", evening(date(2027, 3, 9))).events
    assert one.start == datetime(2027, 3, 9, 19, 30, tzinfo=ZoneInfo("Asia/Kolkata"))

"""Sittings as iCalendar (RFC 5545): local times with their zone, so that a change to or from summer
time moves nothing; an event keeps its UID when its sitting is moved."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from zoneinfo import ZoneInfo

from icalendar import Calendar, Event

from muster.core.choices import Choices, Evening

PRODUCT = "-//Crisp Muster//sittings//EN"
REFRESH = timedelta(hours=1)


@dataclass(frozen=True)
class SittingEvent:
    """A sitting, and its calls in lines of words."""

    evening: Evening
    lines: tuple[str, ...]


def calendar_text(
    choices: Choices, events: Iterable[SittingEvent], key: str, now: datetime
) -> bytes:
    """The whole calendar, as UTF-8. ``key`` makes the UIDs of this muster its own; ``now``: when it
    is written."""
    made = Calendar()
    made.add("prodid", PRODUCT)
    made.add("version", "2.0")
    made.add("x-wr-calname", f"{choices.name}: sittings")
    made.add("refresh-interval", REFRESH, parameters={"VALUE": "DURATION"})
    zone = ZoneInfo(choices.zone)
    for one in events:
        evening = one.evening
        last = evening.day if evening.end > evening.start else evening.day + timedelta(days=1)
        event = _event(f"{evening.id}@{key}", now, f"{choices.name}: at the bench")
        event.add("dtstart", datetime.combine(evening.day, evening.start, zone))
        event.add("dtend", datetime.combine(last, evening.end, zone))
        event.add("description", "\n".join(one.lines) or "Nothing is planned here.")
        made.add_component(event)
    if choices.parade_day is not None:
        made.add_component(_whole_day(f"parade@{key}", now, choices.name, choices.parade_day))
    made.add_missing_timezones(first_date=now.date() - timedelta(days=400))
    return bytes(made.to_ical())


def _event(uid: str, now: datetime, summary: str) -> Event:
    event = Event()
    event.add("uid", uid)
    event.add("dtstamp", now)
    event.add("summary", summary)
    return event


def _whole_day(uid: str, now: datetime, name: str, day: date) -> Event:
    event = _event(uid, now, f"{name}: parade day")
    event.add("dtstart", day)
    event.add("dtend", day + timedelta(days=1))
    return event

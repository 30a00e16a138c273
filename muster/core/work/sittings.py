"""The sittings of a muster: a weekly rhythm with its exceptions, and those that stand alone."""

from __future__ import annotations

import heapq
from collections.abc import Iterator
from datetime import date, timedelta

from muster.core.choices import Choices, Evening, Weekly
from muster.core.vocabulary import LAST_DAY

WEEK = timedelta(days=7)


def occurrence_id(weekly: Weekly, day: date) -> str:
    """The id of one sitting of the rhythm."""
    return f"{weekly.id}-on-{day:%Y%m%d}"


def sittings_from(choices: Choices, first: date) -> Iterator[Evening]:
    """All sittings from a day on, in order; without end where there is a rhythm."""
    rows = [_weekly(choices, weekly, first) for weekly in choices.rhythm]
    alone = [one for one in choices.evenings if one.day >= first]
    alone += [
        Evening(f"{one.weekly}-on-{one.day:%Y%m%d}", one.to, one.start, one.end)
        for one in choices.moved
        if one.to >= first
    ]
    alone.sort(key=_when)
    return heapq.merge(*rows, alone, key=_when)


def find_occurrence(choices: Choices, sitting: str) -> tuple[Weekly, date] | None:
    """The row of the rhythm and the day that an id speaks of."""
    for weekly in choices.rhythm:
        head = f"{weekly.id}-on-"
        if sitting.startswith(head):
            try:
                day = date.fromisoformat(sitting.removeprefix(head))
            except ValueError:
                return None
            return (weekly, day) if day.weekday() == weekly.weekday else None
    return None


def _weekly(choices: Choices, weekly: Weekly, first: date) -> Iterator[Evening]:
    gone = {one.day for one in choices.lost if one.weekly == weekly.id}
    gone |= {one.day for one in choices.moved if one.weekly == weekly.id}
    day = max(first, weekly.since)
    day += timedelta(days=(weekly.weekday - day.weekday()) % 7)
    last = LAST_DAY
    while day <= last:
        if day not in gone:
            yield Evening(occurrence_id(weekly, day), day, weekly.start, weekly.end)
        day += WEEK


def _when(evening: Evening) -> tuple[date, object]:
    return evening.day, evening.start

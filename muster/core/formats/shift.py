"""A muster's file moved in time, so that what it tells of lies about today."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

from muster.core.choices import Choices, Evening
from muster.core.formats.muster import MusterFile

AHEAD = timedelta(days=28)
"""How far the parade day is to lie ahead, to half a week."""


def shift_muster(document: MusterFile, now: datetime) -> MusterFile:
    """The file moved by whole weeks, its parade day about four weeks ahead of ``now``."""
    choices = document.choices
    parade = choices.parade_day or now.date()
    by = timedelta(weeks=round(((now + AHEAD).date() - parade).days / 7))
    moved = replace(
        choices,
        parade_day=parade + by,
        evenings=tuple(_shift_evening(row, by) for row in choices.evenings),
        rhythm=tuple(replace(row, since=row.since + by) for row in choices.rhythm),
        lost=tuple(replace(row, day=row.day + by) for row in choices.lost),
        moved=tuple(replace(row, day=row.day + by, to=row.to + by) for row in choices.moved),
    )
    facts = tuple(
        replace(fact, at=fact.at + by, start=fact.start + by if fact.start else None)
        for fact in document.facts
    )
    return replace(document, choices=moved, facts=facts)


def _shift_evening(evening: Evening, by: timedelta) -> Evening:
    day = evening.day + by
    return replace(evening, id=f"{day:%Y%m%d}-{evening.start:%H%M}", day=day)


def with_sitting_around(choices: Choices, now: datetime) -> Choices:
    """The choices with a sitting that has begun ten minutes ago, so that the bench is at work."""
    local = now.astimezone(ZoneInfo(choices.zone))
    start = (local - timedelta(minutes=10)).replace(second=0, microsecond=0)
    end = start + timedelta(hours=2, minutes=30)
    here = Evening(f"{start:%Y%m%d-%H%M}", start.date(), start.time(), end.time())
    evenings = sorted((*choices.evenings, here), key=lambda row: (row.day, row.start))
    return replace(choices, evenings=tuple(evenings))

"""Sitting down unplanned: a sitting that begins now."""

from __future__ import annotations

from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

from muster.core.choices import Choices
from muster.core.commands.verbs.add_evening import AddEvening


def sitting_now(choices: Choices, now: datetime, minutes: int) -> AddEvening:
    """A sitting of so many minutes from now, where the painter lives; it ends before midnight."""
    start = now.astimezone(ZoneInfo(choices.zone)).replace(second=0, microsecond=0)
    end = start + timedelta(minutes=minutes)
    if end.date() != start.date():
        end = start.replace(hour=23, minute=59)
    return AddEvening("add_evening", start.date(), start.time(), end.time())

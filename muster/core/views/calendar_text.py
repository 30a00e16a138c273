"""Days and hours of a muster: which are usual, which are free, and how they are said."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator
from datetime import date, datetime, time, timedelta
from itertools import takewhile

from muster.core.choices import Choices
from muster.core.work.sittings import sittings_from

USUAL = (time(19, 30), time(22))


def usual_hours(choices: Choices) -> tuple[time, time]:
    """The commonest hours of a sitting."""
    counted = Counter((one.start, one.end) for one in choices.rhythm if one.end > one.start)
    counted.update((one.start, one.end) for one in choices.evenings if one.end > one.start)
    return counted.most_common(1)[0][0] if counted else USUAL


def local_day(choices: Choices, moment: datetime) -> date:
    """The day in the user's zone."""
    return moment.astimezone(choices.local(date(2000, 1, 1), time(0)).tzinfo).date()


def free_days(
    choices: Choices, now: datetime, start: time, weeks: int, before: date | None = None
) -> Iterator[date]:
    """Days without a sitting on which one could still begin at ``start``, for so many weeks or up
    to a day."""
    day = local_day(choices, now)
    end = day + timedelta(weeks=weeks) if before is None else before
    taken = {one.day for one in takewhile(lambda one: one.day < end, sittings_from(choices, day))}
    while day < end:
        if day not in taken and choices.local(day, start) > now:
            yield day
        day += timedelta(days=1)


def said(day: date) -> str:
    """Saturday 27 March."""
    return f"{day:%A} {day.day} {day:%B}"

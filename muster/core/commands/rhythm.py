"""What the verbs about sittings share: the weekly rhythm, and what may not meet."""

from __future__ import annotations

from dataclasses import replace
from datetime import date, datetime, time
from itertools import takewhile

from muster.core.choices import MOST_WEEKLY, Choices, Weekly
from muster.core.errors import DomainError
from muster.core.work.sittings import find_occurrence, sittings_from

WEEKDAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")


def add_weekly(
    choices: Choices, weekday: int, start: time, end: time, since: date
) -> tuple[Choices, str]:
    """The choices with a sitting each week. Raises DomainError where the rhythm has one then."""
    refuse_backwards(start, end)
    for one in choices.rhythm:
        if one.weekday == weekday and one.start < end and start < one.end:
            raise DomainError(
                f"there is a sitting each {WEEKDAYS[weekday]} from {one.start:%H:%M} to "
                f"{one.end:%H:%M} already: choose other times"
            )
    if len(choices.rhythm) >= MOST_WEEKLY:
        raise DomainError(f"a week holds {MOST_WEEKLY} sittings: take some out first")
    name = f"{WEEKDAYS[weekday][:3].lower()}-{start:%H%M}"
    taken = {one.id for one in choices.rhythm}
    number = 2
    while name in taken:
        name, number = f"{name[:8]}-{number}", number + 1
    rhythm = (*choices.rhythm, Weekly(name, weekday, start, end, since))
    rhythm = tuple(sorted(rhythm, key=lambda one: (one.weekday, one.start)))
    label = f"A sitting each {WEEKDAYS[weekday]} from {since:%d %B}"
    return replace(choices, rhythm=rhythm), label


def without_past(choices: Choices, now: datetime) -> Choices:
    """The choices without exceptions that are over."""
    today = now.date()
    return replace(
        choices,
        lost=tuple(one for one in choices.lost if (today - one.day).days < 7),
        moved=tuple(one for one in choices.moved if (today - max(one.day, one.to)).days < 7),
    )


def refuse_backwards(start: time, end: time) -> None:
    """Raises DomainError where a sitting ends before it starts."""
    if end <= start:
        raise DomainError(
            f"the sitting ends at {end:%H:%M}, not after its start at {start:%H:%M}: choose a "
            f"later end"
        )


def found_sitting(choices: Choices, sitting: str) -> tuple[Weekly, date]:
    """The row of the rhythm and the day of a sitting. Raises DomainError where it is gone."""
    found = find_occurrence(choices, sitting)
    if found is None or found[1] in {o.day for o in choices.lost if o.weekly == found[0].id}:
        raise DomainError("that sitting is gone already: look at the plan again")
    return found


def refuse_times(choices: Choices, day: date, start: time, end: time, beside: str = "") -> None:
    """Raises DomainError where a sitting ends before it starts, or meets another one of that day
    than ``beside``."""
    refuse_backwards(start, end)
    that_day = takewhile(lambda one: one.day == day, sittings_from(choices, day))
    for one in that_day:
        if one.id != beside and one.start < end and start < one.end:
            raise DomainError(
                f"there is a sitting from {one.start:%H:%M} to {one.end:%H:%M} that day "
                f"already: choose other times"
            )


def rhythm_of(weekdays: dict[int, tuple[time, time]], since: date) -> tuple[Weekly, ...]:
    """A sitting on each chosen weekday (0 is Monday) from ``since`` on."""
    return tuple(
        Weekly(f"{WEEKDAYS[day][:3].lower()}-{start:%H%M}", day, start, end, since)
        for day, (start, end) in sorted(weekdays.items())
    )

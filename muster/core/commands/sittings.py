"""Commands about sittings: the weekly rhythm, its exceptions, and single ones."""

from __future__ import annotations

from dataclasses import replace
from datetime import date, datetime, time
from itertools import takewhile
from typing import Annotated, Literal

from pydantic import Field
from pydantic.dataclasses import dataclass

from muster.core.choices import Choices, Evening, LostSitting, MovedSitting, Weekly
from muster.core.plan.json_fields import DomainError
from muster.core.recipes.recipe import STRICT
from muster.core.work.sittings import find_occurrence, sittings_from

MOST_EVENINGS = 400
MOST_WEEKLY = 28
MOST_EXCEPTIONS = 400

WEEKDAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")


@dataclass(frozen=True, config=STRICT)
class AddEvening:
    """Add a sitting; ``weekly``: and the same each week, without end."""

    do: Literal["add_evening"]
    day: date
    start: time
    end: time
    weekly: bool = False


@dataclass(frozen=True, config=STRICT)
class RemoveEvening:
    """Take a sitting out; of a weekly one only that day's is lost."""

    do: Literal["remove_evening"]
    evening: str


@dataclass(frozen=True, config=STRICT)
class MoveEvening:
    """Have a sitting at another time; of a weekly one only that day's."""

    do: Literal["move_evening"]
    evening: str
    day: date
    start: time
    end: time


@dataclass(frozen=True, config=STRICT)
class EndWeekly:
    """Take a weekly sitting out for good, with its exceptions."""

    do: Literal["end_weekly"]
    weekly: Annotated[str, Field(max_length=40)]


def add_evening(choices: Choices, command: AddEvening) -> tuple[Choices, str]:
    """The choices with the sitting, and what was done. Raises Refused where it meets another."""
    _refuse_times(choices, command)
    if not command.weekly:
        if len(choices.evenings) >= MOST_EVENINGS:
            raise DomainError(
                f"a muster holds {MOST_EVENINGS} single sittings: take some out first"
            )
        name = f"{command.day:%Y%m%d}-{command.start:%H%M}"
        new = Evening(name, command.day, command.start, command.end)
        evenings = tuple(sorted((*choices.evenings, new), key=lambda one: (one.day, one.start)))
        return replace(choices, evenings=evenings), f"A sitting on {command.day:%d %B} added"
    return add_weekly(choices, command.day.weekday(), command.start, command.end, command.day)


def add_weekly(
    choices: Choices, weekday: int, start: time, end: time, since: date
) -> tuple[Choices, str]:
    """The choices with a sitting each week. Raises Refused where the rhythm has one then."""
    _refuse_backwards(start, end)
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


def remove_evening(choices: Choices, command: RemoveEvening) -> tuple[Choices, str]:
    """The choices without the sitting."""
    kept = tuple(one for one in choices.evenings if one.id != command.evening)
    if len(kept) < len(choices.evenings):
        gone = next(one for one in choices.evenings if one.id == command.evening)
        return replace(choices, evenings=kept), f"The sitting of {gone.day:%d %B} taken out"
    weekly, day = _found(choices, command.evening)
    moved = tuple(one for one in choices.moved if (one.weekly, one.day) != (weekly.id, day))
    lost = (*choices.lost, LostSitting(weekly.id, day))
    if len(lost) > MOST_EXCEPTIONS:
        raise DomainError(f"a rhythm has {MOST_EXCEPTIONS} exceptions: end it and begin another")
    return replace(choices, moved=moved, lost=lost), f"The sitting of {day:%d %B} taken out"


def move_evening(choices: Choices, command: MoveEvening) -> tuple[Choices, str]:
    """The choices with the sitting at another time. Raises Refused where it would meet another."""
    _refuse_times(choices, command, beside=command.evening)
    label = f"A sitting moved to {command.day:%d %B}, {command.start:%H:%M}"
    if any(one.id == command.evening for one in choices.evenings):
        evenings = tuple(
            Evening(one.id, command.day, command.start, command.end)
            if one.id == command.evening
            else one
            for one in choices.evenings
        )
        return replace(choices, evenings=evenings), label
    weekly, day = _found(choices, command.evening)
    others = tuple(one for one in choices.moved if (one.weekly, one.day) != (weekly.id, day))
    if len(others) >= MOST_EXCEPTIONS:
        raise DomainError(f"a rhythm has {MOST_EXCEPTIONS} exceptions: end it and begin another")
    moved = MovedSitting(weekly.id, day, command.day, command.start, command.end)
    return replace(choices, moved=(*others, moved)), label


def end_weekly(choices: Choices, command: EndWeekly) -> tuple[Choices, str]:
    """The choices without that row of the rhythm."""
    kept = tuple(one for one in choices.rhythm if one.id != command.weekly)
    if len(kept) == len(choices.rhythm):
        raise DomainError("that weekly sitting is gone already: look at the plan again")
    gone = next(one for one in choices.rhythm if one.id == command.weekly)
    left = replace(
        choices,
        rhythm=kept,
        lost=tuple(one for one in choices.lost if one.weekly != gone.id),
        moved=tuple(one for one in choices.moved if one.weekly != gone.id),
    )
    return left, f"No sitting each {WEEKDAYS[gone.weekday]} any more"


def without_past(choices: Choices, now: datetime) -> Choices:
    """The choices without exceptions that are over."""
    today = now.date()
    return replace(
        choices,
        lost=tuple(one for one in choices.lost if (today - one.day).days < 7),
        moved=tuple(one for one in choices.moved if (today - max(one.day, one.to)).days < 7),
    )


def _refuse_backwards(start: time, end: time) -> None:
    if end <= start:
        raise DomainError(
            f"the sitting ends at {end:%H:%M}, not after its start at {start:%H:%M}: choose a "
            f"later end"
        )


def _found(choices: Choices, sitting: str) -> tuple[Weekly, date]:
    found = find_occurrence(choices, sitting)
    if found is None or found[1] in {o.day for o in choices.lost if o.weekly == found[0].id}:
        raise DomainError("that sitting is gone already: look at the plan again")
    return found


def _refuse_times(choices: Choices, command: AddEvening | MoveEvening, beside: str = "") -> None:
    """Raises Refused where the sitting ends before it starts, or meets another one of that day
    than ``beside``."""
    _refuse_backwards(command.start, command.end)
    that_day = takewhile(lambda one: one.day == command.day, sittings_from(choices, command.day))
    for one in that_day:
        if one.id != beside and one.start < command.end and command.start < one.end:
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

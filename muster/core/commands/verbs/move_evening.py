"""Have a sitting at another time."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import MOST_EXCEPTIONS, Choices, Evening, MovedSitting
from muster.core.commands.command import Command, verb
from muster.core.commands.rhythm import found_sitting, refuse_times, without_past
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT, Day, LocalTime


@verb()
@dataclass(frozen=True, config=STRICT)
class MoveEvening(Command):
    """Have a sitting at another time; of a weekly one only that day's."""

    do: Literal["move_evening"]
    evening: str
    day: Day
    start: LocalTime
    end: LocalTime

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """It must not meet another of that day. Raises DomainError where it cannot be."""
        choices = without_past(choices, now)
        refuse_times(choices, self.day, self.start, self.end, beside=self.evening)
        label = f"A sitting moved to {self.day:%d %B}, {self.start:%H:%M}"
        if any(one.id == self.evening for one in choices.evenings):
            evenings = tuple(
                Evening(one.id, self.day, self.start, self.end) if one.id == self.evening else one
                for one in choices.evenings
            )
            return replace(choices, evenings=evenings), label
        weekly, day = found_sitting(choices, self.evening)
        others = tuple(one for one in choices.moved if (one.weekly, one.day) != (weekly.id, day))
        if len(others) >= MOST_EXCEPTIONS:
            raise DomainError(
                f"a rhythm has {MOST_EXCEPTIONS} exceptions: end it and begin another"
            )
        moved = MovedSitting(weekly.id, day, self.day, self.start, self.end)
        return replace(choices, moved=(*others, moved)), label

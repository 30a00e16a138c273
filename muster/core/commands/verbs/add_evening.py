"""Add a sitting."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import MOST_EVENINGS, Choices, Evening
from muster.core.commands.command import Command, verb
from muster.core.commands.rhythm import add_weekly, refuse_times, without_past
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT, Day, LocalTime


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class AddEvening(Command):
    """Add a sitting; ``weekly``: and the same each week, without end."""

    do: Literal["add_evening"]
    day: Day
    start: LocalTime
    end: LocalTime
    weekly: bool = False

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """It must not meet another of that day. Raises DomainError where it cannot be."""
        choices = without_past(choices, now)
        refuse_times(choices, self.day, self.start, self.end)
        if self.weekly:
            return add_weekly(choices, self.day.weekday(), self.start, self.end, self.day)
        if len(choices.evenings) >= MOST_EVENINGS:
            raise DomainError(
                f"a muster holds {MOST_EVENINGS} single sittings: take some out first"
            )
        name = f"{self.day:%Y%m%d}-{self.start:%H%M}"
        new = Evening(name, self.day, self.start, self.end)
        evenings = tuple(sorted((*choices.evenings, new), key=lambda one: (one.day, one.start)))
        return replace(choices, evenings=evenings), f"A sitting on {self.day:%d %B} added"

"""Set the parade day."""

from __future__ import annotations

from dataclasses import replace
from datetime import date, datetime, time
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import Choices
from muster.core.commands.command import Command, verb
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT, Day


@verb()
@dataclass(frozen=True, config=STRICT)
class SetParadeDay(Command):
    """Say when all must stand finished; without a day, it is done when it is done."""

    do: Literal["set_parade_day"]
    day: Day | None = None

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """A day must be still to come, where the painter lives."""
        if self.day is None:
            return replace(choices, parade_day=None), "No parade day: done when it is done"
        refuse_past_day(choices, self.day, now)
        return replace(choices, parade_day=self.day), f"Parade day {self.day:%d %B}"


def refuse_past_day(choices: Choices, day: date, now: datetime) -> None:
    """A parade day must still be to come. Raises DomainError."""
    if choices.local(day, time(0)) <= now:
        raise DomainError(f"the parade day {day:%d %B %Y} is not to come: choose a later day")

"""Take a sitting out."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import MOST_EXCEPTIONS, Choices, LostSitting
from muster.core.commands.command import Command, verb
from muster.core.commands.rhythm import found_sitting, without_past
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT


@verb()
@dataclass(frozen=True, config=STRICT)
class RemoveEvening(Command):
    """Take a sitting out; of a weekly one only that day's is lost."""

    do: Literal["remove_evening"]
    evening: str

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """A single one goes; of the rhythm an exception is kept.

        Raises DomainError where it cannot be.
        """
        choices = without_past(choices, now)
        kept = tuple(one for one in choices.evenings if one.id != self.evening)
        if len(kept) < len(choices.evenings):
            gone = next(one for one in choices.evenings if one.id == self.evening)
            return replace(choices, evenings=kept), f"The sitting of {gone.day:%d %B} taken out"
        weekly, day = found_sitting(choices, self.evening)
        moved = tuple(one for one in choices.moved if (one.weekly, one.day) != (weekly.id, day))
        lost = (*choices.lost, LostSitting(weekly.id, day))
        if len(lost) > MOST_EXCEPTIONS:
            raise DomainError(
                f"a rhythm has {MOST_EXCEPTIONS} exceptions: end it and begin another"
            )
        return replace(choices, moved=moved, lost=lost), f"The sitting of {day:%d %B} taken out"

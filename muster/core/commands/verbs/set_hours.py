"""Say in which hours of a day something holds."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import MOST_SPELLS, Choices, Spell
from muster.core.commands.command import Command, verb
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT, LocalTime, Name


@verb()
@dataclass(frozen=True, config=STRICT)
class SetHours(Command):
    """Say between which hours of each day something holds, such as daylight."""

    do: Literal["set_hours"]
    tag: Name
    start: LocalTime
    end: LocalTime

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """In place of what was said of that tag before. Raises DomainError where it cannot be."""
        if self.end <= self.start:
            raise DomainError(
                f"'{self.tag}' ends at {self.end:%H:%M}, not after its start at "
                f"{self.start:%H:%M}: choose a later end"
            )
        others = tuple(spell for spell in choices.spells if spell.tag != self.tag)
        if len(others) >= MOST_SPELLS:
            raise DomainError(f"a muster knows {MOST_SPELLS} such hours: use one of them")
        spells = (*others, Spell(self.tag, self.start, self.end))
        return replace(choices, spells=spells), f"Hours of '{self.tag}' changed"

"""Set how much the drying rack holds."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import MOST_RACK, Choices
from muster.core.commands.command import Command, verb
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class SetRack(Command):
    """Say how many figures the drying rack holds."""

    do: Literal["set_rack"]
    rack: int

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """At least one place. Raises DomainError where it cannot be."""
        if not 1 <= self.rack <= MOST_RACK:
            raise DomainError(f"a rack of {self.rack}: choose 1 to {MOST_RACK} places")
        return replace(choices, rack=self.rack), f"A rack of {self.rack} places"

"""Leave time free at the end of each sitting."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import MOST_SPARE_MIN, Choices
from muster.core.commands.command import Command, verb
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT


@verb()
@dataclass(frozen=True, config=STRICT)
class SetSpare(Command):
    """Leave so many minutes free at the end of each sitting."""

    do: Literal["set_spare"]
    minutes: int

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """Up to four hours. Raises DomainError where it cannot be."""
        if not 0 <= self.minutes <= MOST_SPARE_MIN:
            raise DomainError(f"{self.minutes} minutes free: choose 0 to {MOST_SPARE_MIN}")
        label = f"{self.minutes} min of each sitting left free"
        return replace(choices, spare_min=self.minutes), label

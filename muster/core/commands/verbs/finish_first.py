"""Finish a unit before the others."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import Choices
from muster.core.commands.command import Command, unit_of, verb
from muster.core.vocabulary import STRICT


@verb()
@dataclass(frozen=True, config=STRICT)
class FinishFirst(Command):
    """Finish a unit before the others; without one, none comes first."""

    do: Literal["finish_first"]
    unit: str | None = None

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """The unit must be on the roll."""
        if self.unit is None:
            return replace(choices, finish_first=None), "No unit comes first"
        unit = unit_of(choices, self.unit)
        return replace(choices, finish_first=unit.id), f"{unit.name} to be finished first"

"""Leave a pass out."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import Choices, LeaveOut
from muster.core.commands.command import Command, unit_of, verb
from muster.core.vocabulary import STRICT


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class LeaveOutCall(Command):
    """Leave a pass out on these models."""

    do: Literal["leave_out"]
    unit: str
    pass_keys: tuple[str, ...]
    models: tuple[int, ...]

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """Each of the passes that a call does."""
        unit = unit_of(choices, self.unit)
        new = tuple(LeaveOut(unit.id, key, self.models) for key in self.pass_keys)
        left_out = (*choices.left_out, *new)
        return replace(choices, left_out=left_out), f"A pass left out on {unit.name}"

"""Let a pass be put down in the middle."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import Choices, CutWork
from muster.core.commands.command import Command, unit_of, verb
from muster.core.vocabulary import STRICT


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class CutCall(Command):
    """Let a pass be put down in the middle."""

    do: Literal["cut_call"]
    unit: str
    pass_key: str

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """For that unit only; the recipe stays as it is."""
        unit = unit_of(choices, self.unit)
        new = CutWork(unit.id, self.pass_key)
        kept = tuple(row for row in choices.cuts if row != new)
        return replace(
            choices, cuts=(*kept, new)
        ), f"A pass of {unit.name} may be put down half done"

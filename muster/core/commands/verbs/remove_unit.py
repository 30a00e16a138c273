"""Take a unit off the roll."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import Choices
from muster.core.commands.command import Command, unit_of, verb
from muster.core.vocabulary import STRICT


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class RemoveUnit(Command):
    """Take a unit off the roll, with all that was said of it."""

    do: Literal["remove_unit"]
    unit: str

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """Orders, waived needs and cuts that name it go, too."""
        unit = unit_of(choices, self.unit)
        left = replace(
            choices,
            units=tuple(other for other in choices.units if other.id != unit.id),
            finish_first=None if choices.finish_first == unit.id else choices.finish_first,
            order=tuple(row for row in choices.order if unit.id not in (row.before, row.after)),
            waived=tuple(row for row in choices.waived if row.unit != unit.id),
            cuts=tuple(row for row in choices.cuts if row.unit != unit.id),
        )
        return left, f"{unit.name} taken off the roll"

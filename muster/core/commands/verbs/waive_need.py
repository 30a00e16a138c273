"""Do without what a pass needs."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import Choices, Waived
from muster.core.commands.command import Command, unit_of, verb
from muster.core.vocabulary import STRICT, Name


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class WaiveNeed(Command):
    """Do without what a pass needs: a lamp instead of daylight."""

    do: Literal["waive_need"]
    unit: str
    pass_key: str
    tag: Name

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """For that unit only; the recipe stays as it is."""
        unit = unit_of(choices, self.unit)
        new = Waived(unit.id, self.pass_key, self.tag)
        kept = tuple(row for row in choices.waived if row != new)
        return replace(choices, waived=(*kept, new)), f"{unit.name} without {self.tag}"

"""Add a unit to the roll."""

from __future__ import annotations

import re
from dataclasses import replace
from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field
from pydantic.dataclasses import dataclass

from muster.core.choices import MOST_UNITS, Choices, Unit
from muster.core.commands.command import Command, verb
from muster.core.errors import DomainError
from muster.core.typed.unit_line import read_line
from muster.core.vocabulary import STRICT, Kind


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class AddUnit(Command):
    """Add a unit from a typed line; ``kind`` and ``recipe`` are proposed where not given."""

    do: Literal["add_unit"]
    line: Annotated[str, Field(max_length=200)]
    recipe: str
    recipe_version: int
    kind: Kind | None = None

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """With an id of its own; without a scale it takes that of the unit before.

        Raises DomainError where it cannot be.
        """
        typed = read_line(self.line)
        kind = self.kind or typed.kind
        if kind is None:
            raise DomainError(
                f"'{typed.name}': say what kind they are, such as foot, mounted or vehicle"
            )
        if len(choices.units) >= MOST_UNITS:
            raise DomainError(f"a muster holds {MOST_UNITS} units: begin another muster")
        scale = typed.scale or (choices.units[-1].scale if choices.units else 72)
        unit = Unit(
            _free_id(choices, typed.name), typed.name, kind, scale, typed.count,
            self.recipe, self.recipe_version, area_cm2=typed.area_cm2,
        )  # fmt: skip
        return replace(choices, units=(*choices.units, unit)), f"{typed.count} {typed.name} added"


def _free_id(choices: Choices, name: str) -> str:
    slug = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:30] or "unit"
    taken = {unit.id for unit in choices.units}
    unit_id, number = slug, 1
    while unit_id in taken:
        number += 1
        unit_id = f"{slug}-{number}"
    return unit_id

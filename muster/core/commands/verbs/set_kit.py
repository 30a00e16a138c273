"""Say of what kit a unit is built."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.build.kit import Build, Kit, complaints_of
from muster.core.choices import Choices, Unit
from muster.core.commands.command import Command, unit_of, verb
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class SetKit(Command):
    """A unit is built of a kit; None: of one piece again, as its recipe says."""

    do: Literal["set_kit"]
    unit: str
    kit: Kit | None = None

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """What was said of the joints of an old kit goes with it. Raises DomainError."""
        unit = unit_of(choices, self.unit)
        if self.kit is None:
            return with_build(choices, unit, None), f"{unit.name} of one piece"
        return with_build(
            choices, unit, Build(self.kit, now)
        ), f"{unit.name} built of {self.kit.name}"


def build_of(choices: Choices, unit_id: str) -> tuple[Unit, Build]:
    """A unit with its build. Raises DomainError where it has none."""
    unit = unit_of(choices, unit_id)
    if unit.build is None:
        raise DomainError(f"{unit.name} has no parts yet: start from a template in Build")
    return unit, unit.build


def with_build(choices: Choices, unit: Unit, build: Build | None) -> Choices:
    """The choices with a unit's build as given. Raises DomainError where it cannot hold."""
    complaints = complaints_of(build.kit) if build is not None else []
    if complaints:
        raise DomainError(*complaints)
    new = replace(unit, build=build)
    units = tuple(new if other.id == unit.id else other for other in choices.units)
    return replace(choices, units=units)

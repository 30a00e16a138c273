"""Change what is given of a unit."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field
from pydantic.dataclasses import dataclass

from muster.core.choices import MOST_MODELS, Choices
from muster.core.commands.command import Command, unit_of, verb
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT, Name, Tier

GIVEN = ("name", "count", "scale", "tier", "priority", "recipe", "recipe_version")
"""Taken over as they are."""


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class EditUnit(Command):
    """Change what is given of a unit.

    ``tray_size`` 0 means as proposed; ``split`` says how many models each tray holds, so that
    trays may differ.
    """

    do: Literal["edit_unit"]
    unit: str
    name: Name | None = None
    count: int | None = None
    scale: Annotated[int, Field(ge=1, le=1000)] | None = None
    tray_size: int | None = None
    split: Annotated[tuple[int, ...], Field(max_length=MOST_MODELS)] | None = None
    tier: Tier | None = None
    priority: Annotated[int, Field(ge=1, le=5)] | None = None
    recipe: str | None = None
    recipe_version: int | None = None
    area_cm2: Annotated[float, Field(ge=0, le=100_000)] | None = None
    """0: by kind and scale."""

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """Only what is given changes; a tray size and a split take each other's place.

        Raises DomainError where it cannot be.
        """
        unit = unit_of(choices, self.unit)
        changes: dict[str, object] = {
            key: getattr(self, key) for key in GIVEN if getattr(self, key) is not None
        }
        count = self.count or unit.count
        if self.count is not None and not 1 <= self.count <= MOST_MODELS:
            raise DomainError(
                f"{self.count} models: a unit has 1 to {MOST_MODELS}; split a larger one"
            )
        if self.tray_size is not None:
            if not 0 <= self.tray_size <= count:
                raise DomainError(
                    f"a tray of {self.tray_size}: choose 1 to {count}, or 0 as proposed"
                )
            changes |= {"tray_size": self.tray_size or None, "split": ()}
        if self.area_cm2 is not None:
            changes["area_cm2"] = self.area_cm2 or None
        if self.split is not None:
            if sum(self.split) != count or min(self.split, default=1) < 1:
                raise DomainError(
                    f"trays of {', '.join(map(str, self.split))} hold {sum(self.split)} models: "
                    f"{unit.name} has {count}, so share those out, 1 or more to a tray"
                )
            changes |= {"split": self.split, "tray_size": None}
        new = replace(unit, **changes)  # type: ignore[arg-type]
        units = tuple(new if other.id == unit.id else other for other in choices.units)
        return replace(choices, units=units), f"{new.name} changed"

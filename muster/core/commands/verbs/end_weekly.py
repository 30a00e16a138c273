"""End a weekly sitting."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field
from pydantic.dataclasses import dataclass

from muster.core.choices import Choices
from muster.core.commands.command import Command, verb
from muster.core.commands.rhythm import WEEKDAYS
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT


@verb()
@dataclass(frozen=True, config=STRICT)
class EndWeekly(Command):
    """Take a weekly sitting out for good, with its exceptions."""

    do: Literal["end_weekly"]
    weekly: Annotated[str, Field(max_length=40)]

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """Its exceptions go with it. Raises DomainError where it cannot be."""
        gone = next((row for row in choices.rhythm if row.id == self.weekly), None)
        if gone is None:
            raise DomainError("that weekly sitting is gone already: look at the plan again")
        left = replace(
            choices,
            rhythm=tuple(row for row in choices.rhythm if row.id != gone.id),
            lost=tuple(row for row in choices.lost if row.weekly != gone.id),
            moved=tuple(row for row in choices.moved if row.weekly != gone.id),
        )
        return left, f"No sitting each {WEEKDAYS[gone.weekday]} any more"

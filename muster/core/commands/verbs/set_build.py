"""Take an offer of Build: its kit and what is said of it, as offered."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field
from pydantic.dataclasses import dataclass

from muster.core.build.kit import Build
from muster.core.choices import Choices
from muster.core.commands.command import Command, unit_of, verb
from muster.core.commands.verbs.set_kit import with_build
from muster.core.vocabulary import STRICT


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class SetBuild(Command):
    """A unit is built so; ``words``: what was changed."""

    do: Literal["set_build"]
    unit: str
    build: Build
    words: Annotated[str, Field(max_length=120)] = ""

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """The whole build as given. Raises DomainError where it cannot hold."""
        unit = unit_of(choices, self.unit)
        words = self.words or "built otherwise"
        return with_build(choices, unit, self.build), f"{unit.name}: {words}"

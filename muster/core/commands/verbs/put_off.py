"""Put a call off."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import Choices, PutOff
from muster.core.commands.command import Command, verb
from muster.core.vocabulary import STRICT, Moment


@verb()
@dataclass(frozen=True, config=STRICT)
class PutOffCall(Command):
    """Put a call off until later."""

    do: Literal["put_off"]
    call: str
    until: Moment

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """In place of what it was put off to before."""
        others = tuple(row for row in choices.put_off if row.call != self.call)
        put_off = (*others, PutOff(self.call, self.until))
        return replace(choices, put_off=put_off), "A call put off"

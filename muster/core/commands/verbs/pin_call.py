"""Fix a call in time."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field
from pydantic.dataclasses import dataclass

from muster.core.choices import Choices, PinChoice
from muster.core.commands.command import Command, verb
from muster.core.vocabulary import STRICT, Moment


@verb()
@dataclass(frozen=True, config=STRICT)
class PinCall(Command):
    """Fix a call in time; without a start, free it."""

    do: Literal["pin_call"]
    call: str
    start: Moment | None = None
    slack_s: Annotated[int, Field(ge=0, le=90 * 86400)] = 0

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """In place of the pin before."""
        pins = tuple(pin for pin in choices.pins if pin.call != self.call)
        if self.start is None:
            return replace(choices, pins=pins), "A call unpinned"
        pin = PinChoice(self.call, self.start, self.slack_s)
        return replace(choices, pins=(*pins, pin)), "A call pinned"

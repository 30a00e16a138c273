"""Let either of two units come first again."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import Choices, Order
from muster.core.commands.command import Command, verb
from muster.core.commands.verbs.set_order import names_in_order
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT


@verb()
@dataclass(frozen=True, config=STRICT)
class DropOrder(Command):
    """Either may come first again."""

    do: Literal["drop_order"]
    before: str
    after: str
    before_pass: str | None = None
    after_pass: str | None = None

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """Only an order that stands can be taken out. Raises DomainError where it cannot be."""
        gone = Order(self.before, self.after, self.before_pass, self.after_pass)
        if gone not in choices.order:
            raise DomainError("that order is gone already: look at the roll again")
        words = names_in_order(choices, self.before, self.after)
        kept = tuple(row for row in choices.order if row != gone)
        return replace(choices, order=kept), f"{words} no longer"

"""Have a unit done before another."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import MOST_ORDERS, Choices, Order
from muster.core.commands.command import Command, unit_of, verb
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT


@verb()
@dataclass(frozen=True, config=STRICT)
class SetOrder(Command):
    """A unit, or one pass of it, is done before another unit, or one pass of that, is begun."""

    do: Literal["set_order"]
    before: str
    after: str
    before_pass: str | None = None
    after_pass: str | None = None

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """Circles are refused where the work is built. Raises DomainError where it cannot be."""
        words = names_in_order(choices, self.before, self.after)
        if self.before == self.after:
            raise DomainError("a unit cannot come before itself: its passes follow its recipe")
        new = Order(self.before, self.after, self.before_pass, self.after_pass)
        if new in choices.order:
            raise DomainError(f"{words}: that is so already")
        if len(choices.order) >= MOST_ORDERS:
            raise DomainError(f"a muster holds {MOST_ORDERS} such orders: take some out first")
        return replace(choices, order=(*choices.order, new)), words


def names_in_order(choices: Choices, before: str, after: str) -> str:
    """One unit before another, in words. Raises DomainError where either is gone."""
    return f"{unit_of(choices, before).name} before {unit_of(choices, after).name}"

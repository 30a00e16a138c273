"""What a fact must agree with before it is kept: the clock and the roll."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime, timedelta

from muster.core.choices import Choices
from muster.core.errors import DomainError
from muster.core.facts.fact import KINDS, Fact

AHEAD = timedelta(seconds=90)
"""How far a phone's clock may be ahead of the server's."""


def refuse_impossible(facts: Iterable[Fact], choices: Choices, now: datetime) -> None:
    """Raises DomainError for a fact of the future, of no unit or model on the roll, or of a model
    done before it was begun."""
    for fact in facts:
        if fact.at > now + AHEAD:
            raise DomainError(f"a fact at {fact.at:%H:%M} is still to come: set the clock right")
        kind, unit = KINDS[fact.kind], choices.unit(fact.unit)
        if kind.of_unit:
            if unit is None:
                raise DomainError("that unit is no longer on the roll: look at it again")
            if kind.of_model and not 1 <= fact.model <= unit.count:
                raise DomainError(f"{unit.name} has no model {fact.model}: look at the roll again")
        if fact.start is not None and fact.start > fact.at:
            raise DomainError("a model was begun after it was done: correct the times")

"""What a fact must agree with before it is kept: its shape, the clock and the roll."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Annotated, Any

from pydantic import ValidationError, WrapValidator

from muster.core.choices import Choices
from muster.core.errors import in_words
from muster.core.facts.fact import KINDS, Fact

AHEAD = timedelta(seconds=90)
"""How far a phone's clock may be ahead of the server's."""


@dataclass(frozen=True)
class RefusedFact:
    """A fact that is not taken, by its id as it was sent (empty: it has none), and why."""

    id: str
    complaints: list[str]


def _fact_or_refused(raw: Any, read: Any) -> Fact | RefusedFact:
    try:
        found: Fact = read(raw)
    except ValidationError as error:
        sent = raw.get("id", "") if isinstance(raw, dict) else ""
        return RefusedFact(str(sent)[:60], [in_words(dict(one)) for one in error.errors()])
    return found


SentFact = Annotated[Fact, WrapValidator(_fact_or_refused)]
"""A fact as a client sends it: one of no right shape becomes a ``RefusedFact``, so that it does not
keep others from being taken."""


def sift(
    sent: Iterable[Fact | RefusedFact], choices: Choices, now: datetime
) -> tuple[list[Fact], list[RefusedFact]]:
    """The facts that can be kept, each id once, and those that cannot."""
    good: dict[str, Fact] = {}
    refused: list[RefusedFact] = []
    for fact in sent:
        if isinstance(fact, RefusedFact):
            refused.append(fact)
        elif complaint := _complaint(fact, choices, now):
            refused.append(RefusedFact(str(fact.id), [complaint]))
        else:
            good.setdefault(str(fact.id), fact)
    return list(good.values()), refused


def _complaint(fact: Fact, choices: Choices, now: datetime) -> str:
    """Why a fact cannot be (still to come, of no unit or model on the roll, done before it was
    begun); empty where it can."""
    if fact.at > now + AHEAD:
        return f"a fact at {fact.at:%H:%M} is still to come: set the clock right"
    kind, unit = KINDS[fact.kind], choices.unit(fact.unit)
    if kind.of_unit:
        if unit is None:
            return "that unit is no longer on the roll: look at it again"
        if kind.of_model and not 1 <= fact.model <= unit.count:
            return f"{unit.name} has no model {fact.model}: look at the roll again"
    if fact.start is not None and fact.start > fact.at:
        return "a model was begun after it was done: correct the times"
    return ""

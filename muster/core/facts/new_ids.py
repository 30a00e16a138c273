"""The same facts under new ids: those of a friend's muster stand beside his own."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace
from uuid import UUID, uuid4

from muster.core.facts.fact import Fact


def with_new_ids(facts: Iterable[Fact]) -> tuple[Fact, ...]:
    """Each with an id of its own; what takes another back takes the same one back."""
    facts = tuple(facts)
    new: dict[UUID, UUID] = {fact.id: uuid4() for fact in facts}
    return tuple(
        replace(fact, id=new[fact.id], of=fact.of and new.get(fact.of, fact.of)) for fact in facts
    )

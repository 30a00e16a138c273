"""Facts: what was really done, append-only. An undo is a fact that takes another back."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime
from typing import Annotated, Literal
from uuid import RFC_4122, UUID

from pydantic import AfterValidator, AwareDatetime, Field, TypeAdapter
from pydantic.dataclasses import dataclass

from muster.core.vocabulary import STRICT

FactKind = Literal["begin", "tick", "touch_up", "pause", "end", "take_back"]


def _known_layout(id_: UUID) -> UUID:
    """The database takes no other: beyond version 5 the variant must be the usual one."""
    if id_.int >> 76 & 0xF > 5 and id_.variant != RFC_4122:
        raise ValueError("this is no usual UUID: make a new one")
    return id_


FactId = Annotated[UUID, AfterValidator(_known_layout)]


@dataclass(frozen=True, config=STRICT)
class Fact:
    """One fact. ``begin``: a call is begun at ``at``; ``tick``: a model's pass is done, worked from
    ``start`` to ``at``; ``touch_up``: a model needs one; ``pause`` and ``end``: of the call under
    way; ``take_back``: the fact ``of`` never was."""

    id: FactId
    kind: FactKind
    at: AwareDatetime
    unit: str = ""
    pass_keys: tuple[str, ...] = ()
    model: Annotated[int, Field(ge=0)] = 0
    tray: Annotated[int, Field(ge=0)] = 0
    start: AwareDatetime | None = None
    of: UUID | None = None


FACT: TypeAdapter[Fact] = TypeAdapter(Fact)
FACTS: TypeAdapter[tuple[Fact, ...]] = TypeAdapter(tuple[Fact, ...])


def touch_key(pass_key: str) -> str:
    """The key under which touching a pass up is ticked."""
    return f"{pass_key[:18]}-touch"


@dataclass(frozen=True)
class Tick:
    """A model's pass that is done."""

    fact: UUID
    start: datetime
    end: datetime


@dataclass(frozen=True)
class Running:
    """The call under way: begun, not ended. ``since``: when its current model was begun."""

    unit: str
    pass_keys: tuple[str, ...]
    tray: int
    begun: datetime
    since: datetime
    paused: bool


@dataclass(frozen=True)
class BenchState:
    """Facts, told: what stands after everything taken back is gone."""

    standing: tuple[Fact, ...]
    ticks: dict[tuple[str, int, str], Tick]
    touch_ups: frozenset[tuple[str, int, str]]
    running: Running | None

    def last(self) -> Fact | None:
        """The newest fact that stands."""
        return self.standing[-1] if self.standing else None


def replay(facts: Iterable[Fact]) -> BenchState:
    """Tell the facts in the order of their times; of equal times, in the order given."""
    ordered = sorted(facts, key=lambda fact: fact.at)
    gone = {fact.of for fact in ordered if fact.kind == "take_back"}
    standing = tuple(f for f in ordered if f.kind != "take_back" and f.id not in gone)
    ticks: dict[tuple[str, int, str], Tick] = {}
    touch_ups: set[tuple[str, int, str]] = set()
    running: Running | None = None
    for fact in standing:
        if fact.kind == "begin":
            running = Running(fact.unit, fact.pass_keys, fact.tray, fact.at, fact.at, False)
        elif fact.kind == "tick":
            for key in fact.pass_keys:
                ticks[fact.unit, fact.model, key] = Tick(fact.id, fact.start or fact.at, fact.at)
                touch_ups -= {
                    mark
                    for mark in touch_ups
                    if mark[:2] == (fact.unit, fact.model) and touch_key(mark[2]) == key
                }
            if running and (running.unit, running.pass_keys) == (fact.unit, fact.pass_keys):
                running = Running(
                    running.unit, running.pass_keys, running.tray, running.begun, fact.at,
                    running.paused,
                )  # fmt: skip
        elif fact.kind == "touch_up":
            for key in fact.pass_keys:
                touch_ups.add((fact.unit, fact.model, key))
                ticks.pop((fact.unit, fact.model, touch_key(key)), None)
        elif fact.kind == "pause" and running:
            running = Running(
                running.unit, running.pass_keys, running.tray, running.begun, fact.at,
                not running.paused,
            )  # fmt: skip
        elif fact.kind == "end":
            running = None
    return BenchState(standing, ticks, frozenset(touch_ups), running)

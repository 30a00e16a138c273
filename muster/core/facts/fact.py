"""One fact as it is kept and sent, and the register of its kinds."""

from __future__ import annotations

from abc import ABC, abstractmethod
from dataclasses import dataclass as plain
from dataclasses import field
from datetime import datetime
from typing import Annotated, Any, ClassVar
from uuid import RFC_4122, UUID

from pydantic import AfterValidator, Field, TypeAdapter
from pydantic.dataclasses import dataclass

from muster.core.vocabulary import STRICT, Moment

KINDS: dict[str, Kind] = {}
"""By name: what a kind of fact tells."""


def _known_layout(id_: UUID) -> UUID:
    """The database takes no other: beyond version 5 the variant must be the usual one."""
    if id_.int >> 76 & 0xF > 5 and id_.variant != RFC_4122:
        raise ValueError("this is no usual UUID: make a new one")
    return id_


def _known_kind(name: str) -> str:
    if name not in KINDS:
        raise ValueError(f"there is no such fact: use {', '.join(KINDS)}")
    return name


def _name_the_kinds(schema: dict[str, Any]) -> None:
    schema["enum"] = list(KINDS)


FactId = Annotated[UUID, AfterValidator(_known_layout)]
KindName = Annotated[str, AfterValidator(_known_kind), Field(json_schema_extra=_name_the_kinds)]


PassKey = Annotated[str, Field(max_length=24)]


@dataclass(frozen=True, config=STRICT)
class Fact:
    """One fact. ``kind`` says which of the other fields speak: a call is told by its unit, its
    passes and its tray; a model by its number in the unit."""

    id: FactId
    kind: KindName
    at: Moment
    unit: Annotated[str, Field(max_length=40)] = ""
    pass_keys: Annotated[tuple[PassKey, ...], Field(max_length=20)] = ()
    model: Annotated[int, Field(ge=0, le=1000)] = 0
    tray: Annotated[int, Field(ge=0, le=1000)] = 0
    start: Moment | None = None
    of: UUID | None = None


FACT: TypeAdapter[Fact] = TypeAdapter(Fact)


def touch_key(pass_key: str) -> str:
    """The key under which touching a pass up is ticked."""
    return f"{pass_key[:18]}-touch"


@plain(frozen=True)
class Tick:
    """A model's pass that is done."""

    fact: UUID
    start: datetime
    end: datetime


@plain(frozen=True)
class CallUnderWay:
    """The call under way: begun, not ended. ``since``: when its current model was begun."""

    unit: str
    pass_keys: tuple[str, ...]
    tray: int
    begun: datetime
    since: datetime
    paused: bool


@plain
class Told:
    """What the facts up to one have told: each kind changes it."""

    ticks: dict[tuple[str, int, str], Tick] = field(default_factory=dict)
    """By unit, model and pass."""
    touch_ups: set[tuple[str, int, str]] = field(default_factory=set)
    under_way: CallUnderWay | None = None


class Kind(ABC):
    """A kind of fact."""

    of_unit: ClassVar[bool] = False
    """It speaks of a unit, which must be on the roll."""
    of_model: ClassVar[bool] = False
    """And of one of its models."""

    @abstractmethod
    def tell(self, fact: Fact, told: Told) -> None:
        """Change what was told by this fact."""


def kind(name: str) -> Any:
    """Register a kind under its name."""

    def register(made: type[Kind]) -> type[Kind]:
        KINDS[name] = made()
        return made

    return register

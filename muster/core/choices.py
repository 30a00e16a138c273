"""What the user has chosen for a muster: one frozen document, versioned as a whole.

Commands turn one document into the next; undo goes back to an earlier one. Everything derived
(work, problem, plan) follows from choices, facts and now alone.
"""

from __future__ import annotations

from datetime import date, datetime, time
from functools import cache
from typing import Annotated
from zoneinfo import ZoneInfo, available_timezones

from pydantic import AfterValidator, Field, TypeAdapter
from pydantic.dataclasses import dataclass

from muster.core.vocabulary import STRICT, Kind, Name, Tier

Id = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,39}$")]


@cache
def _zones() -> frozenset[str]:
    return frozenset(available_timezones())


def _zone(name: str) -> str:
    if name not in _zones():
        raise ValueError(f"there is no time zone '{name}': use one such as Europe/London")
    return name


Zone = Annotated[str, AfterValidator(_zone)]

MOST_MODELS = 500
"""In one unit: more is a slip of the finger."""

MOST_UNITS = 60
MOST_RACK = 100_000
MOST_SPELLS = 20
MOST_SPARE_MIN = 240
MOST_ORDERS = 200
MOST_EVENINGS = 400
MOST_WEEKLY = 28
MOST_EXCEPTIONS = 400
"""From the weekly rhythm."""


@dataclass(frozen=True, config=STRICT)
class Unit:
    """Matching models, painted by one recipe version, split into trays."""

    id: Id
    name: Name
    kind: Kind
    scale: Annotated[int, Field(ge=1, le=1000)]
    count: Annotated[int, Field(ge=1, le=MOST_MODELS)]
    recipe: str
    recipe_version: Annotated[int, Field(ge=1)]
    tier: Tier = "hand"
    priority: Annotated[int, Field(ge=1, le=5)] = 2
    tray_size: Annotated[int, Field(ge=1, le=MOST_MODELS)] | None = None
    split: tuple[Annotated[int, Field(ge=1, le=MOST_MODELS)], ...] = ()
    """How many models each tray holds, where they are not all of one size."""
    area_cm2: Annotated[float, Field(gt=0, le=100_000)] | None = None
    """Painted surface of one model, where it was measured."""


@dataclass(frozen=True, config=STRICT)
class Weekly:
    """A sitting every week on a weekday (0 is Monday), from ``since`` on, without end."""

    id: Id
    weekday: Annotated[int, Field(ge=0, le=6)]
    start: time
    end: time
    since: date


@dataclass(frozen=True, config=STRICT)
class LostSitting:
    """A weekly sitting that does not take place on that day."""

    weekly: Id
    day: date


@dataclass(frozen=True, config=STRICT)
class MovedSitting:
    """A weekly sitting that takes place at another time than its day's usual one."""

    weekly: Id
    day: date
    to: date
    start: time
    end: time


@dataclass(frozen=True, config=STRICT)
class Evening:
    """A sitting of its own: local date and times, right across a change to summer time."""

    id: Id
    day: date
    start: time
    end: time


@dataclass(frozen=True, config=STRICT)
class Spell:
    """A condition that holds each day between two local times."""

    tag: Name
    start: time
    end: time


@dataclass(frozen=True, config=STRICT)
class PinChoice:
    """A call is to start then, or up to ``slack_s`` later."""

    call: str
    start: datetime
    slack_s: Annotated[int, Field(ge=0, le=90 * 86400)] = 0


@dataclass(frozen=True, config=STRICT)
class LeaveOut:
    """A pass is not done on these models."""

    unit: Id
    pass_key: str
    models: tuple[int, ...]


@dataclass(frozen=True, config=STRICT)
class PutOff:
    """A call is not to start before then."""

    call: str
    until: datetime


@dataclass(frozen=True, config=STRICT)
class Order:
    """A unit (or one pass of it) is done before another unit (or one pass of that) is begun."""

    before: Id
    after: Id
    before_pass: str | None = None
    after_pass: str | None = None


@dataclass(frozen=True, config=STRICT)
class Waived:
    """A unit's pass does without what its recipe needs: a lamp instead of daylight."""

    unit: Id
    pass_key: str
    tag: Name


@dataclass(frozen=True, config=STRICT)
class CutWork:
    """A unit's pass may be put down in the middle, whatever its recipe says."""

    unit: Id
    pass_key: str


@dataclass(frozen=True, config=STRICT)
class Choices:
    """The whole document."""

    name: Name
    zone: Zone
    parade_day: date | None = None
    units: tuple[Unit, ...] = ()
    rhythm: tuple[Weekly, ...] = ()
    """Sittings week by week; ``lost`` and ``moved`` are exceptions, ``evenings`` stand alone."""
    lost: tuple[LostSitting, ...] = ()
    moved: tuple[MovedSitting, ...] = ()
    evenings: tuple[Evening, ...] = ()
    spells: tuple[Spell, ...] = (
        Spell("daylight", time(8), time(18)),
        Spell("noise allowed", time(8), time(21, 30)),
    )
    pins: tuple[PinChoice, ...] = ()
    left_out: tuple[LeaveOut, ...] = ()
    put_off: tuple[PutOff, ...] = ()
    rack: Annotated[int, Field(ge=1, le=MOST_RACK)] = 40
    spare_min: Annotated[int, Field(ge=0, le=MOST_SPARE_MIN)] = 0
    """Minutes left free at the end of each sitting, for what takes longer."""
    finish_first: Id | None = None
    """The unit that is to stand finished before the others."""
    order: tuple[Order, ...] = ()
    waived: tuple[Waived, ...] = ()
    cuts: tuple[CutWork, ...] = ()

    def unit(self, unit_id: str) -> Unit | None:
        """The unit of that id."""
        return next((unit for unit in self.units if unit.id == unit_id), None)

    def local(self, day: date, clock: time) -> datetime:
        """A local moment as an aware one."""
        return datetime.combine(day, clock, ZoneInfo(self.zone))

    def due(self) -> datetime | None:
        """The start of the parade day in the user's zone."""
        return None if self.parade_day is None else self.local(self.parade_day, time(0))


CHOICES: TypeAdapter[Choices] = TypeAdapter(Choices)

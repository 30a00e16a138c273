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

from muster.core.build.kit import Build
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT, Day, Kind, LocalTime, Moment, Name, Tier

Id = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,39}$")]
Key = Annotated[str, Field(max_length=200)]
"""What names a pass or a call; one that there is not is taken for gone."""


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

Count = Annotated[int, Field(ge=1, le=MOST_MODELS)]

MOST_UNITS = 60
MOST_RACK = 100_000
MOST_SPELLS = 20
MOST_SPARE_MIN = 240
MOST_ORDERS = 200
MOST_EVENINGS = 400
MOST_WEEKLY = 28
MOST_EXCEPTIONS = 400
"""From the weekly rhythm."""

MOST_MARKS = 2_000
"""Pins, passes left out, calls put off: of each, in a muster."""

MOST_IN_ALL = 3_000
"""Models of a muster: some armies in one."""


@dataclass(frozen=True, config=STRICT)
class Unit:
    """Matching models, painted by one recipe version, split into trays."""

    id: Id
    name: Name
    kind: Kind
    scale: Annotated[int, Field(ge=1, le=1000)]
    count: Annotated[int, Field(ge=1, le=MOST_MODELS)]
    recipe: Annotated[str, Field(pattern=r"^[A-Za-z0-9-]{1,40}$")]
    recipe_version: Annotated[int, Field(ge=1, le=1_000_000)]
    tier: Tier = "hand"
    priority: Annotated[int, Field(ge=1, le=5)] = 2
    tray_size: Annotated[int, Field(ge=1, le=MOST_MODELS)] | None = None
    split: Annotated[tuple[Count, ...], Field(max_length=MOST_MODELS)] = ()
    """How many models each tray holds, where they are not all of one size."""
    area_cm2: Annotated[float, Field(gt=0, le=100_000)] | None = None
    """Painted surface of one model, where it was measured."""
    build: Build | None = None
    """The kit that it is built of, and how."""

    @property
    def recipe_key(self) -> tuple[str, int]:
        """Under which what it is painted by stands among everything derived: of a unit with a
        build the recipe is its own."""
        own = f"{self.recipe}/{self.id}" if self.build is not None else self.recipe
        return (own, self.recipe_version)


@dataclass(frozen=True, config=STRICT)
class Weekly:
    """A sitting every week on a weekday (0 is Monday), from ``since`` on, without end."""

    id: Id
    weekday: Annotated[int, Field(ge=0, le=6)]
    start: LocalTime
    end: LocalTime
    since: Day


@dataclass(frozen=True, config=STRICT)
class LostSitting:
    """A weekly sitting that does not take place on that day."""

    weekly: Id
    day: Day


@dataclass(frozen=True, config=STRICT)
class MovedSitting:
    """A weekly sitting that takes place at another time than its day's usual one."""

    weekly: Id
    day: Day
    to: Day
    start: LocalTime
    end: LocalTime


@dataclass(frozen=True, config=STRICT)
class Evening:
    """A sitting of its own: local date and times, right across a change to summer time."""

    id: Id
    day: Day
    start: LocalTime
    end: LocalTime


@dataclass(frozen=True, config=STRICT)
class Spell:
    """A condition that holds each day between two local times."""

    tag: Name
    start: LocalTime
    end: LocalTime


@dataclass(frozen=True, config=STRICT)
class PinChoice:
    """A call is to start then, or up to ``slack_s`` later."""

    call: Key
    start: Moment
    slack_s: Annotated[int, Field(ge=0, le=90 * 86400)] = 0


@dataclass(frozen=True, config=STRICT)
class LeaveOut:
    """A pass is not done on these models."""

    unit: Id
    pass_key: Key
    models: Annotated[tuple[Count, ...], Field(max_length=MOST_MODELS)]


@dataclass(frozen=True, config=STRICT)
class PutOff:
    """A call is not to start before then."""

    call: Key
    until: Moment


@dataclass(frozen=True, config=STRICT)
class Order:
    """A unit (or one pass of it) is done before another unit (or one pass of that) is begun."""

    before: Id
    after: Id
    before_pass: Key | None = None
    after_pass: Key | None = None


@dataclass(frozen=True, config=STRICT)
class Waived:
    """A unit's pass does without what its recipe needs: a lamp instead of daylight."""

    unit: Id
    pass_key: Key
    tag: Name


@dataclass(frozen=True, config=STRICT)
class CutWork:
    """A unit's pass may be put down in the middle, whatever its recipe says."""

    unit: Id
    pass_key: Key


@dataclass(frozen=True, config=STRICT)
class Choices:
    """The whole document."""

    name: Name
    zone: Zone
    parade_day: Day | None = None
    units: Annotated[tuple[Unit, ...], Field(max_length=MOST_UNITS)] = ()
    rhythm: Annotated[tuple[Weekly, ...], Field(max_length=MOST_WEEKLY)] = ()
    """Sittings week by week; ``lost`` and ``moved`` are exceptions, ``evenings`` stand alone."""
    lost: Annotated[tuple[LostSitting, ...], Field(max_length=MOST_EXCEPTIONS)] = ()
    moved: Annotated[tuple[MovedSitting, ...], Field(max_length=MOST_EXCEPTIONS)] = ()
    evenings: Annotated[tuple[Evening, ...], Field(max_length=MOST_EVENINGS)] = ()
    spells: Annotated[tuple[Spell, ...], Field(max_length=MOST_SPELLS)] = (
        Spell("daylight", time(8), time(18)),
        Spell("noise allowed", time(8), time(21, 30)),
    )
    pins: Annotated[tuple[PinChoice, ...], Field(max_length=MOST_MARKS)] = ()
    left_out: Annotated[tuple[LeaveOut, ...], Field(max_length=MOST_MARKS)] = ()
    put_off: Annotated[tuple[PutOff, ...], Field(max_length=MOST_MARKS)] = ()
    rack: Annotated[int, Field(ge=1, le=MOST_RACK)] = 40
    spare_min: Annotated[int, Field(ge=0, le=MOST_SPARE_MIN)] = 0
    """Minutes left free at the end of each sitting, for what takes longer."""
    finish_first: Id | None = None
    """The unit that is to stand finished before the others."""
    order: Annotated[tuple[Order, ...], Field(max_length=MOST_ORDERS)] = ()
    waived: Annotated[tuple[Waived, ...], Field(max_length=MOST_MARKS)] = ()
    cuts: Annotated[tuple[CutWork, ...], Field(max_length=MOST_MARKS)] = ()

    def unit(self, unit_id: str) -> Unit | None:
        """The unit of that id."""
        return next((unit for unit in self.units if unit.id == unit_id), None)

    def local(self, day: date, clock: time) -> datetime:
        """A local moment as an aware one."""
        return datetime.combine(day, clock, ZoneInfo(self.zone))

    def due(self) -> datetime | None:
        """The start of the parade day in the user's zone."""
        return None if self.parade_day is None else self.local(self.parade_day, time(0))


def refuse_too_much(choices: Choices) -> None:
    """Raises DomainError for more than a muster can hold: asked wherever one is kept."""
    models = sum(unit.count for unit in choices.units)
    if models > MOST_IN_ALL:
        raise DomainError(f"{models} models: a muster holds {MOST_IN_ALL}: begin another for some")


CHOICES: TypeAdapter[Choices] = TypeAdapter(Choices)

"""All commands as one tagged union, and how each is carried out."""

from __future__ import annotations

import re
from dataclasses import replace
from datetime import date, datetime, time
from typing import Annotated, Literal

from pydantic import AwareDatetime, Field, TypeAdapter
from pydantic.dataclasses import dataclass

from muster.core.choices import (
    MOST_MODELS,
    Choices,
    LeaveOut,
    PinChoice,
    PutOff,
    Spell,
    Unit,
)
from muster.core.commands.ordering import (
    CutCall,
    DropOrder,
    SetOrder,
    WaiveNeed,
    cut_call,
    drop_order,
    set_order,
    waive_need,
)
from muster.core.commands.sittings import (
    AddEvening,
    EndWeekly,
    MoveEvening,
    RemoveEvening,
    add_evening,
    end_weekly,
    move_evening,
    remove_evening,
    without_past,
)
from muster.core.plan.json_fields import DomainError
from muster.core.recipes.recipe import STRICT, Kind, Name, Tier
from muster.core.typed.unit_line import read_line

MOST_UNITS = 60
MOST_RACK = 100_000
MOST_SPELLS = 20
MOST_SPARE_MIN = 240


@dataclass(frozen=True, config=STRICT)
class AddUnit:
    """Add a unit from a typed line; ``kind`` and ``recipe`` are proposed where not given."""

    do: Literal["add_unit"]
    line: Annotated[str, Field(max_length=200)]
    recipe: str
    recipe_version: int
    kind: Kind | None = None


@dataclass(frozen=True, config=STRICT)
class EditUnit:
    """Change what is given of a unit.

    ``tray_size`` 0 means as proposed; ``split`` says how many models each tray holds, so that
    trays may differ.
    """

    do: Literal["edit_unit"]
    unit: str
    name: Name | None = None
    count: int | None = None
    tray_size: int | None = None
    split: Annotated[tuple[int, ...], Field(max_length=MOST_MODELS)] | None = None
    tier: Tier | None = None
    priority: Annotated[int, Field(ge=1, le=5)] | None = None
    recipe: str | None = None
    recipe_version: int | None = None
    area_cm2: Annotated[float, Field(ge=0, le=100_000)] | None = None
    """0: by kind and scale."""


@dataclass(frozen=True, config=STRICT)
class RemoveUnit:
    """Take a unit off the roll."""

    do: Literal["remove_unit"]
    unit: str


@dataclass(frozen=True, config=STRICT)
class SetParadeDay:
    """Say when all must stand finished; without a day, it is done when it is done."""

    do: Literal["set_parade_day"]
    day: date | None = None


@dataclass(frozen=True, config=STRICT)
class SetRack:
    """Say how many figures the drying rack holds."""

    do: Literal["set_rack"]
    rack: int


@dataclass(frozen=True, config=STRICT)
class SetSpare:
    """Leave so many minutes free at the end of each sitting."""

    do: Literal["set_spare"]
    minutes: int


@dataclass(frozen=True, config=STRICT)
class FinishFirst:
    """Finish a unit before the others; without one, none comes first."""

    do: Literal["finish_first"]
    unit: str | None = None


@dataclass(frozen=True, config=STRICT)
class SetHours:
    """Say between which hours of each day something holds, such as daylight."""

    do: Literal["set_hours"]
    tag: Name
    start: time
    end: time


@dataclass(frozen=True, config=STRICT)
class PinCall:
    """Fix a call in time; without a start, free it."""

    do: Literal["pin_call"]
    call: str
    start: AwareDatetime | None = None
    slack_s: Annotated[int, Field(ge=0, le=90 * 86400)] = 0


@dataclass(frozen=True, config=STRICT)
class LeaveOutCall:
    """Leave a pass out on these models."""

    do: Literal["leave_out"]
    unit: str
    pass_keys: tuple[str, ...]
    models: tuple[int, ...]


@dataclass(frozen=True, config=STRICT)
class PutOffCall:
    """Put a call off until later."""

    do: Literal["put_off"]
    call: str
    until: AwareDatetime


@dataclass(frozen=True, config=STRICT)
class Together:
    """Several changes as one: all of them or none, taken back at one stroke."""

    do: Literal["together"]
    changes: Annotated[
        tuple[
            Annotated[
                AddEvening | EditUnit | RemoveUnit | LeaveOutCall | WaiveNeed | CutCall | SetRack,
                Field(discriminator="do"),
            ],
            ...,
        ],
        Field(min_length=1, max_length=MOST_UNITS),
    ]


Command = Annotated[
    AddUnit | EditUnit | RemoveUnit | AddEvening | RemoveEvening | MoveEvening | EndWeekly
    | SetParadeDay | SetRack | SetSpare | FinishFirst | SetHours | PinCall | LeaveOutCall
    | PutOffCall | SetOrder | DropOrder | WaiveNeed | CutCall | Together,
    Field(discriminator="do"),
]  # fmt: skip
COMMAND: TypeAdapter[Command] = TypeAdapter(Command)


def carry_out(choices: Choices, command: Command, now: datetime) -> tuple[Choices, str]:
    """The next document, and what was done in words. Raises Refused and changes nothing."""
    match command:
        case AddUnit():
            return _add_unit(choices, command)
        case EditUnit():
            return _edit_unit(choices, command)
        case RemoveUnit():
            return _remove_unit(choices, command)
        case AddEvening():
            return add_evening(without_past(choices, now), command)
        case RemoveEvening():
            return remove_evening(without_past(choices, now), command)
        case MoveEvening():
            return move_evening(without_past(choices, now), command)
        case EndWeekly():
            return end_weekly(choices, command)
        case SetParadeDay():
            if command.day is None:
                return replace(choices, parade_day=None), "No parade day: done when it is done"
            refuse_past_day(choices, command.day, now)
            return replace(choices, parade_day=command.day), f"Parade day {command.day:%d %B}"
        case SetRack():
            if not 1 <= command.rack <= MOST_RACK:
                raise DomainError(f"a rack of {command.rack}: choose 1 to {MOST_RACK} places")
            return replace(choices, rack=command.rack), f"A rack of {command.rack} places"
        case SetSpare():
            return _set_spare(choices, command)
        case FinishFirst():
            if command.unit is None:
                return replace(choices, finish_first=None), "No unit comes first"
            unit = _unit(choices, command.unit)
            return replace(choices, finish_first=unit.id), f"{unit.name} to be finished first"
        case SetHours():
            return _set_hours(choices, command)
        case PinCall():
            pins = tuple(pin for pin in choices.pins if pin.call != command.call)
            if command.start is None:
                return replace(choices, pins=pins), "A call unpinned"
            pin = PinChoice(command.call, command.start, command.slack_s)
            return replace(choices, pins=(*pins, pin)), "A call pinned"
        case LeaveOutCall():
            unit = _unit(choices, command.unit)
            new = tuple(LeaveOut(unit.id, key, command.models) for key in command.pass_keys)
            left_out = (*choices.left_out, *new)
            return replace(choices, left_out=left_out), f"A pass left out on {unit.name}"
        case SetOrder():
            return set_order(choices, command)
        case DropOrder():
            return drop_order(choices, command)
        case WaiveNeed():
            return waive_need(choices, command)
        case CutCall():
            return cut_call(choices, command)
        case Together():
            labels = []
            for change in command.changes:
                choices, label = carry_out(choices, change, now)
                labels.append(label)
            more = f" and {len(labels) - 1} more" if len(labels) > 1 else ""
            return choices, labels[0] + more
        case PutOffCall():
            others = tuple(one for one in choices.put_off if one.call != command.call)
            put_off = (*others, PutOff(command.call, command.until))
            return replace(choices, put_off=put_off), "A call put off"


def refuse_past_day(choices: Choices, day: date, now: datetime) -> None:
    """A parade day must still be to come. Raises Refused."""
    if choices.local(day, time(0)) <= now:
        raise DomainError(f"the parade day {day:%d %B %Y} is not to come: choose a later day")


def _unit(choices: Choices, unit_id: str) -> Unit:
    unit = choices.unit(unit_id)
    if unit is None:
        raise DomainError("that unit is no longer on the roll: look at it again")
    return unit


def _remove_unit(choices: Choices, command: RemoveUnit) -> tuple[Choices, str]:
    unit = _unit(choices, command.unit)
    first = None if choices.finish_first == unit.id else choices.finish_first
    left = replace(
        choices,
        units=tuple(one for one in choices.units if one.id != unit.id),
        finish_first=first,
        order=tuple(one for one in choices.order if unit.id not in (one.before, one.after)),
        waived=tuple(one for one in choices.waived if one.unit != unit.id),
        cuts=tuple(one for one in choices.cuts if one.unit != unit.id),
    )
    return left, f"{unit.name} taken off the roll"


def _add_unit(choices: Choices, command: AddUnit) -> tuple[Choices, str]:
    typed = read_line(command.line)
    kind = command.kind or typed.kind
    if kind is None:
        raise DomainError(
            f"'{typed.name}': say what kind they are, such as foot, mounted or vehicle"
        )
    if len(choices.units) >= MOST_UNITS:
        raise DomainError(f"a muster holds {MOST_UNITS} units: begin another muster")
    slug = re.sub(r"[^a-z0-9]+", "-", typed.name.lower()).strip("-")[:30] or "unit"
    taken = {unit.id for unit in choices.units}
    unit_id, number = slug, 1
    while unit_id in taken:
        number += 1
        unit_id = f"{slug}-{number}"
    scale = typed.scale or (choices.units[-1].scale if choices.units else 72)
    unit = Unit(
        unit_id, typed.name, kind, scale, typed.count, command.recipe, command.recipe_version
    )
    return replace(choices, units=(*choices.units, unit)), f"{typed.count} {typed.name} added"


def _edit_unit(choices: Choices, command: EditUnit) -> tuple[Choices, str]:
    unit = _unit(choices, command.unit)
    changes: dict[str, object] = {
        key: getattr(command, key)
        for key in ("name", "count", "tier", "priority", "recipe", "recipe_version")
        if getattr(command, key) is not None
    }
    if command.count is not None and not 1 <= command.count <= MOST_MODELS:
        raise DomainError(
            f"{command.count} models: a unit has 1 to {MOST_MODELS}; split a larger one"
        )
    if command.tray_size is not None:
        most = command.count or unit.count
        if not 0 <= command.tray_size <= most:
            raise DomainError(
                f"a tray of {command.tray_size}: choose 1 to {most}, or 0 as proposed"
            )
        changes |= {"tray_size": command.tray_size or None, "split": ()}
    if command.area_cm2 is not None:
        changes["area_cm2"] = command.area_cm2 or None
    if command.split is not None:
        count = command.count or unit.count
        if sum(command.split) != count or min(command.split, default=1) < 1:
            raise DomainError(
                f"trays of {', '.join(map(str, command.split))} hold {sum(command.split)} models: "
                f"{unit.name} has {count}, so share those out, 1 or more to a tray"
            )
        changes |= {"split": command.split, "tray_size": None}
    new = replace(unit, **changes)  # type: ignore[arg-type]
    units = tuple(new if one.id == unit.id else one for one in choices.units)
    return replace(choices, units=units), f"{new.name} changed"


def _set_spare(choices: Choices, command: SetSpare) -> tuple[Choices, str]:
    if not 0 <= command.minutes <= MOST_SPARE_MIN:
        raise DomainError(f"{command.minutes} minutes free: choose 0 to {MOST_SPARE_MIN}")
    label = f"{command.minutes} min of each sitting left free"
    return replace(choices, spare_min=command.minutes), label


def _set_hours(choices: Choices, command: SetHours) -> tuple[Choices, str]:
    if command.end <= command.start:
        raise DomainError(
            f"'{command.tag}' ends at {command.end:%H:%M}, not after its start at "
            f"{command.start:%H:%M}: choose a later end"
        )
    others = tuple(one for one in choices.spells if one.tag != command.tag)
    if len(others) >= MOST_SPELLS:
        raise DomainError(f"a muster knows {MOST_SPELLS} such hours: use one of them")
    spells = (*others, Spell(command.tag, command.start, command.end))
    return replace(choices, spells=spells), f"Hours of '{command.tag}' changed"

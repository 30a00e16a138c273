"""Commands about what comes before what across units: the crew before the cab closes."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from pydantic.dataclasses import dataclass

from muster.core.choices import Choices, CutWork, Order, Waived
from muster.core.plan.json_fields import DomainError
from muster.core.recipes.recipe import STRICT, Name

MOST_ORDERS = 200


@dataclass(frozen=True, config=STRICT)
class SetOrder:
    """A unit, or one pass of it, is done before another unit, or one pass of that, is begun."""

    do: Literal["set_order"]
    before: str
    after: str
    before_pass: str | None = None
    after_pass: str | None = None


@dataclass(frozen=True, config=STRICT)
class DropOrder:
    """Either may come first again."""

    do: Literal["drop_order"]
    before: str
    after: str
    before_pass: str | None = None
    after_pass: str | None = None


@dataclass(frozen=True, config=STRICT)
class WaiveNeed:
    """Do without what a pass needs: a lamp instead of daylight."""

    do: Literal["waive_need"]
    unit: str
    pass_key: str
    tag: Name


@dataclass(frozen=True, config=STRICT)
class CutCall:
    """Let a pass be put down in the middle."""

    do: Literal["cut_call"]
    unit: str
    pass_key: str


def _names(choices: Choices, command: SetOrder | DropOrder) -> str:
    names = []
    for unit_id in (command.before, command.after):
        unit = choices.unit(unit_id)
        if unit is None:
            raise DomainError("that unit is no longer on the roll: look at it again")
        names.append(unit.name)
    return f"{names[0]} before {names[1]}"


def set_order(choices: Choices, command: SetOrder) -> tuple[Choices, str]:
    """The choices with that order; circles are refused where the work is built."""
    words = _names(choices, command)
    if command.before == command.after:
        raise DomainError("a unit cannot come before itself: its passes follow its recipe")
    new = Order(command.before, command.after, command.before_pass, command.after_pass)
    if new in choices.order:
        raise DomainError(f"{words}: that is so already")
    if len(choices.order) >= MOST_ORDERS:
        raise DomainError(f"a muster holds {MOST_ORDERS} such orders: take some out first")
    return replace(choices, order=(*choices.order, new)), words


def drop_order(choices: Choices, command: DropOrder) -> tuple[Choices, str]:
    """The choices without that order."""
    gone = Order(command.before, command.after, command.before_pass, command.after_pass)
    if gone not in choices.order:
        raise DomainError("that order is gone already: look at the roll again")
    kept = tuple(one for one in choices.order if one != gone)
    return replace(choices, order=kept), f"{_names(choices, command)} no longer"


def waive_need(choices: Choices, command: WaiveNeed) -> tuple[Choices, str]:
    """The choices in which that pass does without."""
    unit = choices.unit(command.unit)
    if unit is None:
        raise DomainError("that unit is no longer on the roll: look at it again")
    new = Waived(unit.id, command.pass_key, command.tag)
    kept = tuple(one for one in choices.waived if one != new)
    return replace(choices, waived=(*kept, new)), f"{unit.name} without {command.tag}"


def cut_call(choices: Choices, command: CutCall) -> tuple[Choices, str]:
    """The choices in which that pass may be put down in the middle."""
    unit = choices.unit(command.unit)
    if unit is None:
        raise DomainError("that unit is no longer on the roll: look at it again")
    new = CutWork(unit.id, command.pass_key)
    kept = tuple(one for one in choices.cuts if one != new)
    return replace(choices, cuts=(*kept, new)), f"A pass of {unit.name} may be put down half done"

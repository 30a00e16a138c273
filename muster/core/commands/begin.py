"""Beginning a muster: three answers make a whole document."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import replace
from datetime import date, datetime, time
from zoneinfo import ZoneInfo

from muster.core.choices import Choices
from muster.core.commands.rhythm import refuse_backwards, rhythm_of
from muster.core.commands.verbs.add_unit import AddUnit
from muster.core.commands.verbs.set_parade_day import refuse_past_day
from muster.core.errors import DomainError

NAMELESS = "Muster"


def begin_muster(
    name: str,
    zone: str,
    units: Iterable[AddUnit],
    weekdays: Mapping[int, tuple[time, time]],
    parade_day: date | None,
    now: datetime,
) -> Choices:
    """The document of a new muster: units as typed, a rhythm on these weekdays (0 is Monday).

    Raises DomainError where nothing is typed, no weekday is chosen, or an answer cannot hold.
    """
    units = tuple(units)
    if not units:
        raise DomainError("units: type at least one, as in '24 pikes foot 1/72'")
    if not weekdays:
        raise DomainError("sittings: choose at least one weekday")
    for start, end in weekdays.values():
        refuse_backwards(start, end)
    try:
        choices = Choices(name=name.strip() or NAMELESS, zone=zone)
    except ValueError as error:
        raise DomainError(
            "zone: there is no such time zone: use one such as Europe/London"
        ) from error
    if parade_day is not None:
        refuse_past_day(choices, parade_day, now)
    for unit in units:
        choices, _ = unit.apply(choices, now)
    today = now.astimezone(ZoneInfo(choices.zone)).date()
    return replace(choices, parade_day=parade_day, rhythm=rhythm_of(dict(weekdays), today))

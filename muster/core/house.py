"""The house: whose habits, which room on which day, which rows of one's own. One frozen document.

It belongs to a user, not to a muster: every recipe and every plan of his is looked at in it.
"""

from __future__ import annotations

from dataclasses import replace
from datetime import date
from typing import Annotated

from pydantic import Field, TypeAdapter
from pydantic.dataclasses import dataclass

from muster.core.craft.climate import Climate
from muster.core.craft.tables import Own, Tables, tables_of
from muster.core.stack.habits.house import Habits
from muster.core.vocabulary import STRICT, Day, Name, name_key

MOST_DAYS = 400
"""Of readings kept: the oldest go first."""

Celsius = Annotated[float, Field(ge=-20, le=50)]
Percent = Annotated[float, Field(ge=0, le=100)]


@dataclass(frozen=True, config=STRICT)
class Air:
    """The air as stated."""

    celsius: Celsius = 20
    humidity: Percent = 50

    @property
    def climate(self) -> Climate:
        """The same as the stack knows it."""
        return Climate(self.celsius, self.humidity)


@dataclass(frozen=True, config=STRICT)
class AirOn:
    """The air on a local day: typed, or read off a sensor."""

    day: Day
    air: Air


@dataclass(frozen=True, config=STRICT)
class ExpectedDelivery:
    """A paint that will be there on that day."""

    paint: Name
    day: Day


@dataclass(frozen=True, config=STRICT)
class House:
    """The whole document."""

    habits: Habits = Habits()
    air: Air = Air()
    """On days of which nothing else is said."""
    days: Annotated[tuple[AirOn, ...], Field(max_length=MOST_DAYS)] = ()
    own: Own = Own()
    awaited: Annotated[tuple[ExpectedDelivery, ...], Field(max_length=300)] = ()
    """Paints that are still to be bought: no call that takes them begins sooner."""

    def climate(self) -> Climate:
        """The usual room."""
        return self.air.climate

    def climate_on(self, day: date) -> Climate:
        """The room on that day."""
        return next((one.air.climate for one in self.days if one.day == day), self.air.climate)

    def tables(self) -> Tables:
        """The rows known in this house. Raises DomainError where the user's own cannot hold."""
        return tables_of(self.own)

    def with_air(self, day: date | None, air: Air | None) -> House:
        """The house with another air on a day (None: usually); no air forgets what was said."""
        if day is None:
            return replace(self, air=air or Air())
        kept = [one for one in self.days if one.day != day]
        if air is not None:
            kept.append(AirOn(day, air))
        return replace(self, days=tuple(sorted(kept, key=lambda one: one.day)[-MOST_DAYS:]))

    def with_delivery(self, paint: str, day: date | None) -> House:
        """The house in which a paint will be there on a day (None: it is not waited for)."""
        kept = tuple(one for one in self.awaited if name_key(one.paint) != name_key(paint))
        if day is not None:
            kept = (*kept, ExpectedDelivery(paint, day))
        return replace(self, awaited=kept)


USUAL = House()
"""Of one who has said nothing."""

HOUSE: TypeAdapter[House] = TypeAdapter(House)

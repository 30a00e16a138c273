"""The room by day as the plan knows it: rates of its clocks, and when the air allows spraying."""

from __future__ import annotations

from dataclasses import replace
from datetime import date, datetime, time, timedelta
from zoneinfo import ZoneInfo

from muster.core.craft.climate import spray_limit
from muster.core.craft.clocks import CLOCKS, rate
from muster.core.house import House
from muster.core.plan.problem import Condition, Rate
from muster.core.stack.spraying import DRY_AIR

FAR = timedelta(days=3650)


def clocks_of(house: House, origin: datetime, zone: str) -> dict[str, tuple[Rate, ...]]:
    """By clock, its rate (1 / factor, three decimals) from each second at which it changes."""
    found: dict[str, tuple[Rate, ...]] = {}
    for clock in CLOCKS:
        rates: list[Rate] = []
        for start, day in _days(house, origin, zone):
            climate = house.climate() if day is None else house.climate_on(day)
            milli = round(1000 * rate(clock, climate))
            if not rates or rates[-1].milli != milli:
                rates.append(Rate(start, milli))
        found[clock] = tuple(rates)
    return found


def dry_air(house: House, origin: datetime, zone: str) -> list[Condition]:
    """Stretches of days on which varnish, primer and cans may be sprayed."""
    found: list[Condition] = []
    days = _days(house, origin, zone)
    for index, (start, day) in enumerate(days):
        climate = house.climate() if day is None else house.climate_on(day)
        if spray_limit(climate) == "refuse":
            continue
        end = days[index + 1][0] if index + 1 < len(days) else int(FAR.total_seconds())
        if found and found[-1].end == start:
            found[-1] = replace(found[-1], end=end)
        else:
            found.append(Condition(DRY_AIR, start, end))
    return found


def _days(house: House, origin: datetime, zone: str) -> list[tuple[int, date | None]]:
    """Seconds at which a day with an air of its own begins or ends, from 0 on."""
    local = ZoneInfo(zone)
    marks: dict[int, date | None] = {0: None}
    for one in house.days:
        start = datetime.combine(one.day, time(0), local)
        end = datetime.combine(one.day + timedelta(days=1), time(0), local)
        if end <= origin:
            continue
        marks[max(0, int((start - origin).total_seconds()))] = one.day
        marks.setdefault(int((end - origin).total_seconds()), None)
    return sorted(marks.items(), key=lambda mark: mark[0])

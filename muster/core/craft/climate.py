"""The room: how its air slows or hastens drying, and when one may spray."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cache


@dataclass(frozen=True, slots=True)
class Climate:
    """Air temperature in °C and relative humidity in percent."""

    celsius: float = 20.0
    humidity: float = 50.0

    def __post_init__(self) -> None:
        if not -20 <= self.celsius <= 50 or not 0 <= self.humidity <= 100:
            raise ValueError(
                f"a room of {self.celsius:g} °C and {self.humidity:g} %: use -20 to 50 °C and "
                "0 to 100 %"
            )


def saturation_kpa(celsius: float) -> float:
    """Saturation vapour pressure, kPa: FAO-56 (Allen et al. 1998), equation 11."""
    return 0.6108 * math.exp(17.27 * celsius / (celsius + 237.3))


def deficit_kpa(climate: Climate) -> float:
    """Vapour pressure deficit, kPa: what the air can still take up."""
    return saturation_kpa(climate.celsius) * (1 - climate.humidity / 100)


MOST_BY_THICKNESS = 4.0
"""Beyond so many times a thin coat's time nobody knows: touch it to be sure. Common practice."""


def thickness_factor(times: float) -> float:
    """Drying time grows with the square of thickness (diffusion), as far as it is known."""
    return min(MOST_BY_THICKNESS, max(1.0, times) ** 2)


@dataclass(frozen=True)
class SprayLimits:
    """Where varnish, primer and cans fog, and where to take care. Common practice."""

    fogs_above_percent: float = 75.0
    fogs_below_celsius: float = 10.0
    care_above_percent: float = 65.0
    care_below_celsius: float = 15.0
    care_above_celsius: float = 25.0


LIMITS = SprayLimits()


def spray_limit(climate: Climate) -> str | None:
    """Why varnish, primer and cans should not be sprayed: 'warn', 'refuse', or None where fine."""
    if climate.humidity > LIMITS.fogs_above_percent or climate.celsius < LIMITS.fogs_below_celsius:
        return "refuse"
    mild = LIMITS.care_below_celsius <= climate.celsius <= LIMITS.care_above_celsius
    if climate.humidity > LIMITS.care_above_percent or not mild:
        return "warn"
    return None


@dataclass(frozen=True)
class Contour:
    """A line of equal factor of water-borne drying: °C and % of each point, from cold to warm."""

    factor: float
    celsius: tuple[float, ...]
    humidity: tuple[float, ...]


@cache
def contours(
    factors: tuple[float, ...] = (0.6, 1.0, 1.5, 2.5),
    coldest: int = 5,
    warmest: int = 32,
) -> tuple[Contour, ...]:
    """Lines of equal factor through the air, for a dial: at each °C the humidity that gives it."""
    usual = deficit_kpa(Climate())
    found = []
    for times in factors:
        points = []
        for celsius in range(coldest, warmest + 1):
            humidity = 100 * (1 - usual / times / saturation_kpa(celsius))
            if 0 <= humidity <= 100:
                points.append((float(celsius), round(humidity, 1)))
        found.append(Contour(times, tuple(c for c, _ in points), tuple(h for _, h in points)))
    return tuple(found)

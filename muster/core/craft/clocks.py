"""Clocks: how a kind of waiting runs in a room. A new clock is one row.

``wall`` is not among them: it runs everywhere alike.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import TYPE_CHECKING, Literal

from muster.core.craft.climate import Climate, deficit_kpa

LEAST, MOST = 0.4, 6.0
"""Factors of water-borne drying are held between these. Common practice."""


def _by_deficit(climate: Climate) -> float:
    """Water-borne films dry as the air can still take up water."""
    deficit, usual = deficit_kpa(climate), deficit_kpa(Climate())
    return min(MOST, max(LEAST, usual / deficit if deficit > 0 else MOST))


def _by_warmth(climate: Climate) -> float:
    """Solvents and curing take twice as long for ten degrees less (van 't Hoff's rule)."""
    return float(2 ** ((20 - climate.celsius) / 10))


CLOCKS: dict[str, Callable[[Climate], float]] = {"water": _by_deficit, "cure": _by_warmth}
"""By clock: how many times as long a wait takes as at 20 °C and 50 %."""

if TYPE_CHECKING:
    Clock = str
else:
    Clock = Literal[("wall", *CLOCKS)]


def rate(clock: str, climate: Climate) -> float:
    """How fast a clock of the plan runs in this room: three decimals, as its file writes them."""
    return max(0.001, round(1 / CLOCKS[clock](climate), 3))


def drying_factor(clock: str, climate: Climate) -> float:
    """How many times as long a wait takes in this room as at 20 °C and 50 %.

    It is the inverse of ``rate``, so that a wait of the stack and the plan's clock of the same room
    meet to the second.
    """
    return 1.0 / rate(clock, climate)

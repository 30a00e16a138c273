"""What an eye makes of it: whether a mark shows at its distance, or is too stark."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Literal

from muster.core.colour.observer import Floats
from muster.core.colour.spaces import difference
from muster.core.vocabulary import Tier

ARC_MINUTE = math.radians(1 / 60)
"""The limit of resolution (Snellen): 0.291 mm at 1 m."""

DISTANCE_MM: dict[Tier, float] = {"table": 1000, "hand": 300, "close": 150}

STARK: Literal["too stark"] = "too stark"
Shows = Literal["not visible", "barely", "clear", "strong", "too stark"]

BOUNDS: tuple[tuple[float, Shows], ...] = (
    (2.0, "not visible"), (5.0, "barely"), (14.0, "clear"), (32.0, "strong")
)  # fmt: skip
"""ΔE00 as it is seen, up to which it shows so; beyond, too stark. Common practice, no source."""


@dataclass(frozen=True)
class Contrast:
    """An effect against its ground: ΔE00 and ΔL* side by side, and ΔE00 as seen from there."""

    difference: float
    lighter: float
    seen: float
    shows: Shows


def resolved_mm(distance_mm: float) -> float:
    """The least distance of two marks that are still two: one minute of arc."""
    return distance_mm * math.tan(ARC_MINUTE)


def contrast(mark: Floats, ground: Floats, width_mm: float, tier: Tier) -> Contrast:
    """A mark of that width against its ground (CIELAB), from the tier's viewing distance.

    Below the limit of resolution contrast thins out with width: a single line still shows by
    contrast × width. Raises ValueError for a width of 0 or less.
    """
    if width_mm <= 0:
        raise ValueError(f"a mark {width_mm:g} mm wide: use more than 0")
    off = float(difference(mark, ground))
    share = min(1.0, width_mm / resolved_mm(DISTANCE_MM[tier]))
    seen = off * share
    shows: Shows = next((name for bound, name in BOUNDS if seen < bound), STARK)
    return Contrast(off, float(mark[0] - ground[0]), seen, shows)


def merges_mm(apart: float, tier: Tier, least: float = 5.0) -> float:
    """The least width at which two colours ΔE00 ``apart`` still stand apart: camouflage bands finer
    than that merge."""
    return resolved_mm(DISTANCE_MM[tier]) * max(1.0, least / max(apart, 1e-9))

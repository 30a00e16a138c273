"""A simulated scale that weighs a paint pot, behind the interface of a real one's driver."""

from __future__ import annotations

import random
from dataclasses import dataclass
from typing import Protocol

from muster.core.colour.owned import OwnedPaint

NOISE_G = 0.03
FULL_ML = 17.0
"""A pot whose size nobody stated."""


class Scale(Protocol):
    """Weighs what stands on it."""

    def grams(self, paint: OwnedPaint) -> float:
        """Pot and paint, g."""


@dataclass(frozen=True)
class SimulatedScale:
    """``seed``: of this weighing's noise. The pot holds a little less than was counted: some paint
    always stays at the brush."""

    seed: int

    def grams(self, paint: OwnedPaint) -> float:
        """To a hundredth of a gram, as a pocket scale shows it."""
        rng = random.Random(f"{self.seed}/{paint.name}")
        size = paint.size_ml or FULL_ML
        counted = size * 0.6 if paint.left_ml is None else paint.left_ml
        ml = max(0.0, counted * rng.uniform(0.94, 1.0))
        return round(paint.tare_g + ml * paint.density + rng.gauss(0, NOISE_G), 2)


def ml_of(grams: float, paint: OwnedPaint) -> float:
    """Millilitres left, from the weight of the pot."""
    return max(0.0, round((grams - paint.tare_g) / paint.density, 1))

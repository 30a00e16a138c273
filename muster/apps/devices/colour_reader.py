"""A simulated colour reader, behind the interface that a driver of a real one would have.

It holds paints that differ from their labels, as bought paints do: which way is settled by the
paint's name, so that reading again finds the same.
"""

from __future__ import annotations

import random
from dataclasses import dataclass
from typing import Protocol

import numpy as np

from muster.core.colour.kinds import ROWS
from muster.core.colour.observer import BANDS, Floats
from muster.core.colour.owned import WHITE, OwnedPaint
from muster.core.colour.paint import BLACK_GROUND, WHITE_GROUND, Optics, mix_of, stated
from muster.core.colour.spaces import hexes_of, lab_of, xyz_of, xyz_of_hex, xyz_of_lab

NOISE = 0.35
"""Standard deviation of one reading, CIELAB."""


class ColourReader(Protocol):
    """Reads a dry swatch."""

    def read(self, paint: OwnedPaint, kind: str, share: float, coats: float, times: int) -> str:
        """The mean of so many readings, as ``#rrggbb``."""


@dataclass(frozen=True)
class SimulatedReader:
    """``seed``: of the noise of this series of readings."""

    seed: int

    def read(self, paint: OwnedPaint, kind: str, share: float, coats: float, times: int) -> str:
        """The mean of so many noisy readings of the paint as it really is."""
        rng = random.Random(f"{self.seed}/{paint.name}/{kind}")
        true = lab_of(xyz_of(_shown(really(paint), kind, share, coats)))
        read = [[value + rng.gauss(0, NOISE) for value in true] for _ in range(times)]
        mean = np.array(read).mean(axis=0)
        mean[0] = min(99.5, max(0.5, mean[0]))
        return hexes_of(xyz_of_lab(mean[None]))[0]


def really(paint: OwnedPaint) -> Optics:
    """The paint behind the label: a little off in colour, weaker or stronger than is usual."""
    rng = random.Random(f"{paint.range}/{paint.name}")
    lab = lab_of(xyz_of_hex([paint.colour]))[0]
    off = np.array([rng.gauss(-1.5, 1.5), rng.gauss(0, 2.0), rng.gauss(0, 2.5)])
    shown = np.clip(lab + off, (2, -100, -100), (98, 100, 100))
    colour = hexes_of(xyz_of_lab(shown[None]))[0]
    usual = stated(colour, paint.seen_opacity, ROWS[paint.seen_kind].strength or 1)
    strength = float(np.exp(rng.gauss(0, 0.35)))
    return usual.less(strength)


def _shown(paint: Optics, kind: str, share: float, coats: float) -> Floats:
    if kind == "tint":
        return mix_of([paint, stated(WHITE)], np.array([share, 1 - share])).masstone
    if kind in ("over black", "over white"):
        card = BLACK_GROUND if kind == "over black" else WHITE_GROUND
        return paint.coat(coats, np.full(BANDS, card))
    return paint.masstone

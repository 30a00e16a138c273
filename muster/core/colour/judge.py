"""Judgements with figures: filters, mists, camouflage at a distance, lightening for scale."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from muster.core.colour.film import covered
from muster.core.colour.observer import Floats
from muster.core.colour.paint import Optics
from muster.core.colour.spaces import difference, lab_of, xyz_of, xyz_of_lab
from muster.core.colour.visibility import DISTANCE_MM, merges_mm
from muster.core.vocabulary import Tier

FILTER = 0.1
"""A filter's film, in brushed coats of its unthinned paint. Common practice: 1 part in 9."""
FILTER_FILM = 0.2
"""What it scatters, of what its paint does: filters are oils and enamels, or paint in a glaze."""


@dataclass(frozen=True)
class Livened:
    """What a filter does to a patch: its chroma and lightness before and after."""

    filter: str
    patch: str
    chroma: float
    lightness: float
    turn: float
    """Of the hue, degrees, towards the higher angle."""
    moved: float
    """ΔE00."""

    @property
    def livens(self) -> float:
        """Chroma gained; what is lost in lightness counts half against it."""
        return self.chroma + 0.5 * min(0.0, self.lightness)


def filters(
    patches: Mapping[str, Floats], paints: Mapping[str, Optics], thickness: float = FILTER
) -> list[Livened]:
    """Every filter over every patch (reflectances), the liveliest of each patch first."""
    found = []
    for patch, ground in patches.items():
        before = lab_of(xyz_of(ground))
        rows = []
        for name, paint in paints.items():
            filter_ = replace(paint, film=paint.body * FILTER_FILM)
            after = lab_of(xyz_of(filter_.coat(thickness, ground)))
            turn = np.degrees(np.arctan2(after[2], after[1]) - np.arctan2(before[2], before[1]))
            rows.append(
                Livened(
                    name, patch,
                    float(np.hypot(after[1], after[2]) - np.hypot(before[1], before[2])),
                    float(after[0] - before[0]), float((turn + 180) % 360 - 180),
                    float(difference(before, after)),
                )
            )  # fmt: skip
        found += sorted(rows, key=lambda one: -one.livens)
    return found


@dataclass(frozen=True)
class Apart:
    """Two colours of a camouflage: ΔE00, and the least width of a band that stands apart."""

    one: str
    two: str
    difference: float
    least_mm: float


def camouflage(colours: Mapping[str, Floats], tier: Tier) -> list[Apart]:
    """Every two colours (CIELAB), those nearest to merging first."""
    names = list(colours)
    found = []
    for index, one in enumerate(names):
        for two in names[index + 1 :]:
            off = float(difference(colours[one], colours[two]))
            found.append(Apart(one, two, off, merges_mm(off, tier)))
    return sorted(found, key=lambda pair: pair.difference)


def fade_share(base: Optics, patches: Sequence[Floats], pull: float = 0.25) -> float:
    """Share of the surface that a mist of the base must cover to draw the patches so much together.

    A mist is droplets, each a spot of its own: reflectances are averaged by area. ``pull``: share
    of the widest difference between patches that is to go. By bisection; 1 where no mist does.
    """
    first = _spread(patches)
    low, high = 0.0, 1.0
    for _ in range(30):
        middle = (low + high) / 2
        after = _spread([covered(middle, base.masstone, one) for one in patches])
        low, high = (middle, high) if after > first * (1 - pull) else (low, middle)
    return high


def _spread(patches: Sequence[Floats]) -> float:
    labs = [lab_of(xyz_of(one)) for one in patches]
    return max(float(difference(one, two)) for one in labs for two in labs)


def for_scale(colour: Floats, scale: int, tier: Tier = "table") -> Floats:
    """A colour (CIELAB) lightened for its scale: an option that schools dispute.

    Rule of thumb, no source: a model seen from ``d`` stands for the real thing at ``d × scale``,
    and air veils one part in a hundred with every 10 m of that, up to a fifth, with a pale grey.
    """
    metres = DISTANCE_MM[tier] / 1000 * scale
    veil = min(0.2, metres / 1000)
    grey = np.array([80.0, 0.0, -3.0])
    mixed = (1 - veil) * xyz_of_lab(colour) + veil * xyz_of_lab(grey)
    return lab_of(mixed)

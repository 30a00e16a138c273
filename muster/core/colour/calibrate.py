"""What swatches say of a paint: its absorption and scattering, by least squares with bounds.

Three kinds tell different things: a masstone K/S, a tint with white how strong the paint is, a film
over black and white how much it scatters. Each reading is a dry colour in CIELAB.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np

from muster.core.colour.film import ratio_of
from muster.core.colour.observer import BANDS, NM, Floats
from muster.core.colour.paint import BLACK_GROUND, BODY, WHITE_GROUND, Optics, mix_of
from muster.core.colour.reconstruct import reflectances
from muster.core.colour.spaces import difference, lab_of, xyz_of, xyz_of_lab
from muster.core.colour.surface import inside

KNOTS = 7
"""Of the curves by which scattering and the ratio are bent, log-linear between them."""
_AT = np.linspace(NM[0], NM[-1], KNOTS)
_BEND: Floats = np.array([np.interp(NM, _AT, row) for row in np.eye(KNOTS)]).T
REACH = 2.5
"""Natural logarithm: a curve is bent at most 12 times up or down."""
HOLD = 0.35
"""Weight of staying where the default was, and of being smooth: against reading noise."""
HIDING_HELD = (5.0, 0.8)
"""Weight of a film scattering as a mix does, and of the stated opacity."""
MOST_SWATCHES = 40

MOST = 10.0
"""Absorption in any band, times a white's scattering."""

Kind = Literal["masstone", "tint", "over black", "over white"]


@dataclass(frozen=True)
class Swatch:
    """A dry reading. ``share``: of the paint in a tint, by volume, the rest white; ``coats``: of a
    film over the card."""

    kind: Kind
    lab: tuple[float, float, float]
    share: float = 1.0
    coats: float = 1.0


def predicted(paint: Optics, swatch: Swatch, white: Optics) -> Floats:
    """The CIELAB colour that a paint of these optics would give in that swatch."""
    if swatch.kind == "masstone":
        found = paint.masstone
    elif swatch.kind == "tint":
        found = mix_of([paint, white], np.array([swatch.share, 1 - swatch.share])).masstone
    else:
        card = BLACK_GROUND if swatch.kind == "over black" else WHITE_GROUND
        found = paint.coat(swatch.coats, np.full(BANDS, card))
    return lab_of(xyz_of(found))


def fit_of(paint: Optics, swatches: Sequence[Swatch], white: Optics) -> float:
    """How far off a paint's own swatches are: root mean square of ΔE00; 0 without any."""
    if not swatches:
        return 0.0
    off = [float(difference(predicted(paint, one, white), np.array(one.lab))) for one in swatches]
    return float(np.sqrt(np.mean(np.square(off))))


def calibrated(start: Optics, swatches: Sequence[Swatch], white: Optics) -> Optics:
    """The paint as its swatches say, from a start (its default, or the last calibration).

    Never fits its swatches worse than the start does. Raises ValueError for more than
    ``MOST_SWATCHES``, or a tint without paint or without white.
    """
    # Loaded where a swatch is fitted: it takes longer than all the rest of a mix.
    from scipy.optimize import least_squares

    if len(swatches) > MOST_SWATCHES:
        raise ValueError(f"{len(swatches)} swatches of one paint: keep the {MOST_SWATCHES} best")
    for one in swatches:
        if one.kind == "tint" and not 0 < one.share < 1:
            raise ValueError(f"a tint with {one.share:.0%} of the paint: use 1 to 99 %")
    if not swatches:
        return start
    based = _on_masstone(start, swatches)
    goals = np.array([one.lab for one in swatches])

    filmed = any(one.kind.startswith("over") for one in swatches)

    def bent(x: Floats) -> Optics:
        s = based.s * np.exp(_BEND @ x[:KNOTS])
        k = s * (based.k / based.s) * np.exp(_BEND @ x[KNOTS : 2 * KNOTS])
        if not filmed:
            return Optics(k, s, based.body, based.film)
        # It is the same pigment that scatters in a mix and in a film, as a white's does.
        body = BODY * s * np.exp(x[-2])
        return Optics(k, s, body, body * float(based.film[0] / based.body[0]) * np.exp(x[-1]))

    def off(x: Floats) -> Floats:
        paint = bent(x)
        seen = np.array([predicted(paint, one, white) for one in swatches])
        curve, ratio = x[:KNOTS], x[KNOTS : 2 * KNOTS]
        smooth = np.concatenate([np.diff(curve), np.diff(ratio) * 3])
        held = np.concatenate([curve * 0.3, ratio * 3, x[-2:] * HIDING_HELD])
        return np.concatenate([(seen - goals).ravel(), HOLD * smooth, HOLD * held])

    found = least_squares(off, np.zeros(2 * KNOTS + 2), bounds=(-REACH, REACH), method="trf")
    best = bent(found.x)
    options = (best, based, start)
    return min(options, key=lambda one: fit_of(one, swatches, white))


def _on_masstone(start: Optics, swatches: Sequence[Swatch]) -> Optics:
    """The start with the ratio that the mean of its masstone readings has."""
    read = [one.lab for one in swatches if one.kind == "masstone"]
    if not read:
        return start
    mean = reflectances(xyz_of_lab(np.mean(np.array(read), axis=0)[None]))[0]
    ratio = ratio_of(inside(mean))
    # As dark a band as black's absorbs no more than black does.
    s = np.minimum(start.s, MOST / ratio)
    return Optics(ratio * s, s, start.body, start.film)

"""A paint as its light sees it: absorption and scattering by band.

Where nothing is measured, scattering follows from the stated opacity, and absorption from that and
the colour. With one scattering for all paints black would swallow everything; a paint scatters the
more the lighter it is, since it is white pigment that scatters.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from muster.core.colour.film import masstone_of, over, ratio_of
from muster.core.colour.observer import BANDS, Floats
from muster.core.colour.reconstruct import reflectance_of_hex
from muster.core.colour.spaces import difference, hexes_of, lab_of, xyz_of
from muster.core.vocabulary import Opacity

OPACITIES: tuple[Opacity, ...] = ("opaque", "semi-opaque", "semi-transparent", "transparent")

SCATTERS: dict[Opacity, float] = {
    "opaque": 5.0, "semi-opaque": 2.5, "semi-transparent": 1.0, "transparent": 0.3,
}  # fmt: skip
"""Scattering of a white of that opacity, per brushed coat: three coats of an opaque white hide
black. Common practice, until swatches say otherwise."""

LEAST_SHARE = 0.15
"""What the darkest paint scatters of that, but for bands in which it would then absorb too much."""

MOST_ABSORBS = 2.25
"""Absorption in any band, at most so many times a white's scattering: chosen so that equal parts of
white and black are a middle grey (L* about 46), as at the bench."""

HIDES = 0.98
"""Contrast ratio from which a film counts as hiding: ISO 6504-3."""

MOST_COATS = 12

WHITE_GROUND, BLACK_GROUND = 0.80, 0.03
"""Reflectance of the white and black areas of a drawdown card: ISO 6504-3 wants 80 ± 2 and at most
5 %."""


@dataclass(frozen=True, eq=False)
class Optics:
    """Absorption and scattering of a paint, (36,) each, per brushed coat."""

    k: Floats
    s: Floats

    @property
    def masstone(self) -> Floats:
        """Its reflectance when nothing shows through."""
        return masstone_of(self.k, self.s)

    def hex(self) -> str:
        """Its masstone as the nearest sRGB colour."""
        return hexes_of(xyz_of(self.masstone))[0]


def scattering_share(masstone: Floats) -> float:
    """What share of a white's scattering a paint of that reflectance has, by its luminance Y."""
    luminance = float(xyz_of(masstone)[1])
    return LEAST_SHARE + (1 - LEAST_SHARE) * luminance


@lru_cache(maxsize=4096)
def stated(colour: str, opacity: Opacity = "opaque") -> Optics:
    """A paint of which only colour and opacity are known."""
    masstone = reflectance_of_hex(colour)
    white, ratio = SCATTERS[opacity], ratio_of(masstone)
    s = np.minimum(white * scattering_share(masstone), white * MOST_ABSORBS / ratio)
    k = ratio * s
    for one in (k, s):
        one.setflags(write=False)
    return Optics(k, s)


def contrast_ratio(paint: Optics, coats: float) -> float:
    """Y over black by Y over white, at so many coats: ISO 6504-3."""
    black, white = (
        float(xyz_of(over(paint.k, paint.s, coats, np.full(BANDS, ground)))[1])
        for ground in (BLACK_GROUND, WHITE_GROUND)
    )
    return black / white


def coats_to_hide(paint: Optics, ground: Floats, most: int = MOST_COATS) -> int | None:
    """The fewest whole coats over that ground after which one more changes nothing that matters.

    The film's Y is within 2 % of its masstone's, as ``HIDES`` asks between black and white, and its
    colour within ΔE00 1. None: not within ``most``.
    """
    end = xyz_of(paint.masstone)
    goal = lab_of(end)
    for coats in range(most + 1):
        found = xyz_of(over(paint.k, paint.s, float(coats), ground))
        near = min(found[1], end[1]) / max(found[1], end[1]) >= HIDES
        if near and float(difference(lab_of(found), goal)) <= 1:
            return coats
    return None

"""A paint as its light sees it: absorption and scattering by band.

Where nothing is measured, how it scatters is inferred from its colour (``pigments``), and what it
absorbs from that and the colour. What a paint hides is told apart from how it tints: a transparent
one has pigment that scatters little in a film, and tints no less for it.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from muster.core.colour import pigments, surface
from muster.core.colour.film import TINY, masstone_of, mixed, over, ratio_of
from muster.core.colour.observer import BANDS, Floats
from muster.core.colour.reconstruct import reflectance_of_hex
from muster.core.colour.spaces import difference, hexes_of, lab_of, xyz_of
from muster.core.vocabulary import Opacity

OPACITIES: tuple[Opacity, ...] = ("opaque", "semi-opaque", "semi-transparent", "transparent")

BODY = 3.75
"""What an opaque paint scatters in a film, per brushed coat: a white over black is then at L* 80,
88, 91 and 93 after one to four coats, and a middle tone covers in one or two. Common practice,
until swatches say otherwise."""

IN_FILM: dict[Opacity, float] = {
    "opaque": 1.0, "semi-opaque": 0.55, "semi-transparent": 0.25, "transparent": 1.0,
}  # fmt: skip
"""Body of a paint of that opacity, of an opaque one's: it covers in the more coats, and ends at its
own colour. Common practice."""
SEEN_THROUGH = 0.05
"""What a transparent film scatters of its body: it dyes what lies under it and never covers that.
Common practice."""

PEARL_ABSORBS = 0.05
"""What a film of mica absorbs, of what a paint of its colour does. Common practice."""

STRICT = 0.98
"""Contrast ratio from which a film hides strictly: ISO 6504-3."""

COVERED = 3.5
"""ΔE00 from its own colour up to which a coat covers: the ground is no longer seen through it at
the bench. Common practice: more is asked of a wall than of a model."""

MOST_COATS = 12

WHITE_GROUND, BLACK_GROUND = 0.80, 0.03
"""Reflectance of the white and black areas of a drawdown card: ISO 6504-3 wants 80 ± 2 and at most
5 %."""


@dataclass(frozen=True, eq=False)
class Optics:
    """How a paint colours, tints and hides, (36,) each.

    ``k`` and ``s``: absorption and scattering by volume, by which it mixes; only their ratio tells
    its colour. ``body``: what its film would scatter per brushed coat if it were opaque, and
    ``film``: what it does scatter; what the film absorbs follows from its body and its colour.
    """

    k: Floats
    s: Floats
    body: Floats
    film: Floats

    @property
    def masstone(self) -> Floats:
        """Its reflectance as it is seen when nothing shows through."""
        return shown(self.k, self.s)

    def hex(self) -> str:
        """Its masstone as the nearest sRGB colour."""
        return hexes_of(xyz_of(self.masstone))[0]

    def coat(self, coats: float | Floats, ground: Floats) -> Floats:
        """Reflectance as it is seen of so many coats, or numbers of coats (n, 1), over a ground
        (36,), or grounds (n, 36).

        No coat leaves the ground, and many end at the masstone, or at what is darker of both where
        a film is transparent: a label's colour is as deep as its paint gets.
        """
        absorbs = self.k / np.maximum(self.s, TINY) * self.body
        film = surface.seen(over(absorbs, self.film, coats, surface.inside(ground)))
        return np.maximum(film, np.minimum(ground, self.masstone))

    def less(self, share: float) -> Optics:
        """The same paint with so much of its pigment: thinned, or stirred into a varnish."""
        return Optics(self.k * share, self.s * share, self.body * share, self.film * share)


def shown(k: Floats, s: Floats) -> Floats:
    """Reflectance as it is seen of a layer without end."""
    return surface.seen(masstone_of(k, s))


@lru_cache(maxsize=4096)
def stated(
    colour: str, opacity: Opacity = "opaque", strength: float = 1.0, pearl: bool = False
) -> Optics:
    """A paint of which only colour and opacity are known.

    ``strength``: its pigment, as a share of a usual paint's. ``pearl``: plates of mica throw its
    colour back and absorb next to nothing, so that it shows over black and is lost over white.
    """
    masstone = reflectance_of_hex(colour)
    s = strength * pigments.scattering(masstone)
    body = np.full(BANDS, BODY * strength * pigments.body(masstone) * IN_FILM[opacity])
    film = body * SEEN_THROUGH if opacity == "transparent" else body
    if pearl:
        body, film = body * PEARL_ABSORBS, BODY * strength * surface.inside(masstone)
    found = Optics(ratio_of(surface.inside(masstone)) * s, s, body, film)
    for one in (found.k, found.s, found.body, found.film):
        one.setflags(write=False)
    return found


def mix_of(paints: Sequence[Optics], parts: Floats) -> Optics:
    """A mix by volume, of parts (n,)."""
    return Optics(
        mixed(parts, np.array([one.k for one in paints])),
        mixed(parts, np.array([one.s for one in paints])),
        mixed(parts, np.array([one.body for one in paints])),
        mixed(parts, np.array([one.film for one in paints])),
    )


def contrast_ratio(paint: Optics, coats: float) -> float:
    """Y over black by Y over white, at so many coats: ISO 6504-3."""
    black, white = (
        float(xyz_of(paint.coat(coats, np.full(BANDS, ground)))[1])
        for ground in (BLACK_GROUND, WHITE_GROUND)
    )
    return black / white


def coats_to_cover(paint: Optics, ground: Floats, most: int = MOST_COATS) -> int | None:
    """The fewest whole coats over that ground after which it is covered: within ``COVERED`` of the
    paint's own colour. None: not within ``most``."""
    films = paint.coat(np.arange(most + 1.0)[:, None], ground)
    off = difference(lab_of(xyz_of(films)), lab_of(xyz_of(paint.masstone)))
    near = np.flatnonzero(off <= COVERED)
    return int(near[0]) if len(near) else None


def coats_to_hide(paint: Optics, most: int = MOST_COATS) -> int | None:
    """The fewest whole coats that hide strictly, black from white: ISO 6504-3. None: not within
    ``most``."""
    coats = np.arange(1.0, most + 1)[:, None]
    black, white = (
        xyz_of(paint.coat(coats, np.full(BANDS, ground)))[:, 1]
        for ground in (BLACK_GROUND, WHITE_GROUND)
    )
    hidden = np.flatnonzero(black / white >= STRICT)
    return int(hidden[0]) + 1 if len(hidden) else None

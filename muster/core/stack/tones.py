"""How colours lie to each other: the one door to the colour engine for the rules."""

from __future__ import annotations

import math
from functools import lru_cache

import numpy as np

from muster.core.colour.paint import COVERED, stated
from muster.core.colour.spaces import difference as ciede2000
from muster.core.colour.spaces import hexes_of, lab_of, xyz_of, xyz_of_hex, xyz_of_lab
from muster.core.vocabulary import Opacity


@lru_cache(maxsize=4096)
def _lab(colour: str) -> tuple[float, float, float]:
    found = lab_of(xyz_of_hex([colour]))[0]
    return float(found[0]), float(found[1]), float(found[2])


def lightness(colour: str) -> float:
    """CIE L* of a stated colour, 0 to 100."""
    return _lab(colour)[0]


@lru_cache(maxsize=4096)
def difference(one: str, two: str) -> float:
    """CIEDE2000 (ISO/CIE 11664-6)."""
    return float(ciede2000(np.array(_lab(one)), np.array(_lab(two))))


def hue_apart(one: str, two: str) -> float:
    """Degrees between the hues of two colours; none where one of them is all but grey."""
    (_, a, b), (_, c, d) = _lab(one), _lab(two)
    if min(math.hypot(a, b), math.hypot(c, d)) < GREY:
        return 0.0
    apart = abs(math.degrees(math.atan2(b, a) - math.atan2(d, c))) % 360
    return min(apart, 360 - apart)


NEUTRAL = 8.0
"""Chroma up to which an undercoat is a grey of some kind. Common practice."""


def is_neutral(colour: str | None) -> bool:
    """Whether a stated colour is black, grey or white; one that is not stated may be."""
    if colour is None:
        return True
    _, a, b = _lab(colour)
    return math.hypot(a, b) <= NEUTRAL


GREY = 6.0
"""Chroma below which a colour has no hue to speak of."""


@lru_cache(maxsize=4096)
def shows_through(
    colour: str, ground: str, coats: int, opacity: Opacity = "opaque", strength: float = 1.0
) -> float:
    """ΔE00 from its own colour that so many coats over a ground are, by Kubelka and Munk.
    ``strength``: of its pigment, as a share of a usual paint's."""
    paint, under = stated(colour, opacity, strength), stated(ground).masstone
    film = paint.coat(coats, under)
    return float(ciede2000(lab_of(xyz_of(film)), lab_of(xyz_of(paint.masstone))))


def coats_needed(
    colour: str, ground: str, opacity: Opacity = "opaque", strength: float = 1.0, most: int = 9
) -> int:
    """Coats after which the ground no longer shows through."""
    return next(
        (
            coats
            for coats in range(1, most)
            if shows_through(colour, ground, coats, opacity, strength) <= COVERED
        ),
        most,
    )


def mixed_toward(colour: str, lightness_wanted: float) -> str:
    """The same hue at another lightness, as near as sRGB holds it."""
    _, a, b = _lab(colour)
    return hexes_of(xyz_of_lab(np.array([[lightness_wanted, a, b]])))[0]


def nearer(colour: str, ground: str, apart_l: float) -> str:
    """A colour of that hue whose L* lies so far above the ground's (below, where it cannot)."""
    base = lightness(ground)
    wanted = base + apart_l if base + apart_l <= 95 else base - apart_l
    return mixed_toward(colour, max(2.0, wanted))

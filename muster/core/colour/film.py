"""Films of paint: Kubelka and Munk (1931), band by band.

``k`` and ``s``: absorption and scattering of each band, per thickness; thickness 1 is one brushed
coat of it. Reflectances and coefficients end in the band's axis.
"""

from __future__ import annotations

import numpy as np

from muster.core.colour.observer import Floats

TINY = 1e-12


def ratio_of(masstone: Floats) -> Floats:
    """K/S of a paint so thick that nothing shows through: (1 − R)² / 2R."""
    return np.asarray((1 - masstone) ** 2 / (2 * masstone))


def masstone_of(k: Floats, s: Floats) -> Floats:
    """Reflectance of a layer without end: 1 + K/S − √((K/S)² + 2 K/S)."""
    ratio = k / np.maximum(s, TINY)
    # The same without taking large numbers from each other.
    return np.asarray(1 / (1 + ratio + np.sqrt(ratio * (ratio + 2))))


def over(k: Floats, s: Floats, thickness: Floats | float, ground: Floats) -> Floats:
    """Reflectance of a film over a ground: (1 − Rg (a − b coth bSX)) / (a − Rg + b coth bSX).

    Thickness 0 gives the ground, without end the masstone.
    """
    s = np.maximum(s, TINY)
    ratio = k / s
    a = 1 + ratio
    b = np.sqrt(np.maximum(ratio * (ratio + 2), TINY))
    # coth x = 1 + 2 / (e^2x − 1); multiplied through by e^2x − 1 it holds at x = 0 too.
    grown = np.expm1(np.minimum(2 * b * s * thickness, 500))
    top = grown * (1 - ground * (a - b)) + 2 * ground * b
    bottom = grown * (a - ground + b) + 2 * b
    return np.asarray(top / bottom)


def mixed(parts: Floats, each: Floats) -> Floats:
    """K or S of a mix by volume: Σ cᵢ Kᵢ / Σ cᵢ, of parts (n,) and coefficients (n, 36)."""
    return np.asarray(parts @ each / parts.sum())


def covered(share: float, top: Floats, ground: Floats) -> Floats:
    """Partial cover (dry-brush, sponge, worn edges): reflectances averaged by area."""
    return np.asarray(share * top + (1 - share) * ground)

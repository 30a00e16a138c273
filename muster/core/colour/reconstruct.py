"""Reflectance from a colour: the smoothest curve that has it.

Least hyperbolic tangent slope squared: S. A. Burns, "Numerical methods for smoothest reflectance
reconstruction", Color Research & Application 45 (2020) 8–21. The reflectance is
(tanh z + 1) / 2, so that it lies between 0 and 1, with the least sum of squared steps of z over 36
bands among all that have the colour's XYZ; found by Newton's method on the Lagrange conditions.
"""

from __future__ import annotations

from collections.abc import Iterable

import numpy as np
from numpy.typing import NDArray

from muster.core.colour.observer import BANDS, WEIGHTS, WHITE, Floats
from muster.core.colour.spaces import xyz_of_hex

TOO_DARK = 0.0003
TOO_LIGHT = 0.004
"""So much grey is mixed into every colour, so that black and white have curves: no ΔE00 beyond
0.3."""

STEPS = 25
NEAR = 1e-9
WAY = (0.3, 0.6, 0.8, 0.9, 0.96, 1.0)

FINE_WAY = (*(round(0.05 * n, 2) for n in range(2, 19)), 0.92, 0.94, 0.96, 0.98, 1.0)

Bools = NDArray[np.bool_]

# Twice the second difference of z: the gradient of the sum of squared steps is SLOPE @ z.
SLOPE: Floats = 4 * np.eye(BANDS) - 2 * np.eye(BANDS, k=1) - 2 * np.eye(BANDS, k=-1)
SLOPE[0, 0] = SLOPE[-1, -1] = 2


def reflectances(xyz: Floats) -> Floats:
    """Reflectances (n, 36) of colours XYZ (n, 3), each within (0, 1).

    Raises ValueError for a colour that no surface has.
    """
    wanted = np.atleast_2d(xyz) * (1 - TOO_DARK - TOO_LIGHT) + TOO_DARK * WHITE
    z, open_ = _along(wanted, WAY)
    # Dark pure colours take shorter steps; each alone, since one that fails stops all beside it.
    for row in np.flatnonzero(open_):
        alone, still = _along(wanted[row : row + 1], FINE_WAY)
        z[row], open_[row] = alone[0], still[0]
    if open_.any():
        raise ValueError("no surface has such a colour: it is brighter or purer than daylight lets")
    return np.asarray((np.tanh(z) + 1) / 2)


def _along(wanted: Floats, way: tuple[float, ...]) -> tuple[Floats, Bools]:
    """From the grey of its lightness towards the colour in steps, since Newton's method goes astray
    on a long way: z, and which have not arrived."""
    grey = wanted[:, 1:2] * WHITE
    z = np.arctanh(2 * wanted[:, 1:2] - 1) * np.ones((len(wanted), BANDS))
    multipliers = np.zeros((len(wanted), 3))
    open_ = np.ones(len(wanted), dtype=bool)
    for share in way:
        z, multipliers, open_ = _newton(grey + share * (wanted - grey), z, multipliers)
    return z, open_


def _newton(wanted: Floats, z: Floats, multipliers: Floats) -> tuple[Floats, Floats, Bools]:
    """Newton's method from a start: z, multipliers, and which have not arrived."""
    z, multipliers = z.copy(), multipliers.copy()
    open_ = np.ones(len(wanted), dtype=bool)
    for _ in range(STEPS):
        now, held = z[open_], multipliers[open_]
        tanh = np.tanh(now)
        sech2 = 1 - tanh**2
        bound = sech2[:, :, None] / 2 * WEIGHTS.T[None]
        gradient = now @ SLOPE + np.einsum("nij,nj->ni", bound, held)
        gap = (tanh + 1) / 2 @ WEIGHTS.T - wanted[open_]
        off = np.maximum(np.abs(gradient).max(axis=1), np.abs(gap).max(axis=1))
        far = ~(off < NEAR)  # What is no number any more has not arrived either.
        open_[open_] = far
        if not far.any():
            break
        now, held, bound = now[far], held[far], bound[far]
        system = np.zeros((len(now), BANDS + 3, BANDS + 3))
        system[:, :BANDS, :BANDS] = SLOPE
        bend = -(held @ WEIGHTS) * (sech2 * tanh)[far]
        system[:, range(BANDS), range(BANDS)] += bend
        system[:, :BANDS, BANDS:] = bound
        system[:, BANDS:, :BANDS] = bound.transpose(0, 2, 1)
        right = -np.concatenate([gradient[far], gap[far]], axis=1)
        try:
            step = np.linalg.solve(system, right[:, :, None])[:, :, 0]
        except np.linalg.LinAlgError:
            break
        z[open_] = now + step[:, :BANDS]
        multipliers[open_] = held + step[:, BANDS:]
    return z, multipliers, open_


MOST_KEPT = 20_000
_kept: dict[str, Floats] = {}


def keep_reflectances(hexes: Iterable[str]) -> None:
    """Reconstruct many colours ``#rrggbb`` at once, which takes a tenth of the time, for
    ``reflectance_of_hex`` to find."""
    wanted = [one for one in dict.fromkeys(hex_.lower() for hex_ in hexes) if one not in _kept]
    if len(_kept) + len(wanted) > MOST_KEPT:
        _kept.clear()
    if not wanted:
        return
    for one, found in zip(wanted, reflectances(xyz_of_hex(wanted)), strict=True):
        found.setflags(write=False)
        _kept[one] = found


def reflectance_of_hex(one: str) -> Floats:
    """The reflectance (36,) of ``#rrggbb``, kept for the next time."""
    plain = one.lower()
    found = _kept.get(plain)
    if found is None:
        keep_reflectances([plain])
        found = _kept[plain]
    return found

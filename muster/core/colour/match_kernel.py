"""The hot loop of matching: mixes of up to four paints, measured against a target.

Distances here are ΔE00 near the target, as a quadratic form; the best are measured exactly after.
Sets of fewer than four paints are filled up with any paint, of which no drop is taken.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import TypeVar, cast

import numba
import numpy as np
from numpy.typing import NDArray

from muster.core.colour.surface import THROWN_BACK

Singles = NDArray[np.float32]
Indices = NDArray[np.int32]
Function = TypeVar("Function", bound=Callable[..., object])


def fast(function: Function) -> Function:
    """The function, compiled at its first call and kept on disk; other threads run meanwhile.

    Without a check for division by zero the loop over bands becomes one over vectors.
    """
    made = numba.njit(cache=True, nogil=True, fastmath=True, error_model="numpy")
    return cast(Function, made(function))


@fast
def _root(x: np.float32) -> np.float32:
    """The cube root to four digits: from four square roots, and one step of Newton's."""
    fourth = np.sqrt(np.sqrt(x))
    y = fourth * np.sqrt(np.sqrt(fourth))
    return (np.float32(2) * y + x / (y * y)) * np.float32(1 / 3)


@fast
def _xyz(
    k: Singles, s: Singles, paints: Indices, ways: Singles, weights: Singles, xyz: Singles
) -> None:
    """X, Y and Z of one set's masstones, all its ways, into ``xyz`` (3, w)."""
    two, passes = np.float32(2), np.float32(1 - THROWN_BACK)
    bands = k.shape[1]
    p0, p1, p2, p3 = paints[0], paints[1], paints[2], paints[3]
    for way in range(len(ways)):
        x = y = z = np.float32(0)
        d0, d1, d2, d3 = ways[way, 0], ways[way, 1], ways[way, 2], ways[way, 3]
        for band in range(bands):
            absorbs = d0 * k[p0, band] + d1 * k[p1, band] + d2 * k[p2, band] + d3 * k[p3, band]
            scatters = d0 * s[p0, band] + d1 * s[p1, band] + d2 * s[p2, band] + d3 * s[p3, band]
            # 1 / (1 + q + √(q² + 2q)) with q = K/S, multiplied through by S, and Saunderson's
            # correction of it; its constant factor is in the weights.
            root = np.sqrt(absorbs * (absorbs + two * scatters))
            seen = scatters / (absorbs + passes * scatters + root)
            x += weights[0, band] * seen
            y += weights[1, band] * seen
            z += weights[2, band] * seen
        xyz[0, way], xyz[1, way], xyz[2, way] = x, y, z


@fast
def _square(form: Singles, a: np.float32, b: np.float32, c: np.float32) -> np.float32:
    """The quadratic form of three steps."""
    return (
        form[0, 0] * a * a + form[1, 1] * b * b + form[2, 2] * c * c
        + np.float32(2) * (form[0, 1] * a * b + form[0, 2] * a * c + form[1, 2] * b * c)
    )  # fmt: skip


@fast
def nearest(
    k: Singles, s: Singles, sets: Indices, ways: Singles, form: Singles, weights: Singles,
    goal: Singles, out: Singles,
) -> None:  # fmt: skip
    """For each set of paints (m, 4) the least squared distance over ways (w, 4), into ``out``.

    ``form`` and ``goal`` are of the square roots of X, Y and Z, which are drawn faster.
    """
    xyz = np.empty((3, len(ways)), np.float32)
    for row in range(len(sets)):
        _xyz(k, s, sets[row], ways, weights, xyz)
        least = np.float32(np.inf)
        for way in range(len(ways)):
            x = np.sqrt(xyz[0, way]) - goal[0]
            y = np.sqrt(xyz[1, way]) - goal[1]
            z = np.sqrt(xyz[2, way]) - goal[2]
            least = min(least, _square(form, x, y, z))
        out[row] = least


@fast
def each(
    k: Singles, s: Singles, sets: Indices, ways: Singles, form: Singles, weights: Singles,
    goal: Singles, out: Singles,
) -> None:  # fmt: skip
    """Every squared distance, CIELAB, into ``out`` (m, w)."""
    xyz = np.empty((3, len(ways)), np.float32)
    for row in range(len(sets)):
        _xyz(k, s, sets[row], ways, weights, xyz)
        # Apart, so that the roots of many ways are drawn at once.
        for way in range(len(ways)):
            f = _root(xyz[1, way])
            lightness = np.float32(116) * f - np.float32(16) - goal[0]
            a = np.float32(500) * (_root(xyz[0, way]) - f) - goal[1]
            b = np.float32(200) * (f - _root(xyz[2, way])) - goal[2]
            out[row, way] = _square(form, lightness, a, b)

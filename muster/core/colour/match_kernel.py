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
def _row(
    k: Singles, s: Singles, paints: Indices, ways: Singles, form: Singles, weights: Singles,
    goal: Singles, xyz: Singles, out: Singles,
) -> None:  # fmt: skip
    """Squared distances from the goal of one set's masstones, all its ways, into ``out`` (w,)."""
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
    # Apart, so that the roots of many ways are drawn at once.
    for way in range(len(ways)):
        f = _root(xyz[1, way])
        l_ = np.float32(116) * f - np.float32(16) - goal[0]
        a_ = np.float32(500) * (_root(xyz[0, way]) - f) - goal[1]
        b_ = np.float32(200) * (f - _root(xyz[2, way])) - goal[2]
        out[way] = (
            form[0, 0] * l_ * l_ + form[1, 1] * a_ * a_ + form[2, 2] * b_ * b_
            + two * (form[0, 1] * l_ * a_ + form[0, 2] * l_ * b_ + form[1, 2] * a_ * b_)
        )  # fmt: skip


@fast
def nearest(
    k: Singles, s: Singles, sets: Indices, ways: Singles, form: Singles, weights: Singles,
    goal: Singles, out: Singles,
) -> None:  # fmt: skip
    """For each set of paints (m, 4) the least squared distance over ways (w, 4), into
    ``out``; ``form`` and ``goal`` are of the square roots of X, Y and Z, which are drawn faster."""
    two, passes = np.float32(2), np.float32(1 - THROWN_BACK)
    bands = k.shape[1]
    for row in range(len(sets)):
        p0, p1, p2, p3 = sets[row, 0], sets[row, 1], sets[row, 2], sets[row, 3]
        least = np.float32(np.inf)
        for way in range(len(ways)):
            x = y = z = np.float32(0)
            d0, d1, d2, d3 = ways[way, 0], ways[way, 1], ways[way, 2], ways[way, 3]
            for band in range(bands):
                absorbs = d0 * k[p0, band] + d1 * k[p1, band] + d2 * k[p2, band] + d3 * k[p3, band]
                scatters = d0 * s[p0, band] + d1 * s[p1, band] + d2 * s[p2, band] + d3 * s[p3, band]
                root = np.sqrt(absorbs * (absorbs + two * scatters))
                seen = scatters / (absorbs + passes * scatters + root)
                x += weights[0, band] * seen
                y += weights[1, band] * seen
                z += weights[2, band] * seen
            u = np.sqrt(x) - goal[0]
            v = np.sqrt(y) - goal[1]
            w = np.sqrt(z) - goal[2]
            off = (
                form[0, 0] * u * u + form[1, 1] * v * v + form[2, 2] * w * w
                + two * (form[0, 1] * u * v + form[0, 2] * u * w + form[1, 2] * v * w)
            )  # fmt: skip
            least = min(least, off)
        out[row] = least


@fast
def each(
    k: Singles, s: Singles, sets: Indices, ways: Singles, form: Singles, weights: Singles,
    goal: Singles, out: Singles,
) -> None:  # fmt: skip
    """Every squared distance, into ``out`` (m, w)."""
    xyz = np.empty((3, len(ways)), np.float32)
    for row in range(len(sets)):
        _row(k, s, sets[row], ways, form, weights, goal, xyz, out[row])

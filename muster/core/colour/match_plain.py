"""The loop of ``match_kernel`` without a compiler: slower, and ready at once.

For a command that matches one colour and ends, loading the compiled loop takes longer than the
match itself.
"""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from muster.core.colour.surface import THROWN_BACK

Singles = NDArray[np.float32]
Indices = NDArray[np.int32]

AT_ONCE = 400_000
"""Bands of mixes that are held in memory at a time."""


def each(
    k: Singles, s: Singles, sets: Indices, ways: Singles, form: Singles, weights: Singles,
    goal: Singles, out: Singles,
) -> None:  # fmt: skip
    """Every squared distance of sets of paints (m, 4) by ways to drop them (w, 4), into ``out``
    (m, w)."""
    step = max(1, AT_ONCE // max(1, len(ways) * k.shape[1]))
    for start in range(0, len(sets), step):
        rows = sets[start : start + step]
        absorbs, scatters = np.matmul(ways, k[rows]), np.matmul(ways, s[rows])
        root = np.sqrt(absorbs * (absorbs + 2 * scatters))
        seen = scatters / (absorbs + np.float32(1 - THROWN_BACK) * scatters + root)
        x, y, z = np.cbrt(seen @ weights.T).transpose(2, 0, 1)
        lab = np.stack([116 * y - 16 - goal[0], 500 * (x - y) - goal[1], 200 * (y - z) - goal[2]])
        out[start : start + step] = np.einsum("imw,ij,jmw->mw", lab, form, lab)


def nearest(
    k: Singles, s: Singles, sets: Indices, ways: Singles, form: Singles, weights: Singles,
    goal: Singles, out: Singles,
) -> None:  # fmt: skip
    """For each set of paints the least squared distance over all ways, into ``out`` (m,)."""
    found = np.empty((len(sets), len(ways)), np.float32)
    each(k, s, sets, ways, form, weights, goal, found)
    out[:] = found.min(axis=1)

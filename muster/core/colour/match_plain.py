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
        x, y, z = np.cbrt(_xyz(k, s, sets[start : start + step], ways, weights))
        lab = np.stack([116 * y - 16 - goal[0], 500 * (x - y) - goal[1], 200 * (y - z) - goal[2]])
        out[start : start + step] = np.einsum("imw,ij,jmw->mw", lab, form, lab)


def nearest(
    k: Singles, s: Singles, sets: Indices, ways: Singles, form: Singles, weights: Singles,
    goal: Singles, out: Singles,
) -> None:  # fmt: skip
    """For each set of paints the least squared distance over all ways, into ``out`` (m,); ``form``
    and ``goal`` are of the square roots of X, Y and Z."""
    step = max(1, AT_ONCE // max(1, len(ways) * k.shape[1]))
    for start in range(0, len(sets), step):
        roots = np.sqrt(_xyz(k, s, sets[start : start + step], ways, weights))
        off = roots - goal[:, None, None]
        out[start : start + step] = np.einsum("imw,ij,jmw->mw", off, form, off).min(axis=1)


def _xyz(k: Singles, s: Singles, sets: Indices, ways: Singles, weights: Singles) -> Singles:
    """X, Y and Z of those mixes, (3, m, w), a white's being 1."""
    absorbs, scatters = np.matmul(ways, k[sets]), np.matmul(ways, s[sets])
    root = np.sqrt(absorbs * (absorbs + 2 * scatters))
    seen = scatters / (absorbs + np.float32(1 - THROWN_BACK) * scatters + root)
    found: Singles = (seen @ weights.T).transpose(2, 0, 1)
    return found

"""Sets of paints, and the ways to drop them."""

from __future__ import annotations

from functools import lru_cache
from itertools import product
from math import gcd

import numpy as np
from numpy.typing import NDArray

Singles = NDArray[np.float32]
Indices = NDArray[np.int32]


@lru_cache(maxsize=64)
def ways_of(paints: int, most_drops: int) -> Singles:
    """Every way to drop so many paints, each at least once, (w, 4): each ratio once, in its fewest
    drops."""
    rows = [
        (*way, *([0] * (4 - paints)))
        for way in product(range(1, most_drops + 1), repeat=paints)
        if sum(way) <= most_drops and gcd(*way) == 1
    ]
    return np.array(rows or np.empty((0, 4)), dtype=np.float32).reshape(-1, 4)


def turned(way: tuple[int, ...]) -> list[tuple[int, ...]]:
    """A way with each paint in turn as the first."""
    return [way[turn:] + way[:turn] for turn in range(len(way))]


def sets_of(group: list[int], paints: int) -> Indices:
    """Every set of so many paints, (m, 4), filled up with the first."""
    return np.array(group, dtype=np.int32)[_places(len(group), paints)]


@lru_cache(maxsize=32)
def _places(count: int, paints: int) -> Indices:
    rows = np.arange(count, dtype=np.int32).reshape(-1, 1)
    for _ in range(paints - 1):
        # Each set so far with every paint after its last.
        after = count - 1 - rows[:, -1]
        begun = np.repeat(np.cumsum(after) - after, after)
        last = np.arange(len(begun)) - begun + np.repeat(rows[:, -1] + 1, after)
        rows = np.column_stack([np.repeat(rows, after, axis=0), last]).astype(np.int32)
    return np.hstack([rows, np.repeat(rows[:, :1], 4 - paints, axis=1)])

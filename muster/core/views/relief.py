"""The relief that sections are drawn on: a plate with its corners, a groove, a rivet, a slope.

It stands for every zone, and is no measure of one: only what lies on it is to scale.
"""

from __future__ import annotations

from itertools import pairwise

from muster.core.craft.techniques import Places

POINTS = 121
"""At which a section is told, evenly from left to right."""

_SHAPE = (
    (0.0, 0.0), (0.17, 0.0), (0.215, 42.0), (0.44, 42.0), (0.485, 0.0), (0.565, 0.0),
    (0.58, -34.0), (0.655, -34.0), (0.67, 0.0), (0.775, 0.0), (0.795, 15.0), (0.81, 21.0),
    (0.84, 21.0), (0.855, 15.0), (0.875, 0.0), (1.0, 0.0),
)  # fmt: skip

_RECESSES = (
    (0.155, 0.172, 0.19), (0.467, 0.485, 0.505), (0.755, 0.777, 0.79), (0.86, 0.875, 0.9),
)  # fmt: skip
"""Where a slope meets a flat: from, most, to."""
_GROOVE = (0.572, 0.583, 0.652, 0.663)

_EDGES = (
    (0.195, 0.215, 0.245), (0.41, 0.44, 0.46), (0.545, 0.563, 0.574), (0.662, 0.673, 0.69),
    (0.79, 0.825, 0.86),
)  # fmt: skip

PLATE = (0.25, 0.405)
"""From where to where the flat of the plate lies: decals and marks are laid there."""


def where(point: int) -> float:
    """How far from the left a point lies, 0 to 1."""
    return point / (POINTS - 1)


def _height(at: float) -> float:
    for (x0, y0), (x1, y1) in pairwise(_SHAPE):
        if at <= x1:
            return y0 + (y1 - y0) * (at - x0) / (x1 - x0)
    return _SHAPE[-1][1]


def _peak(at: float, low: float, top: float, high: float) -> float:
    if not low < at < high:
        return 0.0
    return (at - low) / (top - low) if at <= top else (high - at) / (high - top)


def _places(at: float) -> Places:
    """How far a point is recess, flat and edge: the three are 1 together."""
    recess = max(_peak(at, *one) for one in _RECESSES)
    low, full, last, high = _GROOVE
    if full <= at <= last:
        recess = 1.0
    elif low < at < full:
        recess = max(recess, (at - low) / (full - low))
    elif last < at < high:
        recess = max(recess, (high - at) / (high - last))
    edge = max(_peak(at, *one) for one in _EDGES) * (1 - recess)
    return recess, 1 - recess - edge, edge


HEIGHTS = tuple(round(_height(where(point)), 1) for point in range(POINTS))
"""Of the bare surface at each point, in the unit of the films, µm, though it is no measure."""

PLACES = tuple(_places(where(point)) for point in range(POINTS))
"""How far each point is recess, flat and edge."""

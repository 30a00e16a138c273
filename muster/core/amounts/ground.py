"""Ground for bases and terrain: paste by volume, grass and ballast by area."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

PASTE: Mapping[str, float] = {"plaster": 3, "paint": 1, "white glue": 1, "water": 1}
"""Parts by volume of a ground paste. Common practice."""

YIELDS = 0.8
"""Of the volumes put together, what becomes paste: the liquids fill the space between the grains.
Common practice."""

GRASS_G_CM2 = 0.015
"""Static grass of 2 mm, shaken off and laid dense. Common practice."""
BALLAST_ML_CM2 = 0.15
"""Grit and ballast one grain deep. Common practice."""
GLUE_ML_CM2 = 0.02
"""White glue, thinned by half, under grass or ballast. Common practice."""

MOST_CM2, MOST_MM = 100_000.0, 100.0


@dataclass(frozen=True)
class Ground:
    """What a piece of ground takes: paste in all, and by its parts, ml; grass, g; ballast and the
    glue under both, ml."""

    area_cm2: float
    paste_ml: float
    parts_ml: dict[str, float]
    grass_g: float
    ballast_ml: float
    glue_ml: float


def ground(
    area_cm2: float,
    depth_mm: float,
    parts: Mapping[str, float] = PASTE,
    grass: float = 0.0,
    ballast: float = 0.0,
) -> Ground:
    """For an area and a depth. ``parts``: of the paste, by volume. ``grass``, ``ballast``: shares
    of the area that they cover.

    Raises ValueError for no area, a depth or shares out of reach, or a paste without parts.
    """
    if not 0 < area_cm2 <= MOST_CM2:
        raise ValueError(f"an area of {area_cm2:g} cm²: use more than 0, up to {MOST_CM2:g}")
    if not 0 <= depth_mm <= MOST_MM:
        raise ValueError(f"a depth of {depth_mm:g} mm: use 0 to {MOST_MM:g}")
    if not all(0 <= share <= 1 for share in (grass, ballast)):
        raise ValueError("grass and ballast cover 0 to 100 % of the ground")
    whole = sum(parts.values())
    if whole <= 0 or min(parts.values()) < 0:
        raise ValueError("a paste needs parts: 3 plaster, 1 paint, 1 white glue, 1 water")
    paste = area_cm2 * depth_mm / 10
    return Ground(
        area_cm2, paste, {name: paste / YIELDS * part / whole for name, part in parts.items()},
        area_cm2 * grass * GRASS_G_CM2, area_cm2 * ballast * BALLAST_ML_CM2,
        area_cm2 * min(1.0, grass + ballast) * GLUE_ML_CM2,
    )  # fmt: skip

"""Shade, base and lights from owned paints, in even steps of lightness."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from muster.core.colour.match import match
from muster.core.colour.observer import Floats
from muster.core.colour.shelf import Mix, Shelf
from muster.core.colour.spaces import hue_of, xyz_of_lab

STEP_L = 12.0
"""L* between neighbours of a ramp. Common practice."""
LIGHTEST, DARKEST = 95.0, 6.0
"""L* that paint reaches."""


@dataclass(frozen=True)
class Ramp:
    """From the darkest shade to the lightest light; ``base``: which of them is the base."""

    mixes: tuple[Mix, ...]
    wanted: tuple[tuple[float, float, float], ...]
    base: int
    headroom: float
    """L* left above the lightest."""
    warning: str


def ramp(
    shelf: Shelf,
    base: Floats,
    shades: int = 1,
    lights: int = 2,
    step: float = STEP_L,
    hue_shift: float = 0.0,
    most_paints: int = 3,
    most_drops: int = 12,
) -> Ramp:
    """A ramp about a base (CIELAB).

    ``hue_shift``: degrees per step by which lights turn towards yellow (h = 90°) and shades away
    from it; a choice. Where the lights would pass what paint reaches, they are spread over what is
    left, and the warning says from which L* the base would have headroom. Raises ValueError for
    more than 6 shades or lights, or where the shelf is empty.
    """
    if not 0 <= shades <= 6 or not 0 <= lights <= 6:
        raise ValueError(f"{shades} shades and {lights} lights: use 0 to 6 of each")
    if not shelf.paints:
        raise ValueError("the shelf is empty: add a paint")
    lightness = float(base[0])
    up = min(step, (LIGHTEST - lightness) / lights) if lights else step
    down = min(step, (lightness - DARKEST) / shades) if shades else step
    warning = ""
    if lights and up < step * 0.75:
        room = max(0.0, LIGHTEST - lights * step)
        warning = (
            f"the base of L* {lightness:.0f} leaves {max(0.0, LIGHTEST - lightness):.0f} for "
            f"{lights} lights: base it at L* {room:.0f} or darker"
        )
    wanted, mixes = [], []
    for place in range(-shades, lights + 1):
        change = place * (up if place > 0 else down)
        goal = _turned(base, change, hue_shift * place)
        wanted.append((float(goal[0]), float(goal[1]), float(goal[2])))
        mixes.append(match(shelf, goal, most_paints, most_drops, keep=1)[0])
    return Ramp(tuple(mixes), tuple(wanted), shades, LIGHTEST - mixes[-1].lab[0], warning)


def _turned(base: Floats, lighter: float, turn: float) -> Floats:
    """The base so much lighter, its hue turned towards yellow by so many degrees."""
    lightness = float(np.clip(base[0] + lighter, DARKEST, LIGHTEST))
    chroma = float(np.hypot(base[1], base[2]))
    # Chroma shrinks towards white and black, as paint's does.
    chroma *= min(
        1.0,
        (100 - lightness) / max(1.0, 100 - float(base[0])),
        lightness / float(base[0]) if lighter < 0 else 1.0,
    )
    hue = float(hue_of(base))
    away = (90 - hue + 180) % 360 - 180
    hue += float(np.clip(turn, -abs(away), abs(away))) * (1 if away >= 0 else -1)
    radians = np.radians(hue)
    goal = np.array([lightness, chroma * np.cos(radians), chroma * np.sin(radians)])
    # A colour that no surface has is drawn in towards grey.
    while chroma > 0 and (xyz_of_lab(goal) <= 0).any():
        chroma *= 0.9
        goal[1:] = chroma * np.cos(radians), chroma * np.sin(radians)
    return goal

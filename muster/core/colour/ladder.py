"""The ladder: one to four coats of a mix over black, grey, white and oxide."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from muster.core.colour.paint import Optics, coats_to_cover
from muster.core.colour.reconstruct import reflectance_of_hex
from muster.core.colour.spaces import hexes_of, xyz_of

GROUNDS = {"black": "#0d0d0d", "grey": "#8c8c8c", "white": "#f2f2f0", "oxide": "#6d3a2c"}
"""Undercoats, by name. Invented colours."""

RUNGS = 4


@dataclass(frozen=True)
class Ladder:
    """Over one ground: its colour, one to four brushed coats, and coats until it is covered (None:
    more than twelve)."""

    ground: str
    colour: str
    coats: tuple[str, ...]
    covers: int | None


def ladders(optics: Optics) -> list[Ladder]:
    """Over every ground."""
    found = []
    for name, colour in GROUNDS.items():
        under = reflectance_of_hex(colour)
        films = optics.coat(np.arange(1.0, RUNGS + 1)[:, None], under)
        coats = tuple(hexes_of(xyz_of(films)))
        found.append(Ladder(name, colour, coats, coats_to_cover(optics, under)))
    return found

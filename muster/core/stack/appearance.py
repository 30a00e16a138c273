"""What a recipe looks like: the colour of recess, flat and edge of each zone after every pass.

A coat is a film over what lies there; a dry-brush, a sponge and worn edges cover a share of it; a
wash pools in recesses; a filter is a thin film everywhere. Where little is known of a paint, its
stated colour and an opacity by technique stand in.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from muster.core.colour.film import covered, over
from muster.core.colour.observer import Floats
from muster.core.colour.paint import Optics, stated
from muster.core.colour.spaces import hexes_of, lab_of, xyz_of
from muster.core.craft.techniques import OTHER, TECHNIQUES, Lie, TechniqueTrait
from muster.core.recipes.recipe import Pass
from muster.core.stack.layer import AppliedLayer

PLASTIC: Mapping[str, str] = {
    "polystyrene": "#9a9a98", "resin": "#c9c5b8", "metal": "#8f9296", "print": "#8a8a88",
    "polythene": "#b5a98c", "wood": "#c8ab7d", "board": "#b39a76", "foam": "#dfe3e6",
    "plaster": "#e4e0d6",
}  # fmt: skip
"""Of the bare model. Common practice: moulded colours differ."""

COAT: Mapping[str, float] = {"airbrush": 25 / 60, "spray can": 35 / 60}
"""Thickness of a coat by tool, in brushed coats: by wet film, see ``core.amounts``."""


EVEN = Lie()
"""An even coat."""


def lie_of(one: Pass) -> Lie:
    """How a pass lays its film."""
    return TECHNIQUES.get(one.technique, OTHER).lie or EVEN


@dataclass(frozen=True)
class Appearance:
    """A zone's colours as ``#rrggbb``: recess, flat, edge."""

    recess: str
    flat: str
    edge: str


@dataclass(frozen=True, eq=False)
class Surface:
    """Reflectances (3, 36) of a zone's recess, flat and edge."""

    at: Floats

    @cached_property
    def _lab(self) -> Floats:
        return lab_of(xyz_of(self.at))

    @cached_property
    def hexes(self) -> tuple[str, ...]:
        """The colours of recess, flat and edge as ``#rrggbb``."""
        return tuple(hexes_of(xyz_of(self.at)))

    def look(self) -> Appearance:
        """The same as colours."""
        return Appearance(*self.hexes)

    def lab(self) -> Floats:
        """The same as CIELAB, (3, 3)."""
        return self._lab


Paints = Callable[[Pass], Optics | None]
"""What a pass is painted with, where the shelf knows it."""


def by_colour(one: Pass) -> Optics | None:
    """A pass's own stated colour, at the opacity of its technique."""
    if one.colour is None:
        return None
    return stated(one.colour, lie_of(one).opacity)


def bare(material: str) -> Surface:
    """The unpainted model."""
    return Surface(np.tile(stated(PLASTIC.get(material, "#9a9a98")).masstone, (3, 1)))


def laid_over(surface: Surface, one: Pass, paint: Optics, share: float | None = None) -> Surface:
    """A zone after a pass. ``share``: cover stated for it, instead of its technique's."""
    lie = lie_of(one)
    coat = COAT.get(one.tool or "", 1.0) if lie is EVEN else 1.0
    found = []
    for place in range(3):
        thick = lie.thick[place] * one.coats * coat * one.thick
        film = over(paint.k, paint.s, thick, surface.at[place])
        part = lie.share[place] if share is None else lie.share[place] * share
        if (one.zones == ("recesses",) and place > 0) or (one.zones == ("edges",) and place < 2):
            part = 0.0
        found.append(covered(part, film, surface.at[place]))
    return Surface(np.array(found))


def appearances(
    material: str, films: Sequence[AppliedLayer], paints: Paints = by_colour
) -> dict[str, list[Surface]]:
    """By zone, and by part painted apart, its surface after each pass of a walk; the bare model
    where none came yet. Zones that were treated alike share one surface."""
    zones = {zone for film in films for zone in detail_zones(film)}
    start = bare(material)
    now = dict.fromkeys(sorted(zones), start)
    found: dict[str, list[Surface]] = {zone: [] for zone in now}
    for film in films:
        one = film.pass_
        paint = None if film.does(TechniqueTrait.COLOURLESS) else paints(one)
        if paint is not None:
            new: dict[tuple[int, float | None], Surface] = {}
            for zone in detail_zones(film):
                share = next((c.cover for c in one.cover_by if c.zone == zone), one.cover)
                key = id(now[zone]), share
                if key not in new:
                    new[key] = laid_over(now[zone], one, paint, share)
                now[zone] = new[key]
        for zone, surface in now.items():
            found[zone].append(surface)
    return found


def detail_zones(film: AppliedLayer) -> tuple[str, ...]:
    """The zones whose look a pass changes."""
    return (*film.zones, *film.besides)

"""What a recipe looks like: the colour of recess, flat and edge of each zone after every pass.

A coat is a film over what lies there; a dry-brush, a sponge and worn edges cover a share of it; a
wash pools in recesses; a filter is a thin film everywhere. Where little is known of a paint, its
stated colour and an opacity by technique stand in.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

import numpy as np

from muster.core.colour.film import covered, over
from muster.core.colour.observer import Floats
from muster.core.colour.paint import Opacity, Optics, stated
from muster.core.colour.spaces import hexes_of, lab_of, xyz_of
from muster.core.recipes.recipe import Pass
from muster.core.stack.layer import AppliedLayer
from muster.core.stack.walk import Walk

PLASTIC: Mapping[str, str] = {
    "polystyrene": "#9a9a98", "resin": "#c9c5b8", "metal": "#8f9296", "print": "#8a8a88",
    "polythene": "#b5a98c", "wood": "#c8ab7d", "board": "#b39a76", "foam": "#dfe3e6",
    "plaster": "#e4e0d6",
}  # fmt: skip
"""Of the bare model. Common practice: moulded colours differ."""

COAT: Mapping[str, float] = {"airbrush": 25 / 60, "spray can": 35 / 60}
"""Thickness of a coat by tool, in brushed coats: by wet film, see ``core.amounts``."""

Places = tuple[float, float, float]


@dataclass(frozen=True)
class Lie:
    """How a technique lays its film: thickness in recess, on flats, on edges, in brushed coats; and
    the share of each that it covers."""

    thick: Places = (1.0, 1.0, 1.0)
    share: Places = (1.0, 1.0, 1.0)
    opacity: Opacity = "opaque"


LIES: dict[str, Lie] = {
    "wash": Lie((1.6, 0.25, 0.1), opacity="semi-transparent"),
    "pin wash": Lie((2.0, 0.0, 0.0), opacity="semi-transparent"),
    "filter": Lie((0.15, 0.12, 0.1), opacity="semi-transparent"),
    "glaze": Lie((0.35, 0.3, 0.25), opacity="semi-transparent"),
    "dry-brush": Lie((0.0, 0.8, 1.0), (0.0, 0.15, 0.75)),
    "highlight": Lie((0.0, 1.0, 1.0), (0.0, 0.3, 0.9)),
    "edge": Lie((0.0, 0.0, 1.0), (0.0, 0.0, 0.9)),
    "sponge": Lie((0.0, 1.0, 1.0), (0.0, 0.12, 0.35)),
    "stipple": Lie((0.6, 0.8, 0.8), (0.2, 0.3, 0.3)),
    "streak": Lie((0.6, 0.5, 0.3), (0.3, 0.2, 0.1), "semi-opaque"),
    "splash": Lie((1.0, 1.0, 1.0), (0.1, 0.1, 0.1)),
    "pigment": Lie((1.2, 0.6, 0.2), (0.9, 0.4, 0.1)),
    "pastel": Lie((1.0, 0.5, 0.2), (0.7, 0.4, 0.1)),
}
"""By technique: thickness and cover. Common practice, no source."""

_USUAL = Lie()
_CLEAR = ("varnish", "seal", "decal", "mask", "unmask", "fluid")


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

    def look(self) -> Appearance:
        """The same as colours."""
        return Appearance(*hexes_of(xyz_of(self.at)))

    def lab(self) -> Floats:
        """The same as CIELAB, (3, 3)."""
        return lab_of(xyz_of(self.at))


Paints = Callable[[Pass], Optics | None]
"""What a pass is painted with, where the shelf knows it."""


def by_colour(one: Pass) -> Optics | None:
    """A pass's own stated colour, at the opacity of its technique."""
    if one.colour is None:
        return None
    return stated(one.colour, LIES.get(one.technique, _USUAL).opacity)


def bare(material: str) -> Surface:
    """The unpainted model."""
    return Surface(np.tile(stated(PLASTIC.get(material, "#9a9a98")).masstone, (3, 1)))


def laid_over(surface: Surface, one: Pass, paint: Optics, share: float | None = None) -> Surface:
    """A zone after a pass. ``share``: cover stated for it, instead of its technique's."""
    lie = LIES.get(one.technique, _USUAL)
    coat = COAT.get(one.tool or "", 1.0) if one.technique not in LIES else 1.0
    found = []
    for place in range(3):
        thick = lie.thick[place] * one.coats * coat * one.thick
        film = over(paint.k, paint.s, thick, surface.at[place])
        part = lie.share[place] if share is None else lie.share[place] * share
        if (one.zones == ("recesses",) and place > 0) or (one.zones == ("edges",) and place < 2):
            part = 0.0
        found.append(covered(part, film, surface.at[place]))
    return Surface(np.array(found))


def appearances(walked: Walk, paints: Paints = by_colour) -> dict[str, list[Surface]]:
    """By zone, and by part painted apart, its surface after each pass of the walk; the bare model
    where none came yet. Zones that were treated alike share one surface."""
    zones = {zone for step in walked.steps for zone in detail_zones(step.layer)}
    start = bare(walked.material)
    now = dict.fromkeys(sorted(zones), start)
    found: dict[str, list[Surface]] = {zone: [] for zone in now}
    for step in walked.steps:
        one = step.layer.one
        paint = None if one.technique in _CLEAR else paints(one)
        if paint is not None:
            new: dict[int, Surface] = {}
            for zone in detail_zones(step.layer):
                old = now[zone]
                if id(old) not in new:
                    new[id(old)] = laid_over(old, one, paint, one.cover)
                now[zone] = new[id(old)]
        for zone, surface in now.items():
            found[zone].append(surface)
    return found


def detail_zones(film: AppliedLayer) -> tuple[str, ...]:
    """The zones that a pass touches; of a part painted apart, that part alone."""
    return (film.one.part,) if film.one.part else film.zones

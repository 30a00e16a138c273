"""What a recipe looks like: the colour of recess, flat and edge of each zone after every pass.

A coat is a film over what lies there; a dry-brush, a sponge and worn edges cover a share of it; a
wash pools in recesses; a filter is a thin film everywhere; wiping takes the last film back, most
where the swab reaches; scratching opens what lies under chipping fluid; varnish changes the sheen.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property, lru_cache

import numpy as np

from muster.core.colour.film import covered
from muster.core.colour.kinds import BY_MEDIUM, ROWS
from muster.core.colour.observer import Floats
from muster.core.colour.paint import Optics, stated
from muster.core.colour.reconstruct import reflectance_of_hex
from muster.core.colour.spaces import difference, hexes_of, lab_of, xyz_of
from muster.core.colour.surface import in_finish
from muster.core.craft.media import Medium, MediumTrait
from muster.core.craft.techniques import OTHER, TECHNIQUES, Lie, Places, TechniqueTrait
from muster.core.craft.zones import MARKS
from muster.core.recipes.recipe import Pass
from muster.core.stack.layer import AppliedLayer
from muster.core.vocabulary import Finish, Opacity

PLASTIC: Mapping[str, str] = {
    "polystyrene": "#9a9a98", "resin": "#c9c5b8", "metal": "#8f9296", "print": "#8a8a88",
    "polythene": "#b5a98c", "wood": "#c8ab7d", "board": "#b39a76", "foam": "#dfe3e6",
    "plaster": "#e4e0d6",
}  # fmt: skip
"""Of the bare model. Common practice: moulded colours differ."""

COAT: Mapping[str, float] = {"airbrush": 0.6, "spray can": 0.6}
"""Thickness of a coat by tool, in brushed coats: thinner than brushed, and laid until it is even.
Common practice."""
GROUND_COAT = 1.0
"""At least so thick is an undercoat laid, however it is: nothing bare is left. Common practice."""

THINNED: Mapping[str, float] = {"airbrush": 1.0}
"""Parts of thinner to one of paint that a coat is usually sprayed with; brushed it is a third.
Common practice."""
BRUSHED_THINNED = 0.33

LAID: Mapping[Opacity, float] = {
    "opaque": 1.0, "semi-opaque": 0.5, "semi-transparent": 0.2, "transparent": 0.05,
}  # fmt: skip
"""What a film that is laid so thin scatters, of its body. Common practice."""

LEFT_BY_WIPING: Places = (0.75, 0.25, 0.1)
"""What a damp swab leaves of a wet film in recesses, on flats, on edges. Common practice."""

SCRATCHED: Places = (0.0, 0.12, 0.4)
"""Share from which the top coat comes off chipping fluid. Common practice."""

LEFT_BY_VARNISH = 0.5
"""What sprayed varnish leaves to be seen of loose pigment: the rest sinks in. Common practice."""

USUAL_SHEEN: Finish = "matt"
"""Of a label's colour: model paints are mostly matt, and chips of them are what is measured."""

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
    """Reflectances (3, 36) of a zone's recess, flat and edge, in the sheen of their paint; and the
    sheen that lies on it now."""

    at: Floats
    painted: Finish = USUAL_SHEEN
    sheen: Finish = USUAL_SHEEN

    @cached_property
    def _seen(self) -> Floats:
        if self.sheen == self.painted:
            return self.at
        return in_finish(self.at, self.painted, self.sheen)

    @cached_property
    def _lab(self) -> Floats:
        return lab_of(xyz_of(self._seen))

    @cached_property
    def hexes(self) -> tuple[str, ...]:
        """The colours of recess, flat and edge as ``#rrggbb``."""
        return tuple(hexes_of(xyz_of(self._seen)))

    def look(self) -> Appearance:
        """The same as colours."""
        return Appearance(*self.hexes)

    def lab(self) -> Floats:
        """The same as CIELAB, (3, 3)."""
        return self._lab


def paint_of(one: Pass, medium: Medium | None = None) -> Optics | None:
    """A pass's stated colour as paint: as opaque as its medium lets it be, and as ``as_laid``."""
    if one.colour is None:
        return None
    lie, opacity = lie_of(one), medium.opacity if medium else "opaque"
    if lie.tints:
        paint = stated(one.colour)
        return as_laid(one, replace(paint, film=paint.film * LAID[opacity]))
    if medium is not None and lie is EVEN and medium.name in BY_MEDIUM:
        row = ROWS[BY_MEDIUM[medium.name]]
        return as_laid(one, stated(one.colour, row.opacity, row.strength))
    return as_laid(one, stated(one.colour, opacity))


def as_laid(one: Pass, paint: Optics) -> Optics:
    """A paint as a pass lays it: no more opaque than its technique is, with the pigment that its
    thinning and the varnish in it leave to it."""
    lie = lie_of(one)
    found = paint
    if lie.opacity != "opaque":
        found = replace(paint, film=np.minimum(paint.film, paint.body * LAID[lie.opacity]))
    if lie.dulled:
        found = dulled(found, lie.dulled)
    strength = 1.0
    if one.dilution is not None:
        even = THINNED.get(one.tool or "", BRUSHED_THINNED)
        usual = even if lie.thinned is None else lie.thinned
        strength = (1 + usual) / (1 + one.dilution)
    return found.less(strength * (1 - one.varnish_share))


def dulled(paint: Optics, share: float) -> Optics:
    """A paint of which so much of the absorption is alike in every band."""
    ratio = paint.k / paint.s
    even = (1 - share) * ratio + share * float(ratio.mean())
    return Optics(even * paint.s, paint.s, paint.body, paint.film)


WASHED = 2 / 3
"""Of the way from white to its own colour that a wash goes where it pools. Common practice."""
MOST_WASH = 0.35
"""A wash's film in brushed coats at most: light ones too are mostly water."""


@lru_cache(maxsize=4096)
def wash_coats(colour: str, opacity: Opacity, share: float) -> float:
    """Brushed coats of a paint in a film of its wash, where that pools. By bisection."""
    base, white = stated(colour), reflectance_of_hex("#ffffff")
    paint = dulled(replace(base, film=base.film * LAID[opacity]), share)
    own, ground = lab_of(xyz_of(reflectance_of_hex(colour))), lab_of(xyz_of(white))
    goal = (1 - WASHED) * float(difference(ground, own))
    low, high = 0.0, MOST_WASH
    for _ in range(24):
        middle = (low + high) / 2
        left = float(difference(lab_of(xyz_of(paint.coat(middle, white))), own))
        low, high = (middle, high) if left > goal else (low, middle)
    return high


def bare(material: str) -> Surface:
    """The unpainted model."""
    return Surface(np.tile(stated(PLASTIC.get(material, "#9a9a98")).masstone, (3, 1)))


def laid_over(
    surface: Surface, one: Pass, paint: Optics, share: float | None = None, ground: bool = False
) -> Surface:
    """A zone after a pass. ``share``: cover stated for it, instead of its technique's; ``ground``:
    it is an undercoat."""
    lie = lie_of(one)
    coat = COAT.get(one.tool or "", 1.0) if lie is EVEN else 1.0
    coat = max(coat, GROUND_COAT) if ground else coat
    if lie.tints and one.colour is not None:
        coat = wash_coats(one.colour, lie.opacity, lie.dulled)
    found = []
    for place in range(3):
        thick = lie.thick[place] * one.coats * coat * one.thick
        film = paint.coat(thick, surface.at[place])
        part = lie.share[place] if share is None else lie.share[place] * share
        if (one.zones == ("recesses",) and place > 0) or (one.zones == ("edges",) and place < 2):
            part = 0.0
        found.append(covered(part, film, surface.at[place]))
    sheen = one.finish or USUAL_SHEEN
    return (
        Surface(np.array(found), sheen, sheen)
        if lie is EVEN
        else replace(surface, at=np.array(found))
    )


@dataclass
class _Zone:
    """A zone as it looks now, and as it did before what can still be taken back."""

    now: Surface
    before_film: Surface
    before_top: Surface | None = None
    """Under the top coat over chipping fluid."""
    before_pigment: Surface | None = None


def appearances(material: str, films: Sequence[AppliedLayer]) -> dict[str, list[Surface]]:
    """By zone, and by part painted apart, its surface after each pass of a walk; the bare model
    where none came yet. Zones that were treated alike share one surface."""
    zones = {zone for film in films for zone in detail_zones(film)}
    start = bare(material)
    state = {zone: _Zone(start, start) for zone in sorted(zones)}
    found: dict[str, list[Surface]] = {zone: [] for zone in state}
    for film in films:
        alike: dict[tuple[object, ...], Surface] = {}
        paint = paint_of(film.pass_, film.medium)
        for name in detail_zones(film):
            zone = state[name]
            share = _share(film, name)
            key = (id(zone.now), id(zone.before_film), id(zone.before_top),
                   id(zone.before_pigment), share)  # fmt: skip
            if key not in alike:
                alike[key] = _after(zone, film, paint, share)
            _remember(zone, film)
            zone.now = alike[key]
        for name, zone in state.items():
            found[name].append(zone.now)
    return found


def _share(film: AppliedLayer, zone: str) -> float | None:
    """What of a zone a pass covers, where that is not its technique's: a decal's own zone is the
    decal, all else has little of it."""
    if film.does(TechniqueTrait.DECALS):
        return 1.0 if zone in MARKS else film.cover
    return next((c.cover for c in film.pass_.cover_by if c.zone == zone), film.pass_.cover)


def _after(zone: _Zone, film: AppliedLayer, paint: Optics | None, share: float | None) -> Surface:
    now, way = zone.now, film.technique
    if way.name == "wipe back":
        return replace(now, at=_mixed(now, zone.before_film, LEFT_BY_WIPING))
    if film.does(TechniqueTrait.SCRATCHES) and zone.before_top is not None:
        times = 1.0 if film.pass_.cover is None else film.pass_.cover / way.cover
        left = tuple(1 - min(1.0, one * times) for one in SCRATCHED)
        return replace(now, at=_mixed(now, zone.before_top, left))
    if film.clear and film.pass_.finish and film.lays and film.does(TechniqueTrait.SPRAYS):
        if zone.before_pigment is not None and film.cover >= 1:
            left = (LEFT_BY_VARNISH,) * 3
            now = replace(now, at=_mixed(now, zone.before_pigment, left))
        return replace(now, sheen=film.pass_.finish)
    if film.does(TechniqueTrait.COLOURLESS) and not film.does(TechniqueTrait.DECALS):
        return now
    if paint is None or way.act not in ("lay", "fix"):
        return now
    return laid_over(now, film.pass_, paint, share, film.purpose == "ground")


def _remember(zone: _Zone, film: AppliedLayer) -> None:
    """What lies under the film that is about to be laid."""
    if not film.lays:
        return
    if film.medium_has(MediumTrait.FLUID):
        zone.before_top = zone.now
        return
    zone.before_film = zone.now
    zone.before_pigment = zone.now if film.does(TechniqueTrait.DRY) else None


def _mixed(now: Surface, before: Surface, left: Sequence[float]) -> Floats:
    return np.array([covered(left[n], now.at[n], before.at[n]) for n in range(3)])


def detail_zones(film: AppliedLayer) -> tuple[str, ...]:
    """The zones whose look a pass changes."""
    return (*film.zones, *film.besides)

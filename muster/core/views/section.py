"""A section through relief: where each pass of a zone lies, how thick, and what is left of it.

An even coat follows the relief; a wash lies in the hollow, a dry-brush on the ridge, chips are
patches; a mask keeps one side free; scratching, wiping and sanding take away from what lies there.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Literal

from muster.core.amounts.dry_film import TAPE_UM, dry_um, wet_um
from muster.core.craft.media import MediumTrait
from muster.core.craft.techniques import Places, TechniqueTrait
from muster.core.craft.zones import DETAIL_ZONES, MARKS
from muster.core.stack.appearance import (
    EVEN,
    LEFT_BY_WIPING,
    SCRATCHED,
    detail_zones,
    lie_of,
)
from muster.core.stack.layer import SMALL, WHOLE, AppliedLayer
from muster.core.views.relief import HEIGHTS, PLACES, PLATE, POINTS, where
from muster.core.vocabulary import Finish

Line = tuple[float, ...]
"""Thickness in µm at each of ``POINTS``."""

NOTHING: Line = (0.0,) * POINTS

MOST_DRAWN_UM = 150.0
"""Thicker layers, paste by the millimetre, are drawn broken at it."""


@dataclass(frozen=True)
class SectionFilm:
    """A pass in the section of a zone.

    ``laid``: its thickness as it is laid, µm at each point; ``left``: what is there of it at the
    end. Of what takes away (``takes``) it is what comes off in all, and nothing is left.
    ``dry_um``: where it lies thickest; lines are cut off at ``MOST_DRAWN_UM``, it is not.
    """

    key: str
    """Of the pass within the recipe; of a nested one, of the pass that holds it."""
    inner: str
    """Of the pass itself, nested ones unfolded."""
    name: str
    does: Literal["film", "mask", "takes"]
    clear: bool
    """A varnish, a fluid, a glue: drawn with its finish's texture, since it has no colour."""
    colour: str | None
    finish: Finish | None
    wet_um: float
    dry_um: float
    laid: Line
    left: Line


@dataclass(frozen=True)
class Section:
    """Of one zone: the bare relief and what lies on it, from below."""

    zone: str
    relief: Line
    films: list[SectionFilm]


def section_of(zone: str, films: Sequence[AppliedLayer], outer: dict[str, str]) -> Section:
    """The section of a zone. ``outer``: by the key of an unfolded pass the one it stands for."""
    mine = [one for one in films if zone in detail_zones(one)]
    laid: list[Line] = []
    left: list[list[float]] = []
    masked: Line = NOTHING
    fluid: int | None = None
    for index, film in enumerate(mine):
        line: Line = _laid(film, zone, masked)
        if film.does(TechniqueTrait.SCRATCHES):
            line = _take(left, range(0 if fluid is None else fluid + 1, index), _scratched(film))
        elif film.technique.name == "wipe back":
            last = next((n for n in range(index - 1, -1, -1) if mine[n].lays), index)
            line = _take(left, range(last, min(last + 1, index)), _wiped)
        elif film.does(TechniqueTrait.ABRADES):
            line = _take(left, range(index), _abraded)
        elif _masks(film):
            masked = line
        elif film.technique.act == "mask":
            masks = [n for n in range(index) if _masks(mine[n])]
            line = _take(left, masks, _all_of_it)
            masked = NOTHING
        if film.medium_has(MediumTrait.FLUID):
            fluid = index
        laid.append(line)
        left.append(list(NOTHING if _takes(film) else line))
    found = [
        SectionFilm(
            key=outer[one.pass_.key], inner=one.pass_.key, name=one.name,
            does="takes" if _takes(one) else "mask" if _masks(one) else "film",
            clear=one.clear and not _prints(one), colour=_colour(one), finish=one.pass_.finish,
            wet_um=round(wet_um(one), 1), dry_um=round(max(laid[index]), 1),
            laid=_told(laid[index], _takes(one)), left=_told(left[index]),
        )
        for index, one in enumerate(mine)
    ]  # fmt: skip
    return Section(zone, HEIGHTS, [one for one in found if any(one.laid)])


def bare_section(zone: str) -> Section:
    """The relief with nothing on it: of layers that cannot be looked at."""
    return Section(zone, HEIGHTS, [])


def main_zone(films: Sequence[AppliedLayer], main: Sequence[str]) -> str:
    """The zone that most passes meet, one that carries the subject's colours before others."""
    met: dict[str, int] = {}
    for film in films:
        for zone in detail_zones(film):
            met[zone] = met.get(zone, 0) + 1
    if not met:
        return main[0] if main else ""
    return max(met, key=lambda zone: (zone in main, met[zone]))


def _masks(film: AppliedLayer) -> bool:
    return film.technique.act == "mask" and film.does(TechniqueTrait.COVERS_UP)


def _takes(film: AppliedLayer) -> bool:
    bare = film.technique.act in ("work", "mask", "bare")
    return bare and not _masks(film)


def _prints(film: AppliedLayer) -> bool:
    return film.medium_has(MediumTrait.DECAL)


def _colour(film: AppliedLayer) -> str | None:
    """Of what is seen of it: decals are printed, other colourless passes are clear."""
    clear = film.does(TechniqueTrait.COLOURLESS) and not _prints(film)
    return None if clear else film.pass_.colour


def _told(line: Sequence[float], whole: bool = False) -> Line:
    return tuple(round(one if whole else min(one, MOST_DRAWN_UM), 1) for one in line)


def _laid(film: AppliedLayer, zone: str, masked: Line) -> Line:
    if _masks(film):
        share = min(film.cover_of(zone), 1.0)
        return tuple(TAPE_UM if where(n) > 1 - share else 0.0 for n in range(POINTS))
    full = dry_um(film)
    if not full:
        return NOTHING
    thick, shares = _lies(film)
    covers = _patches(film, zone, shares)
    return tuple(
        0.0
        if masked[n]
        else full * sum(PLACES[n][place] * thick[place] * covers(n, place) for place in range(3))
        for n in range(POINTS)
    )


def _lies(film: AppliedLayer) -> tuple[Places, Places]:
    """How thick a film lies in recess, on flat and edge, and what of each it covers."""
    lie = lie_of(film.pass_)
    # What tints is told in washes of its colour, not in films of its paint.
    most = max(lie.thick) if lie.tints else 1.0
    low, middle, high = lie.thick
    share: Places = lie.share
    if film.pass_.zones == ("recesses",):
        share = (share[0], 0.0, 0.0)
    if film.pass_.zones == ("edges",):
        share = (0.0, 0.0, share[2])
    return (low / most, middle / most, high / most), share


def _patches(film: AppliedLayer, zone: str, share: Places) -> Callable[[int, int], float]:
    """Whether a film lies at a point, by place: 1 or 0."""
    named = film.pass_.zones
    cover = film.cover_of(zone)
    if named and all(name in DETAIL_ZONES for name in named):
        # Recesses or edges are a little of a zone, and taken in whole.
        cover = 1.0 if film.pass_.cover is None else film.pass_.cover
    even = lie_of(film.pass_) is EVEN
    if zone not in MARKS and (_prints(film) or (even and cover < SMALL)):
        return lambda n, _: float(PLATE[0] <= where(n) <= PLATE[1])
    if _prints(film):
        return lambda *_: 1.0
    if even:
        # A patch, a step of a gradient: one stretch of it, from the left.
        return lambda n, place: share[place] * (cover >= WHOLE or where(n) <= cover)
    if lie_of(film.pass_).tints:
        return lambda n, place: share[place]
    stated = 1.0 if film.pass_.cover is None else film.pass_.cover / (film.technique.cover or 1.0)
    order = _scattered(film.index + 1)
    return lambda n, place: DOME[n % 4] * (order[n] < min(1.0, share[place] * stated))


DOME = (0.6, 1.0, 1.0, 0.6)
"""A patch is thinner at its rim."""


def _scattered(seed: int) -> list[float]:
    """A number from 0 to 1 for each point, alike within a patch: those below a share are that
    share of all."""
    patches = POINTS // 4
    # Multiplying by what shares no divisor with the number of patches puts each one elsewhere.
    step = 7 + 4 * (seed % 3)
    return [((n // 4 * step + seed * 5) % patches + 0.5) / patches for n in range(POINTS)]


def _take(left: list[list[float]], which: Sequence[int], of: Callable[[int], float]) -> Line:
    """Take from films a share at each point; what came off in all."""
    off = [0.0] * POINTS
    for index in which:
        for n in range(POINTS):
            gone = left[index][n] * of(n)
            left[index][n] -= gone
            off[n] += gone
    return tuple(off)


def _scratched(film: AppliedLayer) -> Callable[[int], float]:
    times = 1.0 if film.pass_.cover is None else film.pass_.cover / film.technique.cover
    order = _scattered(film.index + 1)
    return lambda n: float(
        order[n] < sum(PLACES[n][place] * SCRATCHED[place] for place in range(3)) * times
    )


def _wiped(n: int) -> float:
    return 1 - sum(PLACES[n][place] * LEFT_BY_WIPING[place] for place in range(3))


def _abraded(n: int) -> float:
    """Filing and sanding take what stands proud down to the bare."""
    return float(PLACES[n][2] > 0.4)


def _all_of_it(_: int) -> float:
    return 1.0

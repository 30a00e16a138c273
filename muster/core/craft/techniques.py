"""Techniques: what the hand does, how hard it brings its carrier to bear, what it leaves behind.

Minutes are for one model at 1/72 seen in the hand, common practice with no source, as is all else
that a row says. Rules ask for a trait, never for a name: a new technique is one row.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum, auto
from typing import Literal

from muster.core.craft.media import Grade
from muster.core.vocabulary import Opacity

Act = Literal["lay", "work", "mask", "build", "fix", "bare"]
"""Lay a film; work one that lies there already; mask; glue and build; fix what lies loose; a step
without paint, such as drilling."""

Places = tuple[float, float, float]
"""In recesses, on flats, on edges."""


class TechniqueTrait(Enum):
    """A trait of a technique."""

    HIDES = auto()
    """Is meant to hide what is under it."""
    STRAYS = auto()
    """Catches what is beside its zone."""
    EFFECT = auto()
    """Weathering or decoration, not a colour of the scheme."""
    SPRAYS = auto()
    """Passes over a model: its time hardly grows with what is seen of it."""
    AIRBRUSHES = auto()
    """Is sprayed from an airbrush whatever tool is named."""
    FROM_CAN = auto()
    """Is sprayed from a can, with its solvent."""
    UNDERCOAT = auto()
    """May be the first film over a whole model."""
    BLOCKS_IN = auto()
    """Lays a colour of the scheme by brush."""
    SKINS = auto()
    """Leaves a skin for what follows: it is no colour of its own."""
    THICK = auto()
    """Is thick enough to hide anything."""
    BLENDS_WET = auto()
    """Brushed into a neighbour that is still wet, it mixes with it."""
    LIGHTS = auto()
    """Picks out what catches the light."""
    TINTS = auto()
    """Thin enough to darken or colour what is under it."""
    FLOWS = auto()
    """Runs into recesses, and into pools on gloss."""
    ALL_OVER = auto()
    """Is meant for a whole model: a zone without it is seen."""
    LINE = auto()
    """Leaves a line, judged by contrast and not by size."""
    PRINTS = auto()
    """Leaves the print of its tool: the same marks again."""
    CHIPS = auto()
    """Leaves chips, which may be stark."""
    PROUD = auto()
    """Is seen by its relief."""
    DRY = auto()
    """Is laid dry."""
    SCRATCHES = auto()
    """Opens what lies over chipping fluid."""
    COVERS_UP = auto()
    """Keeps what lies under it from all that follows, until it is taken off."""
    ONE_WAY = auto()
    """Cannot be taken back: it is tried out of sight first."""
    HANDLES = auto()
    """Is rough on fragile parts."""
    DECALS = auto()
    """Puts decals on."""
    CUTS_PARTS = auto()
    """Takes parts off their frame."""
    CLEANS = auto()
    """Takes release agent off bare parts."""
    COLOURLESS = auto()
    """Leaves colours as they are."""
    TOOLLESS = auto()
    """Is done by hand."""
    WEARS = auto()
    """Leaves wear or dirt: chips, streaks, dust, mud."""
    ABRADES = auto()
    """Takes off what lies there down to the bare: paint, filler, glue."""
    RUBS = auto()
    """Rubs over what lies around, too: paint there must be cured."""
    SOFTENS_DECALS = auto()
    """Sets decals with fluid, so that they lie down on a matt ground."""
    FILLS = auto()
    """Closes gaps: what lies under it must hold it."""
    JOINS = auto()
    """Joins parts."""
    SOAKS = auto()
    """Leaves something in a liquid."""
    STRENGTHENS = auto()
    """Makes a weak joint hold: a pin, a rod."""


@dataclass(frozen=True, slots=True)
class Lie:
    """How a technique lays its film: thickness in recess, on flats, on edges, in brushed coats of
    the paint from its pot; and the share of each that it covers. ``thinned``: parts of thinner to
    one of paint for which that holds; None: as the tool's coats are. ``tints``: thickness is in
    washes instead: a film that would take white two thirds of the way to its own colour is 1,
    since a wash is mixed to what it is to do; ``dulled``: share of its absorption that is
    alike in every band."""

    thick: Places = (1.0, 1.0, 1.0)
    share: Places = (1.0, 1.0, 1.0)
    opacity: Opacity = "opaque"
    thinned: float | None = None
    tints: bool = False
    dulled: float = 0.0


@dataclass(frozen=True, slots=True)
class Technique:
    """A row.

    ``cover``: share of its zones that its film covers; ``medium``: where none is named, and
    ``airbrushed`` where it is done by airbrush; ``wets``: share of its zones that takes paint;
    ``film_um``: its wet film, where that is not its tool's; ``lie``: how that film lies, where it
    is no even coat; ``mark_mm``: how large its mark is in life at most.
    """

    name: str
    grade: Grade
    cover: float
    medium: str | None
    minutes: float
    traits: frozenset[TechniqueTrait] = frozenset()
    act: Act = "lay"
    airbrushed: str | None = None
    tool: str = "brush"
    wets: float = 1.0
    film_um: float | None = None
    lie: Lie | None = None
    mark_mm: float | None = None

    def has(self, trait: TechniqueTrait) -> bool:
        """Whether it has a trait."""
        return trait in self.traits

    @property
    def paint_free(self) -> bool:
        """Whether it leaves no film of paint and takes none."""
        return self.act in ("build", "bare") or (self.act == "mask")

    @property
    def usual_tool(self) -> str | None:
        """The tool it is usually done with."""
        return None if self.has(TechniqueTrait.TOOLLESS) else self.tool


def _of(*traits: TechniqueTrait) -> frozenset[TechniqueTrait]:
    return frozenset(traits)


WASH_BLACK = 0.4
"""Of what a wash absorbs, the share that it absorbs of every colour alike: washes are dulled, so
that they shade and do not dye. Common practice."""


def _tint(thick: Places, thinned: float, dulled: float = 0.0) -> Lie:
    return Lie(thick, opacity="semi-transparent", thinned=thinned, tints=True, dulled=dulled)


WASH_UM, FILTER_UM, DRYBRUSH_UM = 80.0, 30.0, 15.0

T = TechniqueTrait

TECHNIQUES: dict[str, Technique] = {
    one.name: one
    for one in (
        Technique("spray", Grade.MIST, 1, "acrylic sprayed", 1,
                  _of(T.HIDES, T.SPRAYS, T.AIRBRUSHES, T.UNDERCOAT), tool="airbrush"),
        Technique("spray can", Grade.MIST, 1, "can", 0.5,
                  _of(T.HIDES, T.SPRAYS, T.FROM_CAN, T.UNDERCOAT), tool="spray can"),
        Technique("brush", Grade.BRUSH, 1, "acrylic", 3, _of(T.HIDES, T.BLOCKS_IN, T.BLENDS_WET),
                  airbrushed="acrylic sprayed"),
        Technique("dry-brush", Grade.MIST, 0.3, "acrylic", 1.5, _of(T.STRAYS, T.LIGHTS, T.HANDLES),
                  wets=1 / 3, film_um=DRYBRUSH_UM, lie=Lie((0.0, 0.8, 1.0), (0.0, 0.15, 0.75))),
        Technique("stipple", Grade.BRUSH, 0.4, "acrylic", 2, _of(T.EFFECT), wets=0.3,
                  lie=Lie((0.6, 0.8, 0.8), (0.2, 0.3, 0.3)), mark_mm=250),
        Technique("sponge", Grade.MIST, 0.1, "acrylic", 2,
                  _of(T.EFFECT, T.PRINTS, T.CHIPS, T.WEARS), tool="sponge", wets=0.1,
                  lie=Lie((0.0, 1.0, 1.0), (0.0, 0.12, 0.35)), mark_mm=150),
        Technique("chip", Grade.BRUSH, 0.04, "acrylic", 4, _of(T.EFFECT, T.CHIPS, T.WEARS),
                  wets=0.05, lie=Lie((0.0, 1.0, 1.0), (0.0, 0.05, 0.2)), mark_mm=150),
        Technique("wash", Grade.FLOOD, 0.8, "acrylic wash", 1,
                  _of(T.TINTS, T.FLOWS, T.ALL_OVER, T.BLENDS_WET, T.HANDLES), wets=0.8,
                  film_um=WASH_UM, lie=_tint((1.0, 0.07, 0.08), 4, WASH_BLACK)),
        Technique("pin wash", Grade.BRUSH, 0.15, "enamel wash", 4, _of(T.LINE, T.BLENDS_WET),
                  wets=0.15, film_um=WASH_UM, lie=_tint((1.3, 0.0, 0.0), 4, WASH_BLACK)),
        Technique("filter", Grade.BRUSH, 0.8, "enamel wash", 2,
                  _of(T.TINTS, T.ALL_OVER, T.BLENDS_WET, T.ONE_WAY), film_um=FILTER_UM,
                  lie=_tint((0.3, 0.25, 0.22), 9)),
        Technique("glaze", Grade.BRUSH, 0.5, "acrylic", 2, _of(T.TINTS, T.ONE_WAY),
                  film_um=FILTER_UM, lie=_tint((0.4, 0.35, 0.3), 5)),
        Technique("highlight", Grade.BRUSH, 0.2, "acrylic", 3, _of(T.LIGHTS, T.LINE), wets=0.2,
                  lie=Lie((0.0, 1.0, 1.0), (0.0, 0.3, 0.9))),
        Technique("edge", Grade.BRUSH, 0.1, "acrylic", 3, _of(T.LIGHTS, T.LINE), wets=0.1,
                  lie=Lie((0.0, 0.0, 1.0), (0.0, 0.0, 0.9))),
        Technique("streak", Grade.BRUSH, 0.1, "enamel wash", 3,
                  _of(T.EFFECT, T.BLENDS_WET, T.WEARS),
                  wets=0.1, lie=Lie((0.6, 0.5, 0.3), (0.3, 0.2, 0.1), "semi-opaque")),
        Technique("splash", Grade.BRUSH, 0.1, "enamel wash", 2, _of(T.EFFECT, T.ONE_WAY, T.WEARS),
                  wets=0.1, lie=Lie((1.0, 1.0, 1.0), (0.1, 0.1, 0.1)), mark_mm=60),
        Technique("pigment", Grade.MIST, 0.3, "pigment", 3, _of(T.EFFECT, T.DRY, T.WEARS), wets=0.3,
                  lie=Lie((1.2, 0.6, 0.2), (0.9, 0.4, 0.1))),
        Technique("pastel", Grade.MIST, 0.3, "pigment", 3, _of(T.EFFECT, T.DRY, T.WEARS), wets=0.2,
                  lie=Lie((1.0, 0.5, 0.2), (0.7, 0.4, 0.1))),
        Technique("pencil", Grade.MIST, 0.05, "water pencil", 2, _of(T.EFFECT, T.DRY, T.WEARS),
                  wets=0.02, lie=Lie((0.0, 0.6, 1.0), (0.0, 0.05, 0.3))),
        Technique("fluid", Grade.BRUSH, 1, "chipping fluid", 1, _of(T.SPRAYS, T.COLOURLESS),
                  tool="airbrush"),
        Technique("scratch", Grade.SCRUB, 0.1, None, 5,
                  _of(T.SCRATCHES, T.HANDLES, T.WEARS), act="work"),
        Technique("wipe back", Grade.SCRUB, 0.5, None, 2, _of(T.HANDLES), act="work"),
        Technique("blend", Grade.BRUSH, 0.5, None, 3, act="work"),
        Technique("reactivate", Grade.BRUSH, 0.3, None, 2, act="work"),
        Technique("fix", Grade.FLOOD, 0.3, "fixed pigment", 1, act="fix"),
        Technique("seal", Grade.MIST, 1, "acrylic varnish", 0.5, _of(T.SPRAYS, T.COLOURLESS),
                  tool="airbrush"),
        Technique("varnish", Grade.MIST, 1, "acrylic varnish", 0.5, _of(T.SPRAYS, T.COLOURLESS),
                  tool="airbrush"),
        Technique("decal", Grade.FLOOD, 0.05, "decal", 6,
                  _of(T.DECALS, T.HANDLES, T.COLOURLESS, T.TOOLLESS)),
        Technique("set decals", Grade.BRUSH, 0.05, None, 2,
                  _of(T.SOFTENS_DECALS, T.COLOURLESS, T.HANDLES), act="bare"),
        Technique("mask", Grade.NONE, 0.5, "mask", 5,
                  _of(T.COVERS_UP, T.HANDLES, T.COLOURLESS, T.TOOLLESS), act="mask"),
        Technique("liquid mask", Grade.NONE, 0.5, "liquid mask", 5,
                  _of(T.COVERS_UP, T.HANDLES, T.COLOURLESS), act="mask"),
        Technique("unmask", Grade.NONE, 0.5, None, 2, _of(T.COLOURLESS, T.TOOLLESS), act="mask"),
        Technique("assemble", Grade.NONE, 0, "glue", 20,
                  _of(T.CUTS_PARTS, T.TOOLLESS, T.JOINS, T.COLOURLESS), act="build"),
        Technique("glue", Grade.NONE, 0, "glue", 4, _of(T.TOOLLESS, T.JOINS, T.COLOURLESS),
                  act="build"),
        Technique("fit", Grade.NONE, 0, "glue", 3, _of(T.TOOLLESS, T.JOINS, T.COLOURLESS),
                  act="build"),
        Technique("fill", Grade.NONE, 0, "putty", 4, _of(T.TOOLLESS, T.FILLS, T.COLOURLESS),
                  act="build"),
        Technique("wash parts", Grade.NONE, 0, "rinse", 1,
                  _of(T.CLEANS, T.TOOLLESS, T.COLOURLESS), act="build"),
        Technique("clean", Grade.NONE, 0, None, 5,
                  _of(T.TOOLLESS, T.CUTS_PARTS, T.COLOURLESS, T.HANDLES), act="bare"),
        Technique("cut", Grade.NONE, 0, None, 5,
                  _of(T.TOOLLESS, T.CUTS_PARTS, T.COLOURLESS, T.HANDLES), act="bare"),
        Technique("file", Grade.NONE, 0, None, 4,
                  _of(T.TOOLLESS, T.ABRADES, T.RUBS, T.COLOURLESS, T.HANDLES), act="bare"),
        Technique("sand", Grade.NONE, 0, None, 4,
                  _of(T.TOOLLESS, T.ABRADES, T.RUBS, T.COLOURLESS, T.HANDLES), act="bare"),
        Technique("scrape", Grade.NONE, 0, None, 2,
                  _of(T.TOOLLESS, T.ABRADES, T.COLOURLESS, T.HANDLES), act="bare"),
        Technique("score", Grade.NONE, 0, None, 6,
                  _of(T.TOOLLESS, T.CUTS_PARTS, T.COLOURLESS, T.HANDLES), act="bare"),
        Technique("drill", Grade.NONE, 0, None, 3,
                  _of(T.TOOLLESS, T.CUTS_PARTS, T.COLOURLESS, T.HANDLES, T.STRENGTHENS),
                  act="bare"),
        Technique("pin", Grade.NONE, 0, None, 4,
                  _of(T.TOOLLESS, T.COLOURLESS, T.HANDLES, T.STRENGTHENS), act="bare"),
        Technique("test-fit", Grade.NONE, 0, None, 3, _of(T.TOOLLESS, T.COLOURLESS), act="bare"),
        Technique("stretch", Grade.NONE, 0, None, 3, _of(T.TOOLLESS, T.COLOURLESS), act="bare"),
        Technique("soak", Grade.NONE, 0, None, 1, _of(T.TOOLLESS, T.COLOURLESS, T.SOAKS),
                  act="bare"),
        Technique("dip", Grade.FLOOD, 1, "white glue", 1, _of(T.UNDERCOAT, T.SKINS, T.TOOLLESS)),
        Technique("texture", Grade.BRUSH, 1, "texture", 8, _of(T.HIDES, T.THICK, T.TOOLLESS)),
        Technique("grass", Grade.NONE, 0.4, "white glue", 4, _of(T.EFFECT, T.PROUD)),
    )
}  # fmt: skip
"""By name."""

OTHER = Technique("", Grade.BRUSH, 0.5, "acrylic", 3)
"""What a technique of the user's own is taken for."""

"""Media: what films are made of, how long they take, and what attacks them in which state.

For a thin coat at 20 °C and 50 % relative humidity. Every figure is common practice with no source;
a product's label comes first. A user's own row shadows the default of its name. Rules ask for a
trait, never for a name: a new medium is one row.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from enum import Enum, IntEnum, auto
from types import MappingProxyType
from typing import Literal, get_args

from muster.core.vocabulary import Opacity

Carrier = Literal["water", "alcohol", "lacquer thinner", "white spirit", "softener", "touch"]
CARRIERS: tuple[Carrier, ...] = get_args(Carrier)

HOUR, DAY = 60.0, 1440.0
NEVER = float("inf")


class Grade(IntEnum):
    """How hard a carrier is brought to bear."""

    NONE = 0
    MIST = 1
    BRUSH = 2
    FLOOD = 3
    SCRUB = 4


class State(IntEnum):
    """How far a film has come."""

    WET = 0
    TOUCH = 1
    RECOATABLE = 2
    CURED = 3


Attacks = Mapping[Carrier, Grade]


def by(*carriers: Carrier, **least: Grade) -> Attacks:
    """These carriers from the brush on; others by the least grade named (``water=SCRUB``)."""
    named: dict[Carrier, Grade] = dict.fromkeys(carriers, Grade.BRUSH)
    for name, grade in least.items():
        named[name.replace("_", " ")] = grade  # type: ignore[index]
    return MappingProxyType(named)


class MediumTrait(Enum):
    """A trait of a medium."""

    FLUID = auto()
    """Lets go of what lies over it when water comes."""
    LOOSE = auto()
    """Lies loose until it is fixed."""
    DECAL = auto()
    """Printed film, softened by setting fluid."""
    SMOOTH = auto()
    """Is as good as gloss under a decal."""
    FOGS = auto()
    """Sprayed in damp or cold air it fogs."""
    KEEPS_WATER_OUT = auto()
    """No water gets through it."""
    MAY_KEEP_WATER_OUT = auto()
    """Water hardly gets through it."""
    LIFTS_BY_OWN_RULE = auto()
    """What lifts it is said by a rule of its own."""
    HEATS_RAGS = auto()
    """Rags soaked with it can heat themselves."""
    SENSITISES = auto()
    """Bare skin grows allergic to it."""
    MIXES_ALONE = auto()
    """Is not mixed with any other medium."""
    COLOURLESS = auto()
    """A varnish, a fluid or a glue: nothing to match with."""


def _of(*traits: MediumTrait) -> frozenset[MediumTrait]:
    return frozenset(traits)


@dataclass(frozen=True, slots=True)
class Medium:
    """A row. Times are minutes; ``attacked``: by state below recoatable, below cured, for ever."""

    name: str
    said: str
    carrier: Carrier | None
    touch: float
    recoat: float
    cured: float
    soft: Attacks = field(default_factory=by)
    uncured: Attacks = field(default_factory=by)
    always: Attacks = field(default_factory=by)
    clock: str = "water"
    family: Literal["acrylic", "lacquer", "oily", "watery", "dry", "none"] = "acrylic"
    window: tuple[float, float] | None = None
    """From when to when it can be worked (wiped, blended, scratched)."""
    forbidden: tuple[float, float] | None = None
    """Between these ages a further coat of it wrinkles."""
    seals: bool = False
    traits: frozenset[MediumTrait] = frozenset()
    acrylic: str | None = None
    """What a house without spirits uses instead."""
    opacity: Opacity = "opaque"
    """Of its paints, where the label states none."""

    def has(self, trait: MediumTrait) -> bool:
        """Whether it has a trait."""
        return trait in self.traits

    def least(self, carrier: Carrier, state: State) -> Grade | None:
        """The least grade at which a carrier attacks it in a state; None: it withstands it."""
        if state < State.RECOATABLE and carrier in self.soft:
            return self.soft[carrier]
        if state < State.CURED and carrier in self.uncured:
            return self.uncured[carrier]
        return self.always.get(carrier)


_ACRYLIC_UNCURED = by("alcohol", "lacquer thinner", water=Grade.SCRUB)
_ACRYLIC_EVER = by("alcohol", "lacquer thinner")

T = MediumTrait

MEDIA: dict[str, Medium] = {
    one.name: one
    for one in (
        Medium("acrylic sprayed", "sprayed water acrylic", "water", 5, 15, DAY, by("water"),
               _ACRYLIC_UNCURED, _ACRYLIC_EVER),
        Medium("acrylic", "water acrylic", "water", 10, 25, DAY, by("water"), _ACRYLIC_UNCURED,
               _ACRYLIC_EVER, window=(0, 5)),
        Medium("alcohol acrylic", "alcohol-borne acrylic", "alcohol", 10, 30, DAY, by("alcohol"),
               by("alcohol", "lacquer thinner"), _ACRYLIC_EVER, "cure",
               traits=_of(T.MAY_KEEP_WATER_OUT)),
        Medium("primer", "airbrush primer", "water", 20, 60, 2 * DAY, by("water"),
               by("alcohol", "lacquer thinner"), by("lacquer thinner"), traits=_of(T.FOGS)),
        Medium("lacquer", "lacquer", "lacquer thinner", 10, 30, DAY, by("lacquer thinner"),
               by("lacquer thinner", "alcohol"), by("lacquer thinner"), "cure", "lacquer",
               traits=_of(T.MAY_KEEP_WATER_OUT)),
        Medium("can", "spray-can paint", "lacquer thinner", 20, 30, 2 * DAY,
               by("water", "alcohol", "lacquer thinner", "white spirit"),
               by("lacquer thinner", "white spirit"), by("lacquer thinner"), "cure", "lacquer",
               forbidden=(HOUR, DAY), traits=_of(T.MIXES_ALONE, T.FOGS, T.MAY_KEEP_WATER_OUT)),
        Medium("enamel", "enamel", "white spirit", 4 * HOUR, 18 * HOUR, 5 * DAY, by("white spirit"),
               by("white spirit", "lacquer thinner"), by("lacquer thinner"), "cure", "oily",
               traits=_of(T.KEEPS_WATER_OUT), acrylic="acrylic"),
        Medium("enamel wash", "enamel wash", "white spirit", 3 * HOUR, 18 * HOUR, 3 * DAY,
               by("white spirit"), by("white spirit"), by("lacquer thinner"), "cure", "oily",
               window=(10, 4 * HOUR), traits=_of(T.KEEPS_WATER_OUT), acrylic="acrylic wash",
               opacity="transparent"),
        Medium("oil", "thinned oil", "white spirit", 18 * HOUR, 60 * HOUR, 21 * DAY,
               by("white spirit"), by("white spirit"), by("lacquer thinner"), "cure", "oily",
               window=(10, 6 * HOUR), traits=_of(T.KEEPS_WATER_OUT, T.HEATS_RAGS),
               acrylic="acrylic wash", opacity="semi-opaque"),
        Medium("acrylic wash", "acrylic wash", "water", 20, 60, DAY, by("water"),
               by("alcohol", water=Grade.SCRUB), by("alcohol"), window=(0, 5),
               opacity="transparent"),
        Medium("clay wash", "re-wettable wash", "water", 20, 30, NEVER, by("water"), by("water"),
               by("water", "alcohol"), family="watery", window=(0, NEVER),
               opacity="semi-transparent", traits=_of(T.MIXES_ALONE)),
        Medium("chipping fluid", "chipping fluid", "water", 20, 20, NEVER, by("water"), by("water"),
               by("water"), family="watery",
               traits=_of(T.MIXES_ALONE, T.FLUID, T.LIFTS_BY_OWN_RULE, T.COLOURLESS)),
        Medium("pigment", "dry pigment", None, 0, 0, NEVER,
               by("water", "alcohol", "lacquer thinner", "white spirit", "touch"),
               by("water", "alcohol", "lacquer thinner", "white spirit", "touch"),
               by("water", "alcohol", "lacquer thinner", "white spirit", "touch"), family="dry",
               traits=_of(T.MIXES_ALONE, T.LOOSE, T.LIFTS_BY_OWN_RULE)),
        Medium("fixed pigment", "fixed pigment", "white spirit", 30, 12 * HOUR, NEVER,
               by("white spirit"), by("white spirit"), by("white spirit"), "cure", "oily",
               traits=_of(T.MIXES_ALONE, T.KEEPS_WATER_OUT, T.LIFTS_BY_OWN_RULE),
               acrylic="acrylic fixer"),
        Medium("bound pigment", "pigment in binder", "white spirit", 30, 12 * HOUR, DAY,
               by("white spirit"), by("white spirit"), by("lacquer thinner"), "cure", "oily",
               window=(0, 18 * HOUR), traits=_of(T.KEEPS_WATER_OUT), acrylic="acrylic mud"),
        Medium("acrylic fixer", "pigment fixed with acrylic", "water", 30, 2 * HOUR, DAY,
               by("water"), by("alcohol", water=Grade.SCRUB), by("alcohol", "lacquer thinner")),
        Medium("acrylic mud", "pigment in acrylic binder", "water", HOUR, 4 * HOUR, DAY,
               by("water"), by("alcohol", water=Grade.SCRUB), by("alcohol", "lacquer thinner"),
               window=(0, 20)),
        Medium("white glue", "white glue", "water", HOUR, 12 * HOUR, DAY, by("water"),
               by(water=Grade.FLOOD), by(water=Grade.SCRUB), family="watery", seals=True,
               traits=_of(T.MIXES_ALONE, T.SMOOTH, T.FOGS, T.COLOURLESS)),
        Medium("acrylic varnish", "acrylic varnish", "water", 20, 2 * HOUR, DAY, by("water"),
               by("alcohol", "lacquer thinner"), _ACRYLIC_EVER, seals=True,
               traits=_of(T.FOGS, T.COLOURLESS)),
        Medium("lacquer varnish", "lacquer varnish", "lacquer thinner", 10, 30, DAY,
               by("lacquer thinner"), by("lacquer thinner", "alcohol"), by("lacquer thinner"),
               "cure", "lacquer", seals=True,
               traits=_of(T.FOGS, T.MAY_KEEP_WATER_OUT, T.COLOURLESS)),
        Medium("enamel varnish", "enamel varnish", "white spirit", 4 * HOUR, 18 * HOUR, 5 * DAY,
               by("white spirit"), by("white spirit", "lacquer thinner"), by("lacquer thinner"),
               "cure", "oily", seals=True, traits=_of(T.FOGS, T.KEEPS_WATER_OUT, T.COLOURLESS),
               acrylic="acrylic varnish"),
        Medium("decal", "decals", "water", 15, 3 * HOUR, 12 * HOUR, by("water", "softener"),
               by("softener", "lacquer thinner"), by("lacquer thinner"),
               traits=_of(T.MIXES_ALONE, T.DECAL, T.LIFTS_BY_OWN_RULE, T.COLOURLESS)),
        Medium("mask", "mask", None, 20, 0, NEVER, family="none",
               traits=_of(T.MIXES_ALONE, T.COLOURLESS)),
        Medium("putty", "two-part putty", "water", 2 * HOUR, 12 * HOUR, DAY, clock="cure",
               family="none", window=(0, 45), traits=_of(T.MIXES_ALONE, T.SENSITISES)),
        Medium("glue", "glue", None, 20, HOUR, DAY, clock="cure", family="none",
               traits=_of(T.MIXES_ALONE, T.COLOURLESS)),
        Medium("texture", "ground paste", "water", 4 * HOUR, 12 * HOUR, DAY, by("water"),
               by(water=Grade.SCRUB), by(), traits=_of(T.MIXES_ALONE)),
    )
}  # fmt: skip
"""By name."""

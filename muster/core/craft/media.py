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
    REWETS = auto()
    """A damp brush works it again at any time: tape and water take it off until it is sealed."""
    FIXES = auto()
    """Loose pigment that is laid into it while it is wet is fixed."""
    GRIPS = auto()
    """Sprayed thin on clean plastic it is its own undercoat."""
    POOLS = auto()
    """Pools as a wash does: light on what stands proud, dark in recesses."""
    SETS = auto()
    """Sets by itself, at any thickness in the same time."""
    BY_MILLIMETRE = auto()
    """Its row is for a millimetre: twice as thick, twice as long."""
    STAYS_PROUD = auto()
    """Mud, ground and plaster: it may stay as it is over the last varnish."""


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
    kin: str = ""
    """Media of one kin are one kind of paint: a further coat harms none of them once it can be
    recoated. Empty: it is a kind of its own."""
    warm_touch: float | None = None
    """Minutes to dry under warm air, where that hastens more than water leaving it."""
    thick_cured: float | None = None
    """Minutes that the thickest film takes to cure, where that is known."""
    solids: float = 30.0
    """Per cent of its volume that stays as a dry film, as it comes from pot, can or tube."""

    def has(self, trait: MediumTrait) -> bool:
        """Whether it has a trait."""
        return trait in self.traits

    @property
    def kind(self) -> str:
        """The kind of paint that it is."""
        return self.kin or self.name

    def least(self, carrier: Carrier, state: State) -> Grade | None:
        """The least grade at which a carrier attacks it in a state; None: it withstands it."""
        if state < State.RECOATABLE and carrier in self.soft:
            return self.soft[carrier]
        if state < State.CURED and carrier in self.uncured:
            return self.uncured[carrier]
        return self.always.get(carrier)


_ACRYLIC_UNCURED = by("alcohol", "lacquer thinner", water=Grade.SCRUB)
_ACRYLIC_EVER = by("alcohol", "lacquer thinner")
_SPIRIT_FLOODED = by("lacquer thinner", white_spirit=Grade.FLOOD)
_LIQUIDS = by("water", "alcohol", "lacquer thinner", "white spirit", "touch")

T = MediumTrait

MEDIA: dict[str, Medium] = {
    one.name: one
    for one in (
        Medium("acrylic sprayed", "sprayed water acrylic", "water", 5, 15, DAY, by("water"),
               _ACRYLIC_UNCURED, _ACRYLIC_EVER, kin="acrylic"),
        Medium("acrylic", "water acrylic", "water", 10, 25, DAY, by("water"), _ACRYLIC_UNCURED,
               _ACRYLIC_EVER, window=(0, 5)),
        Medium("one-coat", "one-coat transparent colour", "water", 20, 60, DAY, by("water"),
               by("alcohol", water=Grade.SCRUB), by("alcohol"), window=(0, 3),
               opacity="semi-transparent", traits=_of(T.POOLS), solids=20),
        Medium("ink", "ink", "water", 10, 30, DAY, by("water"), by("alcohol"), by("alcohol"),
               opacity="transparent", solids=12),
        Medium("alcohol acrylic", "alcohol-borne acrylic", "alcohol", 10, 30, DAY, by("alcohol"),
               by("alcohol", "lacquer thinner"), _ACRYLIC_EVER, "cure",
               traits=_of(T.MAY_KEEP_WATER_OUT), solids=25),
        Medium("primer", "airbrush primer", "water", 20, 60, DAY, by("water"),
               by("alcohol", "lacquer thinner"), by("lacquer thinner"),
               traits=_of(T.FOGS, T.GRIPS)),
        Medium("lacquer", "lacquer", "lacquer thinner", 10, 30, DAY, by("lacquer thinner"),
               by("lacquer thinner", "alcohol"), by("lacquer thinner"), "cure", "lacquer",
               traits=_of(T.MAY_KEEP_WATER_OUT, T.GRIPS), solids=25),
        Medium("can", "spray-can paint", "lacquer thinner", 15, 15, DAY,
               by("alcohol", "lacquer thinner", "white spirit"),
               by("lacquer thinner", "white spirit"), by("lacquer thinner"), "cure", "lacquer",
               forbidden=(HOUR, DAY),
               traits=_of(T.MIXES_ALONE, T.FOGS, T.MAY_KEEP_WATER_OUT, T.GRIPS), solids=10),
        Medium("enamel", "enamel", "white spirit", 4 * HOUR, 12 * HOUR, 3 * DAY, by("white spirit"),
               _SPIRIT_FLOODED, by("lacquer thinner"), "cure", "oily",
               traits=_of(T.KEEPS_WATER_OUT, T.GRIPS), acrylic="acrylic", solids=45),
        Medium("enamel wash", "enamel wash", "white spirit", 2 * HOUR, 12 * HOUR, 2 * DAY,
               by("white spirit"), by(white_spirit=Grade.FLOOD), by("lacquer thinner"), "cure",
               "oily", window=(10, 4 * HOUR), traits=_of(T.KEEPS_WATER_OUT),
               acrylic="acrylic wash", opacity="transparent", solids=15),
        Medium("oil", "thinned oil", "white spirit", 12 * HOUR, DAY, 3 * DAY,
               by("white spirit"), by(white_spirit=Grade.FLOOD), by("lacquer thinner"), "cure",
               "oily", window=(0, 6 * HOUR), traits=_of(T.KEEPS_WATER_OUT, T.HEATS_RAGS),
               acrylic="acrylic wash", opacity="semi-opaque", thick_cured=7 * DAY, solids=25),
        Medium("acrylic wash", "acrylic wash", "water", 20, 60, DAY, by("water"),
               by("alcohol", water=Grade.SCRUB), by("alcohol"), window=(0, 5),
               opacity="transparent", solids=12),
        Medium("clay wash", "re-wettable wash", "water", 20, 20, NEVER, by("water", "alcohol"),
               by("water", "alcohol"), by("water", "alcohol"), family="watery", window=(0, NEVER),
               opacity="semi-transparent", traits=_of(T.MIXES_ALONE, T.REWETS), kin="clay",
               solids=15),
        Medium("water pencil", "water pencil", "water", 0, 0, NEVER, by("water", "alcohol"),
               by("water", "alcohol"), by("water", "alcohol"), family="watery", window=(0, NEVER),
               traits=_of(T.MIXES_ALONE, T.REWETS), kin="clay", solids=60),
        Medium("chipping fluid", "chipping fluid", "water", 10, 10, NEVER, by("water"), by("water"),
               by("water"), family="watery",
               traits=_of(T.MIXES_ALONE, T.FLUID, T.LIFTS_BY_OWN_RULE, T.COLOURLESS), solids=15),
        Medium("pigment", "dry pigment", None, 0, 0, NEVER, _LIQUIDS, _LIQUIDS, _LIQUIDS,
               family="dry", traits=_of(T.MIXES_ALONE, T.LOOSE), solids=100),
        Medium("fixed pigment", "fixed pigment", "white spirit", 30, HOUR, NEVER,
               by("white spirit"), by("white spirit"), by("white spirit"), "cure", "oily",
               traits=_of(T.MIXES_ALONE, T.KEEPS_WATER_OUT, T.FIXES),
               acrylic="acrylic fixer", kin="pigment effect", solids=40),
        Medium("bound pigment", "pigment in binder", "white spirit", 30, 12 * HOUR, DAY,
               by("white spirit"), by("white spirit", "lacquer thinner"), by("lacquer thinner"),
               "cure", "oily", window=(0, 12 * HOUR),
               traits=_of(T.KEEPS_WATER_OUT, T.FIXES, T.STAYS_PROUD),
               acrylic="acrylic mud", kin="pigment effect", warm_touch=35, solids=60),
        Medium("acrylic fixer", "pigment fixed with acrylic", "water", 30, HOUR, DAY,
               by("water"), by("alcohol", water=Grade.SCRUB), by("alcohol", "lacquer thinner"),
               traits=_of(T.FIXES), solids=40),
        Medium("acrylic mud", "pigment in acrylic binder", "water", 2 * HOUR, 12 * HOUR, DAY,
               by("water"), by(water=Grade.SCRUB), by(), window=(0, 20),
               traits=_of(T.BY_MILLIMETRE, T.FIXES, T.STAYS_PROUD), kin="texture", solids=60),
        Medium("white glue", "white glue", "water", HOUR, 12 * HOUR, DAY, by("water"),
               by(water=Grade.FLOOD), by(water=Grade.SCRUB), family="watery", seals=True,
               window=(0, 10), traits=_of(T.MIXES_ALONE, T.SMOOTH, T.FOGS, T.COLOURLESS),
               solids=45),
        Medium("acrylic varnish", "acrylic varnish", "water", 20, 2 * HOUR, DAY, by("water"),
               by("alcohol", "lacquer thinner"), _ACRYLIC_EVER, seals=True,
               traits=_of(T.FOGS, T.COLOURLESS), solids=25),
        Medium("lacquer varnish", "lacquer varnish", "lacquer thinner", 10, 30, DAY,
               by("lacquer thinner"), by("lacquer thinner", "alcohol"), by("lacquer thinner"),
               "cure", "lacquer", seals=True,
               traits=_of(T.FOGS, T.MAY_KEEP_WATER_OUT, T.COLOURLESS), kin="lacquer", solids=20),
        Medium("can varnish", "varnish from a can", "lacquer thinner", 15, 15, DAY,
               by("alcohol", "lacquer thinner", "white spirit"),
               by("lacquer thinner", "white spirit"), by("lacquer thinner"), "cure", "lacquer",
               seals=True, traits=_of(T.MIXES_ALONE, T.FOGS, T.MAY_KEEP_WATER_OUT, T.COLOURLESS),
               solids=10),
        Medium("enamel varnish", "enamel varnish", "white spirit", 4 * HOUR, 12 * HOUR, 3 * DAY,
               by("white spirit"), _SPIRIT_FLOODED, by("lacquer thinner"),
               "cure", "oily", seals=True, traits=_of(T.FOGS, T.KEEPS_WATER_OUT, T.COLOURLESS),
               acrylic="acrylic varnish", kin="enamel", solids=45),
        Medium("decal", "decals", "water", 15, 2 * HOUR, 12 * HOUR, by("water", "softener"),
               by("softener", lacquer_thinner=Grade.FLOOD), by(lacquer_thinner=Grade.FLOOD),
               traits=_of(T.MIXES_ALONE, T.DECAL, T.COLOURLESS), solids=100),
        Medium("mask", "mask", None, 0, 0, NEVER, family="none",
               traits=_of(T.MIXES_ALONE, T.COLOURLESS), solids=100),
        Medium("liquid mask", "liquid mask", None, 20, 20, NEVER, family="none",
               traits=_of(T.MIXES_ALONE, T.COLOURLESS), solids=45),
        Medium("putty", "two-part putty", "water", 2 * HOUR, 12 * HOUR, DAY, clock="cure",
               family="none", window=(0, 45),
               traits=_of(T.MIXES_ALONE, T.SENSITISES, T.SETS, T.COLOURLESS), solids=100),
        Medium("rinse", "water that parts are washed with", "water", HOUR, HOUR, HOUR,
               family="none", traits=_of(T.MIXES_ALONE, T.COLOURLESS), solids=0),
        Medium("texture", "ground paste", "water", 2 * HOUR, 12 * HOUR, DAY, by("water"),
               by(water=Grade.SCRUB), by(), window=(0, 20),
               traits=_of(T.MIXES_ALONE, T.BY_MILLIMETRE, T.STAYS_PROUD), solids=70),
        Medium("plaster", "plaster paste", "water", 30, 12 * HOUR, DAY, by("water"),
               by(), by(), window=(0, 15), traits=_of(T.MIXES_ALONE, T.SETS, T.STAYS_PROUD),
               solids=100),
    )
}  # fmt: skip
"""By name."""

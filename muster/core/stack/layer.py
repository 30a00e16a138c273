"""Layers: what a pass lays, and how it stands at a later moment."""

from __future__ import annotations

from dataclasses import dataclass, replace

from muster.core.craft.adhesives import NO_GLUE, as_medium
from muster.core.craft.climate import Climate, thickness_factor
from muster.core.craft.clocks import drying_factor
from muster.core.craft.media import Grade, Medium, MediumTrait, State
from muster.core.craft.tables import DEFAULTS, USUAL_GLUE, Tables
from muster.core.craft.techniques import OTHER, Technique, TechniqueTrait
from muster.core.craft.zones import DETAIL_ZONES, MAIN, MARKS
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.stack.parts import Reach, reaches
from muster.core.stack.tones import is_neutral
from muster.core.vocabulary import MOST_MINUTES, Kind, Material, Purpose

WARM_AIR = 0.2
"""Water-borne films dry in this share of their time under warm air. Common practice."""

WHOLE = 0.9
"""A film that covers so much of its zone leaves nothing under it exposed."""

SMALL = 0.05
"""Below it a mark is a dot, a numeral, an eye: nothing is based on it. Common practice."""

THIN_AS_A_MIST = 3.0
"""Parts of thinner from which a sprayed colour is a mist that lets the ground through."""

HEAVY = 2.0
"""Times a thin coat from which what is sprayed lies as wet as brushed."""

TOUGHENS = 0.15
"""Share of varnish in a paint from which it counts as its finish and its seal. Common practice."""

SECOND = 1 / 60
"""In minutes: within so much, ages and waits are the same."""

BRUSHES = ("brush", "wide brush")


@dataclass(frozen=True, slots=True)
class AppliedLayer:
    """A pass with what follows from it: technique, medium, zones, its times in this room."""

    index: int
    pass_: Pass
    technique: Technique
    medium: Medium | None
    carrier: str | None
    zones: tuple[str, ...]
    cover: float
    touch: float
    recoat: float
    cured: float
    slow: float = 1.0
    """How many times as long its drying takes in this room, at its thickness."""
    grade: Grade = Grade.NONE
    """How hard it brings its carrier to bear."""
    besides: tuple[str, ...] = ()
    """Zones of parts that it covers at the end, without anybody having said when they are fitted.
    """
    purpose: Purpose = "hide"
    """What it is for: as stated, else by what it does."""
    over_fluid: bool = False
    """Whether it lies over chipping fluid that no seal covers yet."""
    material: Material | None = None
    """What its part, or else the model, is made of; None: of no known material."""

    @property
    def name(self) -> str:
        """The pass by its name."""
        return self.pass_.name

    def does(self, trait: TechniqueTrait) -> bool:
        """Whether its technique has a trait."""
        return self.technique.has(trait)

    def medium_has(self, trait: MediumTrait) -> bool:
        """Whether it has a medium with a trait."""
        return self.medium is not None and self.medium.has(trait)

    @property
    def lays(self) -> bool:
        """Whether it leaves a film."""
        return self.technique.act in ("lay", "fix") and self.medium is not None

    @property
    def paints(self) -> bool:
        """Whether it leaves a film of colour."""
        return self.lays and not self.does(TechniqueTrait.COLOURLESS) and not self.clear

    @property
    def clear(self) -> bool:
        """Whether its film is a varnish or a glue."""
        return self.medium_has(MediumTrait.COLOURLESS)

    @property
    def toughened(self) -> bool:
        """Whether so much varnish is in the paint that it needs none over it."""
        return self.lays and self.pass_.varnish_share >= TOUGHENS

    @property
    def seals(self) -> bool:
        """Whether it covers what is under it against what it itself withstands."""
        return self.lays and bool(self.medium and self.medium.seals) and self.cover >= WHOLE

    def cover_of(self, zone: str) -> float:
        """The share of that zone that it covers."""
        for one in self.pass_.cover_by:
            if one.zone == zone:
                return one.cover
        return self.cover

    def state(self, age: float) -> State:
        """Its state at that age in minutes, to a second: ages are sums of fractions."""
        age += SECOND
        if age >= self.recoat:
            return State.RECOATABLE if age < self.cured else State.CURED
        return State.WET if age < self.touch else State.TOUCH


def apply_all(
    recipe: Recipe, climate: Climate, tables: Tables = DEFAULTS
) -> tuple[AppliedLayer, ...]:
    """What each pass of a recipe is and lays."""
    found = reaches(recipe, tables)
    films = [_applied(recipe, index, reach, climate, tables) for index, reach in enumerate(found)]
    return tuple(
        replace(
            film,
            purpose=_purpose(film, films[: film.index], films[film.index + 1 :], recipe.kind),
            over_fluid=_over_fluid(film, films[: film.index]),
        )
        for film in films
    )


def apply_pass(
    recipe: Recipe, index: int, climate: Climate, tables: Tables = DEFAULTS
) -> AppliedLayer:
    """What the pass at ``index`` is and lays."""
    return apply_all(recipe, climate, tables)[index]


def _applied(
    recipe: Recipe, index: int, reach: Reach, climate: Climate, tables: Tables
) -> AppliedLayer:
    one = recipe.passes[index]
    technique = tables.techniques.get(one.technique, OTHER)
    medium = medium_of(one, technique, tables)
    cover = one.cover if one.cover is not None else technique.cover
    if one.zones and all(name in DETAIL_ZONES for name in one.zones):
        cover = min(cover, 0.2)
    own = {row.part: row.material for row in recipe.materials}
    said = own.get(one.part or "", recipe.material)
    touch, recoat, cured, slow = _times(one, medium, climate)
    carrier = one.carrier or (medium.carrier if medium else None)
    return AppliedLayer(
        index, one, technique, medium, carrier, reach.zones, cover, touch, recoat,
        max(cured, recoat), slow, _grade(one, technique, medium), reach.besides,
        material=tables.materials.get(said),
    )  # fmt: skip


def _times(one: Pass, medium: Medium | None, climate: Climate) -> tuple[float, float, float, float]:
    """Minutes to dry to touch, to the next coat and to cure; how many times as long it takes."""
    if medium is None:
        return 0.0, 0.0, 0.0, 1.0
    thick = thickness_factor(one.thick)
    if medium.has(MediumTrait.SETS):
        thick = 1.0
    touch, recoat, cured = medium.touch * thick, medium.recoat * thick, medium.cured * thick
    if medium.has(MediumTrait.BY_MILLIMETRE):
        touch, cured = medium.touch * one.thick, medium.cured
        recoat = max(medium.recoat * max(1.0, one.thick / OVERNIGHT_MM), touch)
    elif medium.thick_cured is not None:
        cured = min(cured, medium.thick_cured)
    if one.warm_air and medium.warm_touch is not None:
        touch = recoat = medium.warm_touch * max(1.0, thick)
    elif one.warm_air and medium.clock == "water":
        touch, recoat = touch * WARM_AIR, recoat * WARM_AIR
    room = drying_factor(medium.clock, climate)
    # Curing is a matter of warmth for every film.
    return (
        _at_most(touch) * room, _at_most(recoat) * room,
        _at_most(max(cured, recoat)) * drying_factor("cure", climate), room * thick,
    )  # fmt: skip


OVERNIGHT_MM = 4.0
"""Millimetres of ground paste that are dry the next day. Common practice."""


def _grade(one: Pass, technique: Technique, medium: Medium | None) -> Grade:
    """How hard a pass brings its carrier to bear: by its technique, on its tool."""
    grade = technique.grade
    if technique.act != "lay":
        return grade
    sprayed = technique.has(TechniqueTrait.SPRAYS) and one.tool not in (*BRUSHES, "sponge")
    if sprayed or one.tool in ("airbrush", "spray can"):
        wet = one.thick >= HEAVY
        return Grade.BRUSH if wet else min(grade, Grade.MIST)
    if technique.has(TechniqueTrait.SPRAYS) and one.tool in BRUSHES:
        return Grade.BRUSH
    if one.tool == "sponge":
        return min(grade, Grade.MIST)
    if medium is not None and medium.has(MediumTrait.POOLS):
        return max(grade, Grade.BRUSH)
    return grade


def _purpose(
    film: AppliedLayer, before: list[AppliedLayer], after: list[AppliedLayer], kind: Kind
) -> Purpose:
    """What a pass is for, where nobody has said it."""
    one = film.pass_
    if one.purpose is not None:
        return one.purpose
    if film.does(TechniqueTrait.WEARS) or film.does(TechniqueTrait.EFFECT):
        return "wear"
    if film.does(TechniqueTrait.LIGHTS):
        return "light"
    if film.does(TechniqueTrait.TINTS) or film.does(TechniqueTrait.LINE):
        return "shade"
    small = bool(one.zones) and all(zone in MARKS for zone in one.zones)
    if film.does(TechniqueTrait.DECALS) or film.cover < SMALL or small:
        return "mark"
    if not film.does(TechniqueTrait.HIDES):
        return "hide"
    if _undercoats(film, before, after, kind):
        return "ground"
    if film.cover < WHOLE and not one.zones:
        return "modulate"
    if film.cover < WHOLE or film.does(TechniqueTrait.THICK):
        return "spot" if film.cover < 0.5 else "modulate"
    if (
        film.grade == Grade.MIST
        and film.carrier is not None
        and (one.dilution or 0) >= THIN_AS_A_MIST
    ):
        return "modulate"
    if _two_tone(film, before):
        return "modulate"
    return "hide"


def _undercoats(
    film: AppliedLayer, before: list[AppliedLayer], after: list[AppliedLayer], kind: Kind
) -> bool:
    """A primer; or the first sprayed film over everything, where colours come over half of what
    carries them."""
    if film.medium is not None and film.medium.kind == "primer":
        return True
    if not film.does(TechniqueTrait.UNDERCOAT) or film.pass_.zones or film.pass_.part:
        return False
    if any(one.paints for one in before) or film.cover < WHOLE:
        return False
    mine = set(MAIN[kind])
    hidden: set[str] = set()
    for one in after:
        hides = (
            one.does(TechniqueTrait.HIDES)
            or one.does(TechniqueTrait.STRAYS)
            or one.medium_has(MediumTrait.POOLS)
        )
        if one.paints and hides and one.cover >= 0.2:
            hidden |= set(one.zones) & mine
    # A grey, a black or a white is an undercoat where half of it is covered; a colour only where
    # most of it is: else it is the colour that stays.
    half = len(hidden) * 2 - len(mine)
    return half > 0 or (half == 0 and is_neutral(film.pass_.colour))


def _over_fluid(film: AppliedLayer, before: list[AppliedLayer]) -> bool:
    for one in reversed(before):
        if set(one.zones) & set(film.zones):
            if one.seals:
                return False
            if one.medium_has(MediumTrait.FLUID):
                return True
    return False


def _two_tone(film: AppliedLayer, before: list[AppliedLayer]) -> bool:
    """Whether what it lies on was lit from above, shadowed or modulated."""
    for one in reversed(before):
        if not one.paints or not set(one.zones) & set(film.zones):
            continue
        if one.does(TechniqueTrait.HIDES) and one.cover >= WHOLE:
            stated = one.pass_.purpose
            return stated in ("modulate", "shade", "light")
        if one.does(TechniqueTrait.HIDES) and one.cover >= 0.2 and not one.pass_.zones:
            return True
    return False


def _at_most(minutes: float) -> float:
    """No film is waited for longer, however thick it is: the tables know nothing beyond. Cut off
    before the room is counted in, so that the plan's clocks and a walk in any room still agree."""
    return min(minutes, MOST_MINUTES)


def medium_of(one: Pass, technique: Technique, tables: Tables = DEFAULTS) -> Medium | None:
    """The medium named, or the usual one of the technique; None where no film is laid. What is
    glued has the times of its glue."""
    if technique.has(TechniqueTrait.JOINS):
        times = tables.glues.get(one.adhesive, USUAL_GLUE) if one.adhesive else None
        if times is None:
            times = NO_GLUE if technique.name == "fit" else USUAL_GLUE
        return as_medium(one.adhesive or "glue", times)
    if one.medium is not None and one.medium in tables.media:
        return tables.media[one.medium]
    if technique.medium is None:
        return None
    if technique.airbrushed is not None and one.tool == "airbrush":
        return tables.media[technique.airbrushed]
    if one.tool == "spray can" and technique.has(TechniqueTrait.SPRAYS):
        clear = tables.media[technique.medium].seals
        return tables.media["can varnish" if clear else "can"]
    return tables.media[technique.medium]

"""Layers: what a pass lays, and how it stands at a later moment."""

from __future__ import annotations

from dataclasses import dataclass

from muster.core.craft.climate import Climate, thickness_factor
from muster.core.craft.clocks import drying_factor
from muster.core.craft.media import Grade, Medium, MediumTrait, State
from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.craft.techniques import OTHER, Technique, TechniqueTrait
from muster.core.craft.zones import DETAIL_ZONES, zones_of
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.vocabulary import MOST_MINUTES

WARM_AIR = 0.2
"""Touch-dry of a water-borne film takes this share under warm air. Common practice."""

WHOLE = 0.9
"""A film that covers so much of its zone leaves nothing under it exposed."""

SECOND = 1 / 60
"""In minutes: within so much, ages and waits are the same."""

TRULY_WHOLE = {"varnish", "seal", "dip", "fluid"}


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

    @property
    def grade(self) -> Grade:
        """How hard it brings its carrier to bear."""
        return self.technique.grade

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
    def seals(self) -> bool:
        """Whether it covers what is under it against what it itself withstands."""
        return self.lays and bool(self.medium and self.medium.seals) and self.cover >= WHOLE

    def state(self, age: float) -> State:
        """Its state at that age in minutes, to a second: ages are sums of fractions."""
        age += SECOND
        if age < self.touch:
            return State.WET
        if age < self.recoat:
            return State.TOUCH
        return State.RECOATABLE if age < self.cured else State.CURED


def apply_pass(
    recipe: Recipe, index: int, climate: Climate, tables: Tables = DEFAULTS
) -> AppliedLayer:
    """What the pass at ``index`` is and lays."""
    one = recipe.passes[index]
    technique = tables.techniques.get(one.technique, OTHER)
    medium = medium_of(one, technique, tables)
    thick = thickness_factor(one.thick)
    room = drying_factor(medium.clock, climate) if medium else 1.0
    warm = one.warm_air and medium is not None and medium.clock == "water"
    touch = _at_most(medium.touch * thick) * room * (WARM_AIR if warm else 1.0) if medium else 0.0
    cover = one.cover if one.cover is not None else technique.cover
    if one.zones and all(name in DETAIL_ZONES for name in one.zones):
        cover = min(cover, 0.2)
    zones = zones_of(tables.zones[recipe.kind], one.zones)
    recoat = _at_most(medium.recoat * thick) * room if medium else 0.0
    # Curing is a matter of warmth for every film.
    cured = _at_most(medium.cured * thick) * drying_factor("cure", climate) if medium else 0.0
    carrier = one.carrier or (medium.carrier if medium else None)
    return AppliedLayer(index, one, technique, medium, carrier, zones, cover, touch, recoat,
                max(cured, recoat), room * thick)  # fmt: skip


def _at_most(minutes: float) -> float:
    """No film is waited for longer, however thick it is: the tables know nothing beyond. Cut off
    before the room is counted in, so that the plan's clocks and a walk in any room still agree."""
    return min(minutes, MOST_MINUTES)


def medium_of(one: Pass, technique: Technique, tables: Tables = DEFAULTS) -> Medium | None:
    """The medium named, or the usual one of the technique; None where no film is laid."""
    if one.medium is not None and one.medium in tables.media:
        return tables.media[one.medium]
    if technique.medium is None:
        return None
    if technique.airbrushed is not None and one.tool == "airbrush":
        return tables.media[technique.airbrushed]
    return tables.media[technique.medium]

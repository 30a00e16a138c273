"""A draft of a recipe looked over: findings with priced repairs, waits, cautions, what shows."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from itertools import chain
from typing import Literal

from muster.core.colour.mixed_passes import coloured
from muster.core.colour.owned import OwnedPaint
from muster.core.colour.spaces import lab_of, xyz_of_hex
from muster.core.colour.visibility import DISTANCE_MM, contrast
from muster.core.craft.climate import Climate, spray_limit
from muster.core.craft.clocks import drying_factor
from muster.core.craft.media import MediumTrait
from muster.core.craft.tables import Tables
from muster.core.craft.techniques import TechniqueTrait
from muster.core.craft.zones import MAIN
from muster.core.recipes.expand import expand_recipe, held_by
from muster.core.recipes.recipe import Pass, Recipe, Subject, subject_of
from muster.core.stack.appearance import Appearance, Surface, bare, detail_zones
from muster.core.stack.cautions import FIRST
from muster.core.stack.check import Report, check
from muster.core.stack.finding import Finding, Repair, SetHabit, mended
from muster.core.stack.formatting import duration
from muster.core.stack.habits.house import Habits
from muster.core.stack.layer import AppliedLayer
from muster.core.stack.repair_cost import cost_of, minutes_of
from muster.core.stack.walk import Lifted, Walk
from muster.core.stack.windows import window_of
from muster.core.typed.pass_words import how
from muster.core.views.pass_line import Word, line_of
from muster.core.views.section import Section, main_zone, section_of
from muster.core.vocabulary import Finish


@dataclass(frozen=True)
class HabitSet:
    """A habit to be set throughout the house."""

    name: str
    way: str


@dataclass(frozen=True)
class PricedRepair:
    """A repair: the passes in their order and the subject as they are after it, or a habit to be
    set; and what it adds to the hours of the whole. ``changed``: of the passes those that are new
    or other than they were."""

    words: str
    cost: str
    order: list[str]
    changed: list[Pass]
    subject: Subject
    habit: HabitSet | None = None


@dataclass(frozen=True)
class DraftFinding:
    """A finding at the pass with ``key`` (empty: of the whole recipe)."""

    code: str
    severity: Literal["error", "warning", "note"]
    words: str
    key: str
    repairs: list[PricedRepair]


@dataclass(frozen=True)
class InnerPass:
    """A pass of a recipe that is held: how it is said, its wait, its look by zone."""

    key: str
    name: str
    words: str
    minutes: float
    wait: str
    dried: str | None
    finish: Finish | None
    appearances: dict[str, Appearance]


@dataclass(frozen=True)
class Seam:
    """Between a pass and the next: how long one waits, and for what."""

    key: str
    wait: str
    why: str
    stated: bool
    needed: str
    cautions: list[str]
    serious: bool
    instead: str
    """The medium that this house uses instead."""
    inside: list[InnerPass]
    """The passes of the recipe that it holds."""
    words: str
    """All that is said of the pass beside its name and its minutes."""
    line: list[Word]
    """The same word by word, with what follows from its layers: each word can be changed."""
    zones: list[str]
    """That it meets, those of parts included."""
    thickens: Literal["coats", "thick", ""]
    """The property that makes its film thicker; none where it leaves no film."""
    finish: Finish | None
    """Of a clear coat: what it turns the surface to."""
    within: str
    """Within which time the next pass must begin; empty: no limit."""
    dried: str | None
    """What its mix dries to, from the paints on the shelf; else its stated colour."""
    appearances: dict[str, Appearance]
    """By zone that it touches: recess, flat and edge after it."""
    shows: str
    """An effect against its ground, from the viewing distance of its tier."""
    offer: PricedRepair | None
    """A seal that would shorten a long wait, and what it saves."""


@dataclass(frozen=True)
class DraftReport:
    """What the layers say. ``hours``: from the first pass to the last one's drying."""

    findings: list[DraftFinding]
    seams: list[Seam]
    hours: float
    first: str
    water: float
    """How many times as long water-borne paint takes in that air; solvents and curing; spraying."""
    cure: float
    spraying: str
    bare: Appearance
    """What is not painted yet."""
    uncovered: list[str]
    """Zones in sight that no paint hides."""
    grounded: list[str]
    """Zones in sight that keep their undercoat, though others have colours."""
    section: Section | None
    """Of the zone that was asked for, else of that which most passes meet."""


@dataclass(frozen=True)
class Draft:
    """A draft with all that it is looked at in."""

    recipe: Recipe
    climate: Climate
    habits: Habits
    tables: Tables
    known: dict[tuple[str, int], Recipe]
    paints: Mapping[str, OwnedPaint]
    scale: int | None = None
    lifted: Lifted = frozenset()
    zone: str = ""
    """Whose section is asked for."""
    mend: bool = True
    """Whether what mends it is looked for, too."""

    def named(self, recipe: Recipe) -> Draft:
        """The same, called as a recipe is, in its version."""
        own = replace(self.recipe, id=recipe.id, name=recipe.name, version=recipe.version)
        return replace(self, recipe=own)

    def report(self) -> tuple[Report, dict[str, str]]:
        """What its layers say, nested recipes unfolded; and the key that each pass stands for."""
        unfolded = expand_recipe(self.recipe, self.known)
        return check(
            coloured(unfolded.recipe, self.paints),
            self.climate,
            self.habits,
            self.tables,
            self.scale,
            self.lifted,
            self.mend,
        ), unfolded.outer

    def section(self) -> Section:
        """The section of the zone that is asked for. Raises DomainError for layers that cannot be
        looked at."""
        report, outer = self.report()
        return self._section(report.walked, outer)

    def seen(self) -> DraftReport:
        """The whole answer. Raises DomainError for layers that cannot be looked at."""
        report, outer = self.report()
        return DraftReport(
            findings=[self._finding(one, outer, report.walked) for one in report.findings],
            seams=self._seams(report, outer),
            hours=round(minutes_of(report.walked) / 60, 1), first=FIRST,
            water=round(drying_factor("water", self.climate), 2),
            cure=round(drying_factor("cure", self.climate), 2),
            spraying=spray_limit(self.climate) or "fine",
            bare=bare(report.walked.material).look(),
            uncovered=[] if report.walked.effects_only else _unmet(report.walked, _hides),
            grounded=_grounded(report.walked),
            section=self._section(report.walked, outer),
        )  # fmt: skip

    def _section(self, walked: Walk, outer: dict[str, str]) -> Section:
        layers = [step.layer for step in walked.steps]
        main = main_zone(layers, MAIN[self.recipe.kind])
        return section_of(self.zone or main, layers, outer)

    def _seams(self, report: Report, outer: dict[str, str]) -> list[Seam]:
        cautions = _cautions_by_pass(report, outer)
        serious = {outer[one.key] for one in report.cautions if one.serious}
        surfaces = report.walked.surfaces
        # Zones share their surfaces until a pass parts them: each is drawn once.
        drawn: dict[int, Appearance] = {}
        for surface in chain.from_iterable(surfaces.values()):
            if id(surface) not in drawn:
                drawn[id(surface)] = surface.look()
        given = {one.key: one for one in self.recipe.passes}
        offers = {
            outer[one.key]: mended_out
            for one in report.offers
            if (mended_out := self._repair(one.repair, report.walked)) is not None
        }
        seams: dict[str, Seam] = {}
        for step in report.walked.steps:
            layer = step.layer
            key = outer[layer.pass_.key]
            stated = given[key]
            other = layer.medium and layer.pass_.medium != stated.medium and not stated.holds
            held = seams[key].inside if key in seams else []
            met = seams[key].zones if key in seams else []
            window = window_of(report.walked, step)
            looks = (
                {zone: drawn[id(surfaces[zone][layer.index])] for zone in detail_zones(layer)}
                if layer.lays
                else {}
            )
            inner = InnerPass(
                key=layer.pass_.key,
                name=layer.name,
                words=how(layer.pass_),
                minutes=layer.pass_.minutes,
                wait=duration(step.wait.minutes) if step.wait.minutes else "",
                dried=layer.pass_.colour,
                finish=layer.pass_.finish,
                appearances=looks,
            )
            # Of a nested recipe the last pass's wait is the one that counts on.
            seams[key] = Seam(
                key=key, wait=duration(step.wait.minutes) if step.wait.minutes else "",
                why=step.wait.why, stated=step.wait.stated,
                needed=duration(step.wait.needed) if step.wait.needed else "",
                cautions=cautions.get(key, []), serious=key in serious,
                instead=layer.medium.said if layer.medium and other else "",
                inside=[*held, inner] if stated.holds else [],
                words=f"version {name[1]}" if (name := held_by(stated)) else how(stated),
                line=line_of(stated, step, window),
                zones=list(dict.fromkeys((*met, *detail_zones(layer)))),
                thickens=_thickens(layer) if not stated.holds else "",
                finish=stated.finish if layer.clear and layer.lays else None,
                within=duration(window) if window else "",
                dried=layer.pass_.colour,
                appearances=looks, shows=_shows(layer, surfaces), offer=offers.get(key),
            )  # fmt: skip
        return list(seams.values())

    def _finding(self, one: Finding, outer: dict[str, str], walked: Walk) -> DraftFinding:
        repairs = []
        for repair in one.repairs:
            mended_out = self._repair(repair, walked)
            if mended_out is not None:
                repairs.append(mended_out)
        return DraftFinding(
            code=one.code, severity=one.severity, words=one.words,
            key=outer.get(one.key, one.key), repairs=repairs,
        )  # fmt: skip

    def _repair(self, repair: Repair, walked: Walk) -> PricedRepair | None:
        """A repair with its cost; None where it would change a pass inside a nested recipe."""
        try:
            recipe, _ = mended(self.recipe, self.habits, repair)
            cost = cost_of(walked, repair, self.recipe, self.known)
        except KeyError:
            return None
        habit = (
            HabitSet(name=repair.habit, way=repair.way) if isinstance(repair, SetHabit) else None
        )
        before = {one.key: one for one in self.recipe.passes}
        return PricedRepair(
            words=repair.words, cost=cost, order=[one.key for one in recipe.passes],
            changed=[one for one in recipe.passes if before.get(one.key) != one],
            subject=subject_of(recipe), habit=habit,
        )  # fmt: skip


def _cautions_by_pass(report: Report, outer: dict[str, str]) -> dict[str, list[str]]:
    """What to beware of at each pass: a serious caution at every one of its passes, another at the
    first."""
    cautions: dict[str, list[str]] = {}
    told: set[str] = set()
    for one in report.cautions:
        if one.serious or one.words not in told:
            cautions.setdefault(outer[one.key], []).append(one.words)
        told.add(one.words)
    return cautions


def _thickens(layer: AppliedLayer) -> Literal["coats", "thick", ""]:
    if not layer.lays or layer.medium_has(MediumTrait.DECAL):
        return ""
    by_bulk = layer.medium_has(MediumTrait.BY_MILLIMETRE) or layer.medium_has(MediumTrait.LOOSE)
    return "thick" if by_bulk else "coats"


def _unmet(walked: Walk, counts: Callable[[AppliedLayer], bool]) -> list[str]:
    """Zones in sight, of those that stand on their own, that no pass that counts meets."""
    met = {zone for step in walked.steps if counts(step.layer) for zone in step.layer.zones}
    return [
        zone.name
        for zone in walked.zones.values()
        if not (zone.clear or zone.hidden or zone.within or zone.name in met)
    ]


def _hides(layer: AppliedLayer) -> bool:
    """A wash or a filter over the bare material leaves it bare."""
    lays = layer.does(TechniqueTrait.HIDES) or layer.medium_has(MediumTrait.POOLS)
    return layer.paints and lays


def _grounded(walked: Walk) -> list[str]:
    """Zones on which paint lies, but none beside the undercoat, where others have more."""
    bare_of_all = _unmet(walked, _hides)
    without = _unmet(walked, lambda layer: layer.paints and layer.purpose != "ground")
    seen = [one for one in walked.zones.values() if not (one.clear or one.hidden or one.within)]
    kept = [zone for zone in without if zone not in bare_of_all]
    return kept if len(without) < len(seen) else []


def _shows(film: AppliedLayer, surfaces: dict[str, list[Surface]]) -> str:
    """How an effect shows against what lay there before it."""
    zone = next(iter(detail_zones(film)), None)
    if (
        not film.does(TechniqueTrait.EFFECT)
        or film.pass_.colour is None
        or zone is None
        or film.index == 0
    ):
        return ""
    mark = lab_of(xyz_of_hex([film.pass_.colour]))[0]
    ground = surfaces[zone][film.index - 1].lab()[1]
    found = contrast(mark, ground, film.pass_.size_mm or 1.0, film.pass_.tier)
    away = DISTANCE_MM[film.pass_.tier] / 10
    return f"{found.shows} from {away:g} cm: ΔE00 {found.difference:.0f}, L* {found.lighter:+.0f}"

"""Looking a recipe over while it is being edited: findings, waits, cautions. Nothing is kept."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from ninja import Router, Schema
from pydantic import Field

from muster.api.requests import UserRequest
from muster.api.trials import trials_of, tried
from muster.apps.colour.queries import shelf_entries
from muster.apps.house.services import house_of
from muster.apps.recipes.queries import versions_of
from muster.core.colour.mixed_passes import coloured
from muster.core.colour.owned import OwnedPaint
from muster.core.colour.spaces import lab_of, xyz_of_hex
from muster.core.colour.visibility import DISTANCE_MM, contrast
from muster.core.craft.climate import Climate, spray_limit
from muster.core.craft.clocks import drying_factor
from muster.core.craft.tables import Tables
from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.expand import expand_recipe, held_by
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.stack.appearance import Appearance, Surface, appearances, detail_zones
from muster.core.stack.cautions import FIRST
from muster.core.stack.check import Report, check
from muster.core.stack.finding import Finding, Repair, SetHabit, mended
from muster.core.stack.formatting import duration
from muster.core.stack.habits.house import Habits, with_habit
from muster.core.stack.layer import AppliedLayer
from muster.core.stack.repair_cost import cost_of, minutes_of
from muster.core.stack.undercoat import Undercoat, with_undercoat
from muster.core.stack.walk import Walk
from muster.core.stack.windows import window_of
from muster.core.typed.pass_line import About, typed
from muster.core.vocabulary import Kind, Tier

router = Router()


class DraftIn(Schema):
    """A draft; what is left out of room and habits is as in the user's house."""

    code: str = ""
    kind: Kind
    material: str = "polystyrene"
    passes: Annotated[list[Pass], Field(max_length=60)]
    celsius: Annotated[float, Field(ge=-20, le=50)] | None = None
    humidity: Annotated[float, Field(ge=0, le=100)] | None = None
    weathering: Literal["solvent", "all-acrylic"] | None = None
    undercoat: Undercoat = "as it is"


class HabitSet(Schema):
    """A habit to be set throughout the house."""

    name: str
    way: str


class RepairOut(Schema):
    """A repair: the passes and the material as they are after it, or a habit to be set; and what it
    adds to the hours of the whole."""

    words: str
    cost: str
    passes: list[Pass]
    material: str
    habit: HabitSet | None = None


class FindingOut(Schema):
    """A finding at the pass with ``key`` (empty: of the whole recipe)."""

    code: str
    severity: Literal["error", "warning", "note"]
    words: str
    key: str
    repairs: list[RepairOut]


class SeamOut(Schema):
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
    inside: list[str]
    """The passes of the recipe that it holds."""
    within: str
    """Within which time the next pass must begin; empty: no limit."""
    dried: str | None
    """What its mix dries to, from the paints on the shelf; else its stated colour."""
    appearances: dict[str, Appearance]
    """By zone that it touches: recess, flat and edge after it."""
    shows: str
    """An effect against its ground, from the viewing distance of its tier."""


class DraftReport(Schema):
    """What the layers say. ``hours``: from the first pass to the last one's drying."""

    findings: list[FindingOut]
    seams: list[SeamOut]
    hours: float
    first: str
    water: float
    """How many times as long water-borne paint takes in that air; solvents and curing; spraying."""
    cure: float
    spraying: str


@router.post("/draft-check", response=DraftReport)
def check_draft(request: UserRequest, payload: DraftIn) -> DraftReport:
    """Look a draft over. Two queries, one more each where the shelf holds paints, and trials or
    nested recipes are to be read."""
    if not payload.passes:
        return DraftReport(
            findings=[], seams=[], hours=0, first=FIRST, water=1, cure=1, spraying="fine"
        )
    house, _ = house_of(request.user.pk)
    habits = house.habits
    if payload.weathering is not None:
        habits = with_habit(habits, "weathering", payload.weathering)
    air = house.air
    climate = Climate(
        air.celsius if payload.celsius is None else payload.celsius,
        air.humidity if payload.humidity is None else payload.humidity,
    )
    passes = tuple(payload.passes)
    if payload.code:
        passes = tried(passes, trials_of(request.user, payload.code))
    recipe = Recipe(payload.code or "draft", "draft", payload.kind, 1, passes, payload.material)
    held = {name for one in passes if (name := held_by(one)) is not None}
    draft = Draft(
        with_undercoat(recipe, payload.undercoat), climate, habits, house.tables(),
        versions_of(request.user.pk, held) if held else {},
        {one.paint.name: one.paint for one in shelf_entries(request.user.pk)},
    )  # fmt: skip
    return draft.seen()


@dataclass(frozen=True)
class Draft:
    """A draft with all that it is looked at in."""

    recipe: Recipe
    climate: Climate
    habits: Habits
    tables: Tables
    known: dict[tuple[str, int], Recipe]
    paints: dict[str, OwnedPaint]

    def report(self) -> tuple[Report, dict[str, str]]:
        """What its layers say, nested recipes unfolded; and the key that each pass stands for."""
        unfolded = expand_recipe(self.recipe, self.known)
        return check(
            coloured(unfolded.recipe, self.paints), self.climate, self.habits, self.tables
        ), unfolded.outer

    def seen(self) -> DraftReport:
        """The whole answer."""
        report, outer = self.report()
        cautions: dict[str, list[str]] = {}
        told: set[str] = set()
        for one in report.cautions:
            # A serious caution stands at each of its passes, another at the first.
            if one.serious or one.words not in told:
                cautions.setdefault(outer[one.key], []).append(one.words)
            told.add(one.words)
        serious = {outer[one.key] for one in report.cautions if one.serious}
        seams: dict[str, SeamOut] = {}
        surfaces = appearances(report.walked)
        alike: dict[int, Appearance] = {}
        for one_zone in surfaces.values():
            for surface in one_zone:
                if id(surface) not in alike:
                    alike[id(surface)] = surface.look()
        given = {one.key: one for one in self.recipe.passes}
        for step in report.walked.steps:
            key = outer[step.layer.pass_.key]
            was, medium = given[key], step.layer.medium
            instead = medium.said if medium and step.layer.pass_.medium != was.medium else ""
            # Of a nested recipe the last pass's wait is the one that counts on.
            seams[key] = SeamOut(
                key=key, wait=duration(step.wait.minutes) if step.wait.minutes else "",
                why=step.wait.why, stated=step.wait.stated,
                needed=duration(step.wait.needed) if step.wait.needed else "",
                cautions=cautions.get(key, []), serious=key in serious,
                instead="" if was.holds else instead,
                inside=[*(seams[key].inside if key in seams else []), step.layer.name]
                if was.holds else [],
                within=duration(window) if (window := window_of(report.walked, step)) else "",
                dried=step.layer.pass_.colour,
                appearances={zone: alike[id(surfaces[zone][step.layer.index])]
                       for zone in detail_zones(step.layer)} if step.layer.lays else {},
                shows=_shows(step.layer, surfaces),
            )  # fmt: skip
        return DraftReport(
            findings=[self._finding(one, outer, report.walked) for one in report.findings],
            seams=list(seams.values()), hours=round(minutes_of(report.walked) / 60, 1), first=FIRST,
            water=round(drying_factor("water", self.climate), 2),
            cure=round(drying_factor("cure", self.climate), 2),
            spraying=spray_limit(self.climate) or "fine",
        )  # fmt: skip

    def _finding(self, one: Finding, outer: dict[str, str], walked: Walk) -> FindingOut:
        repairs = []
        for repair in one.repairs:
            mended_out = self._repair(repair, walked)
            if mended_out is not None:
                repairs.append(mended_out)
        return FindingOut(
            code=one.code, severity=one.severity, words=one.words,
            key=outer.get(one.key, one.key), repairs=repairs,
        )  # fmt: skip

    def _repair(self, repair: Repair, walked: Walk) -> RepairOut | None:
        """A repair with its cost; None where it would change a pass inside a nested recipe."""
        try:
            recipe, _ = mended(self.recipe, self.habits, repair)
            cost = cost_of(walked, repair, self.recipe, self.known)
        except KeyError:
            return None
        habit = (
            HabitSet(name=repair.habit, way=repair.way) if isinstance(repair, SetHabit) else None
        )
        return RepairOut(
            words=repair.words, cost=cost,
            passes=list(recipe.passes), material=recipe.material, habit=habit,
        )  # fmt: skip


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


class TypedIn(Schema):
    """What was typed, and for what."""

    text: Annotated[str, Field(max_length=200)]
    kind: Kind
    tier: Tier = "hand"
    scale: Annotated[int, Field(ge=1, le=1000)] = 72


@router.post("/typed", response=list[Pass])
def read_typed(request: UserRequest, payload: TypedIn) -> list[Pass]:
    """The passes meant by a few letters, as this house would do them; none where unclear."""
    house, _ = house_of(request.user.pk)
    about = About(
        payload.kind, payload.tier, payload.scale, habits=house.habits, tables=house.tables()
    )
    return typed(payload.text, about)

"""Build as streams that meet: parts, paint on them, where they join, the ways of a joint."""

from __future__ import annotations

from dataclasses import dataclass, replace

from muster.core.build.assess import Assessment, Assessor
from muster.core.build.built import BuiltRecipe
from muster.core.build.checks.finding import BuildFinding
from muster.core.build.checks.run import check_build
from muster.core.build.choose import Chooser, Chosen, ways_of
from muster.core.build.glues import glue_of
from muster.core.build.jobs import jobs_of, left_out
from muster.core.build.kit import Build, Joint, Kit, Way
from muster.core.build.stages import staged
from muster.core.choices import Unit
from muster.core.pipeline import Derived
from muster.core.recipes.recipe import Pass
from muster.core.stack.cautions import Caution, cautions_of
from muster.core.views.build_words import (
    group_of,
    holds_of,
    left_over,
    reason_of,
    title_of_joint,
)
from muster.core.views.evenings import evenings_of
from muster.core.work.coats import is_done
from muster.core.work.unit_recipe import fixes_first, with_models


@dataclass(frozen=True)
class Column:
    """A pass, as a place along the streams; ``group``: what of the work it is."""

    key: str
    name: str
    group: str


@dataclass(frozen=True)
class Swatch:
    """Paint that lies on a part: which pass, and what it looks like."""

    column: int
    name: str
    colour: str | None
    finish: str | None


@dataclass(frozen=True)
class Closed:
    """A place that can no longer be reached, from a column on; ``seen``: it still shows."""

    called: str
    column: int
    seen: bool


@dataclass(frozen=True)
class Stream:
    """A part. ``joins``: the column before which it is joined to ``into`` (None: the main part)."""

    part: str
    name: str
    minutes: float
    pieces: int
    swatches: list[Swatch]
    joins: int | None
    into: str | None
    joint: str | None
    closed: list[Closed]


@dataclass(frozen=True)
class WayRow:
    """One of a joint's ways: minutes of a model and of them all, and what can go wrong, counted.
    ``column``: where it would be closed; None: it would close out what must go in first."""

    way: Way
    minutes: float
    batch: float
    risks: str
    column: int | None
    evenings_least: int


@dataclass(frozen=True)
class Mouth:
    """A joint. ``said``: whether the user has chosen its way or its place."""

    joint: str
    part: str
    onto: str
    title: str
    holds: str
    way: Way
    column: int
    earliest: int
    said: bool
    moved: bool
    reason: str
    trouble: str
    ways: list[WayRow]


@dataclass(frozen=True)
class OfferOut:
    """A way out of a finding: the build as it would be."""

    words: str
    build: Build


@dataclass(frozen=True)
class FindingOut:
    """What is wrong, in words, and what to do."""

    code: str
    severity: str
    words: str
    joint: str | None
    part: str | None
    offers: list[OfferOut]


@dataclass(frozen=True)
class OrderStep:
    """A line of the list for the bench. ``done``: models on which it is ticked."""

    key: str
    name: str
    kind: str
    part: str | None
    minutes: float
    note: str
    cautions: list[Caution]
    done: int
    of: int


@dataclass(frozen=True)
class BuildView:
    """A unit as it is built."""

    unit: str
    name: str
    models: int
    scale: int
    build: Build
    pieces: int
    minutes: float
    mend_min: float
    """Of ``minutes``, what goes into getting at things and mending, by how often it happens."""
    gap_min: float
    evenings_least: int
    columns: list[Column]
    streams: list[Stream]
    mouths: list[Mouth]
    findings: list[FindingOut]
    order: list[OrderStep]
    not_cleaned: int
    saved_min: float
    left_over: list[str]
    replaced: list[str]
    """Passes of the recipe that the joints do now."""


@dataclass(frozen=True)
class BuildRow:
    """A unit in the list of Build."""

    unit: str
    name: str
    kind: str
    models: int
    scale: int
    kit: str | None
    joints: int
    warnings: int


def build_rows(derived: Derived) -> list[BuildRow]:
    """Every unit, with what it is built of."""
    rows = []
    known: dict[object, int] = {}
    for unit in derived.snapshot.choices.units:
        kit = unit.build.kit if unit.build is not None else None
        warned = 0
        if unit.build is not None and unit.id in derived.works:
            # Units of one recipe and one kit are looked over once.
            alike = (unit.recipe, unit.recipe_version, unit.tier, unit.scale, unit.build)
            if alike not in known:
                found = _Room(derived, unit).findings
                known[alike] = sum(one.severity == "warning" for one in found)
            warned = known[alike]
        rows.append(BuildRow(
            unit.id, unit.name, unit.kind, unit.count, unit.scale, kit.name if kit else None,
            len(kit.joints_in_use) if kit else 0, warned,
        ))  # fmt: skip
    return rows


def build_view(derived: Derived, unit: Unit) -> BuildView | None:
    """A unit as it is built; None where it is of one piece."""
    if unit.build is None or unit.id not in derived.works:
        return None
    return _Room(derived, unit).view()


class _Room:
    """One unit's build with all that is worked out of it."""

    def __init__(self, derived: Derived, unit: Unit) -> None:
        self.derived, self.unit = derived, unit
        house = derived.snapshot.house
        self.tables = house.tables()
        self.build = with_models(unit)
        self.recipe = derived.snapshot.recipes[unit.recipe, unit.recipe_version]
        passes = self.recipe.for_tier(unit.tier)
        self.staged = staged(replace(self.recipe, passes=passes), self.build.kit, self.tables)
        self.assessor = Assessor(self.build, self.staged)
        self.chooser = Chooser(self.assessor, fixes_first(house.habits))
        self.free: dict[str, Chooser] = {}
        """By joint, what chooses where nothing is said of it."""
        self.built: BuiltRecipe = derived.works[unit.id]
        self.chosen: Chosen = self.built.chosen
        units = {one.id: one.scale for one in derived.snapshot.choices.units}
        self.findings = check_build(
            self.recipe, self.assessor, self.chosen, unit.scale, units, self.tables
        )
        self.evenings = evenings_of(derived, unit)
        self.jobs = jobs_of(self.build)

    @property
    def kit(self) -> Kit:
        return self.build.kit

    def view(self) -> BuildView:
        unit, kit = self.unit, self.kit
        passes = derived_passes(self.derived, unit)
        minutes = sum(one.minutes for one in passes) + self._risk()
        return BuildView(
            unit=unit.id, name=unit.name, models=unit.count, scale=unit.scale, build=self.build,
            pieces=sum(part.pieces for part in kit.in_use), minutes=round(minutes, 1),
            mend_min=round(self._risk(), 1), gap_min=round(self.chosen.gap_min, 1),
            evenings_least=self.evenings.least(),
            columns=[Column(s.one.key, s.one.name, group_of(s)) for s in self.assessor.stages],
            streams=[self._stream(part) for part in self._drawn()],
            mouths=[self._mouth(joint) for joint in self.assessor.joints.values()],
            findings=[_out(one) for one in self.findings],
            order=self._order(), not_cleaned=len(left_out(self.build)),
            saved_min=round(sum(job.minutes for job in left_out(self.build)), 1),
            left_over=left_over(kit), replaced=[one.name for one in self.staged.replaced],
        )  # fmt: skip

    def _risk(self) -> float:
        found = self.chooser.assessments(self.chosen).values()
        return sum(line.minutes for one in found for line in one.lines if line.risk)

    def _drawn(self) -> list[str]:
        """Parts from the main one down, each before those it takes up."""
        found: list[str] = []

        def add(part: str) -> None:
            found.append(part)
            for each in self.assessor.children.get(part, ()):
                if each not in found:
                    add(each)

        add(self.kit.main.id)
        return found + [part.id for part in self.kit.in_use if part.id not in found]

    def _stream(self, part_id: str) -> Stream:
        part = self.kit.part(part_id)
        assert part is not None
        carrier = self.assessor.carriers.get(part_id)
        joint = self.assessor.joints[carrier] if carrier else None
        stages = [s for s in self.assessor.stages if part_id in s.shares]
        painted = sum(s.one.minutes * s.shares[part_id] for s in stages)
        jobs = sum(job.minutes for job in self.jobs if job.part == part_id)
        fitted = self._assessed(joint).minutes if joint else 0.0
        onto = joint.onto if joint and joint.onto != self.kit.main.id else None
        joins = self.chosen.slots[carrier] if carrier else None
        run = self._run(joint) if joint else None
        if run is not None:
            joins, onto = 0, run
        swatches = [
            Swatch(s.index, s.one.name, s.one.colour, s.one.finish)
            for s in stages
            if s.one.colour is not None or (not s.paints and not s.technique.paint_free)
        ]
        closed = [
            Closed(cover.called or cover.zone, self.chosen.slots[name], cover.seen)
            for name, each in self.assessor.joints.items()
            for cover in each.covers
            if self.staged.owner.get(cover.zone) == part_id
        ]
        return Stream(
            part_id, part.name, round(painted + jobs + fitted, 1), part.pieces, swatches,
            joins, onto, carrier, closed,
        )  # fmt: skip

    def _run(self, joint: Joint) -> str | None:
        """The part with which it is lifted off as one."""
        if self.chosen.ways[joint.id] != "lift" or joint.lifts is None:
            return None
        carrier = self.assessor.carriers.get(joint.lifts)
        return joint.lifts if carrier and self.chosen.slots[carrier] > 0 else None

    def _assessed(self, joint: Joint) -> Assessment:
        return self.assessor.of(
            joint.id, self.chosen.ways[joint.id], self.chosen.slots[joint.id]
        )  # fmt: skip

    def _mouth(self, joint: Joint) -> Mouth:
        glue = glue_of(joint, self.kit, self.recipe, self.tables)
        said = self.build.choice(joint.id)
        trouble = next(
            (one.words for one in self.findings
             if one.joint == joint.id and one.severity == "warning"), "",
        )  # fmt: skip
        rows = self._ways(joint)
        return Mouth(
            joint=joint.id, part=joint.part, onto=joint.onto,
            title=title_of_joint(self.kit, joint),
            holds=holds_of(joint, glue.name, glue.times.handle, glue.materials),
            way=self.chosen.ways[joint.id], column=self.chosen.slots[joint.id],
            earliest=self.assessor.late(joint), said=said.way is not None,
            moved=said.before is not None,
            reason=reason_of(self.kit, joint, self._assessed(joint), self._others(joint)),
            trouble=trouble, ways=rows,
        )  # fmt: skip

    def _others(self, joint: Joint) -> list[Assessment]:
        mine = self.chosen.ways[joint.id]
        found = []
        for way in ways_of(joint):
            if way != mine:
                found.append(self.assessor.of(joint.id, way, self._slot(joint, way) or 0))
        return found

    def _slot(self, joint: Joint, way: Way) -> int | None:
        said = self.build.choice(joint.id)
        if said.before is not None and way == self.chosen.ways[joint.id]:
            return self.chosen.slots[joint.id]
        if joint.id not in self.free:
            choices = tuple(one for one in self.build.choices if one.joint != joint.id)
            free = Assessor(replace(self.build, choices=choices), self.staged)
            self.free[joint.id] = Chooser(free, self.chooser.fixed_habit)
        return self.free[joint.id].slot(joint.id, way, self.chosen.slots)

    def _ways(self, joint: Joint) -> list[WayRow]:
        mine = self._assessed(joint).work_min
        rows = []
        for way in ways_of(joint):
            slot = self._slot(joint, way)
            found = self.assessor.of(joint.id, way, slot if slot is not None else 0)
            more_s = 60 * self.unit.count * (found.work_min - mine)
            risks = ", ".join(line.what for line in found.lines if line.risk)
            rows.append(WayRow(
                way, round(found.minutes, 1), round(found.minutes * self.unit.count),
                risks, slot, self.evenings.least_with(more_s),
            ))  # fmt: skip
        return rows

    def _order(self) -> list[OrderStep]:
        cautions: dict[str, list[Caution]] = {}
        for caution in cautions_of(self.derived.snapshot.recipes[self.unit.recipe_key]):
            cautions.setdefault(caution.key, []).append(caution)
        steps = []
        stages = {stage.one.key for stage in self.assessor.stages}
        joints = set(self.assessor.joints)
        for one in derived_passes(self.derived, self.unit):
            sources = self.built.sources.get(one.key, ())
            kind = "pass" if set(sources) & stages else "joint" if set(sources) & joints else "job"
            models = self.built.models.get(one.key, tuple(range(1, self.unit.count + 1)))
            done = sum(is_done(self.derived.state, self.unit.id, m, one) for m in models)
            steps.append(OrderStep(
                one.key, one.name, kind, one.part, round(one.minutes, 1), one.note,
                cautions.get(one.key, []), done, len(models),
            ))  # fmt: skip
        return steps


def derived_passes(derived: Derived, unit: Unit) -> tuple[Pass, ...]:
    """The passes of a unit as they are worked."""
    return derived.snapshot.recipes[unit.recipe_key].passes


def _out(one: BuildFinding) -> FindingOut:
    offers = [OfferOut(offer.words, offer.build) for offer in one.offers]
    return FindingOut(one.code, one.severity, one.words, one.joint, one.part, offers)

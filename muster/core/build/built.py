"""A recipe on the parts of a kit: its passes split over what is still apart, with the jobs and the
joints between them. What comes of it is a recipe like any other, that the stack can judge and the
planner can plan."""

from __future__ import annotations

import hashlib
import re
from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from muster.core.build.assess import (
    FACES_MIN,
    HOLDER_MIN,
    UNMASK_MIN,
    Assessor,
    CostLine,
    handle_min,
)
from muster.core.build.beside import Beside
from muster.core.build.choose import Chooser, Chosen
from muster.core.build.glues import JointGlue, glue_of
from muster.core.build.jobs import DOING, RANK, TECHNIQUE, bares, jobs_of
from muster.core.build.kit import Build, Job, Joint, Mishap, onto_of
from muster.core.build.needs import inside_out, part_name, settled
from muster.core.build.stages import Stage, staged
from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.craft.zones import DETAIL_ZONES, JOINTS
from muster.core.errors import DomainError
from muster.core.recipes.recipe import BUILT_PASSES, Pass, Recipe, RecipePart

BUILD_STEPS = ("build", "bare", "mask")
"""What is done besides painting, by act of its technique."""

MOST_KEY = 17
"""Letters of a pass's key that its coats share."""

LEAST_MIN = 0.1

MOST_NAMED = 40
"""Zones that a pass can name."""


@dataclass(frozen=True)
class BuiltRecipe:
    """The recipe, with where it came from. ``models``: by the key of a pass, those it is done on
    where that is not all; ``together``: parts of which those of all models are one tray."""

    recipe: Recipe
    chosen: Chosen
    slots: Mapping[str, int]
    sources: Mapping[str, tuple[str, ...]]
    """By the key of a pass: the pass of the recipe it is of, or the joints and jobs in it."""
    models: Mapping[str, tuple[int, ...]]
    together: frozenset[str]
    painted: frozenset[str]
    """Keys of the recipe's own passes."""

    closing: Mapping[str, str]
    """By joint, the key of the pass that closes it."""


def build_recipe(
    recipe: Recipe, build: Build, tables: Tables = DEFAULTS, fixed_habit: bool = False,
    chosen: Chosen | None = None,
) -> BuiltRecipe:  # fmt: skip
    """Build a recipe (unfolded, of one tier) of a kit.

    Raises DomainError where it comes to more passes than can be planned.
    """
    assessor = Assessor(build, staged(recipe, build.kit, tables))
    chosen = chosen or Chooser(assessor, fixed_habit).choose()
    slots = settled(assessor, chosen.slots)
    return _Builder(recipe, assessor, tables, chosen, slots).run()


@dataclass
class _Builder:
    recipe: Recipe
    assessor: Assessor
    tables: Tables
    chosen: Chosen
    slots: dict[str, int]
    beside: Beside = field(init=False)
    top: dict[str, str] = field(default_factory=dict)
    """By part, the part that it now hangs together with and is held by."""
    passes: list[Pass] = field(default_factory=list)
    sources: dict[str, tuple[str, ...]] = field(default_factory=dict)
    models: dict[str, tuple[int, ...]] = field(default_factory=dict)
    closing: dict[str, str] = field(default_factory=dict)
    bare: dict[str, str] = field(default_factory=dict)
    """By part that was joined before paint, what it went onto."""
    lifted: dict[str, list[Joint]] = field(default_factory=dict)
    """By the joint that puts a run back, those that were glued into it."""
    own: frozenset[str] = frozenset()
    """Keys of the recipe's passes: theirs whatever a job is called."""
    held: set[str] = field(default_factory=set)
    """Parts that have been on a holder of their own."""

    @property
    def build(self) -> Build:
        return self.assessor.build

    def run(self) -> BuiltRecipe:
        kit = self.build.kit
        self.top = {part.id: part.id for part in kit.in_use}
        self.beside = Beside(self.assessor, self.chosen.ways, self.slots)
        self.own = frozenset(stage.one.key for stage in self.assessor.stages)
        jobs = self._jobs_by_slot()
        ends = self._lifted_first()
        for stage in (*self.assessor.stages, None):
            slot = stage.index if stage is not None else len(self.assessor.stages)
            self._prepare(slot, jobs.get(slot, []), ends if slot == 0 else [])
            if stage is not None:
                self._paint(stage)
        masked = [job for job in jobs_of(self.build) if job.work == "mask"]
        for part in dict.fromkeys(self._comp(job.part) for job in masked):
            self._add("unmask", ("unmask",), "unmask", "take the masks off", 1.0, part)
        for mishap in self.build.mishaps:
            self._mend(mishap)
        if len(self.passes) > BUILT_PASSES:
            raise DomainError(
                f"{kit.name}: {len(self.passes)} passes with all its parts apart, and at most "
                f"{BUILT_PASSES} can be planned: fix more of them first"
            )
        rows = self._rows()
        fragile = tuple(part.id for part in kit.in_use if part.fragile and part.id != kit.main.id)
        recipe = replace(
            self.recipe, passes=tuple(self.passes), parts=rows,
            fragile=tuple(dict.fromkeys((*self.recipe.fragile, *fragile)))[:MOST_NAMED],
        )  # fmt: skip
        together = frozenset(part.id for part in kit.in_use if part.together)
        return BuiltRecipe(
            recipe, self.chosen, self.slots, self.sources, self.models, together,
            frozenset(stage.one.key for stage in self.assessor.stages),
            self.closing,
        )  # fmt: skip

    def _rows(self) -> tuple[RecipePart, ...]:
        """What is on its own when painting begins, with the zones of all that it then holds."""
        kit, onto = self.build.kit, onto_of(self.build.kit)

        def holder(part: str) -> str:
            while part in self.bare:
                part = self.bare[part]
            return part

        zones: dict[str, tuple[str, ...]] = {}
        for part in kit.in_use:
            zones[holder(part.id)] = (*zones.get(holder(part.id), ()), *part.zones)
        return tuple(
            RecipePart(
                part, own[:20],
                None if (up := holder(onto.get(part, kit.main.id))) == kit.main.id else up,
                part == kit.main.id,
            )
            for part, own in zones.items()
        )  # fmt: skip

    def _comp(self, part: str) -> str | None:
        """What a part is worked as; None: as the whole model."""
        name = part
        while self.top[name] != name:
            name = self.top[name]
        return None if name == self.build.kit.main.id else name

    def _jobs_by_slot(self) -> dict[int, list[Job]]:
        found: dict[int, list[Job]] = {}
        for job in sorted(jobs_of(self.build), key=lambda job: RANK[job.work]):
            slot = self.slots.get(job.after or "", 0)
            if not job.after and job.work in ("mask", "stretch"):
                slot = self.slots.get(job.before or "", 0)
            found.setdefault(slot, []).append(job)
        return found

    def _lifted_first(self) -> list[Joint]:
        """Joints that lift off as one: glued to their neighbour before any paint."""
        return [
            joint for name, joint in self.assessor.joints.items()
            if self.chosen.ways.get(name) == "lift" and self.slots[name] > 0
        ]  # fmt: skip

    def _prepare(self, slot: int, jobs: list[Job], lifted: list[Joint]) -> None:
        """Jobs and joints at a place, what goes in before what closes it in."""
        here = [name for name in self.assessor.joints if self.slots.get(name, 0) == slot]
        here = inside_out(self.assessor, here)
        first = [job for job in jobs if job.after is None]
        self._work(first)
        for joint in lifted:
            self._lift(joint)
        self._join(here, slot)
        self._work([job for job in jobs if job.after is not None])

    def _work(self, jobs: list[Job]) -> None:
        groups: dict[tuple[str, str | None], list[Job]] = {}
        for job in jobs:
            # Before paint the parts of a model lie on one heap.
            bare = job.after is None and bares(job)
            groups.setdefault((job.work, None if bare else self._comp(job.part)), []).append(job)
        for (_, part), mine in groups.items():
            work = mine[0].work
            names = _listed([part_name(self.build.kit, job.part) for job in mine])
            ids = tuple(job.id for job in mine)
            minutes = sum(job.minutes for job in mine)
            self._add(ids[0], ids, TECHNIQUE[work], f"{DOING[work]} {names}", minutes, part,
                      note=_listed([job.name for job in mine if job.name]))  # fmt: skip

    def _lift(self, joint: Joint) -> None:
        """Fit it in place beside its neighbour, which is there without glue, glue the two, and
        take them off as one."""
        own, kit = self._comp(joint.part), self.build.kit
        neighbour = self._comp(joint.lifts) if joint.lifts in self.top else None
        called = part_name(kit, joint.part)
        minutes = self._min(joint, "dry-fitting it")
        if own is None or neighbour is None or own == neighbour:
            self._add(f"lift-{joint.id}", (joint.id,), "test-fit", f"dry-fit the {called}",
                      minutes, own)  # fmt: skip
            return
        beside = part_name(kit, joint.lifts or "")
        self._add(f"lift-{joint.id}", (joint.id,), "glue", f"join the {called} to the {beside}",
                  minutes + joint.fit_min, own,
                  glue=glue_of(joint, kit, self.recipe, self.tables), onto=neighbour,
                  note="In place on the model, without glue there; lift the run off as one.",
                  )  # fmt: skip
        self.top[own] = neighbour
        carrier = self.assessor.carriers.get(joint.lifts or "")
        if carrier is not None:
            self.lifted.setdefault(carrier, []).append(joint)

    def _lines(self, joint: Joint) -> tuple[CostLine, ...]:
        way = self.chosen.ways[joint.id]
        return self.assessor.of(joint.id, way, self.chosen.slots[joint.id]).lines

    def _join(self, names: list[str], slot: int) -> None:
        """Close joints; those of one glue that need no paint between them are one pass."""
        kit = self.build.kit
        groups: list[tuple[tuple[str | None, str | None, str | None, bool], list[Joint]]] = []
        group_of: dict[str, int] = {}
        done = {joint.id for run in self.lifted.values() for joint in run}
        for name in (name for name in names if name not in done):
            joint = self.assessor.joints[name]
            glue = glue_of(joint, kit, self.recipe, self.tables)
            own, onto = self._comp(joint.part), self._comp(joint.onto)
            if own is None and onto is not None:
                own, onto = onto, own
            part = kit.part(joint.part)
            fragile = part is not None and part.fragile
            if slot == 0 and own != onto and own is not None:
                # Bare parts that meet before paint are put together in one go.
                self.top[own] = self.bare[own] = onto or kit.main.id
                own = onto
            key = (own, onto, glue.name, fragile)
            # Not before what it closes in.
            least = max((group_of.get(each, 0) for each in self.assessor.inside(joint)), default=0)
            at = next((n for n in range(least, len(groups)) if groups[n][0] == key), len(groups))
            if at == len(groups):
                groups.append((key, []))
            groups[at][1].append(joint)
            group_of[name] = at
        for (own, onto, _, fragile), mine in groups:
            glue = glue_of(mine[0], kit, self.recipe, self.tables)
            ids = tuple(joint.id for joint in mine)
            ids += tuple(one.id for name in ids for one in self._run(name))
            if slot > 0 and glue.name is not None:
                bare = FACES_MIN * len(mine)
                faces = _listed([part_name(kit, joint.part) for joint in mine])
                self._add(f"bare-{ids[0]}", ids, "scrape", f"bare the faces: {faces}", bare, own)
            minutes = sum(self._fit_min(joint) for joint in mine)
            names_ = _listed([part_name(kit, joint.part) for joint in mine])
            technique = "glue" if glue.name else "fit"
            name = f"{'join' if slot == 0 else 'fit'} the {names_}"
            self._add(ids[0], ids, technique, name, minutes, own, glue=glue, onto=onto,
                      fragile=fragile)  # fmt: skip
            self.closing |= dict.fromkeys(ids, self.passes[-1].key)
            if own is not None and own != onto:
                self.top[own] = onto or kit.main.id

    def _fit_min(self, joint: Joint) -> float:
        run = self._run(joint.id)
        again = sum(self._min(one, "fitting it") - one.fit_min for one in run)
        return (self._min(joint, "fitting it") or joint.fit_min) + again

    def _run(self, joint_id: str) -> list[Joint]:
        """What goes back with a joint's part, glued to it or to what is."""
        found = list(self.lifted.get(joint_id, ()))
        for one in found:
            found += self.lifted.get(one.id, ())
        return found

    def _min(self, joint: Joint, what: str) -> float:
        """Of a joint's minutes, those that go into one thing."""
        return sum(line.minutes for line in self._lines(joint) if line.what == what)

    def _paint(self, stage: Stage) -> None:
        """A pass on each thing that it works: the rest of the model, and what is apart."""
        shares: dict[str | None, float] = {}
        for part, share in stage.shares.items():
            comp = self._comp(part)
            shares[comp] = shares.get(comp, 0.0) + share
        if not shares:
            shares = {None: 1.0}
        many = len(shares) > 1
        masks = self.beside.masks(stage)
        for joint, zones in masks:
            called = part_name(self.build.kit, joint.part)
            self._add(f"mask-{joint.id}", (joint.id,), "mask", f"mask beside the {called}",
                      joint.mask_min, self._comp(joint.part), zones=zones)  # fmt: skip
        owner = self.assessor.staged.owner
        apart = {part for part in self.top if self._comp(part) is not None}
        for number, (comp, share) in enumerate(
            sorted(shares.items(), key=lambda row: row[0] or "")
        ):
            one = stage.one
            minutes = one.minutes * share
            minutes += self.beside.minutes(stage, comp, self._comp)
            if comp is not None and many:
                minutes += handle_min(stage)
            if comp is not None and comp not in self.held:
                self.held.add(comp)
                minutes += HOLDER_MIN
            owned = {
                zone for zone in stage.zones
                if self._comp(owner.get(zone, self.build.kit.main.id)) == comp
            }  # fmt: skip
            detail = tuple(zone for zone in one.zones if zone in DETAIL_ZONES)
            zones = one.zones
            if many and (not stage.whole or comp is not None):
                zones = (*sorted(owned), *detail)
            key = one.key if number == 0 else _key(f"{comp}-{one.key}")
            called = part_name(self.build.kit, comp) if comp is not None and many else ""
            spared = one.all_but
            if comp is not None and stage.paints:
                spared = (*spared, JOINTS)
            elif comp is None and many and stage.whole:
                spared = (*spared, *(z for z, part in owner.items() if part in apart))
            name = f"{one.name}: {called}"[:60] if called else one.name
            self._keep(replace(
                one, key=key, part=comp, zones=zones[:MOST_NAMED],
                all_but=tuple(dict.fromkeys(spared))[:MOST_NAMED],
                minutes=_minutes(minutes), name=name,
                purpose="ground" if stage.ground and many else one.purpose,
            ), (one.key,))  # fmt: skip
        for joint, _ in masks:
            called = part_name(self.build.kit, joint.part)
            self._add(f"unmask-{joint.id}", (joint.id,), "unmask", f"unmask the {called}",
                      UNMASK_MIN, self._comp(joint.part))  # fmt: skip

    def _mend(self, mishap: Mishap) -> None:
        kit = self.build.kit
        joint = next((j for j in kit.joints if j.part == mishap.part), None)
        glue = glue_of(joint, kit, self.recipe, self.tables) if joint else None
        words = {"came off": "refit", "broken": "mend", "lost": "replace", "re-glued": "re-glue"}
        name = f"{words[mishap.what]} the {part_name(kit, mishap.part)}"
        self._add(f"mishap-{mishap.id}", (mishap.id,), "glue" if glue and glue.name else "fit",
                  name, mishap.minutes, None, glue=glue)  # fmt: skip
        self.models[self.passes[-1].key] = mishap.models

    def _add(
        self, key: str, ids: tuple[str, ...], technique: str, name: str, minutes: float,
        part: str | None, glue: JointGlue | None = None, onto: str | None = None,
        fragile: bool = False, note: str = "", zones: tuple[str, ...] = (),
    ) -> None:  # fmt: skip
        self._keep(Pass(
            key=_key(key), name=name[:60], technique=technique, minutes=_minutes(minutes),
            part=part, onto=onto if part is not None else None, fragile=fragile, note=note[:400],
            adhesive=glue.name if glue else None, zones=zones[:MOST_NAMED],
            materials=tuple(glue.materials) if glue and glue.name else (),
        ), ids)  # fmt: skip

    def _keep(self, one: Pass, source: tuple[str, ...]) -> None:
        taken = {each.key for each in self.passes}
        if not set(source) & self.own:
            taken |= self.own
        key, number = one.key, 1
        while key in taken:
            number += 1
            key = f"{one.key[: MOST_KEY - 2]}-{number}"
        self.passes.append(one if key == one.key else replace(one, key=key))
        self.sources[key] = source


def _minutes(minutes: float) -> float:
    return min(6000.0, max(LEAST_MIN, round(minutes, 2)))


def _key(name: str) -> str:
    """A key that its coats can share: the same for the same name, whatever else is built."""
    plain = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-") or "step"
    if len(plain) <= MOST_KEY:
        return plain
    return f"{plain[:11].rstrip('-')}-{hashlib.sha256(name.encode()).hexdigest()[:5]}"


def _listed(names: list[str]) -> str:
    """Names in a sentence."""
    names = list(dict.fromkeys(names))
    if len(names) > 3:
        return f"{', '.join(names[:2])} and {len(names) - 2} more"
    return " and ".join([", ".join(names[:-1]), names[-1]] if names[1:] else names)

"""What a joint costs, done in one of its ways and closed before one of the passes.

Minutes for one model, risk included: how often it happens times the minutes to mend it. All of
them are common practice with no source, and stand here by name so that they can be argued about.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cached_property
from typing import Literal

from muster.core.build.kit import REOPENS, Build, Cover, Joint, Kit, Risk, Way, onto_of
from muster.core.build.stages import Stage, Staged
from muster.core.craft.techniques import TechniqueTrait

HANDLE_SPRAYED_MIN, HANDLE_BRUSHED_MIN = 0.25, 0.4
"""To take one part more in hand in a pass, by its holder, and put it back."""

HOLDER_MIN = 0.5
"""To put a part on a holder of its own, and take it off."""

FACES_MIN = 1.0
"""To scrape faces that were painted before they are glued."""

KEPT_FREE_MIN = 0.5
"""To keep axle ends, bores or slides covered while there is paint about."""

DRY_FIT_SHARE = 0.5
"""Of fitting it: to try it in place without glue, and take it off again."""

LIFTED_AGAIN_SHARE = 0.4
"""Of fitting it again: what was lifted off as one goes back as one, where it has been before."""

UNMASK_MIN = 1.0
OVERSPRAY_SHARE = 1.3
"""Of masking it: to paint over by brush what a spray has hit."""

MASKED_BRUSH_SHARE = 0.3
"""Of what a brush takes longer beside a joint, where that is masked."""

BARE_MIN = 12.0
"""A place that shows and that nothing reaches: what a painter spends on getting at it somehow."""

SNAPS, SNAPS_BRUSHED, SNAPPED_MIN = 0.35, 0.03, 10.0
"""How often something fragile snaps in a rough pass, or in one by brush, and the minutes to put it
back."""

STICKS, STUCK_MIN = 0.4, 8.0
"""How often what must still move is painted fast, and the minutes to free it and touch it up."""

CRACKS, CRACKED_MIN = 0.5, 8.0
"""How often paint cracks on a soft band that is bent round its wheels, and the minutes to mend
it."""


@dataclass(frozen=True, slots=True)
class CostLine:
    """Some of a joint's minutes, and what they go into. ``kind``: work; getting at what is out of
    reach; or a chance, how often something happens times mending it."""

    what: str
    minutes: float
    kind: Literal["work", "reach", "chance"] = "work"

    @property
    def risk(self) -> bool:
        """Whether it is no work that is planned."""
        return self.kind != "work"


@dataclass(frozen=True)
class Assessment:
    """One way of a joint, closed before the pass of index ``slot``."""

    joint: str
    way: Way
    slot: int
    lines: tuple[CostLine, ...]
    lost: tuple[Cover, ...] = ()
    """What shows at the end and was not reached by all its passes."""

    @cached_property
    def minutes(self) -> float:
        """Minutes a model, risk included."""
        return sum(one.minutes for one in self.lines)

    @cached_property
    def work_min(self) -> float:
        """Minutes a model that can be planned."""
        return sum(one.minutes for one in self.lines if not one.risk)


@dataclass(frozen=True)
class Assessor:
    """Assesses the joints of one build of one recipe."""

    build: Build
    staged: Staged
    _known: dict[tuple[str, Way, int], Assessment] = field(default_factory=dict, compare=False)

    @property
    def kit(self) -> Kit:
        """The kit."""
        return self.build.kit

    @cached_property
    def stages(self) -> tuple[Stage, ...]:
        """The passes."""
        return self.staged.stages

    @cached_property
    def joints(self) -> dict[str, Joint]:
        """Joints in use, by id."""
        return {one.id: one for one in self.kit.joints_in_use}

    @cached_property
    def children(self) -> Mapping[str, tuple[str, ...]]:
        """By part, those that it takes up."""
        found: dict[str, tuple[str, ...]] = {}
        here = {one.id for one in self.kit.in_use}
        for part, onto in onto_of(self.kit).items():
            if part in here and onto in here:
                found[onto] = (*found.get(onto, ()), part)
        return found

    @cached_property
    def carriers(self) -> dict[str, str]:
        """By part the joint that carries it: the first of those that join it."""
        found: dict[str, str] = {}
        for one in self.joints.values():
            found.setdefault(one.part, one.id)
        return found

    def below(self, part: str) -> frozenset[str]:
        """A part with all that hangs on it."""
        found = [part]
        for one in found:
            found += [each for each in self.children.get(one, ()) if each not in found]
        return frozenset(found)

    def inside(self, joint: Joint) -> tuple[str, ...]:
        """The joints that must be closed before this one is: theirs is the place that it closes.
        None where it can be opened again."""
        if joint.hold in REOPENS:
            return ()
        # What may be lifted off as one with it closes its place when that does.
        run = [joint]
        for each in run:
            run += [one for one in self.joints.values()
                    if one.lifts == each.part and one not in run]  # fmt: skip
        closes = {part for one in run for part in one.closes} - {joint.part}
        names = [one.id for one in self.joints.values() if one.part in closes]
        for name in names:
            # What goes in with its neighbour is in when that is.
            beside = self.carriers.get(self.joints[name].lifts or "")
            names += [beside] if beside is not None and beside not in names else []
        return tuple(name for name in dict.fromkeys(names) if name != joint.id)

    def late(self, joint: Joint) -> int:
        """The first pass before which the joint can be closed with all done that wants it open."""
        part = self.kit.part(joint.part)
        fragile = part is not None and part.fragile
        last = 0
        for stage in self.stages:
            if fragile and stage.wears and set(stage.shares) - {joint.part}:
                last = stage.index + 1
            if not stage.paints:
                continue
            fast = joint.hold == "slide" and {joint.part, joint.onto} <= set(stage.shares)
            if (
                fast
                or self.apart(joint, stage)
                or any(not _reaches(cover, stage) and cover.seen for cover in joint.covers)
            ):
                last = stage.index + 1
        return self.beside_wet(last or self._coated())

    def beside_wet(self, slot: int) -> int:
        """The next place at which nothing lies wet that a pass to come must work: nobody fits
        parts between the fluid and its scratching."""
        for stage in self.stages[slot:]:
            if stage.technique.act != "work":
                continue
            fluids = [s.index for s in self.stages[: stage.index]
                      if not s.paints and s.technique.act == "lay"]  # fmt: skip
            scratches = stage.technique.has(TechniqueTrait.SCRATCHES)
            begun = fluids[-1] if scratches and fluids else stage.index - 1
            if begun < slot <= stage.index:
                return self.beside_wet(stage.index + 1)
        return slot

    def _coated(self) -> int:
        """The first clear coat after the last colour of the scheme: by then it may all be one."""
        last = max((s.index for s in self.stages if s.paints and not _weathers(s)), default=-1)
        clear = (s.index for s in self.stages if s.index > last and not s.paints)
        return next(clear, last + 1)

    def apart(self, joint: Joint, stage: Stage) -> bool:
        """Whether a pass paints one side of a joint and must not touch the other."""
        mine = bool(self._own(joint) & set(stage.shares))
        theirs = joint.onto in stage.shares
        if mine == theirs:
            return False
        if mine:
            return True
        part = self.kit.part(joint.part)
        bare = part is not None and (not part.painted or part.material == "clear")
        return stage.sprayed and (not stage.whole or bare)

    def _own(self, joint: Joint) -> frozenset[str]:
        return self.below(joint.part)

    def touched(self, part: str, slot: int) -> list[Stage]:
        """The passes before ``slot`` that work a part."""
        return [stage for stage in self.stages[:slot] if part in stage.shares]

    def of(self, joint_id: str, way: Way, slot: int) -> Assessment:
        """Assess it."""
        key = (joint_id, way, slot)
        if key not in self._known:
            self._known[key] = self._assessed(self.joints[joint_id], way, slot)
        return self._known[key]

    def _assessed(self, joint: Joint, way: Way, slot: int) -> Assessment:
        carried = self.carriers.get(joint.part) == joint.id
        painted = slot > 0 and any(
            stage.paints for stage in self.stages[:slot]
            if {joint.part, joint.onto} & set(stage.shares)
        )  # fmt: skip
        lines = list(_fitting(joint, way, painted))
        before = self.touched(joint.part, slot) if carried else []
        if before:
            handling = sum(handle_min(stage) for stage in before)
            share = 0.5 if way == "lift" else 1.0
            lines.append(CostLine("handling it by itself", (handling + HOLDER_MIN) * share))
        lines += self._beside(joint, way, slot)
        lost = tuple(self._lost(joint, slot))
        for cover in lost:
            name = cover.called or cover.zone
            lines.append(CostLine(f"getting at {name}", BARE_MIN * cover.share, "reach"))
        lines += self._risks(joint, way, slot, painted)
        kept = tuple(one for one in lines if one.minutes > 0)
        return Assessment(joint.id, way, slot, kept, lost)

    def _beside(self, joint: Joint, way: Way, slot: int) -> list[CostLine]:
        """Working one side without touching the other, once it is closed."""
        after = [stage for stage in self.stages[slot:] if self.apart(joint, stage)
                 and stage.paints]  # fmt: skip
        brushed = sum(
            stage.one.minutes * sum(stage.shares.get(part, 0.0) for part in self._own(joint))
            for stage in after if not stage.sprayed
        ) * joint.hard  # fmt: skip
        runs = 0
        for number, stage in enumerate(after):
            before = after[number - 1] if number else None
            if stage.sprayed and (before is None or set(before.shares) != set(stage.shares)):
                runs += 1
        if way == "mask":
            masks = max(1, runs) * (joint.mask_min + UNMASK_MIN)
            return [
                CostLine("masking it", masks),
                CostLine("cutting in beside it", brushed * MASKED_BRUSH_SHARE),
            ]
        return [
            CostLine("painting over overspray", runs * joint.mask_min * OVERSPRAY_SHARE),
            CostLine("cutting in beside it", brushed),
        ]

    def _lost(self, joint: Joint, slot: int) -> list[Cover]:
        """What of the zones that it covers still shows, and is not reached by a later pass."""
        if joint.hold in REOPENS:
            return []
        return [
            cover for cover in joint.covers
            if cover.seen and any(
                stage.paints and not _reaches(cover, stage) for stage in self.stages[slot:]
            )
        ]  # fmt: skip

    def _risks(self, joint: Joint, way: Way, slot: int, painted: bool) -> list[CostLine]:
        said = [one for one in joint.risks if one.way == way]
        found = [
            CostLine(one.words, one.often * one.mend_min, "chance")
            for one in said or usual_risks(joint, way, painted)
        ]
        if joint.hold == "slide" and any(
            stage.paints and {joint.part, joint.onto} <= set(stage.shares)
            for stage in self.stages[slot:]
        ):
            found.append(CostLine("paint glues it on", STICKS * STUCK_MIN, "chance"))
        if way == "apart" and self.cracks(joint, slot):
            found.append(CostLine("paint cracks as it is bent", CRACKS * CRACKED_MIN, "chance"))
        part = self.kit.part(joint.part)
        if part is not None and part.fragile and not self.pinned(joint.part):
            rough = self.rough_after(joint, slot)
            brushed = [
                s for s in self.stages[slot:]
                if s.paints and not s.sprayed and not s.wears and set(s.shares) - {joint.part}
            ]  # fmt: skip
            often = min(1.0, SNAPS * len(rough) + SNAPS_BRUSHED * len(brushed))
            many = len(rough) + len(brushed)
            found.append(
                CostLine(f"it snaps in one of {many} passes", often * SNAPPED_MIN, "chance")
            )
        return found

    def cracks(self, joint: Joint, slot: int) -> bool:
        """Whether a soft part is painted flat, and bent round its neighbour afterwards."""
        part = self.kit.part(joint.part)
        soft = joint.part in self.staged.bends and part is not None and part.painted
        return (
            soft
            and joint.lifts is not None
            and any(stage.paints for stage in self.touched(joint.part, slot))
        )

    def pinned(self, part: str) -> bool:
        """Whether a part is pinned, or drilled for a rod."""
        return any(job.work in ("pin", "drill") and job.part == part for job in self.kit.jobs)

    def rough_after(self, joint: Joint, slot: int) -> list[Stage]:
        """Passes with much handling of the rest, once a joint is closed."""
        return [s for s in self.stages[slot:] if s.wears and set(s.shares) - {joint.part}]


def handle_min(stage: Stage) -> float:
    """Minutes to take one part more in hand in a pass."""
    return HANDLE_SPRAYED_MIN if stage.sprayed else HANDLE_BRUSHED_MIN


def usual_risks(joint: Joint, way: Way, painted: bool) -> tuple[Risk, ...]:
    """What tends to go wrong with a joint like this. Common practice."""
    found = []
    if way == "mask":
        found.append(Risk(way, "paint creeps under the tape", 0.3, 4))
    if way == "apart" and painted:
        if joint.hold == "glue":
            found.append(Risk(way, "there is paint on glued faces", 0.15, 3))
        if joint.aligns:
            found.append(Risk(way, "it sits crooked", 0.3, 12))
        if joint.gap:
            found.append(Risk(way, "a gap is filled after paint", 0.6, 15))
    if way == "lift":
        found.append(Risk(way, "the run comes apart", 0.15, 6))
        if joint.gap:
            found.append(Risk(way, "a gap is filled after paint", 0.6, 15))
    if joint.weak and way in ("fix", "mask"):
        found.append(Risk(way, "it comes off in the hand", 0.3, 5))
    elif joint.weak and painted:
        found.append(Risk(way, "it comes off on the table", 0.15, 5))
    return tuple(found)


def _fitting(joint: Joint, way: Way, painted: bool) -> list[CostLine]:
    lines = []
    again = joint.again_min if painted else 0.0
    if way == "lift":
        lines.append(CostLine("dry-fitting it", joint.fit_min * DRY_FIT_SHARE))
        again *= LIFTED_AGAIN_SHARE
    lines.append(CostLine("fitting it", joint.fit_min + again))
    if painted and joint.hold == "glue":
        lines.append(CostLine("baring the faces", FACES_MIN))
    if painted and joint.keep_free:
        lines.append(CostLine(f"keeping {joint.keep_free} free of paint", KEPT_FREE_MIN))
    return lines


def _reaches(cover: Cover, stage: Stage) -> bool:
    """Whether a pass still gets at a covered zone, or has nothing to do there."""
    if cover.zone not in stage.zones:
        return True
    return cover.sprayed if stage.sprayed else cover.brushed


def _weathers(stage: Stage) -> bool:
    traits = stage.technique.traits
    return any(trait.name in ("WEARS", "TINTS", "LINE", "EFFECT") for trait in traits)

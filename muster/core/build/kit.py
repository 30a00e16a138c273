"""A kit: the parts of a model, where they are joined, and what is done to them before paint.

Minutes are for one model, common practice with no source until a user says his own.
"""

from __future__ import annotations

from functools import cached_property
from typing import Annotated, Literal, get_args

from pydantic import Field, TypeAdapter
from pydantic.dataclasses import dataclass

from muster.core.recipes.recipe import PartName
from muster.core.vocabulary import STRICT, Material, Millimetres, Moment, Name

Id = Annotated[str, Field(pattern=r"^[a-z0-9-]{1,24}$")]
Share = Annotated[float, Field(ge=0, le=1)]
Taken = Annotated[float, Field(ge=0, le=600)]
"""Minutes of work on one model."""

Way = Literal["fix", "apart", "lift", "mask"]
"""Fix first; paint apart; dry-fit, glue to its neighbour and lift off as one; fix and mask."""

WAYS: tuple[Way, ...] = get_args(Way)

Hold = Literal["glue", "magnet", "peg", "clip", "slide"]
"""What holds a joint: a glue, or what can be taken apart again; ``slide``: it must still move."""

REOPENS: frozenset[Hold] = frozenset(("magnet", "peg", "clip", "slide"))
"""What can be taken apart again closes nothing for good."""

Work = Literal[
    "cut", "clean", "wash", "drill", "pin", "fill", "sand", "score", "seal", "test-fit", "mask",
    "stretch",
]  # fmt: skip
"""What is done to parts besides painting and joining."""

FaultKind = Literal["fit", "gap", "missing", "brittle", "odd part", "ejector marks"]

MOST_PARTS, MOST_JOINTS, MOST_JOBS = 120, 180, 300


@dataclass(frozen=True, config=STRICT)
class Part:
    """What of a model comes off its frame, or out of a printer, as one; or a group of them.

    ``zones``: what of the model's surface is its own. ``material``: where it is not the recipe's.
    ``pieces``: how many it stands for. ``painted``: no: it stays as it is, or another unit's
    recipe paints it. ``option``: of the parts with one option, one is ``fitted``. ``unit``: a part
    that is a model of another unit of the muster. ``together``: those of all models are worked as
    one tray.
    """

    id: PartName
    name: Name
    zones: Annotated[tuple[Name, ...], Field(max_length=20)] = ()
    material: Material | None = None
    pieces: Annotated[int, Field(ge=1, le=400)] = 1
    size_mm: Millimetres | None = None
    fragile: bool = False
    spares: Annotated[int, Field(ge=0, le=99)] = 0
    option: Annotated[str, Field(max_length=40)] = ""
    fitted: bool = True
    scale: Annotated[int, Field(ge=1, le=1000)] | None = None
    painted: bool = True
    from_kit: Annotated[str, Field(max_length=60)] = ""
    unit: Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,39}$")] | None = None
    together: bool = False


@dataclass(frozen=True, config=STRICT)
class Cover:
    """What a joint closes: a share of a zone that from then on a spray or a brush does not reach.

    ``seen``: whether it still shows at the end; what nobody sees needs no paint. ``called``: what
    of the zone it is, such as inner wheels.
    """

    zone: Name
    share: Share = 1.0
    sprayed: bool = False
    """Whether a spray still reaches it."""
    brushed: bool = False
    """Whether a brush still does."""
    seen: bool = False
    called: Annotated[str, Field(max_length=40)] = ""


@dataclass(frozen=True, config=STRICT)
class Risk:
    """What can go wrong with one way of a joint: how often, and the minutes to mend it."""

    way: Way
    words: Annotated[str, Field(min_length=1, max_length=120)]
    often: Share
    mend_min: Taken


@dataclass(frozen=True, config=STRICT)
class Joint:
    """Where a part meets the one that takes it up.

    ``adhesive``: where it is not the usual one of the two materials. ``fit_min``: to fit it bare;
    ``again_min``: what fitting it to painted parts takes beyond that; ``mask_min``: to mask one
    side off; ``hard``: how much longer a brush takes beside it, as a share. ``closes``: parts
    whose joints can no longer be reached. ``aligns``: other parts go by it. ``weak``: it comes off
    again unless it is pinned. ``gap``: it is filled and sanded, and must then be bare. ``lifts``:
    the part with which it can be lifted off as one. ``keep_free``: faces, bores or slides that
    paint would spoil.
    """

    id: Id
    part: PartName
    onto: PartName
    hold: Hold = "glue"
    adhesive: Name | None = None
    fit_min: Taken = 2.0
    again_min: Taken = 1.0
    mask_min: Taken = 4.0
    hard: Share = 0.3
    covers: Annotated[tuple[Cover, ...], Field(max_length=20)] = ()
    closes: Annotated[tuple[PartName, ...], Field(max_length=40)] = ()
    aligns: bool = False
    weak: bool = False
    gap: bool = False
    lifts: PartName | None = None
    keep_free: Annotated[str, Field(max_length=60)] = ""
    risks: Annotated[tuple[Risk, ...], Field(max_length=12)] = ()
    """Where they are not those of its traits."""


@dataclass(frozen=True, config=STRICT)
class Job:
    """Work on a part besides painting and joining.

    ``before``: the joint that must still be open; ``after``: the joint that must be closed.
    ``zone``: where it is done; ``hidden_by``: joints of which each hides the place at the end, so
    that nobody sees whether it was done. ``needed``: it is done all the same.
    """

    id: Id
    work: Work
    part: PartName
    name: Annotated[str, Field(max_length=60)] = ""
    minutes: Taken = 2.0
    before: Id | None = None
    after: Id | None = None
    hidden_by: Annotated[tuple[Id, ...], Field(max_length=12)] = ()
    needed: bool = False


@dataclass(frozen=True, config=STRICT)
class Fault:
    """What is wrong with a kit, to be met again on the next one."""

    kind: FaultKind
    part: PartName
    words: Annotated[str, Field(max_length=120)] = ""


@dataclass(frozen=True, config=STRICT)
class Kit:
    """The parts of one model and how they go together; the first part is the main one."""

    name: Name
    parts: Annotated[tuple[Part, ...], Field(min_length=1, max_length=MOST_PARTS)]
    joints: Annotated[tuple[Joint, ...], Field(max_length=MOST_JOINTS)] = ()
    jobs: Annotated[tuple[Job, ...], Field(max_length=MOST_JOBS)] = ()
    faults: Annotated[tuple[Fault, ...], Field(max_length=60)] = ()
    template: Annotated[str, Field(max_length=40)] = ""

    @property
    def main(self) -> Part:
        """The part that takes up all others."""
        return self.parts[0]

    def part(self, part_id: str) -> Part | None:
        """The part of that id."""
        return next((one for one in self.parts if one.id == part_id), None)

    def joint(self, joint_id: str) -> Joint | None:
        """The joint of that id."""
        return next((one for one in self.joints if one.id == joint_id), None)

    @cached_property
    def in_use(self) -> tuple[Part, ...]:
        """Parts that end on the model: of an option only the one that is fitted."""
        return tuple(one for one in self.parts if one.fitted)

    @cached_property
    def joints_in_use(self) -> tuple[Joint, ...]:
        """Joints between parts in use."""
        here = {one.id for one in self.in_use}
        return tuple(one for one in self.joints if one.part in here and one.onto in here)


@dataclass(frozen=True, config=STRICT)
class JointChoice:
    """What the user has said of a joint: how it is done, and before which pass it is closed
    (``end``: after the last)."""

    joint: Id
    way: Way | None = None
    before: Annotated[str, Field(pattern=r"^([a-z0-9-]{1,24}|end)$")] | None = None


@dataclass(frozen=True, config=STRICT)
class Mishap:
    """What nobody planned: a part lost or broken, a joint that came off again, on these models."""

    id: Id
    what: Literal["came off", "broken", "lost", "re-glued"]
    part: PartName
    models: Annotated[tuple[Annotated[int, Field(ge=1, le=500)], ...], Field(max_length=500)]
    minutes: Taken = 5.0


@dataclass(frozen=True, config=STRICT)
class Build:
    """A kit as one unit is built of it. ``since``: what was painted before was painted whole."""

    kit: Kit
    since: Moment | None = None
    choices: Annotated[tuple[JointChoice, ...], Field(max_length=MOST_JOINTS)] = ()
    jobs_done: Annotated[tuple[Id, ...], Field(max_length=MOST_JOBS)] = ()
    """Jobs whose place nobody will see, done all the same."""
    jobs_left: Annotated[tuple[Id, ...], Field(max_length=MOST_JOBS)] = ()
    """Jobs left out."""
    mishaps: Annotated[tuple[Mishap, ...], Field(max_length=200)] = ()

    def choice(self, joint_id: str) -> JointChoice:
        """What was said of a joint; nothing: an empty choice."""
        mine = (one for one in self.choices if one.joint == joint_id)
        return next(mine, JointChoice(joint_id))


KIT: TypeAdapter[Kit] = TypeAdapter(Kit)


def complaints_of(kit: Kit) -> list[str]:
    """What in a kit cannot hold, each with how to mend it."""
    found = []
    parts = [one.id for one in kit.parts]
    joints = [one.id for one in kit.joints]
    for words, ids in (("part", parts), ("joint", joints), ("job", [one.id for one in kit.jobs])):
        twice = sorted({each for each in ids if ids.count(each) > 1})
        found += [f"{words} '{each}' stands twice: rename one" for each in twice]
    for one in kit.joints:
        lost = [name for name in (one.part, one.onto, *one.closes) if name not in parts]
        lost += [one.lifts] if one.lifts is not None and one.lifts not in parts else []
        found += [f"joint '{one.id}': the kit has no part '{name}'" for name in dict.fromkeys(lost)]
        if one.part == one.onto:
            found.append(f"joint '{one.id}' joins '{one.part}' to itself: name the other part")
    for job in kit.jobs:
        if job.part not in parts:
            found.append(f"job '{job.id}': the kit has no part '{job.part}'")
        gone = [n for n in (job.before, job.after, *job.hidden_by) if n and n not in joints]
        found += [f"job '{job.id}': the kit has no joint '{name}'" for name in gone]
    found += [
        f"fault '{one.kind}': the kit has no part '{one.part}'"
        for one in kit.faults if one.part not in parts
    ]  # fmt: skip
    if not kit.main.fitted:
        found.append(f"'{kit.main.name}' takes up all others: it cannot be left out")
    return found or _not_one_model(kit)


def _not_one_model(kit: Kit) -> list[str]:
    """Parts that take each other up in a ring, so that none comes first."""
    onto = onto_of(kit)
    found = []
    for one in kit.parts:
        way = [one.id]
        while way[-1] in onto and onto[way[-1]] not in way:
            way.append(onto[way[-1]])
        if onto.get(way[-1]) == one.id:
            names = ", ".join(way)
            found.append(f"{names} take each other up in a ring: join one of them to another part")
            break
    if kit.main.id in onto:
        found.append(f"'{kit.main.name}' is the main part: join the others onto it")
    return found


def onto_of(kit: Kit) -> dict[str, str]:
    """By part, the one that takes it up: of several joints the first counts, the rest align it."""
    found: dict[str, str] = {}
    for one in kit.joints:
        found.setdefault(one.part, one.onto)
    return found

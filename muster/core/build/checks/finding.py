"""What a check finds, what it offers, and the register of all checks."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, replace
from typing import Literal

from muster.core.build.assess import Assessor
from muster.core.build.choose import Chosen, ways_of
from muster.core.build.kit import Build, Job, Joint, JointChoice, Kit, Part
from muster.core.build.needs import part_name
from muster.core.craft.tables import Tables
from muster.core.recipes.recipe import Recipe

WORTH_MIN = 0.5
"""Of a model: a difference that is worth a word."""

Severity = Literal["warning", "note"]


@dataclass(frozen=True)
class Offer:
    """A way out: the build as it would be."""

    words: str
    build: Build


@dataclass(frozen=True)
class BuildFinding:
    """What a check found. ``joint`` or ``part``: where."""

    code: str
    severity: Severity
    words: str
    joint: str | None = None
    part: str | None = None
    offers: tuple[Offer, ...] = ()


@dataclass(frozen=True)
class Checked:
    """What checks look at. ``slots``: where each joint is closed, as said; ``units``: of the
    muster, by id, with their scale; ``scale``: of the model."""

    recipe: Recipe
    assessor: Assessor
    chosen: Chosen
    tables: Tables
    scale: int
    units: Mapping[str, int]

    @property
    def build(self) -> Build:
        """The build."""
        return self.assessor.build

    @property
    def kit(self) -> Kit:
        """Its kit."""
        return self.assessor.build.kit

    @property
    def slots(self) -> Mapping[str, int]:
        """By joint, the index of the pass before which it is closed."""
        return self.chosen.slots

    def called(self, part: str) -> str:
        """A part in a sentence."""
        return part_name(self.kit, part)

    def before(self, slot: int) -> str:
        """How a place is kept: the key of the pass that comes after it."""
        stages = self.assessor.stages
        return stages[slot].one.key if slot < len(stages) else "end"

    def pass_name(self, slot: int) -> str:
        """The pass at a place, in a sentence."""
        stages = self.assessor.stages
        return f"'{stages[slot].one.name}'" if slot < len(stages) else "the end"

    def is_worse(self, joint: str) -> bool:
        """Whether the user has said so of a joint, and another way would take less: what would be
        proposed anyway has been weighed."""
        said = self.build.choice(joint)
        if said.way is None and said.before is None:
            return False
        late = self.assessor.late(self.assessor.joints[joint])
        mine = self.assessor.of(joint, self.chosen.ways[joint], self.slots[joint]).minutes
        others = (
            self.assessor.of(joint, way, 0 if way in ("fix", "mask") else late).minutes
            for way in ways_of(self.assessor.joints[joint])
        )
        return mine > min(others) + WORTH_MIN

    def placed(self, joint: str, slot: int) -> Build:
        """The build with a joint closed there."""
        return with_choice(self.build, replace(self.build.choice(joint), before=self.before(slot)))

    def with_way(self, joint: str, way: str) -> Build:
        """The build with a joint done so, wherever that is best."""
        return with_choice(self.build, JointChoice(joint, way))  # type: ignore[arg-type]

    def with_part(self, part: Part) -> Build:
        """The build with a part as given."""
        return replace(self.build, kit=with_row(self.kit, part))

    def with_joint(self, joint: Joint) -> Build:
        """The build with a joint as given."""
        return replace(self.build, kit=with_row(self.kit, joint))

    def with_job(self, job: Job) -> Build:
        """The build with a job as given."""
        return replace(self.build, kit=with_row(self.kit, job))


def with_choice(build: Build, choice: JointChoice) -> Build:
    """The build with what is said of one joint; nothing said: as the program proposes."""
    rest = tuple(one for one in build.choices if one.joint != choice.joint)
    said = (choice,) if choice.way is not None or choice.before is not None else ()
    return replace(build, choices=(*rest, *said))


def with_row(kit: Kit, row: Part | Joint | Job) -> Kit:
    """The kit with a part, joint or job as given: in the place of the one of its id, or added."""
    field = {Part: "parts", Joint: "joints", Job: "jobs"}[type(row)]
    rows = list(getattr(kit, field))
    ids = [one.id for one in rows]
    if row.id in ids:
        rows[ids.index(row.id)] = row
    else:
        rows.append(row)
    changes: dict[str, object] = {field: tuple(rows)}
    return replace(kit, **changes)  # type: ignore[arg-type]


Check = Callable[[Checked], Iterator[BuildFinding]]

CHECKS: list[Check] = []
"""Every check, in the order of their files."""


def check(one: Check) -> Check:
    """Register a check."""
    CHECKS.append(one)
    return one

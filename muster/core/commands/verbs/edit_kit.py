"""Change one row of a unit's kit: a part, a joint, a job."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field
from pydantic.dataclasses import dataclass

from muster.core.build.checks.finding import with_row
from muster.core.build.kit import Build, Fault, Job, Joint, Kit, Part
from muster.core.choices import Choices
from muster.core.commands.command import Command, verb
from muster.core.commands.verbs.set_kit import build_of, with_build
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class EditKit(Command):
    """One row as given, in the place of the one of its id, or added; ``faults``: all of them;
    ``job_done`` says of a job whether it is done (None: as proposed); ``remove`` takes a row out,
    a part with its joints."""

    do: Literal["edit_kit"]
    unit: str
    part: Part | None = None
    joint: Joint | None = None
    job: Job | None = None
    faults: Annotated[tuple[Fault, ...], Field(max_length=60)] | None = None
    remove: str | None = None
    job_done: str | None = None
    done: bool | None = None

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """Raises DomainError where nothing is named, and where the kit could not hold."""
        unit, build = build_of(choices, self.unit)
        rows = [row for row in (self.part, self.joint, self.job) if row is not None]
        kit = build.kit
        for row in rows:
            kit = with_row(kit, row)
        words = ", ".join(row.id for row in rows)
        if self.remove is not None:
            kit = _without(kit, self.remove)
            words = f"{self.remove} taken out"
        if self.faults is not None:
            kit = replace(kit, faults=self.faults)
            words = "faults of the kit"
        build = replace(build, kit=kit)
        if self.job_done is not None:
            build = _with_job(build, self.job_done, self.done)
            words = f"{self.job_done} {'done' if self.done else 'left out'}"
        if not words:
            raise DomainError("nothing is changed: name a part, a joint or a job")
        return with_build(choices, unit, _kept(build)), f"{unit.name}: {words}"[:120]


def _without(kit: Kit, name: str) -> Kit:
    """A kit without a part, joint or job. Raises DomainError where there is none of that name."""
    if kit.part(name) is not None:
        gone = {one.id for one in kit.joints if name in (one.part, one.onto)}
        kit = replace(
            kit,
            parts=tuple(one for one in kit.parts if one.id != name),
            faults=tuple(one for one in kit.faults if one.part != name),
            jobs=tuple(one for one in kit.jobs if one.part != name),
            joints=tuple(
                replace(
                    one, closes=tuple(each for each in one.closes if each != name),
                    lifts=None if one.lifts == name else one.lifts,
                )
                for one in kit.joints
            ),
        )  # fmt: skip
    elif kit.joint(name) is not None:
        gone = {name}
    elif any(one.id == name for one in kit.jobs):
        return replace(kit, jobs=tuple(one for one in kit.jobs if one.id != name))
    else:
        raise DomainError(f"the kit has no '{name}': look at it again")
    if not kit.parts:
        raise DomainError("a kit needs its main part: take the whole kit away instead")
    jobs = tuple(
        replace(
            one, before=None if one.before in gone else one.before,
            after=None if one.after in gone else one.after,
            hidden_by=tuple(each for each in one.hidden_by if each not in gone),
        )
        for one in kit.jobs
    )  # fmt: skip
    joints = tuple(one for one in kit.joints if one.id not in gone)
    return replace(kit, joints=joints, jobs=jobs)


def _with_job(build: Build, job: str, done: bool | None) -> Build:
    if all(one.id != job for one in build.kit.jobs):
        raise DomainError(f"the kit has no job '{job}': look at it again")
    rest_done = tuple(one for one in build.jobs_done if one != job)
    rest_left = tuple(one for one in build.jobs_left if one != job)
    return replace(
        build,
        jobs_done=(*rest_done, job) if done else rest_done,
        jobs_left=(*rest_left, job) if done is False else rest_left,
    )


def _kept(build: Build) -> Build:
    """A build with what it says of joints and jobs that are still there."""
    joints = {one.id for one in build.kit.joints}
    jobs = {one.id for one in build.kit.jobs}
    parts = {one.id for one in build.kit.parts}
    return replace(
        build,
        choices=tuple(one for one in build.choices if one.joint in joints),
        jobs_done=tuple(one for one in build.jobs_done if one in jobs),
        jobs_left=tuple(one for one in build.jobs_left if one in jobs),
        mishaps=tuple(one for one in build.mishaps if one.part in parts),
    )

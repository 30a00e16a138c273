"""Jobs: which are done, and what is saved where nobody sees the place."""

from __future__ import annotations

from muster.core.build.kit import Build, Job, Work

TECHNIQUE: dict[Work, str] = {
    "cut": "cut", "clean": "clean", "wash": "wash parts", "drill": "drill", "pin": "pin",
    "fill": "fill", "sand": "sand", "score": "score", "seal": "dip", "test-fit": "test-fit",
    "mask": "mask", "stretch": "stretch",
}  # fmt: skip
"""By work, the technique of the pass that it becomes."""

ORDER: tuple[Work, ...] = (
    "test-fit", "cut", "clean", "wash", "score", "drill", "pin", "seal", "stretch", "mask", "fill",
    "sand",
)  # fmt: skip
"""The usual order where nothing else decides. Common practice."""

RANK: dict[Work, int] = {work: rank for rank, work in enumerate(ORDER)}

BARED: frozenset[Work] = frozenset(
    ("cut", "clean", "wash", "drill", "pin", "fill", "sand", "score", "seal")
)
"""Done on bare material, before paint."""

DOING: dict[Work, str] = {
    "cut": "cut off", "clean": "clean", "wash": "wash", "drill": "drill", "pin": "pin",
    "fill": "fill", "sand": "sand", "score": "score", "seal": "seal", "test-fit": "test-fit",
    "mask": "mask", "stretch": "stretch",
}  # fmt: skip


def bares(job: Job) -> bool:
    """Whether it is done before paint."""
    return job.work in BARED


def hidden(build: Build, job: Job) -> bool:
    """Whether nobody sees at the end if it was done: a joint in use hides the place."""
    if job.needed or not job.hidden_by:
        return False
    closed = {one.id for one in build.kit.joints_in_use}
    return any(name in closed for name in job.hidden_by)


def is_done(build: Build, job: Job) -> bool:
    """Whether it is done: not what nobody will see, unless the user says so."""
    if job.id in build.jobs_left:
        return False
    return job.id in build.jobs_done or not hidden(build, job)


def jobs_of(build: Build) -> list[Job]:
    """Jobs that are done, on parts in use."""
    here = {one.id for one in build.kit.in_use}
    return [job for job in build.kit.jobs if job.part in here and is_done(build, job)]


def left_out(build: Build) -> list[Job]:
    """Jobs whose place nobody will see: left out, and their minutes saved."""
    here = {one.id for one in build.kit.in_use}
    return [
        job for job in build.kit.jobs
        if job.part in here and hidden(build, job) and not is_done(build, job)
    ]  # fmt: skip

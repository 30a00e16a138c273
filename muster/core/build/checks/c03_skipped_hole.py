"""A hole that was easy to drill while the hull was open."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check
from muster.core.build.jobs import DOING


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """Work that can only be done while a joint is open, and was left out."""
    for job in checked.kit.jobs:
        left = job.id in checked.build.jobs_left
        if not left or job.before not in checked.assessor.joints or job.work in ("clean", "sand"):
            continue
        closing = checked.called(checked.assessor.joints[job.before].part)
        what = job.name or f"{DOING[job.work]} the {checked.called(job.part)}"
        words = f"left out: {what}; once the {closing} is on, nobody gets there again"
        rest = tuple(each for each in checked.build.jobs_left if each != job.id)
        offer = Offer(f"do it first, {job.minutes:g} min", replace(checked.build, jobs_left=rest))
        yield BuildFinding("left closed", "warning", words, job.before, job.part, (offer,))

"""A dozen whole jobs, planned from bare parts to done."""

from __future__ import annotations

from dataclasses import replace
from datetime import time

import pytest

from muster.core.commands.rhythm import rhythm_of
from muster.core.pipeline import derive, plan_first
from muster.core.plan.checking import check as check_plan
from muster.core.snapshot import Snapshot
from muster.core.stack.check import check
from muster.core.work.calls import Call
from tests.core.making import NOW, choices, unit
from tests.core.stack.corpus.jobs import JOBS, Job

FOUR_DAYS_MIN = 4 * 1440
DAYLIT = {2: (time(19, 30), time(22)), 4: (time(19, 30), time(22)), 6: (time(10), time(13))}


@pytest.mark.parametrize("job", JOBS.values(), ids=JOBS)
def test_it_is_sound_and_no_wait_is_longer_than_four_days_without_a_word(job: Job) -> None:
    report = check(job.made, scale=job.scale)
    assert not [one.words for one in report.findings if one.severity != "note"]
    offered = {one.key for one in report.offers}
    for step in report.walked.steps:
        long = step.wait.minutes > FOUR_DAYS_MIN
        assert not long or step.wait.stated or step.layer.pass_.key in offered, step.layer.name


@pytest.mark.parametrize("name", JOBS)
def test_it_is_planned_to_the_end_and_its_plan_passes_its_own_checker(name: str) -> None:
    job = JOBS[name]
    made = replace(job.made, id="job", version=1)
    force = choices(
        unit(job.models, recipe="job", kind=made.kind, scale=job.scale, tier="close"),
        evenings=(), rhythm=rhythm_of(DAYLIT, NOW.date()), parade_day=None,
    )  # fmt: skip
    derived, plan = plan_first(derive(Snapshot(force, (), {("job", 1): made}, NOW)))
    assert not plan.left
    assert check_plan(derived.instance.problem, plan) == []
    last = max(block.end for block in plan.blocks)
    assert last < 8 * 7 * 86400, f"{last / 86400:.0f} days"


def test_the_same_work_takes_longer_at_a_larger_scale() -> None:
    made = replace(JOBS["old kit in three hours"].made, id="job", version=1)

    def hours(scale: int) -> float:
        force = choices(unit(1, recipe="job", kind="vehicle", scale=scale, tier="close"))
        calls = derive(Snapshot(force, (), {("job", 1): made}, NOW)).calls
        return sum(_minutes(call) for call in calls.values()) / 60

    assert hours(35) == pytest.approx(hours(72) * 72 / 35, rel=0.02)


def _minutes(call: Call) -> float:
    return call.per_item_s / 60 * len(call.models)

"""The worker's side: improve a run under a lease, with checkpoint, heartbeat and stop."""

from __future__ import annotations

import time
import uuid
from dataclasses import replace
from datetime import timedelta

from django.db.models import Q
from django_tasks import task

from muster.apps import clock
from muster.apps.plan.models import PlanRun
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.plan.reading import problem_from
from muster.core.plan.replanning import worth_changing

LEASE = timedelta(seconds=15)
"""A run whose heartbeat is older is taken for dead, and another worker may take it."""

BEAT_S = 1.0

PROOF_S = 8.0
"""How long a worker looks for a stronger bound when the plan is as good as it gets."""


def take(run_id: int) -> PlanRun | None:
    """Take the run's lease; None where another holds it, it is over, or a newer one was made."""
    lease, now = uuid.uuid4(), clock.now()
    if _superseded(run_id):
        PlanRun.objects.filter(pk=run_id).update(status=PlanRun.Status.STOPPED)
        return None
    waiting = Q(status=PlanRun.Status.QUEUED) | Q(
        status=PlanRun.Status.IMPROVING, heartbeat__lt=now - LEASE
    )
    taken = PlanRun.objects.filter(waiting, pk=run_id).update(
        status=PlanRun.Status.IMPROVING, lease=lease, heartbeat=now
    )
    return PlanRun.objects.get(pk=run_id) if taken else None


def _superseded(run_id: int) -> bool:
    run = PlanRun.objects.filter(pk=run_id).values("muster").first()
    return run is None or PlanRun.objects.filter(muster=run["muster"], pk__gt=run_id).exists()


@task()
def improve(run_id: int) -> None:
    """Improve the plan of a run until its budget is spent, it is stopped or a newer one is made."""
    run = take(run_id)
    if run is None:
        return
    problem = problem_from(run.problem)
    planner = Planner(problem, seed=run.pk)
    guide = Plan.from_json(run.plan)
    planner.first(guide)
    begun = last_beat = time.monotonic()
    spent_before = run.spent_s
    ended = PlanRun.Status.DONE
    known = PlanRun.objects.filter(muster=run.muster_id, pk__lt=run.pk).exists()
    best, better = guide, True

    def take_better() -> None:
        """Show what was found since, where it is worth the known calls that it moves."""
        nonlocal best, better
        if better:
            better = False
            found = planner.plan(guide)
            if found.score.rank() < best.score.rank() and (
                not known or worth_changing(problem, guide, found)
            ):
                best = found

    def go_on() -> float:
        nonlocal last_beat, ended
        moment = time.monotonic()
        left = run.budget_s - spent_before - (moment - begun)
        if moment - last_beat < BEAT_S:
            return max(0.0, left / run.budget_s)
        last_beat = moment
        take_better()
        mine = checkpoint(run, best, spent_before + moment - begun)
        if not mine:
            return 0.0
        state = PlanRun.objects.filter(pk=run.pk).values("stop_asked").first()
        if _superseded(run.pk) or (state is not None and state["stop_asked"]):
            ended = PlanRun.Status.STOPPED
            return 0.0
        return max(0.0, left / run.budget_s)

    def on_better() -> None:
        nonlocal better
        better = True

    planner.improve(None, go_on, on_better)
    take_better()
    if ended == PlanRun.Status.DONE and checkpoint(run, best, run.budget_s):
        until = time.monotonic() + PROOF_S
        planner.prove(lambda: time.monotonic() < until)
        bounds = planner.bounds_beside(best.left, best.dropped_pins)
        best = replace(best, bounds=bounds)
    checkpoint(run, best, spent_before + time.monotonic() - begun, ended)


def checkpoint(run: PlanRun, plan: Plan, spent_s: float, status: str | None = None) -> bool:
    """Keep the best so far, if the lease is still ours."""
    fields = {"plan": plan.to_json(), "heartbeat": clock.now(), "spent_s": spent_s}
    if status is not None:
        fields["status"] = status
    return bool(PlanRun.objects.filter(pk=run.pk, lease=run.lease).update(**fields))


def reap() -> int:
    """Hand runs whose worker died to another; returns how many."""
    dead = PlanRun.objects.filter(
        status=PlanRun.Status.IMPROVING, heartbeat__lt=clock.now() - LEASE
    )
    count = 0
    for run in dead:
        improve.enqueue(run.pk)
        count += 1
    return count

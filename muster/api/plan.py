"""The plan: improving, stopping, and the legal places of a call."""

from __future__ import annotations

from datetime import datetime

from django.core.cache import caches
from django.http import Http404
from ninja import Router, Schema, Status

from muster.api.alternative_starts import AlternativeStart, alternative_starts
from muster.api.requests import UserRequest
from muster.api.throttles import HEAVY, ByUser
from muster.apps.plan.current import UNDER_WAY, Current, current_plan, improve_more
from muster.apps.plan.heartbeat import worker_lives
from muster.apps.plan.models import PlanRun
from muster.apps.recipes.queries import newest_recipes
from muster.apps.roll.queries import own_muster
from muster.core.errors import DomainError
from muster.core.plan.counterfactual import sooner_without
from muster.core.plan.reasons import reasons_of
from muster.core.views.left import left_rows
from muster.core.views.left_remedies import LeftRemedy, left_remedies
from muster.core.views.outlook import Outlook, outlook_of

router = Router()

MORE_S = 20.0
OUTLOOK_KEPT_S = 3600
ASKED_S = 25
"""After so long whoever worked it out has been ended: see the limits of a request."""

MOST_RUNS = 3
"""A user's runs that may be improved at once; others' musters want the workers too."""


class Progress(Schema):
    """How far the worker is."""

    status: str
    share: float
    first_cost_s: int
    cost_s: int
    made_for: datetime
    worker: bool
    """Whether a worker lives that can improve plans."""


def progress_of(run: PlanRun) -> Progress:
    """A run's progress."""
    share = run.spent_s / run.budget_s if run.budget_s else 1.0
    return Progress(
        status=run.status, share=min(1.0, share), first_cost_s=run.first_cost_s,
        cost_s=run.plan["cost_s"], made_for=run.made_for,
        worker=run.status not in UNDER_WAY or worker_lives(),
    )  # fmt: skip


@router.post("/musters/{int:muster_id}/plan/improve", response=Progress)
def improve_plan(request: UserRequest, muster_id: int) -> Progress:
    """Let a worker improve the plan for twenty seconds more.

    Raises DomainError where too many plans are improved at once.
    """
    current = current_plan(own_muster(request.user, muster_id))
    if not current.plan.blocks:
        raise DomainError("there is nothing planned to improve: see what is left, and why")
    run = current.run
    if run.status not in UNDER_WAY:
        mine = PlanRun.objects.filter(muster__owner=request.user, status__in=UNDER_WAY)
        if mine.count() >= MOST_RUNS:
            raise DomainError(f"{MOST_RUNS} of your plans are being improved: wait, or stop one")
        run = improve_more(current, MORE_S)
    return progress_of(run)


def _known(current: Current) -> str:
    """A name for what is planned: another where it is improved, and after facts."""
    run, facts = current.run, len(current.derived.snapshot.facts)
    return f"{run.pk}-{run.plan['cost_s']}-{facts}"


@router.post("/musters/{int:muster_id}/plan/stop", response=Progress)
def stop_plan(request: UserRequest, muster_id: int) -> Progress:
    """Stop improving; the best so far is kept. Raises DomainError."""
    muster = own_muster(request.user, muster_id)
    run = PlanRun.objects.filter(muster=muster).order_by("-id").first()
    if run is None:
        raise DomainError("there is no plan yet")
    run.stop_asked = True
    if run.status == PlanRun.Status.QUEUED:
        run.status = PlanRun.Status.STOPPED
    run.save(update_fields=["stop_asked", "status"])
    return progress_of(run)


@router.get("/musters/{int:muster_id}/plan/alternative-starts", response=list[AlternativeStart])
def places(request: UserRequest, muster_id: int, call: str) -> list[AlternativeStart]:
    """Where a call may stand instead, sitting by sitting, and what each place costs."""
    return alternative_starts(current_plan(own_muster(request.user, muster_id)), call)


@router.get("/musters/{int:muster_id}/plan/why", response=list[int | None])
def why(request: UserRequest, muster_id: int, call: str) -> list[int | None]:
    """By reason of a call's card, in its order: how many seconds sooner it starts without it.

    Raises Http404.
    """
    current = current_plan(own_muster(request.user, muster_id))
    problem, plan = current.derived.instance.problem, current.plan
    reasons = reasons_of(problem, plan).get(call)
    if reasons is None:
        raise Http404
    return [sooner_without(problem, plan, call, reason) for reason in reasons]


@router.get(
    "/musters/{int:muster_id}/plan/left", response=list[LeftRemedy], throttle=ByUser("left", HEAVY)
)
def left(request: UserRequest, muster_id: int, call: str) -> list[LeftRemedy]:
    """What would place a call that is left, the cheapest first. Kept while the plan is.

    Raises Http404.
    """
    current = current_plan(own_muster(request.user, muster_id))
    row = next((r for r in left_rows(current.derived, current.plan) if call in r.calls), None)
    if row is None:
        raise Http404
    key = f"left-{_known(current)}-{call}"
    found: list[LeftRemedy] | None = caches["plans"].get(key)
    if found is None:
        found = left_remedies(current.derived, current.plan, row)
        caches["plans"].set(key, found, OUTLOOK_KEPT_S)
    return found


@router.get(
    "/musters/{int:muster_id}/plan/outlook", response={200: Outlook, 202: None},
    throttle=ByUser("outlook", HEAVY),
)  # fmt: skip
def outlook(request: UserRequest, muster_id: int) -> Outlook | Status[None]:
    """Other tray sizes beside this plan, and the chance to be in time. Kept while the plan is.

    202 while another request works the same out: ask again in a moment. Two pages that are opened
    one after the other must not both wait for it twice.
    """
    current = current_plan(own_muster(request.user, muster_id))
    key = f"outlook-{_known(current)}"
    found: Outlook | None = caches["plans"].get(key)
    if found is not None:
        return found
    if not caches["plans"].add(f"{key}-asked", True, ASKED_S):
        return Status(202, None)
    try:
        others = newest_recipes(request.user).values()
        found = outlook_of(current.derived, current.plan, others)
        caches["plans"].set(key, found, OUTLOOK_KEPT_S)
    finally:
        caches["plans"].delete(f"{key}-asked")
    return found

"""The plan that holds now: kept while it does, mended in the request when it does not."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime

from pydantic import TypeAdapter

from muster.apps.plan.models import PlanRun
from muster.apps.plan.snapshots import snapshot_of
from muster.apps.roll.models import Muster
from muster.core.kept_plan import chores_so_far, shifted, still_holds
from muster.core.pipeline import Derived, derive_what_can, plan_first
from muster.core.plan.plan import Plan
from muster.core.plan.writing import problem_to_json
from muster.core.snapshot import Chore
from muster.core.views.moved import Moved, moved_between

MOVED: TypeAdapter[list[Moved]] = TypeAdapter(list[Moved])

CHORES: TypeAdapter[list[Chore]] = TypeAdapter(list[Chore])

IMPROVE_S = 20.0
"""How long a worker improves a plan after choices have changed."""


@dataclass(frozen=True)
class Current:
    """A snapshot derived, its plan, and the run that keeps it."""

    derived: Derived
    plan: Plan
    run: PlanRun
    mended: bool


def current_plan(muster: Muster) -> Current:
    """The plan of the muster as it stands now; what cannot be planned is told in its trouble."""
    snapshot, house = snapshot_of(muster)
    run = PlanRun.objects.filter(muster=muster).order_by("-id").first()
    chores = chores_of(run, snapshot.now) if run is not None else ()
    snapshot = replace(snapshot, chores=chores)
    derived = derive_what_can(snapshot)
    seen = (muster.version, len(snapshot.facts), house)
    same = run is not None and (run.version, run.facts, run.house) == seen
    if run is not None and same:
        plan = plan_of(run, derived)
        if still_holds(plan, derived):
            return Current(derived, plan, run, False)
    guide = plan_of(run, derived) if run is not None else None
    changed = run is None or (run.version, run.house) != (muster.version, house)
    derived, plan = plan_first(derived, guide, steady=not changed)
    moved = moved_between(derived, guide, plan) if guide is not None else []
    new = PlanRun.objects.create(
        muster=muster,
        version=muster.version,
        facts=len(snapshot.facts),
        house=house,
        origin=derived.instance.origin,
        made_for=snapshot.now,
        problem=problem_to_json(derived.instance.problem),
        plan=plan.to_json(),
        first_cost_s=plan.score.cost_s,
        budget_s=IMPROVE_S if changed else 0,
        moved=MOVED.dump_python(moved, mode="json"),
        past=CHORES.dump_python(list(chores), mode="json"),
    )
    PlanRun.objects.filter(muster=muster, pk__lt=new.pk - 20).delete()
    if changed and plan.blocks:
        queue(new)
    return Current(derived, plan, new, run is not None and not changed)


def queue(run: PlanRun, budget_s: float | None = None) -> None:
    """Hand a run to a worker."""
    from muster.apps.plan.tasks import improve

    run.status = PlanRun.Status.QUEUED
    run.stop_asked = False
    if budget_s is not None:
        run.budget_s = run.spent_s + budget_s
    run.save(update_fields=["status", "stop_asked", "budget_s"])
    improve.enqueue(run.pk)


def plan_of(run: PlanRun, derived: Derived) -> Plan:
    """A run's plan with its seconds counted from the present origin."""
    return shifted(Plan.from_json(run.plan), derived.instance.seconds(run.origin))


def chores_of(run: PlanRun, now: datetime) -> tuple[Chore, ...]:
    """What the plans so far have had done up to now."""
    past = CHORES.validate_python(run.past)
    return chores_so_far(past, Plan.from_json(run.plan), run.origin, now)

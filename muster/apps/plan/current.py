"""The plan that holds now: kept while it does, mended in the request when it does not."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime

from pydantic import TypeAdapter

from muster.apps.plan.models import PlanRun
from muster.apps.plan.program import program
from muster.apps.plan.snapshots import snapshot_of
from muster.apps.roll.models import Muster
from muster.core.kept_plan import carried_on, chores_so_far, shifted
from muster.core.pipeline import Derived, derive_what_can, plan_first
from muster.core.plan.carrying_on import is_later
from muster.core.plan.plan import Plan
from muster.core.plan.writing import problem_to_json
from muster.core.snapshot import Chore
from muster.core.views.moved import Moved, moved_between

MOVED: TypeAdapter[list[Moved]] = TypeAdapter(list[Moved])

CHORES: TypeAdapter[list[Chore]] = TypeAdapter(list[Chore])

UNDER_WAY = (PlanRun.Status.QUEUED, PlanRun.Status.IMPROVING)

IMPROVE_S = 20.0
"""How long a worker improves a plan after choices have changed."""


@dataclass(frozen=True)
class Current:
    """A snapshot derived, its plan, and the run that keeps it."""

    derived: Derived
    plan: Plan
    run: PlanRun


def current_plan(muster: Muster) -> Current:
    """The plan of the muster as it stands now; what cannot be planned is told in its trouble."""
    snapshot, house = snapshot_of(muster)
    run = PlanRun.objects.filter(muster=muster).order_by("-id").first()
    chores = chores_of(run, snapshot.now) if run is not None else ()
    derived = derive_what_can(replace(snapshot, chores=chores))
    guide = plan_of(run, derived) if run is not None and run.program == program() else None
    if run is None or guide is None or (run.version, run.house) != (muster.version, house):
        derived, plan = plan_first(derived, guide)
        moved = moved_between(derived, guide, plan) if guide is not None else []
        return _kept(muster, house, derived, plan, moved, IMPROVE_S)
    # A worker that improves the plan goes on with what is left of it, and knows the facts.
    budget_s = max(1.0, run.budget_s - run.spent_s) if run.status in UNDER_WAY else 0.0
    carried = carried_on(guide, derived, run.facts)
    if carried is None:
        derived, plan = plan_first(derived, guide, steady=True)
        return _kept(muster, house, derived, plan, moved_between(derived, guide, plan), budget_s)
    problem = derived.instance.problem
    # What comes later is known from now on; between sittings, so is what is over.
    over = problem.sitting_at(problem.now) is None
    if run.facts != len(snapshot.facts) and (over or budget_s > 0 or is_later(guide, carried)):
        return _kept(muster, house, derived, carried, moved_of(run), budget_s)
    return Current(derived, carried, run)


def improve_more(current: Current, budget_s: float) -> PlanRun:
    """A worker improves what is still to come for so much longer."""
    run = current.run
    made = _kept(run.muster, run.house, current.derived, current.plan, moved_of(run), budget_s)
    return made.run


def moved_of(run: PlanRun) -> list[Moved]:
    """What moved when a run was made."""
    return MOVED.validate_python(run.moved)


def _kept(
    muster: Muster, house: int, derived: Derived, plan: Plan, moved: list[Moved], budget_s: float
) -> Current:
    """A run for a plan; a worker improves it where it has a budget, and something to plan."""
    snapshot = derived.snapshot
    to_improve = bool(plan.blocks) and budget_s > 0
    run = PlanRun.objects.create(
        muster=muster,
        version=muster.version,
        facts=len(snapshot.facts),
        house=house,
        program=program(),
        origin=derived.instance.origin,
        made_for=snapshot.now,
        problem=problem_to_json(derived.instance.problem) if to_improve else None,
        plan=plan.to_json(),
        first_cost_s=plan.score.cost_s,
        budget_s=budget_s if to_improve else 0,
        moved=MOVED.dump_python(moved, mode="json"),
        past=CHORES.dump_python(list(snapshot.chores), mode="json"),
    )
    PlanRun.objects.filter(muster=muster, pk__lt=run.pk - 20).delete()
    if to_improve:
        queue(run)
    return Current(derived, plan, run)


def queue(run: PlanRun) -> None:
    """Hand a run to a worker."""
    from muster.apps.plan.tasks import improve

    run.status = PlanRun.Status.QUEUED
    run.save(update_fields=["status"])
    improve.enqueue(run.pk)


def plan_of(run: PlanRun, derived: Derived) -> Plan:
    """A run's plan with its seconds counted from the present origin."""
    return shifted(Plan.from_json(run.plan), derived.instance.seconds(run.origin))


def chores_of(run: PlanRun, now: datetime) -> tuple[Chore, ...]:
    """What the plans so far have had done up to now."""
    past = CHORES.validate_python(run.past)
    return chores_so_far(past, Plan.from_json(run.plan), run.origin, now)

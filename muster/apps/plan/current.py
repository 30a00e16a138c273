"""The plan that holds now: kept while it does, mended in the request when it does not."""

from __future__ import annotations

import json
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Any

from pydantic import TypeAdapter

from muster.apps.plan.models import PlanRun
from muster.apps.roll.models import Muster
from muster.apps.roll.reading import snapshot_of
from muster.core.pipeline import Derived, derive, plan_first
from muster.core.plan.plan import Plan
from muster.core.rooms.moved import Moved, moved_between
from muster.core.snapshot import Chore

GRACE = timedelta(seconds=60)
"""A call may begin so much later than planned before the plan mends itself."""

MOVED: TypeAdapter[list[Moved]] = TypeAdapter(list[Moved])

CHORES: TypeAdapter[list[Chore]] = TypeAdapter(list[Chore])

BEHIND = timedelta(hours=18)
"""Chores that lie further back are of another sitting."""

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
    """The plan of the muster as it stands now. Raises Refused where no problem can be made."""
    snapshot, house = snapshot_of(muster)
    run = PlanRun.objects.filter(muster=muster).order_by("-id").first()
    chores = chores_of(run, snapshot.now) if run is not None else ()
    snapshot = replace(snapshot, chores=chores)
    derived = derive(snapshot)
    seen = (muster.version, len(snapshot.facts), house)
    same = run is not None and (run.version, run.facts, run.house) == seen
    if run is not None and same:
        plan = shifted(run, derived)
        if still_holds(plan, derived):
            return Current(derived, plan, run, False)
    guide = shifted(run, derived) if run is not None else None
    derived, plan = plan_first(derived, guide)
    changed = run is None or (run.version, run.house) != (muster.version, house)
    moved = moved_between(derived, guide, plan) if guide is not None else []
    new = PlanRun.objects.create(
        muster=muster,
        version=muster.version,
        facts=len(snapshot.facts),
        house=house,
        origin=derived.bench.origin,
        made_for=snapshot.now,
        problem=derived.bench.raw,
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


def chores_of(run: PlanRun, now: datetime) -> tuple[Chore, ...]:
    """What was to be got out, opened, closed and put away lately up to now, by the plans so far."""
    past = [one for one in CHORES.validate_python(run.past) if now - one.end < BEHIND]
    for block in Plan.from_json(run.plan).blocks:
        start, end = (run.origin + timedelta(seconds=at) for at in (block.start, block.end))
        if block.do != "work" and end <= now and now - end < BEHIND:
            past.append(Chore(block.do, block.ref, start, end))
    return tuple(past)


def queue(run: PlanRun, budget_s: float | None = None) -> None:
    """Hand a run to a worker."""
    from muster.apps.plan.tasks import improve

    run.status = PlanRun.Status.QUEUED
    run.stop_asked = False
    if budget_s is not None:
        run.budget_s = run.spent_s + budget_s
    run.save(update_fields=["status", "stop_asked", "budget_s"])
    improve.enqueue(run.pk)


def shifted(run: PlanRun, derived: Derived) -> Plan:
    """A run's plan with its seconds counted from the present origin."""
    raw: dict[str, Any] = run.plan if isinstance(run.plan, dict) else json.loads(run.plan)
    by = derived.bench.seconds(run.origin)
    if by:
        blocks = [
            {**block, "start": block["start"] + by, "end": block["end"] + by}
            for block in raw["blocks"]
        ]
        raw = {
            **raw,
            "blocks": blocks,
            "finish": raw["finish"] + by,
            "mean_done": raw["mean_done"] + by,
            "bounds": {**raw["bounds"], "finish": raw["bounds"]["finish"] + by},
        }
    return Plan.from_json(raw)


def still_holds(plan: Plan, derived: Derived) -> bool:
    """Whether nothing planned lies so far back that it can no longer be begun as planned."""
    problem = derived.bench.problem
    if any(block.do == "work" and block.ref not in problem.tasks for block in plan.blocks):
        return False
    limit = problem.now - int(GRACE.total_seconds())
    running = derived.record.running
    for block in plan.blocks:
        if block.do != "work":
            continue
        call = derived.calls[block.ref]
        under_way = running is not None and (call.unit.id, call.tray, call.keys[:1]) == (
            running.unit,
            running.tray,
            running.pass_keys[:1],
        )
        return (block.end if under_way else block.start) >= limit
    return True

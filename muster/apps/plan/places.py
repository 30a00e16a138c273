"""The legal places of one call, each tried by mending the plan with the call pinned there."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime

from django.http import Http404
from ninja import Schema

from muster.apps.plan.current import Current
from muster.core.plan.planner import Planner
from muster.core.plan.problem import Pin

MOST_PLACES = 8


class Place(Schema):
    """A place of a call: when it would start, and what that costs against the plan."""

    start: datetime
    slack_s: int
    pin: datetime
    cost_s: int
    finish_s: int
    as_planned: bool


def places_of(current: Current, call: str) -> list[Place]:
    """Try the call in each of the next sittings."""
    derived, plan = current.derived, current.plan
    problem = derived.bench.problem
    planned = next((b for b in plan.blocks if b.do == "work" and b.ref == call), None)
    if planned is None:
        raise Http404
    found = []
    for sitting in [s for s in problem.sittings if s.end > problem.now][:MOST_PLACES]:
        low = max(sitting.start, problem.now)
        slack = sitting.end - 1 - low
        pins = tuple(pin for pin in problem.pins if pin.task != call)
        tried = replace(problem, pins=(*pins, Pin(call, low, slack)))
        other = Planner(tried).first(plan)
        if other.status == "impossible":
            continue
        block = next(b for b in other.blocks if b.do == "work" and b.ref == call)
        same = sitting.start <= planned.start < sitting.end
        found.append(
            Place(
                start=derived.bench.moment(planned.start if same else block.start),
                slack_s=slack, pin=derived.bench.moment(low),
                cost_s=0 if same else other.score.hands_on_s - plan.score.hands_on_s,
                finish_s=0 if same else other.score.finish - plan.score.finish,
                as_planned=same,
            )
        )  # fmt: skip
    return found

"""The legal places of one call, as the rooms show them."""

from __future__ import annotations

from datetime import datetime

from django.http import Http404
from ninja import Schema

from muster.apps.plan.current import Current
from muster.core.plan import alternative_starts as core


class AlternativeStart(Schema):
    """A place of a call: when it would start, and what that costs against the plan."""

    start: datetime
    slack_s: int
    pin: datetime
    cost_s: int
    finish_s: int
    as_planned: bool


def alternative_starts(current: Current, call: str) -> list[AlternativeStart]:
    """Try the call in each of the next sittings. Raises Http404 for a call that is not there."""
    instance = current.derived.instance
    if call not in instance.problem.tasks:
        raise Http404
    return [
        AlternativeStart(
            start=instance.moment(one.start), slack_s=one.slack_s, pin=instance.moment(one.low),
            cost_s=one.hands_on_s, finish_s=one.finish_s, as_planned=one.as_planned,
        )
        for one in core.alternative_starts(instance.problem, current.plan, call)
    ]  # fmt: skip

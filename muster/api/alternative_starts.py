"""The legal places of one call, as the rooms show them."""

from __future__ import annotations

from datetime import datetime
from zoneinfo import ZoneInfo

from django.http import Http404
from ninja import Schema

from muster.apps.plan.current import Current
from muster.core.plan import alternative_starts as core

MOST_NAMED = 1


class AlternativeStart(Schema):
    """A place of a call: when it would start, and what that costs against the plan."""

    start: datetime
    end: datetime
    slack_s: int
    pin: datetime
    cost_s: int
    finish_s: int
    as_planned: bool
    moves: list[str]
    """What goes to another sitting for it: the first of the same tray by name and day."""
    more: int
    """How many others do."""


def alternative_starts(current: Current, call: str) -> list[AlternativeStart]:
    """Try the call in each of the next sittings. Raises Http404 for a call that is not there."""
    instance = current.derived.instance
    if call not in instance.problem.tasks:
        raise Http404
    return [
        AlternativeStart(
            start=instance.moment(one.start), end=instance.moment(one.end),
            slack_s=one.slack_s, pin=instance.moment(one.low),
            cost_s=one.hands_on_s, finish_s=one.finish_s, as_planned=one.as_planned,
            moves=(named := _moves(current, call, one.moves)), more=len(one.moves) - len(named),
        )
        for one in core.alternative_starts(instance.problem, current.plan, call)
    ]  # fmt: skip


def _moves(current: Current, call: str, moves: tuple[tuple[str, int], ...]) -> list[str]:
    derived = current.derived
    mine = derived.calls[call]
    zone = ZoneInfo(derived.snapshot.choices.zone)
    tray = (mine.unit.id, mine.tray)
    own = [
        (one, at)
        for one, at in ((derived.calls[name], at) for name, at in moves if name in derived.calls)
        if (one.unit.id, one.tray) == tray
    ]
    return [
        f"{one.name} moves to {derived.instance.moment(at).astimezone(zone):%A}"
        for one, at in own[:MOST_NAMED]
    ]

"""Build as it would be: one unit by itself, without a plan, at once; and with one, for the figures
that only a plan has."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime

from muster.core.build.choose import ways_of
from muster.core.build.kit import Way
from muster.core.choices import Choices
from muster.core.commands.command import Command, applied, unit_of
from muster.core.commands.verbs.set_joint import SetJoint
from muster.core.errors import DomainError
from muster.core.pipeline import Derived, derive, derive_what_can
from muster.core.plan.plan import Plan
from muster.core.views.build import BuildView, build_view
from muster.core.views.shortly import planned_shortly


@dataclass(frozen=True)
class WayPlan:
    """A way as it is planned: the whole muster's bench time, the sittings that the unit takes, and
    when it is finished (None: something of it finds no place)."""

    way: Way
    hands_on_s: int
    evenings: int
    finish: datetime | None


@dataclass(frozen=True)
class ApartPlan:
    """A unit as it is built beside the same with all fixed first, both planned. ``mend_s``: what
    getting at things and mending takes beyond the plan, by how often it happens."""

    hands_on_s: int
    fixed_hands_on_s: int
    mend_s: int
    fixed_mend_s: int
    evenings: int
    fixed_evenings: int


def build_tried(derived: Derived, unit_id: str, command: Command) -> BuildView | None:
    """Build after a change. Raises DomainError where it is refused."""
    snapshot = derived.snapshot
    choices, _ = applied(command, snapshot.choices, snapshot.now)
    unit = unit_of(choices, unit_id)
    alone = replace(choices, units=(unit,), order=(), pins=())
    found = derive(replace(snapshot, choices=alone), keep_running=False)
    scales = replace(found, snapshot=replace(found.snapshot, choices=choices))
    return build_view(scales, unit)


def ways_planned(derived: Derived, plan: Plan, unit_id: str, joint_id: str) -> list[WayPlan]:
    """Each way of a joint, planned. Raises DomainError for a joint that there is not."""
    unit = unit_of(derived.snapshot.choices, unit_id)
    joint = unit.build.kit.joint(joint_id) if unit.build is not None else None
    if joint is None:
        raise DomainError(f"{unit.name} has no joint '{joint_id}': look at Build again")
    now = derived.works[unit_id].chosen.ways[joint_id] if unit_id in derived.works else None
    found = []
    for way in ways_of(joint):
        choices = derived.snapshot.choices
        if way != now:
            # As it stands, it stands where it was put.
            change = SetJoint("set_joint", unit_id, joint_id, way)
            choices, _ = change.apply(choices, derived.snapshot.now)
        made = _planned(derived, plan, choices, unit_id)
        found.append(WayPlan(way, made.hands_on_s, made.evenings, made.finish))
    return found


def apart_planned(derived: Derived, unit_id: str) -> ApartPlan:
    """What painting apart saves: two plans, made alike. Raises DomainError for a unit without a
    kit."""
    unit = unit_of(derived.snapshot.choices, unit_id)
    if unit.build is None:
        raise DomainError(f"{unit.name} has no parts yet: start from a template in Build")
    choices = derived.snapshot.choices
    mine = _planned(derived, None, choices, unit_id)
    for joint in unit.build.kit.joints_in_use:
        fix = SetJoint("set_joint", unit_id, joint.id, "fix")
        choices, _ = fix.apply(choices, derived.snapshot.now)
    fixed = _planned(derived, None, choices, unit_id)
    return ApartPlan(
        mine.hands_on_s, fixed.hands_on_s, mine.mend_s, fixed.mend_s, mine.evenings, fixed.evenings
    )  # fmt: skip


@dataclass(frozen=True)
class _Planned:
    """Bench seconds of the whole, sittings in which the unit is worked, its end, and what goes
    into reach and mishaps of all its models."""

    hands_on_s: int
    evenings: int
    finish: datetime | None
    mend_s: int


def _planned(derived: Derived, plan: Plan | None, choices: Choices, unit_id: str) -> _Planned:
    other = derive_what_can(replace(derived.snapshot, choices=choices), keep_running=False)
    made = planned_shortly(other, plan)
    problem = other.instance.problem
    calls = {call.id for call in other.calls.values() if call.unit.id == unit_id}
    mine = [block for block in made.blocks if block.do == "work" and block.ref in calls]
    sittings = {problem.sitting_at(block.start) for block in mine}
    left = any(one.task in calls for one in made.left)
    end = max((block.end for block in mine), default=None)
    finish = None if left or end is None else other.instance.moment(end)
    view = build_view(other, unit_of(choices, unit_id))
    mend_s = 0 if view is None else round(view.mend_min * view.models * 60)
    return _Planned(made.score.hands_on_s, len(sittings), finish, mend_s)

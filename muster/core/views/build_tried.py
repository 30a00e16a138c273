"""Build as it would be: one unit by itself, without a plan, at once; and with one, for the figures
that only a plan has."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime

from muster.core.build.choose import ways_of
from muster.core.build.kit import Way
from muster.core.choices import Choices
from muster.core.commands.command import Command, unit_of
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
    choices, _ = command.apply(snapshot.choices, snapshot.now)
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
    found = []
    for way in ways_of(joint):
        change = SetJoint("set_joint", unit_id, joint_id, way)
        choices, _ = change.apply(derived.snapshot.choices, derived.snapshot.now)
        hands_on_s, evenings, finish = _planned(derived, plan, choices, unit_id)
        found.append(WayPlan(way, hands_on_s, evenings, finish))
    return found


def apart_planned(derived: Derived, plan: Plan, unit_id: str) -> ApartPlan:
    """What painting apart saves: two plans. Raises DomainError for a unit without a kit."""
    unit = unit_of(derived.snapshot.choices, unit_id)
    if unit.build is None:
        raise DomainError(f"{unit.name} has no parts yet: start from a template in Build")
    choices = choices_now = derived.snapshot.choices
    for joint in unit.build.kit.joints_in_use:
        choices, _ = SetJoint("set_joint", unit_id, joint.id, "fix").apply(
            choices, derived.snapshot.now
        )
    mine = _planned(derived, plan, derived.snapshot.choices, unit_id)
    fixed = _planned(derived, plan, choices, unit_id)
    mend, fixed_mend = (_mend_s(derived, each, unit_id) for each in (choices_now, choices))
    return ApartPlan(mine[0], fixed[0], mend, fixed_mend, mine[1], fixed[1])


def _mend_s(derived: Derived, choices: Choices, unit_id: str) -> int:
    """Seconds for all models of a unit that go into reach and mishaps."""
    made = derive_what_can(replace(derived.snapshot, choices=choices), keep_running=False)
    view = build_view(made, unit_of(choices, unit_id))
    return 0 if view is None else round(view.mend_min * view.models * 60)


def _planned(
    derived: Derived, plan: Plan, choices: Choices, unit_id: str
) -> tuple[int, int, datetime | None]:
    """Bench seconds of the whole, sittings in which the unit is worked, and its end."""
    other = derive_what_can(replace(derived.snapshot, choices=choices), keep_running=False)
    made = planned_shortly(other, plan)
    problem = other.instance.problem
    mine = [
        block for block in made.blocks
        if block.do == "work" and other.calls[block.ref].unit.id == unit_id
    ]  # fmt: skip
    sittings = {problem.sitting_at(block.start) for block in mine}
    left = any(one.task in other.calls and other.calls[one.task].unit.id == unit_id
               for one in made.left)  # fmt: skip
    end = max((block.end for block in mine), default=None)
    finish = None if left or end is None else other.instance.moment(end)
    return made.score.hands_on_s, len(sittings), finish

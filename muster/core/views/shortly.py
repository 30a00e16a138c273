"""A plan made shortly, to lay beside the plan in view: the same wherever it is asked for."""

from __future__ import annotations

from muster.core.pipeline import Derived
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner

STEPS_TASKS = 9000
"""How many attempts it gets, by its tasks; the plan in view has had many more."""

ALIKE = 0.8
"""Where so much of the work is the same, the plan in view is a guide: it has been searched for
longer. Where trays are cut anew its calls are others', and it would only mislead."""


def planned_shortly(other: Derived, plan: Plan | None) -> Plan:
    """Plan other choices; ``plan`` is the one in view, None where it must not guide: it has been
    improved for longer, so that two plans are compared fairly only without it."""
    tasks = other.instance.problem.tasks
    known = set() if plan is None else {b.ref for b in plan.blocks if b.do == "work"}
    guided = sum(name in tasks for name in known) >= ALIKE * max(1, len(tasks), len(known))
    planner = Planner(other.instance.problem)
    planner.first(guide=plan if guided else None)
    return planner.improve_briefly(STEPS_TASKS // max(1, len(tasks)))

"""What is owed, and whether it can be paid at a glance."""

from __future__ import annotations

from muster.core.plan.kernel.fields import Ints
from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import INF, Frame, State


@compiled
def paid_at_a_glance(frame: Frame, state: State, by: Ints) -> bool:
    """Whether everything with a time in ``by`` fits one after another in this sitting, each with
    all its setting up and cleaning up, from when the last is ready until the first is due.

    Sufficient, not necessary: False only says that it takes a closer look.
    """
    sitting = state.sitting
    if sitting >= frame.n_sittings:
        return False
    now = state.now
    end = frame.sitting_end[sitting]
    total, first_due, ready = 0, INF, now
    for index in range(state.n_open):
        total += frame.family_cleanup[state.open_families[index]]
    for tool in range(frame.n_tools):
        total += frame.tool_setup[tool] + frame.tool_cleanup[tool]
    for task in range(frame.n_tasks):
        if by[task] >= INF:
            continue
        per, count = frame.task_per_item[task], frame.task_n_items[task]
        begun = state.task_worked[task]
        work = per * count - begun
        if work <= 0:
            continue
        if state.task_pinned[task] == 1 or frame.task_windowed[task] == 1:
            return False
        if not _works_all_evening(frame, task, sitting, now, end):
            return False
        first_due = min(first_due, by[task])
        ready = max(ready, frame.task_not_before[task])
        family = frame.task_family[task]
        if family >= 0:
            if work > frame.family_life[family]:
                return False
            total += frame.family_setup[family] + frame.family_cleanup[family]
        total += work
        for position in range(-(-begun // per), count):
            x = frame.task_first_op[task] + position
            item = frame.op_item[x]
            if state.op_waits_for[x] > 0 or state.item_in_hand[item] >= 0:
                return False
            ready = max(ready, state.op_earliest[x], state.item_dry_at[item])
    return ready + total <= min(first_due, end) and _housed(frame, state, by)


@compiled
def _works_all_evening(frame: Frame, task: int, sitting: int, now: int, end: int) -> bool:
    """Whether what a task needs holds from now to the sitting's end."""
    cal = frame.task_calendar[task]
    slot = frame.calendar_first_slot[cal * frame.n_sittings + sitting]
    while slot < frame.calendar_slots[cal + 1] and frame.slot_sitting[slot] == sitting:
        if frame.slot_start[slot] <= now and frame.slot_end[slot] >= end:
            return True
        slot += 1
    return False


@compiled
def _housed(frame: Frame, state: State, by: Ints) -> bool:
    """Whether all of it finds its places though nothing there were to dry meanwhile."""
    for place in range(frame.n_places):
        held = state.place_held[place]
        for task in range(frame.n_tasks):
            if by[task] >= INF:
                continue
            per, count = frame.task_per_item[task], frame.task_n_items[task]
            if state.task_worked[task] >= per * count:
                continue
            if frame.task_holds[task] == 1:
                return False
            held += count * frame.task_puts[task * frame.n_places + place]
        if held > frame.place_capacity[place]:
            return False
    return True

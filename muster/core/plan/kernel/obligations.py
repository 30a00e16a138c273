"""What is owed, and whether it can be paid at a glance."""

from __future__ import annotations

from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import (
    CAL_FIRST,
    CAL_OFF,
    F_CLEANUP,
    F_LIFE,
    F_SETUP,
    I_HAND,
    I_READY,
    INF,
    K_CLEANUP,
    K_SETUP,
    N_OPEN,
    N_PLACES,
    N_SITTINGS,
    N_TASKS,
    N_TOOLS,
    NOW,
    OPEN_LIST,
    P_CAPACITY,
    P_HELD,
    SIT_END,
    SITTING,
    SLOT_END,
    SLOT_SITTING,
    SLOT_START,
    T_CAL,
    T_FAMILY,
    T_HOLDS,
    T_N,
    T_NOT_BEFORE,
    T_OFF,
    T_PER,
    T_PINNED,
    T_PUTS,
    T_WINDOWED,
    T_WORK,
    X_EST,
    X_ITEM,
    X_PRED,
    Ints,
)


@compiled
def paid_at_a_glance(frame: Ints, state: Ints, by: Ints) -> bool:
    """Whether everything with a time in ``by`` fits one after another in this sitting, each with
    all its setting up and cleaning up, from when the last is ready until the first is due.

    Sufficient, not necessary: False only says that it takes a closer look.
    """
    sitting = state[SITTING]
    if sitting >= frame[N_SITTINGS]:
        return False
    now = state[NOW]
    end = frame[frame[SIT_END] + sitting]
    total, first_due, ready = 0, INF, now
    for index in range(state[N_OPEN]):
        total += frame[frame[F_CLEANUP] + state[state[OPEN_LIST] + index]]
    for tool in range(frame[N_TOOLS]):
        total += frame[frame[K_SETUP] + tool] + frame[frame[K_CLEANUP] + tool]
    for task in range(frame[N_TASKS]):
        if by[task] >= INF:
            continue
        per, count = frame[frame[T_PER] + task], frame[frame[T_N] + task]
        begun = state[state[T_WORK] + task]
        work = per * count - begun
        if work <= 0:
            continue
        if state[state[T_PINNED] + task] == 1 or frame[frame[T_WINDOWED] + task] == 1:
            return False
        if not _works_all_evening(frame, task, sitting, now, end):
            return False
        first_due = min(first_due, by[task])
        ready = max(ready, frame[frame[T_NOT_BEFORE] + task])
        family = frame[frame[T_FAMILY] + task]
        if family >= 0:
            if work > frame[frame[F_LIFE] + family]:
                return False
            total += frame[frame[F_SETUP] + family] + frame[frame[F_CLEANUP] + family]
        total += work
        for position in range(-(-begun // per), count):
            x = frame[frame[T_OFF] + task] + position
            item = frame[frame[X_ITEM] + x]
            if state[state[X_PRED] + x] > 0 or state[state[I_HAND] + item] >= 0:
                return False
            ready = max(ready, state[state[X_EST] + x], state[state[I_READY] + item])
    return ready + total <= min(first_due, end) and _housed(frame, state, by)


@compiled
def _works_all_evening(frame: Ints, task: int, sitting: int, now: int, end: int) -> bool:
    """Whether what a task needs holds from now to the sitting's end."""
    cal = frame[frame[T_CAL] + task]
    slot = frame[frame[CAL_FIRST] + cal * frame[N_SITTINGS] + sitting]
    while slot < frame[frame[CAL_OFF] + cal + 1] and frame[frame[SLOT_SITTING] + slot] == sitting:
        if frame[frame[SLOT_START] + slot] <= now and frame[frame[SLOT_END] + slot] >= end:
            return True
        slot += 1
    return False


@compiled
def _housed(frame: Ints, state: Ints, by: Ints) -> bool:
    """Whether all of it finds its places though nothing there were to dry meanwhile."""
    for place in range(frame[N_PLACES]):
        held = state[state[P_HELD] + place]
        for task in range(frame[N_TASKS]):
            if by[task] >= INF:
                continue
            per, count = frame[frame[T_PER] + task], frame[frame[T_N] + task]
            if state[state[T_WORK] + task] >= per * count:
                continue
            if frame[frame[T_HOLDS] + task] == 1:
                return False
            held += count * frame[frame[T_PUTS] + task * frame[N_PLACES] + place]
        if held > frame[frame[P_CAPACITY] + place]:
            return False
    return True

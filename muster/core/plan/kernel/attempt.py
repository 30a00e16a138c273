"""One whole attempt at a plan from a fixed beginning, and what it amounts to."""

from __future__ import annotations

import numpy as np

from muster.core.plan.kernel.commit import copy_state, end_sitting
from muster.core.plan.kernel.dispatch import can_pay, dispatch, free_pins
from muster.core.plan.kernel.follow import follow
from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import (
    BLOCKS,
    DAY_WORTH,
    I_DONE,
    I_DUE,
    I_MODEL,
    I_TASKS,
    INF,
    ITEM_DAY_WORTH,
    LAST_END,
    N_BLOCKS,
    N_FAMILIES,
    N_ITEMS,
    N_MODELS,
    N_PINS,
    N_RESULTS,
    N_SITTINGS,
    N_TASKS,
    ORIGIN_NOW,
    OWED,
    PINS_KEPT,
    SIT_END,
    SIT_START,
    SITTING,
    T_N,
    T_OFF,
    T_PER,
    T_WORK,
    TASKS_LEFT,
    WANTED_S,
    X_ITEM,
    Floats,
    Ints,
)

# What an attempt amounts to, smaller is better, in this order; then what the cost is made of.
UNPINNED, LEFT_WEIGHT, LEFT_S, LATE, DAYS, COST, HANDS_ON, FINISH, LEAN, N_MEASURES = range(10)


@compiled
def attempt(
    frame: Ints,
    weight: Floats,
    start: Ints,
    state: Ints,
    spare: Ints,
    order: Ints,
    windows: Ints,
    priority: Floats,
    tail: Floats,
    due: Floats,
    weights: Floats,
    wishes: Ints,
    measures: Floats,
) -> None:
    """Dispatch once from ``start`` into ``state``; ``measures`` takes what it amounts to."""
    copy_state(state, start)
    dispatch(frame, state, spare, order, windows, priority, tail, due, weights, wishes)
    amounts_to(frame, weight, state, measures)


@compiled
def attempt_list(
    frame: Ints,
    weight: Floats,
    start: Ints,
    state: Ints,
    spare: Ints,
    order: Ints,
    windows: Ints,
    entries: Ints,
    count: int,
    patience: int,
    measures: Floats,
) -> None:
    """Place the pieces of a list from ``start`` into ``state``; ``measures`` as in ``attempt``."""
    copy_state(state, start)
    follow(frame, state, spare, order, windows, entries, count, patience)
    amounts_to(frame, weight, state, measures)


@compiled
def amounts_to(frame: Ints, weight: Floats, state: Ints, measures: Floats) -> None:
    """Measure what was placed. ``weight`` by item, then by model."""
    measures[UNPINNED] = float(frame[N_PINS] - state[PINS_KEPT])
    _measure_left(frame, weight, state, measures)
    hands_on = 0
    for row in range(state[N_BLOCKS]):
        hands_on += state[state[BLOCKS] + row * 6 + 5] - state[state[BLOCKS] + row * 6 + 4]
    finish = frame[ORIGIN_NOW]
    if state[N_BLOCKS] > 0:
        finish = state[state[BLOCKS] + (state[N_BLOCKS] - 1) * 6 + 5]
    late, days, waits = 0.0, 0.0, 0.0
    for item in range(frame[N_ITEMS]):
        if frame[frame[I_TASKS] + item] == 0:
            continue
        done = state[state[I_DONE] + item]
        if done > frame[ORIGIN_NOW]:
            waits += weight[item] * float(done - frame[ORIGIN_NOW])
        if frame[frame[I_DUE] + item] < INF and done > frame[frame[I_DUE] + item]:
            late += weight[item]
            days += weight[item] * float(-(-(done - frame[frame[I_DUE] + item]) // 86400))
    measures[LATE] = late
    measures[DAYS] = days
    measures[HANDS_ON] = float(hands_on)
    measures[FINISH] = float(finish)
    span = float(finish - frame[ORIGIN_NOW]) / 86400.0
    measures[COST] = (
        float(hands_on + state[WANTED_S])
        + frame[DAY_WORTH] * span / 2.0
        + frame[ITEM_DAY_WORTH] * waits / 86400.0
    )
    measures[LEAN] = measures[COST] - last_sitting_spare(frame, state)


@compiled
def _measure_left(frame: Ints, weight: Floats, state: Ints, measures: Floats) -> None:
    """What is left; its items are done at the end of the last sitting.

    Where something is owed that was not paid (a wash laid that is not wiped), the attempt is worth
    nothing: infinitely much is left.
    """
    measures[LEFT_WEIGHT], measures[LEFT_S] = 0.0, 0.0
    if state[OWED] > 0:
        measures[LEFT_WEIGHT] = np.inf
    if state[TASKS_LEFT] == 0:
        return
    seen = np.zeros(frame[N_MODELS], np.int64)
    for task in range(frame[N_TASKS]):
        per, count = frame[frame[T_PER] + task], frame[frame[T_N] + task]
        worked = state[state[T_WORK] + task]
        measures[LEFT_S] += float(per * count - worked)
        for position in range(worked // per, count):
            item = frame[frame[X_ITEM] + frame[frame[T_OFF] + task] + position]
            state[state[I_DONE] + item] = frame[LAST_END]
            model = frame[frame[I_MODEL] + item]
            if seen[model] == 0:
                seen[model] = 1
                measures[LEFT_WEIGHT] += weight[frame[N_ITEMS] + model]


@compiled
def last_sitting_spare(frame: Ints, state: Ints) -> float:
    """What finishing one sitting sooner would be worth, by the share of the last that stands free.

    A sitting is lost or won as a whole; counted so, emptying the last one pays bit by bit.
    """
    count = state[N_BLOCKS]
    if count == 0:
        return 0.0
    finish = state[state[BLOCKS] + (count - 1) * 6 + 5]
    sitting = frame[N_SITTINGS] - 1
    while sitting > 0 and frame[frame[SIT_START] + sitting] >= finish:
        sitting -= 1
    begins = frame[frame[SIT_START] + sitting]
    used, before = 0, frame[ORIGIN_NOW]
    for row in range(count - 1, -1, -1):
        start = state[state[BLOCKS] + row * 6 + 4]
        end = state[state[BLOCKS] + row * 6 + 5]
        if start < begins:
            before = end
            break
        used += end - start
    length = frame[frame[SIT_END] + sitting] - begins
    worth = frame[DAY_WORTH] * float(finish - before) / 86400.0 / 2.0
    return worth * max(0.0, 1.0 - float(used) / float(length))


@compiled
def pay_only(
    frame: Ints,
    weight: Floats,
    start: Ints,
    state: Ints,
    order: Ints,
    windows: Ints,
    measures: Floats,
) -> bool:
    """Whether windows and pins open at the beginning can all be kept; ``state`` has them placed,
    and nothing else."""
    families = max(1, frame[N_FAMILIES])
    out = np.zeros(N_RESULTS, np.int64)
    best = np.zeros(N_RESULTS, np.int64)
    forced = np.zeros(families + 2, np.int64)
    closing = np.zeros(families, np.int64)
    by = np.zeros(len(order), np.int64)
    copy_state(state, start)
    kept = can_pay(frame, state, order, by, out, best, forced, closing, windows, True)
    if state[SITTING] < frame[N_SITTINGS]:
        end_sitting(frame, state)
    amounts_to(frame, weight, state, measures)
    return kept


@compiled
def free_pins_at(frame: Ints, state: Ints, spare: Ints, order: Ints, windows: Ints) -> None:
    """Free the pins of the sitting under way that cannot all be kept; changes ``state``."""
    if state[SITTING] >= frame[N_SITTINGS]:
        return
    families = max(1, frame[N_FAMILIES])
    out = np.zeros(N_RESULTS, np.int64)
    best = np.zeros(N_RESULTS, np.int64)
    forced = np.zeros(families + 2, np.int64)
    closing = np.zeros(families, np.int64)
    by = np.zeros(len(order), np.int64)
    free_pins(frame, state, spare, order, by, out, best, forced, closing, windows)

"""One whole attempt at a plan from a fixed beginning, and what it amounts to."""

from __future__ import annotations

import numpy as np

from muster.core.plan.kernel.commit import copy_state, end_sitting
from muster.core.plan.kernel.dispatch import can_pay, dispatch, free_pins
from muster.core.plan.kernel.fields import Ints
from muster.core.plan.kernel.follow import follow
from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import INF, N_RESULTS, Floats, Frame, State

# What an attempt amounts to, smaller is better, in this order; then what the cost is made of.
UNPINNED, LEFT_WEIGHT, LEFT_S, LATE, DAYS, COST, HANDS_ON, FINISH, LEAN, N_MEASURES = range(10)


@compiled
def attempt(
    frame: Frame,
    weight: Floats,
    start: Ints,
    state: State,
    spare: State,
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
    frame: Frame,
    weight: Floats,
    start: Ints,
    state: State,
    spare: State,
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
def amounts_to(frame: Frame, weight: Floats, state: State, measures: Floats) -> None:
    """Measure what was placed. ``weight`` by item, then by model."""
    measures[UNPINNED] = float(frame.n_pins - state.pins_kept)
    _measure_left(frame, weight, state, measures)
    hands_on = 0
    for row in range(state.n_blocks):
        hands_on += state.blocks[row * 6 + 5] - state.blocks[row * 6 + 4]
    finish = frame.now_at_start
    if state.n_blocks > 0:
        finish = state.blocks[(state.n_blocks - 1) * 6 + 5]
    late, days, waits = 0.0, 0.0, 0.0
    for item in range(frame.n_items):
        if frame.item_tasks[item] == 0:
            continue
        done = state.item_done_at[item]
        if done > frame.now_at_start:
            waits += weight[item] * float(done - frame.now_at_start)
        if frame.item_due[item] < INF and done > frame.item_due[item]:
            late += weight[item]
            days += weight[item] * float(-(-(done - frame.item_due[item]) // 86400))
    measures[LATE] = late
    measures[DAYS] = days
    measures[HANDS_ON] = float(hands_on)
    measures[FINISH] = float(finish)
    span = float(finish - frame.now_at_start) / 86400.0
    measures[COST] = (
        float(hands_on + state.unmet_wants_s)
        + frame.day_worth * span / 2.0
        + frame.item_day_worth * waits / 86400.0
    )
    measures[LEAN] = measures[COST] - last_sitting_spare(frame, state)


@compiled
def _measure_left(frame: Frame, weight: Floats, state: State, measures: Floats) -> None:
    """What is left; its items are done at the end of the last sitting.

    Where something is owed that was not paid (a wash laid that is not wiped), the attempt is worth
    nothing: infinitely much is left.
    """
    measures[LEFT_WEIGHT], measures[LEFT_S] = 0.0, 0.0
    if state.owed > 0:
        measures[LEFT_WEIGHT] = np.inf
    if state.tasks_left == 0:
        return
    seen = np.zeros(frame.n_models, np.int64)
    for task in range(frame.n_tasks):
        per, count = frame.task_per_item[task], frame.task_n_items[task]
        worked = state.task_worked[task]
        measures[LEFT_S] += float(per * count - worked)
        for position in range(worked // per, count):
            item = frame.op_item[frame.task_first_op[task] + position]
            state.item_done_at[item] = frame.last_end
            model = frame.item_model[item]
            if seen[model] == 0:
                seen[model] = 1
                measures[LEFT_WEIGHT] += weight[frame.n_items + model]


@compiled
def last_sitting_spare(frame: Frame, state: State) -> float:
    """What finishing one sitting sooner would be worth, by the share of the last that stands free.

    A sitting is lost or won as a whole; counted so, emptying the last one pays bit by bit.
    """
    count = state.n_blocks
    if count == 0:
        return 0.0
    finish = state.blocks[(count - 1) * 6 + 5]
    sitting = frame.n_sittings - 1
    while sitting > 0 and frame.sitting_start[sitting] >= finish:
        sitting -= 1
    begins = frame.sitting_start[sitting]
    used, before = 0, frame.now_at_start
    for row in range(count - 1, -1, -1):
        start = state.blocks[row * 6 + 4]
        end = state.blocks[row * 6 + 5]
        if start < begins:
            before = end
            break
        used += end - start
    length = frame.sitting_end[sitting] - begins
    worth = frame.day_worth * float(finish - before) / 86400.0 / 2.0
    return worth * max(0.0, 1.0 - float(used) / float(length))


@compiled
def pay_only(
    frame: Frame,
    weight: Floats,
    start: Ints,
    state: State,
    order: Ints,
    windows: Ints,
    measures: Floats,
) -> bool:
    """Whether windows and pins open at the beginning can all be kept; ``state`` has them placed,
    and nothing else."""
    families = max(1, frame.n_families)
    out = np.zeros(N_RESULTS, np.int64)
    best = np.zeros(N_RESULTS, np.int64)
    forced = np.zeros(families + 2, np.int64)
    closing = np.zeros(families, np.int64)
    by = np.zeros(len(order), np.int64)
    copy_state(state, start)
    kept = can_pay(frame, state, order, by, out, best, forced, closing, windows, True)
    if state.sitting < frame.n_sittings:
        end_sitting(frame, state)
    amounts_to(frame, weight, state, measures)
    return kept


@compiled
def free_pins_at(frame: Frame, state: State, spare: State, order: Ints, windows: Ints) -> None:
    """Free the pins of the sitting under way that cannot all be kept; changes ``state``."""
    if state.sitting >= frame.n_sittings:
        return
    families = max(1, frame.n_families)
    out = np.zeros(N_RESULTS, np.int64)
    best = np.zeros(N_RESULTS, np.int64)
    forced = np.zeros(families + 2, np.int64)
    closing = np.zeros(families, np.int64)
    by = np.zeros(len(order), np.int64)
    free_pins(frame, state, spare, order, by, out, best, forced, closing, windows)

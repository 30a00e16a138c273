"""The dispatch: one pass through time, choosing at each moment which piece comes next.

Windows and pins are kept by looking ahead: where something is owed (an item that must start by a
time), no piece is placed unless what is owed can still be paid from there. So a dispatch can get
poor but does not get stuck in a promise it cannot keep.
"""

from __future__ import annotations

import numpy as np

from muster.core.plan.kernel.commit import commit, copy_state, end_sitting, unmet_s
from muster.core.plan.kernel.fields import Ints
from muster.core.plan.kernel.find_slot import find_slot
from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import (
    BREAK_NONE,
    EXTRA,
    INF,
    N_RESULTS,
    PRE,
    START,
    TO,
    Floats,
    Frame,
    State,
)
from muster.core.plan.kernel.obligations import paid_at_a_glance

# Weights of the choice, in Floats ``weights``
IDLE, OVERHEAD, SHARE, TAIL, DUE, STARTED, PICKY, N_TASTES = 0, 1, 2, 3, 4, 5, 6, 7


@compiled
def is_waiting(frame: Frame, state: State, task: int) -> bool:
    """Whether a task has work left and its next item's links are met."""
    per = frame.task_per_item[task]
    begun = state.task_worked[task]
    if begun >= per * frame.task_n_items[task]:
        return False
    if begun % per != 0:
        return True
    return state.op_waits_for[frame.task_first_op[task] + (begun // per)] == 0


@compiled
def deadlines(frame: Frame, state: State, order: Ints, by: Ints) -> bool:
    """When each task must start so that all that is owed is paid: INF where nothing asks.

    ``order`` is topological. Pins count while they lie in the sitting under way. False where an
    owed start is already past.
    """
    possible = True
    now = state.now
    sitting_end = frame.sitting_end[min(state.sitting, frame.n_sittings - 1)]
    by[:] = INF
    for place in range(len(order) - 1, -1, -1):
        task = order[place]
        per = frame.task_per_item[task]
        begun = state.task_worked[task]
        if begun >= per * frame.task_n_items[task]:
            continue
        if state.task_owed[task] > 0:
            for position in range(-(-begun // per), frame.task_n_items[task]):
                last = state.op_latest[frame.task_first_op[task] + position]
                if last < INF:
                    by[task] = min(by[task], last - (position * per - begun))
        if state.task_pinned[task] == 1 and frame.pin_high[task] < sitting_end:
            by[task] = min(by[task], frame.pin_high[task])
        if by[task] < now:
            possible = False
        if by[task] < INF:
            for index in range(frame.task_befores[task], frame.task_befores[task + 1]):
                other = frame.before_task[index]
                left = per * frame.task_n_items[other] - state.task_worked[other]
                if left > 0:
                    by[other] = min(by[other], by[task] - 1)
    return possible


@compiled
def can_pay(
    frame: Frame,
    state: State,
    order: Ints,
    by: Ints,
    out: Ints,
    best: Ints,
    forced: Ints,
    closing: Ints,
    windows: Ints,
    looked: bool,
) -> bool:
    """Whether all that is owed can be paid from here by doing only that. Changes ``state``: where
    ``looked`` is true, so that all that is owed has been placed."""
    count = len(order)
    while True:
        if not deadlines(frame, state, order, by):
            return False
        if not looked and paid_at_a_glance(frame, state, by):
            return True
        looked = True
        urgent, least = -1, INF
        for task in range(count):
            if by[task] < least and is_waiting(frame, state, task):
                urgent, least = task, by[task]
        if urgent < 0:
            return not state.owed > 0
        if state.sitting >= frame.n_sittings:
            return False
        chosen, chosen_by, chosen_start = -1, INF, INF
        for task in range(count):
            if by[task] >= INF or not is_waiting(frame, state, task):
                continue
            if not find_slot(frame, state, task, 0, INF, 0, out, forced, closing):
                continue
            begins = out[START] - out[PRE]
            ends = out[START] + out[TO] - state.task_worked[task]
            better = by[task] < chosen_by and begins <= chosen_start
            better = better or (by[task] < chosen_by and chosen_by > begins)
            better = better or (by[task] >= chosen_by and ends <= chosen_start)
            if chosen < 0 or better:
                chosen, chosen_by, chosen_start = task, by[task], begins
        if chosen < 0:
            end_sitting(frame, state)
            continue
        find_slot(frame, state, chosen, 0, INF, 0, best, forced, closing)
        commit(frame, state, chosen, best, forced, windows)


@compiled
def free_pins(
    frame: Frame,
    state: State,
    spare: State,
    order: Ints,
    by: Ints,
    out: Ints,
    best: Ints,
    forced: Ints,
    closing: Ints,
    windows: Ints,
) -> None:
    """Free the pins of the sitting under way that cannot be kept beside what is owed and beside
    the pins before them."""
    if state.pins_left == 0:
        return
    sitting_end = frame.sitting_end[state.sitting]
    here = 0
    for task in range(frame.n_tasks):
        if state.task_pinned[task] == 1 and frame.pin_high[task] < sitting_end:
            here += 1
    if here == 0:
        return
    copy_state(spare, state)
    if can_pay(frame, spare, order, by, out, best, forced, closing, windows, False):
        return
    for task in range(frame.n_tasks):
        if state.task_pinned[task] == 1 and frame.pin_high[task] < sitting_end:
            state.task_pinned[task] = 2
    state.pins_left -= here
    for _ in range(here):
        first, soonest = -1, INF
        for task in range(frame.n_tasks):
            high = frame.pin_high[task]
            if state.task_pinned[task] == 2 and high < soonest:
                first, soonest = task, high
        state.task_pinned[first] = 1
        state.pins_left += 1
        copy_state(spare, state)
        if not can_pay(frame, spare, order, by, out, best, forced, closing, windows, False):
            state.task_pinned[first] = 0
            state.pins_left -= 1


@compiled
def place_safely(
    frame: Frame,
    state: State,
    spare: State,
    task: int,
    most_items: int,
    wish: int,
    order: Ints,
    by: Ints,
    out: Ints,
    best: Ints,
    forced: Ints,
    closing: Ints,
    windows: Ints,
) -> bool:
    """Place a task's next piece so that all that is owed can still be paid; False: it cannot be.

    Tries it whole at once, then fewer items, then as late as the sitting allows.
    """
    owing = state.owed > 0 or state.pins_left > 0 or frame.task_windowed[task] == 1
    if not find_slot(frame, state, task, 0, most_items, wish, best, forced, closing):
        return False
    if not owing:
        commit(frame, state, task, best, forced, windows)
        return True
    most = min(most_items, frame.task_n_items[task])
    first_start, first_to = best[START], best[TO]
    while most >= 1:
        late = 0
        for attempt in range(3):
            if attempt == 1:
                if frame.task_windowed[task] == 0:
                    break
                late = first_start + (first_to - state.task_worked[task])
            if attempt == 2:
                sitting_end = frame.sitting_end[state.sitting]
                late = sitting_end - best[EXTRA] - (best[TO] - state.task_worked[task])
                if late <= first_start:
                    break
            if not find_slot(frame, state, task, late, most, wish, best, forced, closing):
                continue
            copy_state(spare, state)
            commit(frame, spare, task, best, forced, windows)
            if can_pay(frame, spare, order, by, out, out, forced, closing, windows, False):
                if not find_slot(frame, state, task, late, most, wish, best, forced, closing):
                    return False
                commit(frame, state, task, best, forced, windows)
                return True
        if frame.task_break[task] == BREAK_NONE:
            return False
        per = frame.task_per_item[task]
        ready_items = (first_to + per - 1) // per - state.task_worked[task] // per
        most = min(most, ready_items) // 2
    return False


@compiled
def choose(
    frame: Frame,
    state: State,
    priority: Floats,
    tail: Floats,
    due: Floats,
    weights: Floats,
    wishes: Ints,
    barred: Ints,
    starts: Floats,
    extras: Floats,
    shares: Floats,
    wanting: Floats,
    out: Ints,
    forced: Ints,
    closing: Ints,
) -> int:
    """The waiting task whose next piece is the best to come next; -1 where none fits."""
    count = frame.n_tasks
    now = state.now
    last_sitting = state.sitting + 1 >= frame.n_sittings
    shares[:] = 0.0
    for task in range(count):
        starts[task] = -1.0
        if barred[task] == 1 or not is_waiting(frame, state, task):
            continue
        if not find_slot(frame, state, task, 0, INF, wishes[task], out, forced, closing):
            continue
        length = out[TO] - state.task_worked[task]
        whole = out[TO] == frame.task_per_item[task] * frame.task_n_items[task]
        if not last_sitting and not whole and out[EXTRA] * weights[PICKY] > length:
            continue
        starts[task] = float(out[START] - out[PRE] - now)
        extras[task] = float(out[EXTRA])
        wanting[task] = float(unmet_s(frame, state.sitting, task, out[START], out[START] + length))
        if frame.task_family[task] >= 0:
            shares[frame.task_family[task]] += 1.0
    best, best_score = -1, np.inf
    for task in range(count):
        if starts[task] < 0.0:
            continue
        overhead = extras[task]
        family = frame.task_family[task]
        if family >= 0 and overhead > 0.0:
            overhead /= shares[family] ** weights[SHARE]
        score = weights[IDLE] * starts[task] + weights[OVERHEAD] * overhead + priority[task]
        score += wanting[task] - weights[TAIL] * tail[task]
        if due[task] < np.inf:
            slack = (due[task] - now) / 86400.0
            score -= weights[DUE] / (1.0 + max(slack, -0.9))
        if state.task_worked[task] > 0:
            score -= weights[STARTED]
        if score < best_score:
            best, best_score = task, score
    return best


@compiled
def dispatch(
    frame: Frame,
    state: State,
    spare: State,
    order: Ints,
    windows: Ints,
    priority: Floats,
    tail: Floats,
    due: Floats,
    weights: Floats,
    wishes: Ints,
) -> None:
    """Place all that finds a place, from the state given. ``wishes`` 1: that task only where all
    that it wants holds."""
    count = frame.n_tasks
    families = max(1, frame.n_families)
    out = np.zeros(N_RESULTS, np.int64)
    best = np.zeros(N_RESULTS, np.int64)
    forced = np.zeros(families + 2, np.int64)
    closing = np.zeros(families, np.int64)
    by = np.zeros(count, np.int64)
    barred = np.zeros(count, np.int64)
    starts = np.zeros(count, np.float64)
    extras = np.zeros(count, np.float64)
    shares = np.zeros(families, np.float64)
    wanting = np.zeros(count, np.float64)
    entered = -1
    while state.sitting < frame.n_sittings:
        if entered != state.sitting:
            entered = state.sitting
            free_pins(frame, state, spare, order, by, out, best, forced, closing, windows)
        barred[:] = 0
        placed = False
        while state.tasks_left > 0:
            task = choose(
                frame, state, priority, tail, due, weights, wishes, barred,
                starts, extras, shares, wanting, out, forced, closing,
            )  # fmt: skip
            if task < 0:
                break
            if place_safely(
                frame,
                state,
                spare,
                task,
                INF,
                wishes[task],
                order,
                by,
                out,
                best,
                forced,
                closing,
                windows,
            ):
                placed = True
                break
            barred[task] = 1
        if not placed:
            if state.tasks_left == 0 and state.sitting < frame.n_sittings:
                end_sitting(frame, state)
                break
            end_sitting(frame, state)

"""Following a list: pieces placed in a given order, each as early as it can be.

A list is a plan without its times: rows of (task, how far it is to be worked, the first sitting in
which it may be placed, 1 where all that it wants must hold there). Read again when facts differ
from it, it gives the nearest plan that keeps the rules; changed a little, it gives a neighbouring
plan. It costs one fit a piece, where the dispatch tries all that wait.
"""

from __future__ import annotations

import numpy as np

from muster.core.plan.kernel.commit import end_sitting
from muster.core.plan.kernel.dispatch import free_pins, is_waiting, place_safely
from muster.core.plan.kernel.fields import Ints
from muster.core.plan.kernel.find_slot import find_slot
from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import (
    BREAK_ITEM,
    EXTRA,
    INF,
    N_RESULTS,
    PRE,
    START,
    TO,
    Frame,
    State,
)

# Columns of a list
TASK, UP_TO, FROM_SITTING, WISH, LIST_FIELDS = 0, 1, 2, 3, 4


@compiled
def items_wanted(frame: Frame, state: State, task: int, up_to: int) -> int:
    """How many items a row asks for: one at least; INF where a task is not cut by items."""
    if frame.task_break[task] != BREAK_ITEM:
        return INF
    per = frame.task_per_item[task]
    last = min(per * frame.task_n_items[task], up_to)
    return max(1, -(-last // per) - -(-state.task_worked[task] // per))


@compiled
def follow(
    frame: Frame,
    state: State,
    spare: State,
    order: Ints,
    windows: Ints,
    entries: Ints,
    count: int,
    patience: int,
) -> None:
    """Place the first ``count`` rows of ``entries`` (n × 4).

    Always the first row that can be placed is; a row that must idle longer than ``patience``
    seconds lets a later one go first that ends by then. A row for which the sitting has no room
    comes first in the next.
    """
    families = max(1, frame.n_families)
    out = np.zeros(N_RESULTS, np.int64)
    best = np.zeros(N_RESULTS, np.int64)
    forced = np.zeros(families + 2, np.int64)
    closing = np.zeros(families, np.int64)
    by = np.zeros(frame.n_tasks, np.int64)
    used = np.zeros(count, np.int64)
    barred = np.full(count, -1, np.int64)
    first, entered = 0, -1
    while state.sitting < frame.n_sittings and state.tasks_left > 0:
        sitting = state.sitting
        if entered != sitting:
            entered = sitting
            free_pins(frame, state, spare, order, by, out, best, forced, closing, windows)
        while first < count and used[first] == 1:
            first += 1
        held, held_start = -1, INF
        chosen = -1
        for row in range(first, count):
            if used[row] == 1 or barred[row] == sitting or entries[row, FROM_SITTING] > sitting:
                continue
            task = entries[row, TASK]
            per = frame.task_per_item[task]
            total = per * frame.task_n_items[task]
            up_to = min(total, entries[row, UP_TO])
            begun = state.task_worked[task]
            if begun >= up_to:
                used[row] = 1
                continue
            if not is_waiting(frame, state, task):
                continue
            most = items_wanted(frame, state, task, up_to)
            wish = entries[row, WISH]
            if not find_slot(frame, state, task, 0, most, wish, best, forced, closing):
                barred[row] = sitting
                continue
            cut_short = best[TO] < up_to
            if cut_short and sitting + 1 < frame.n_sittings and best[EXTRA] > best[TO] - begun:
                barred[row] = sitting
                continue
            begins = best[START] - best[PRE]
            if held >= 0 and best[START] + best[TO] - begun > held_start:
                continue
            if held < 0 and begins - state.now > patience:
                held, held_start = row, begins
                continue
            chosen = row
            break
        if chosen < 0:
            chosen = held
        if chosen < 0:
            end_sitting(frame, state)
            continue
        task = entries[chosen, TASK]
        most = items_wanted(frame, state, task, entries[chosen, UP_TO])
        if not place_safely(
            frame,
            state,
            spare,
            task,
            most,
            entries[chosen, WISH],
            order,
            by,
            out,
            best,
            forced,
            closing,
            windows,
        ):
            barred[chosen] = sitting
    if state.sitting < frame.n_sittings:
        end_sitting(frame, state)

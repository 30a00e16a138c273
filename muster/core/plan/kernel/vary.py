"""Neighbouring lists: a few rows moved, joined, gathered, cut or made whole."""

from __future__ import annotations

import numpy as np

from muster.core.plan.kernel.commit import unmet_s
from muster.core.plan.kernel.fields import Ints
from muster.core.plan.kernel.follow import FROM_SITTING, TASK, UP_TO, WISH
from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import (
    BLOCK_FIELDS,
    BREAK_ITEM,
    DO_WORK,
    INF,
    Floats,
    Frame,
    State,
)

N_DRAWS = 11
"""How many numbers, even over [0, 1), a variation is made from."""

# Shares of the kinds of move, adding up
ONE, RUN, JOIN, GATHER, STRAND, PULL = 0.30, 0.42, 0.62, 0.74, 0.86, 0.94
NEAR = 12.0

RELENT = 0.3
"""How often a row that wants something is held to it, or no longer."""


@compiled
def wants(frame: Frame, task: int) -> bool:
    """Whether a task wants anything."""
    return frame.task_wants[task + 1] > frame.task_wants[task]


@compiled
def read_list(frame: Frame, state: State, entries: Ints) -> int:
    """Write the pieces placed in ``state`` as rows of ``entries``, then what is left, so that it
    may be moved to where there is room; returns how many."""
    count, sitting = 0, 0
    for row in range(state.n_blocks):
        at = row * BLOCK_FIELDS
        if state.blocks[at] != DO_WORK:
            continue
        while sitting + 1 < frame.n_sittings and frame.sitting_end[sitting] <= state.blocks[at + 4]:
            sitting += 1
        if count >= len(entries):
            break
        entries[count, TASK] = state.blocks[at + 1]
        entries[count, UP_TO] = state.blocks[at + 3]
        entries[count, FROM_SITTING] = sitting
        entries[count, WISH] = 0
        if wants(frame, state.blocks[at + 1]):
            unmet = unmet_s(
                frame, sitting, state.blocks[at + 1], state.blocks[at + 4], state.blocks[at + 5]
            )
            entries[count, WISH] = 1 if unmet == 0 else 0
        count += 1
    if state.tasks_left > 0:
        for task in range(frame.n_tasks):
            whole = frame.task_per_item[task] * frame.task_n_items[task]
            if state.task_worked[task] < whole and count < len(entries):
                entries[count, TASK] = task
                entries[count, UP_TO] = INF
                entries[count, FROM_SITTING] = 0
                entries[count, WISH] = 0
                count += 1
    return count


@compiled
def vary(frame: Frame, strands: Ints, entries: Ints, count: int, draws: Floats, made: Ints) -> int:
    """Write a neighbour of the first ``count`` rows of ``entries`` to ``made``; returns its rows.

    ``strands`` says by task which tray it works; ``draws`` decide everything.
    """
    made[:count] = entries[:count]
    keys = np.arange(count).astype(np.float64)
    row = min(count - 1, int(draws[1] * count))
    task = entries[row, TASK]
    kind = draws[0]
    # Near places are likelier than far ones.
    far = min(NEAR, 1.0 + count / 6.0) * (1.0 + 6.0 * draws[4] ** 4)
    step = (draws[2] - 0.5) * 2.0 * far
    step += 1.0 if step >= 0.0 else -1.0
    target = min(count - 1, max(0, row + int(step)))
    after = 0.5 if draws[3] < 0.5 else -0.5
    grown = count
    if kind < ONE:
        keys[row] = target + after
        made[row, FROM_SITTING] = entries[target, FROM_SITTING]
    elif kind < RUN:
        length = 2 + int(draws[5] * 5.0)
        for other in range(row, min(count, row + length)):
            keys[other] = target + after + 0.001 * (other - row)
            made[other, FROM_SITTING] = entries[target, FROM_SITTING]
    elif kind < GATHER:
        if not _beside_family(frame, entries, count, row, draws, keys, made, kind >= JOIN):
            keys[row] = target + after
            made[row, FROM_SITTING] = entries[target, FROM_SITTING]
    elif kind < STRAND:
        for other in range(row, count):
            if strands[entries[other, TASK]] == strands[task]:
                there = min(count - 1, max(0, int(other + step)))
                keys[other] = other + step
                made[other, FROM_SITTING] = entries[there, FROM_SITTING]
    elif kind < PULL:
        sitting = entries[row, FROM_SITTING]
        to = max(0, sitting - 1) if draws[3] < 0.7 else sitting + 1
        made[row, FROM_SITTING] = to
        for other in range(count):
            if entries[other, FROM_SITTING] == to:
                keys[row] = other + 0.5
                if to > sitting and draws[5] < 0.5:
                    keys[row] = other - 0.5
                    break
    else:
        grown = _recut(frame, entries, count, row, draws, keys, made)
    if draws[6] < 0.5:
        made[:grown, FROM_SITTING] = 0
    if draws[10] < RELENT and wants(frame, task):
        made[row, WISH] = 1 - made[row, WISH]
    if grown > count:
        longer = np.empty(grown, np.float64)
        longer[:count] = keys
        longer[count] = row + 0.5 + int(draws[5] * far)
        keys = longer
    made[:grown] = made[np.argsort(keys, kind="mergesort")]
    return grown


@compiled
def _beside_family(
    frame: Frame,
    entries: Ints,
    count: int,
    row: int,
    draws: Floats,
    keys: Floats,
    made: Ints,
    several: bool,
) -> bool:
    """Move a row beside another of its family; or the next few of its family to it. False: it has
    no other."""
    family = frame.task_family[entries[row, TASK]]
    if family < 0:
        return False
    if several:
        wanted = 1 + int(draws[5] * 3.0)
        least = wanted
        for other in range(row + 1, count):
            if wanted > 0 and frame.task_family[entries[other, TASK]] == family:
                keys[other] = row + 0.5 + 0.001 * (other - row)
                made[other, FROM_SITTING] = entries[row, FROM_SITTING]
                wanted -= 1
        return wanted < least
    like = 0
    for other in range(count):
        if other != row and frame.task_family[entries[other, TASK]] == family:
            like += 1
    if like == 0:
        return False
    pick = int(draws[2] * like)
    for other in range(count):
        if other != row and frame.task_family[entries[other, TASK]] == family:
            if pick == 0:
                keys[row] = other + (0.5 if draws[3] < 0.7 else -0.5)
                made[row, FROM_SITTING] = entries[other, FROM_SITTING]
                return True
            pick -= 1
    return False


@compiled
def _recut(
    frame: Frame, entries: Ints, count: int, row: int, draws: Floats, keys: Floats, made: Ints
) -> int:
    """Make a row whole, or cut it at an item; a cut adds a row."""
    task = entries[row, TASK]
    per = frame.task_per_item[task]
    whole = per * frame.task_n_items[task]
    if entries[row, UP_TO] < whole or frame.task_break[task] != BREAK_ITEM:
        made[row, UP_TO] = INF
        return count
    first = 0
    for other in range(row):
        if entries[other, TASK] == task:
            first = entries[other, UP_TO]
    items = (whole - first) // per
    if items < 2 or count >= len(made):
        return count
    made[row, UP_TO] = first + per * (1 + int(draws[2] * (items - 1)))
    made[count, TASK] = task
    made[count, UP_TO] = INF
    made[count, FROM_SITTING] = entries[row, FROM_SITTING]
    made[count, WISH] = entries[row, WISH]
    return count + 1

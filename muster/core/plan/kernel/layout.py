"""The problem and the state of a dispatch, each as one flat array of whole numbers.

An array begins with a header. For the frame (what does not change) the header holds counts and the
offsets of columns: task t's seconds per item are ``frame[frame[T_PER] + t]``. For the state (what
changes) it holds scalars and offsets likewise: ``state[NOW]``, ``state[state[T_WORK] + t]``. One
array each keeps looking ahead cheap (a state is copied at one stroke) and compiling short.

Names: ``T_`` by task, ``X_`` by task-item (a task's items lie together, task t's from ``T_OFF``),
``I_`` by item, ``F_`` by family, ``K_`` by tool, ``P_`` by place, ``U_`` by unit of a hold.
"""

from __future__ import annotations

import numpy as np
import numpy.typing as npt

from muster.core.plan.plan import Do

Ints = npt.NDArray[np.int64]
Floats = npt.NDArray[np.float64]

INF = 2**60
NEVER = -(2**60)

BREAK_NONE, BREAK_ITEM, BREAK_ANY = 0, 1, 2

DO_GET_OUT, DO_OPEN, DO_WORK, DO_CLOSE, DO_PUT_AWAY = 0, 1, 2, 3, 4
DO_NAMES: tuple[Do, ...] = ("get_out", "open", "work", "close", "put_away")
BLOCK_FIELDS = 6  # do, ref, from, to, start, end

# ---- the frame ---------------------------------------------------------------------------------
FRAME_COUNTS = (
    "N_SITTINGS", "N_TASKS", "N_ITEMS", "N_FAMILIES", "N_TOOLS", "N_PLACES", "ORIGIN_NOW",
    "DAY_WORTH", "ITEM_DAY_WORTH", "N_MODELS", "LAST_END", "N_PINS",
)  # fmt: skip
(
    N_SITTINGS, N_TASKS, N_ITEMS, N_FAMILIES, N_TOOLS, N_PLACES, ORIGIN_NOW,
    DAY_WORTH, ITEM_DAY_WORTH, N_MODELS, LAST_END, N_PINS,
) = range(12)  # fmt: skip

FRAME_COLUMNS = (
    "SIT_START", "SIT_END",
    "T_PER", "T_N", "T_OFF", "T_FAMILY", "T_BREAK", "T_DRY", "T_CLOCK", "T_NOT_BEFORE", "T_CAL",
    "T_WINDOWED", "T_HOLDS", "PIN_LOW", "PIN_HIGH", "X_ITEM",
    "CAL_OFF", "CAL_FIRST", "SLOT_START", "SLOT_END", "SLOT_SITTING",
    "CLOCK_OFF", "RATE_FROM", "RATE_MILLI",
    "PAIR_OFF", "PAIR_LINK", "PAIR_TO", "WHOLE_OFF", "WHOLE_LINK",
    "LINK_AFTER", "LINK_STAND", "LINK_WINDOW", "LINK_CLOCK", "BEFORE_OFF", "BEFORE_TASK",
    "F_TOOL", "F_SETUP", "F_CLEANUP", "F_KEEPS", "F_LIFE", "F_MERGES",
    "K_SETUP", "K_CLEANUP", "K_HOLDS", "P_CAPACITY", "T_PUTS",
    "U_PLACE", "U_AMOUNT", "HOLD_START_OFF", "HOLD_START_UNIT", "HOLD_END_OFF", "HOLD_END_UNIT",
    "I_DUE", "I_TASKS", "I_MODEL", "T_WISH_CAL", "WANT_OFF", "WANT_CAL", "WANT_S",
)  # fmt: skip
(
    SIT_START, SIT_END,
    T_PER, T_N, T_OFF, T_FAMILY, T_BREAK, T_DRY, T_CLOCK, T_NOT_BEFORE, T_CAL,
    T_WINDOWED,  # 1: a window counts from this task's ends
    T_HOLDS,  # 1: a hold starts in this task
    PIN_LOW, PIN_HIGH, X_ITEM,
    CAL_OFF,  # calendar → its slots
    CAL_FIRST,  # calendar × sitting → its first slot there
    SLOT_START, SLOT_END, SLOT_SITTING,
    CLOCK_OFF, RATE_FROM, RATE_MILLI,
    PAIR_OFF, PAIR_LINK, PAIR_TO,  # pairs of links, by task-item of the task before
    WHOLE_OFF, WHOLE_LINK,  # links without pairs, by the task before
    LINK_AFTER, LINK_STAND, LINK_WINDOW, LINK_CLOCK,
    BEFORE_OFF, BEFORE_TASK,
    F_TOOL, F_SETUP, F_CLEANUP,
    F_KEEPS,  # how long it stays open between uses; INF: no limit
    F_LIFE,
    F_MERGES,  # 0: each piece is an opening of its own
    K_SETUP, K_CLEANUP, K_HOLDS, P_CAPACITY,
    T_PUTS,  # task × place → what each drying item takes there
    U_PLACE, U_AMOUNT, HOLD_START_OFF, HOLD_START_UNIT, HOLD_END_OFF, HOLD_END_UNIT,
    I_DUE, I_TASKS,
    I_MODEL,  # the model that an item is, or is a part of
    T_WISH_CAL,  # the calendar in which all that a task wants holds, too
    WANT_OFF, WANT_CAL, WANT_S,  # wants by task: the calendar of the tag, and what it costs
) = range(12, 12 + 59)  # fmt: skip

# ---- the state ---------------------------------------------------------------------------------
STATE_SCALARS = (
    "NOW", "SITTING", "N_STAYS", "N_BLOCKS", "TASKS_LEFT", "OWED", "N_OPEN", "PINS_LEFT",
    "PINS_KEPT", "WANTED_S",
)  # fmt: skip
NOW, SITTING, N_STAYS, N_BLOCKS, TASKS_LEFT, OWED, N_OPEN, PINS_LEFT, PINS_KEPT, WANTED_S = range(
    10
)

STATE_COLUMNS = (
    "T_WORK", "T_PINNED", "T_OWED", "X_EST", "X_LST", "X_PRED", "I_READY", "I_HAND", "I_DONE",
    "F_OPEN", "F_FIRST", "F_LAST", "F_DEAD", "OPEN_LIST", "K_OUT", "P_HELD",
    "STAY_UNTIL", "STAY_PLACE", "STAY_AMOUNT", "STAY_UNIT", "U_PAIRS", "BLOCKS",
)  # fmt: skip
(
    T_WORK,  # seconds of work done
    T_PINNED,  # 1: its next piece is still pinned; 2: being looked at; 0: not, or no longer
    T_OWED,  # items not started that a window waits for
    X_EST, X_LST,  # earliest and latest start by links and windows
    X_PRED,  # ends not yet known that it waits for
    I_READY,  # when the item is dry
    I_HAND,  # the task that has it in hand, or -1
    I_DONE,  # when the item is done, as far as known
    F_OPEN, F_FIRST, F_LAST,
    F_DEAD,  # latest start of its close block
    OPEN_LIST, K_OUT,
    P_HELD,  # what is in each place, or has been put there and not yet dropped
    STAY_UNTIL, STAY_PLACE, STAY_AMOUNT, STAY_UNIT,
    U_PAIRS,  # pairs of the hold still to end
    BLOCKS,
) = range(10, 10 + 22)  # fmt: skip

# ---- what a fit answers --------------------------------------------------------------------------
START, TO, PRE, EXTRA, JOIN, N_FORCED = 0, 1, 2, 3, 4, 5
N_RESULTS = 6


def lay_out(
    scalars: dict[str, int],
    columns: dict[str, Ints],
    names: tuple[str, ...],
    order: tuple[str, ...],
) -> Ints:
    """One flat array: the scalars by ``names``, offsets by ``order``, then the columns."""
    header = len(names) + len(order)
    sizes = [len(columns[name]) for name in order]
    flat = np.zeros(header + sum(sizes), np.int64)
    for index, name in enumerate(names):
        flat[index] = scalars[name]
    at = header
    for index, (name, size) in enumerate(zip(order, sizes, strict=True)):
        flat[len(names) + index] = at
        flat[at : at + size] = columns[name]
        at += size
    return flat


def column(flat: Ints, offset: int, size: int) -> Ints:
    """A view of one column."""
    at = int(flat[offset])
    return flat[at : at + size]

"""The problem and the state of a dispatch: one flat array each, with named fields.

An array begins with a header: a number for each scalar, and where each column begins. One array
keeps looking ahead cheap (a state is copied at one stroke) and compiling short: named tuples of
arrays were tried where slots are found, and took 3.6 times as long to compile and 20 times as long
to run. So ``compiled`` turns ``frame.task_dry[t]`` into two look-ups in the flat array before
anything is compiled, which costs nothing.

An operation is one item of one task: a task's operations lie together. A unit of a hold is one item
that keeps its place.
"""

from __future__ import annotations

import numpy as np
import numpy.typing as npt

from muster.core.plan.kernel.fields import OFFSETS, Column, Structure, structure
from muster.core.plan.plan import Do

Floats = npt.NDArray[np.float64]

INF = 2**60
NEVER = -(2**60)

BREAK_NONE, BREAK_ITEM, BREAK_ANY = 0, 1, 2

DO_GET_OUT, DO_OPEN, DO_WORK, DO_CLOSE, DO_PUT_AWAY = 0, 1, 2, 3, 4
DO_NAMES: tuple[Do, ...] = ("get_out", "open", "work", "close", "put_away")
BLOCK_FIELDS = 6  # do, ref, from, to, start, end


@structure
class Frame(Structure):
    """What does not change: the problem."""

    n_sittings: int
    n_tasks: int
    n_items: int
    n_families: int
    n_tools: int
    n_places: int
    now_at_start: int  # when the plan is made
    day_worth: int  # seconds of bench work that a day sooner is worth
    item_day_worth: int
    n_models: int
    last_end: int
    n_pins: int

    sitting_start: Column
    sitting_end: Column
    task_per_item: Column
    task_n_items: Column  # how many items a task works
    task_first_op: Column  # a task's operations lie together, from here
    task_family: Column
    task_break: Column
    task_dry: Column  # seconds on its clock
    task_clock: Column
    task_not_before: Column
    task_calendar: Column
    task_windowed: Column  # 1: a window counts from this task's ends
    task_holds: Column  # 1: a hold starts in this task
    pin_low: Column  # earliest start of a pinned task
    pin_high: Column  # latest start of a pinned task; INF: not pinned
    op_item: Column  # the item that an operation works on
    calendar_slots: Column  # by calendar: its first slot
    calendar_first_slot: Column  # calendar × sitting: its first slot there
    slot_start: Column
    slot_end: Column
    slot_sitting: Column
    clock_rates: Column  # by clock: its first rate
    rate_from: Column
    rate_milli: Column
    op_pairs: Column  # links by pairs, by operation before
    pair_link: Column
    pair_to: Column
    task_whole_links: Column  # links without pairs, by task before
    whole_link: Column
    link_after: Column
    link_stand: Column
    link_window: Column
    link_clock: Column
    task_befores: Column  # tasks before, by task
    before_task: Column
    family_tool: Column
    family_setup: Column
    family_cleanup: Column
    family_keeps: Column  # how long it stays open between uses; INF: no limit
    family_life: Column
    family_merges: Column  # 0: each piece is an opening of its own
    tool_setup: Column
    tool_cleanup: Column
    tool_holds: Column
    place_capacity: Column
    task_puts: Column  # task × place: what each drying item takes there
    unit_place: Column  # by unit of a hold
    unit_amount: Column
    op_hold_starts: Column  # holds that start with an operation
    hold_start_unit: Column
    op_hold_ends: Column  # holds that end with one
    hold_end_unit: Column
    item_due: Column
    item_tasks: Column
    item_model: Column  # the model that an item is, or is a part of
    task_wish_calendar: Column  # the calendar in which all that a task wants holds, too
    task_wants: Column  # by task: its wants
    want_calendar: Column
    want_s: Column


@structure
class State(Structure):
    """What changes while a plan is made."""

    now: int
    sitting: int
    n_stays: int
    n_blocks: int
    tasks_left: int
    owed: int  # operations that a window waits for
    n_open: int
    pins_left: int
    pins_kept: int
    unmet_wants_s: int  # what unmet wants have cost so far

    task_worked: Column  # seconds of work done
    task_pinned: Column  # 1: its next piece is still pinned; 2: being looked at; 0: no longer
    task_owed: Column  # items not started that a window waits for
    op_earliest: Column  # earliest start by links
    op_latest: Column  # latest start by windows
    op_waits_for: Column  # ends not yet known that it waits for
    item_dry_at: Column  # when the item is dry
    item_in_hand: Column  # the task that has it in hand, or -1
    item_done_at: Column  # when the item is done, as far as known
    family_open: Column
    family_first: Column
    family_last: Column
    family_deadline: Column  # latest start of its close block
    open_families: Column  # the families that are open, in no order
    tool_out: Column
    place_held: Column  # what is in each place, or has been put there and not yet dropped
    stay_until: Column
    stay_place: Column
    stay_amount: Column
    stay_unit: Column
    unit_pairs: Column  # pairs of the hold still to end
    blocks: Column  # BLOCK_FIELDS numbers a block


BLOCKS_AT = OFFSETS[State]["blocks"]
"""Where the header says that blocks begin: the last column, which is not copied whole."""

# ---- what finding a slot answers ---------------------------------------------------------------
START, TO, PRE, EXTRA, JOIN, N_FORCED = 0, 1, 2, 3, 4, 5
N_RESULTS = 6

"""Placing what a fit has found: blocks are written, and the state follows."""

from __future__ import annotations

from muster.core.plan.kernel.fields import Ints
from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import (
    BLOCK_FIELDS,
    BLOCKS_AT,
    DO_CLOSE,
    DO_GET_OUT,
    DO_OPEN,
    DO_PUT_AWAY,
    DO_WORK,
    INF,
    JOIN,
    N_FORCED,
    START,
    TO,
    Frame,
    State,
)
from muster.core.plan.kernel.time import latest, ready


@compiled
def copy_state(target: Ints, source: Ints) -> None:
    """Make ``target`` equal to ``source``, but for the blocks already written."""
    size = source[BLOCKS_AT]
    target[:size] = source[:size]


@compiled
def write_block(state: State, do: int, ref: int, low: int, high: int, start: int, end: int) -> None:
    """Append a block; one of no length is left out."""
    if end <= start:
        return
    at = state.n_blocks * BLOCK_FIELDS
    state.blocks[at + 0] = do
    state.blocks[at + 1] = ref
    state.blocks[at + 2] = low
    state.blocks[at + 3] = high
    state.blocks[at + 4] = start
    state.blocks[at + 5] = end
    state.n_blocks += 1


@compiled
def close_family(frame: Frame, state: State, family: int, start: int) -> int:
    """Close a family at ``start``; returns when that has ended."""
    ended = start + frame.family_cleanup[family]
    write_block(state, DO_CLOSE, family, 0, 0, start, ended)
    state.family_open[family] = 0
    count = state.n_open
    for index in range(count):
        if state.open_families[index] == family:
            state.open_families[index] = state.open_families[count - 1]
            state.n_open = count - 1
            break
    return ended


@compiled
def put_stay(state: State, until: int, place: int, amount: int, unit: int) -> None:
    """Something takes a place until a moment (INF: until its hold ends)."""
    count = state.n_stays
    state.stay_until[count] = until
    state.stay_place[count] = place
    state.stay_amount[count] = amount
    state.stay_unit[count] = unit
    state.n_stays = count + 1
    state.place_held[place] += amount


@compiled
def drop_stays(state: State) -> None:
    """Forget stays that are over."""
    kept = 0
    now = state.now
    for index in range(state.n_stays):
        if state.stay_until[index] > now:
            state.stay_until[kept] = state.stay_until[index]
            state.stay_place[kept] = state.stay_place[index]
            state.stay_amount[kept] = state.stay_amount[index]
            state.stay_unit[kept] = state.stay_unit[index]
            kept += 1
        else:
            place = state.stay_place[index]
            state.place_held[place] -= state.stay_amount[index]
    state.n_stays = kept


@compiled
def start_item(frame: Frame, state: State, task: int, x: int) -> None:
    """An item is taken in hand: what was owed to it is paid, its holds begin."""
    state.item_in_hand[frame.op_item[x]] = task
    if state.op_latest[x] < INF:
        state.task_owed[task] -= 1
        state.owed -= 1
    for index in range(frame.op_hold_starts[x], frame.op_hold_starts[x + 1]):
        unit = frame.hold_start_unit[index]
        put_stay(state, INF, frame.unit_place[unit], frame.unit_amount[unit], unit)


@compiled
def narrow(state: State, task: int, x: int, last: int) -> None:
    """An item of ``task`` must start by ``last``."""
    if state.op_latest[x] >= INF:
        state.task_owed[task] += 1
        state.owed += 1
    if last < state.op_latest[x]:
        state.op_latest[x] = last


@compiled
def end_item(
    frame: Frame, state: State, task: int, position: int, ended: int, windows: Ints
) -> None:
    """An item ends: it dries, and what waits for it learns when it may start.

    ``windows`` says by link whether its window still binds (a missed one does not).
    """
    x = frame.task_first_op[task] + position
    item = frame.op_item[x]
    state.item_in_hand[item] = -1
    dry = ready(frame, frame.task_clock[task], ended, frame.task_dry[task])
    state.item_dry_at[item] = max(state.item_dry_at[item], dry)
    state.item_done_at[item] = max(state.item_done_at[item], dry)
    if dry > ended:
        for place in range(frame.n_places):
            amount = frame.task_puts[task * frame.n_places + place]
            if amount > 0:
                put_stay(state, dry, place, amount, -1)
    for index in range(frame.op_hold_ends[x], frame.op_hold_ends[x + 1]):
        unit = frame.hold_end_unit[index]
        state.unit_pairs[unit] -= 1
        if state.unit_pairs[unit] == 0:
            for other in range(state.n_stays):
                if state.stay_unit[other] == unit:
                    state.stay_until[other] = ended
                    state.stay_unit[other] = -1
    for index in range(frame.op_pairs[x], frame.op_pairs[x + 1]):
        link = frame.pair_link[index]
        y = frame.pair_to[index]
        after = frame.link_after[link]
        state.op_waits_for[y] -= 1
        stood = ready(frame, frame.link_clock[link], ended, frame.link_stand[link])
        state.op_earliest[y] = max(state.op_earliest[y], stood)
        if windows[link] == 1 and y - frame.task_first_op[after] >= _started(frame, state, after):
            last = latest(
                frame,
                frame.link_clock[link],
                ended,
                frame.link_window[link],
                stood,
            )
            narrow(state, after, y, last)
    first, whole = position == 0, position + 1 == frame.task_n_items[task]
    if not first and not whole:
        return
    for index in range(frame.task_whole_links[task], frame.task_whole_links[task + 1]):
        link = frame.whole_link[index]
        after = frame.link_after[link]
        low, high = frame.task_first_op[after], frame.task_first_op[after + 1]
        if first and windows[link] == 1:
            last = latest(
                frame,
                frame.link_clock[link],
                ended,
                frame.link_window[link],
                ended,
            )
            for y in range(low + _started(frame, state, after), high):
                narrow(state, after, y, last)
        if whole:
            stood = ready(frame, frame.link_clock[link], ended, frame.link_stand[link])
            for y in range(low, high):
                state.op_waits_for[y] -= 1
                state.op_earliest[y] = max(state.op_earliest[y], stood)


@compiled
def _started(frame: Frame, state: State, task: int) -> int:
    """How many of a task's items have started."""
    return -(-state.task_worked[task] // frame.task_per_item[task])


@compiled
def unmet_s(frame: Frame, sitting: int, task: int, start: int, end: int) -> int:
    """What a task's wants that do not hold from ``start`` to ``end`` cost, in seconds."""
    total = 0
    for want in range(frame.task_wants[task], frame.task_wants[task + 1]):
        cal = frame.want_calendar[want]
        slot = frame.calendar_first_slot[cal * frame.n_sittings + sitting]
        met = False
        while slot < frame.calendar_slots[cal + 1]:
            if frame.slot_sitting[slot] != sitting:
                break
            if frame.slot_start[slot] <= start and end <= frame.slot_end[slot]:
                met = True
                break
            slot += 1
        if not met:
            total += frame.want_s[want]
    return total


@compiled
def commit(frame: Frame, state: State, task: int, out: Ints, forced: Ints, windows: Ints) -> None:
    """Place a task's next piece as ``find_slot`` has found it."""
    family = frame.task_family[task]
    tool = frame.family_tool[family] if family >= 0 else -1
    start, to = out[START], out[TO]
    cursor = state.now
    for index in range(1, out[N_FORCED]):
        moved, place = forced[index], index
        dead = state.family_deadline[moved]
        while place > 0 and state.family_deadline[forced[place - 1]] > dead:
            forced[place] = forced[place - 1]
            place -= 1
        forced[place] = moved
    for index in range(out[N_FORCED]):
        cursor = close_family(frame, state, forced[index], cursor)
    setup = frame.family_setup[family] if family >= 0 and out[JOIN] == 0 else 0
    opened = start - setup
    if tool >= 0 and state.tool_out[tool] == 0:
        write_block(state, DO_GET_OUT, tool, 0, 0, opened - frame.tool_setup[tool], opened)
        state.tool_out[tool] = 1
    if setup > 0:
        write_block(state, DO_OPEN, family, 0, 0, opened, start)
    begun = state.task_worked[task]
    ended = start + to - begun
    write_block(state, DO_WORK, task, begun, to, start, ended)
    if family >= 0 and frame.family_merges[family] == 1:
        if out[JOIN] == 0:
            state.family_open[family] = 1
            state.family_first[family] = start
            state.open_families[state.n_open] = family
            state.n_open += 1
        state.family_last[family] = ended
        state.family_deadline[family] = (
            ended + frame.family_keeps[family] if frame.family_keeps[family] < INF else INF
        )
    if state.task_pinned[task] == 1:
        state.task_pinned[task] = 0
        state.pins_left -= 1
        state.pins_kept += 1
    state.unmet_wants_s += unmet_s(frame, state.sitting, task, start, ended)
    work_items(frame, state, task, to, start, windows)
    state.now = ended
    if to == frame.task_per_item[task] * frame.task_n_items[task]:
        state.tasks_left -= 1
    drop_stays(state)


@compiled
def work_items(frame: Frame, state: State, task: int, to: int, start: int, windows: Ints) -> None:
    """Go through the items of a piece that starts at ``start`` and goes to ``to``."""
    per = frame.task_per_item[task]
    begun = state.task_worked[task]
    for position in range(begun // per, -(-to // per)):
        if position * per >= begun:
            start_item(frame, state, task, frame.task_first_op[task] + position)
            state.task_worked[task] = position * per + 1
        if (position + 1) * per <= to:
            state.task_worked[task] = (position + 1) * per
            end_item(frame, state, task, position, start + (position + 1) * per - begun, windows)
    state.task_worked[task] = to


@compiled
def end_sitting(frame: Frame, state: State) -> None:
    """Close and put away everything, and go to the next sitting."""
    cursor = state.now
    while state.n_open > 0:
        best = state.open_families[0]
        for index in range(1, state.n_open):
            other = state.open_families[index]
            if state.family_deadline[other] < state.family_deadline[best]:
                best = other
        cursor = close_family(frame, state, best, cursor)
    for tool in range(frame.n_tools):
        if state.tool_out[tool] == 1:
            ended = cursor + frame.tool_cleanup[tool]
            write_block(state, DO_PUT_AWAY, tool, 0, 0, cursor, ended)
            state.tool_out[tool] = 0
            cursor = ended
    state.sitting += 1
    state.now = cursor
    if state.sitting < frame.n_sittings:
        state.now = max(cursor, frame.sitting_start[state.sitting])
    drop_stays(state)

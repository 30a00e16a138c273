"""Placing what a fit has found: blocks are written, and the state follows."""

from __future__ import annotations

from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import (
    BLOCKS,
    CAL_FIRST,
    CAL_OFF,
    DO_CLOSE,
    DO_GET_OUT,
    DO_OPEN,
    DO_PUT_AWAY,
    DO_WORK,
    F_CLEANUP,
    F_DEAD,
    F_FIRST,
    F_KEEPS,
    F_LAST,
    F_MERGES,
    F_OPEN,
    F_SETUP,
    F_TOOL,
    HOLD_END_OFF,
    HOLD_END_UNIT,
    HOLD_START_OFF,
    HOLD_START_UNIT,
    I_DONE,
    I_HAND,
    I_READY,
    INF,
    JOIN,
    K_CLEANUP,
    K_OUT,
    K_SETUP,
    LINK_AFTER,
    LINK_CLOCK,
    LINK_STAND,
    LINK_WINDOW,
    N_BLOCKS,
    N_FORCED,
    N_OPEN,
    N_PLACES,
    N_SITTINGS,
    N_STAYS,
    N_TOOLS,
    NOW,
    OPEN_LIST,
    OWED,
    P_HELD,
    PAIR_LINK,
    PAIR_OFF,
    PAIR_TO,
    PINS_KEPT,
    PINS_LEFT,
    SIT_START,
    SITTING,
    SLOT_END,
    SLOT_SITTING,
    SLOT_START,
    START,
    STAY_AMOUNT,
    STAY_PLACE,
    STAY_UNIT,
    STAY_UNTIL,
    T_CLOCK,
    T_DRY,
    T_FAMILY,
    T_N,
    T_OFF,
    T_OWED,
    T_PER,
    T_PINNED,
    T_PUTS,
    T_WORK,
    TASKS_LEFT,
    TO,
    U_AMOUNT,
    U_PAIRS,
    U_PLACE,
    WANT_CAL,
    WANT_OFF,
    WANT_S,
    WANTED_S,
    WHOLE_LINK,
    WHOLE_OFF,
    X_EST,
    X_ITEM,
    X_LST,
    X_PRED,
    Ints,
)
from muster.core.plan.kernel.time import latest, ready


@compiled
def copy_state(target: Ints, source: Ints) -> None:
    """Make ``target`` equal to ``source``, but for the blocks already written."""
    size = source[BLOCKS]
    target[:size] = source[:size]


@compiled
def write_block(state: Ints, do: int, ref: int, low: int, high: int, start: int, end: int) -> None:
    """Append a block; one of no length is left out."""
    if end <= start:
        return
    row = state[N_BLOCKS]
    state[state[BLOCKS] + row * 6 + 0] = do
    state[state[BLOCKS] + row * 6 + 1] = ref
    state[state[BLOCKS] + row * 6 + 2] = low
    state[state[BLOCKS] + row * 6 + 3] = high
    state[state[BLOCKS] + row * 6 + 4] = start
    state[state[BLOCKS] + row * 6 + 5] = end
    state[N_BLOCKS] = row + 1


@compiled
def close_family(frame: Ints, state: Ints, family: int, start: int) -> int:
    """Close a family at ``start``; returns when that has ended."""
    ended = start + frame[frame[F_CLEANUP] + family]
    write_block(state, DO_CLOSE, family, 0, 0, start, ended)
    state[state[F_OPEN] + family] = 0
    count = state[N_OPEN]
    for index in range(count):
        if state[state[OPEN_LIST] + index] == family:
            state[state[OPEN_LIST] + index] = state[state[OPEN_LIST] + count - 1]
            state[N_OPEN] = count - 1
            break
    return ended


@compiled
def put_stay(state: Ints, until: int, place: int, amount: int, unit: int) -> None:
    """Something takes a place until a moment (INF: until its hold ends)."""
    count = state[N_STAYS]
    state[state[STAY_UNTIL] + count] = until
    state[state[STAY_PLACE] + count] = place
    state[state[STAY_AMOUNT] + count] = amount
    state[state[STAY_UNIT] + count] = unit
    state[N_STAYS] = count + 1
    state[state[P_HELD] + place] += amount


@compiled
def drop_stays(state: Ints) -> None:
    """Forget stays that are over."""
    kept = 0
    now = state[NOW]
    for index in range(state[N_STAYS]):
        if state[state[STAY_UNTIL] + index] > now:
            state[state[STAY_UNTIL] + kept] = state[state[STAY_UNTIL] + index]
            state[state[STAY_PLACE] + kept] = state[state[STAY_PLACE] + index]
            state[state[STAY_AMOUNT] + kept] = state[state[STAY_AMOUNT] + index]
            state[state[STAY_UNIT] + kept] = state[state[STAY_UNIT] + index]
            kept += 1
        else:
            place = state[state[STAY_PLACE] + index]
            state[state[P_HELD] + place] -= state[state[STAY_AMOUNT] + index]
    state[N_STAYS] = kept


@compiled
def start_item(frame: Ints, state: Ints, task: int, x: int) -> None:
    """An item is taken in hand: what was owed to it is paid, its holds begin."""
    state[state[I_HAND] + frame[frame[X_ITEM] + x]] = task
    if state[state[X_LST] + x] < INF:
        state[state[T_OWED] + task] -= 1
        state[OWED] -= 1
    for index in range(frame[frame[HOLD_START_OFF] + x], frame[frame[HOLD_START_OFF] + x + 1]):
        unit = frame[frame[HOLD_START_UNIT] + index]
        put_stay(state, INF, frame[frame[U_PLACE] + unit], frame[frame[U_AMOUNT] + unit], unit)


@compiled
def narrow(state: Ints, task: int, x: int, last: int) -> None:
    """An item of ``task`` must start by ``last``."""
    if state[state[X_LST] + x] >= INF:
        state[state[T_OWED] + task] += 1
        state[OWED] += 1
    if last < state[state[X_LST] + x]:
        state[state[X_LST] + x] = last


@compiled
def end_item(frame: Ints, state: Ints, task: int, position: int, ended: int, windows: Ints) -> None:
    """An item ends: it dries, and what waits for it learns when it may start.

    ``windows`` says by link whether its window still binds (a missed one does not).
    """
    x = frame[frame[T_OFF] + task] + position
    item = frame[frame[X_ITEM] + x]
    state[state[I_HAND] + item] = -1
    dry = ready(frame, frame[frame[T_CLOCK] + task], ended, frame[frame[T_DRY] + task])
    state[state[I_READY] + item] = max(state[state[I_READY] + item], dry)
    state[state[I_DONE] + item] = max(state[state[I_DONE] + item], dry)
    if dry > ended:
        for place in range(frame[N_PLACES]):
            amount = frame[frame[T_PUTS] + task * frame[N_PLACES] + place]
            if amount > 0:
                put_stay(state, dry, place, amount, -1)
    for index in range(frame[frame[HOLD_END_OFF] + x], frame[frame[HOLD_END_OFF] + x + 1]):
        unit = frame[frame[HOLD_END_UNIT] + index]
        state[state[U_PAIRS] + unit] -= 1
        if state[state[U_PAIRS] + unit] == 0:
            for other in range(state[N_STAYS]):
                if state[state[STAY_UNIT] + other] == unit:
                    state[state[STAY_UNTIL] + other] = ended
                    state[state[STAY_UNIT] + other] = -1
    for index in range(frame[frame[PAIR_OFF] + x], frame[frame[PAIR_OFF] + x + 1]):
        link = frame[frame[PAIR_LINK] + index]
        y = frame[frame[PAIR_TO] + index]
        after = frame[frame[LINK_AFTER] + link]
        state[state[X_PRED] + y] -= 1
        stood = ready(
            frame, frame[frame[LINK_CLOCK] + link], ended, frame[frame[LINK_STAND] + link]
        )
        state[state[X_EST] + y] = max(state[state[X_EST] + y], stood)
        if windows[link] == 1 and y - frame[frame[T_OFF] + after] >= _started(frame, state, after):
            last = latest(
                frame,
                frame[frame[LINK_CLOCK] + link],
                ended,
                frame[frame[LINK_WINDOW] + link],
                stood,
            )
            narrow(state, after, y, last)
    first, whole = position == 0, position + 1 == frame[frame[T_N] + task]
    if not first and not whole:
        return
    for index in range(frame[frame[WHOLE_OFF] + task], frame[frame[WHOLE_OFF] + task + 1]):
        link = frame[frame[WHOLE_LINK] + index]
        after = frame[frame[LINK_AFTER] + link]
        low, high = frame[frame[T_OFF] + after], frame[frame[T_OFF] + after + 1]
        if first and windows[link] == 1:
            last = latest(
                frame,
                frame[frame[LINK_CLOCK] + link],
                ended,
                frame[frame[LINK_WINDOW] + link],
                ended,
            )
            for y in range(low + _started(frame, state, after), high):
                narrow(state, after, y, last)
        if whole:
            stood = ready(
                frame, frame[frame[LINK_CLOCK] + link], ended, frame[frame[LINK_STAND] + link]
            )
            for y in range(low, high):
                state[state[X_PRED] + y] -= 1
                state[state[X_EST] + y] = max(state[state[X_EST] + y], stood)


@compiled
def _started(frame: Ints, state: Ints, task: int) -> int:
    """How many of a task's items have started."""
    return -(-state[state[T_WORK] + task] // frame[frame[T_PER] + task])


@compiled
def unmet_s(frame: Ints, sitting: int, task: int, start: int, end: int) -> int:
    """What a task's wants that do not hold from ``start`` to ``end`` cost, in seconds."""
    total = 0
    for want in range(frame[frame[WANT_OFF] + task], frame[frame[WANT_OFF] + task + 1]):
        cal = frame[frame[WANT_CAL] + want]
        slot = frame[frame[CAL_FIRST] + cal * frame[N_SITTINGS] + sitting]
        met = False
        while slot < frame[frame[CAL_OFF] + cal + 1]:
            if frame[frame[SLOT_SITTING] + slot] != sitting:
                break
            if frame[frame[SLOT_START] + slot] <= start and end <= frame[frame[SLOT_END] + slot]:
                met = True
                break
            slot += 1
        if not met:
            total += frame[frame[WANT_S] + want]
    return total


@compiled
def commit(frame: Ints, state: Ints, task: int, out: Ints, forced: Ints, windows: Ints) -> None:
    """Place a task's next piece as ``find_slot`` has found it."""
    family = frame[frame[T_FAMILY] + task]
    tool = frame[frame[F_TOOL] + family] if family >= 0 else -1
    start, to = out[START], out[TO]
    cursor = state[NOW]
    for index in range(1, out[N_FORCED]):
        moved, place = forced[index], index
        dead = state[state[F_DEAD] + moved]
        while place > 0 and state[state[F_DEAD] + forced[place - 1]] > dead:
            forced[place] = forced[place - 1]
            place -= 1
        forced[place] = moved
    for index in range(out[N_FORCED]):
        cursor = close_family(frame, state, forced[index], cursor)
    setup = frame[frame[F_SETUP] + family] if family >= 0 and out[JOIN] == 0 else 0
    opened = start - setup
    if tool >= 0 and state[state[K_OUT] + tool] == 0:
        write_block(state, DO_GET_OUT, tool, 0, 0, opened - frame[frame[K_SETUP] + tool], opened)
        state[state[K_OUT] + tool] = 1
    if setup > 0:
        write_block(state, DO_OPEN, family, 0, 0, opened, start)
    begun = state[state[T_WORK] + task]
    ended = start + to - begun
    write_block(state, DO_WORK, task, begun, to, start, ended)
    if family >= 0 and frame[frame[F_MERGES] + family] == 1:
        if out[JOIN] == 0:
            state[state[F_OPEN] + family] = 1
            state[state[F_FIRST] + family] = start
            state[state[OPEN_LIST] + state[N_OPEN]] = family
            state[N_OPEN] += 1
        state[state[F_LAST] + family] = ended
        state[state[F_DEAD] + family] = (
            ended + frame[frame[F_KEEPS] + family] if frame[frame[F_KEEPS] + family] < INF else INF
        )
    if state[state[T_PINNED] + task] == 1:
        state[state[T_PINNED] + task] = 0
        state[PINS_LEFT] -= 1
        state[PINS_KEPT] += 1
    state[WANTED_S] += unmet_s(frame, state[SITTING], task, start, ended)
    work_items(frame, state, task, to, start, windows)
    state[NOW] = ended
    if to == frame[frame[T_PER] + task] * frame[frame[T_N] + task]:
        state[TASKS_LEFT] -= 1
    drop_stays(state)


@compiled
def work_items(frame: Ints, state: Ints, task: int, to: int, start: int, windows: Ints) -> None:
    """Go through the items of a piece that starts at ``start`` and goes to ``to``."""
    per = frame[frame[T_PER] + task]
    begun = state[state[T_WORK] + task]
    for position in range(begun // per, -(-to // per)):
        if position * per >= begun:
            start_item(frame, state, task, frame[frame[T_OFF] + task] + position)
            state[state[T_WORK] + task] = position * per + 1
        if (position + 1) * per <= to:
            state[state[T_WORK] + task] = (position + 1) * per
            end_item(frame, state, task, position, start + (position + 1) * per - begun, windows)
    state[state[T_WORK] + task] = to


@compiled
def end_sitting(frame: Ints, state: Ints) -> None:
    """Close and put away everything, and go to the next sitting."""
    cursor = state[NOW]
    while state[N_OPEN] > 0:
        best = state[state[OPEN_LIST]]
        for index in range(1, state[N_OPEN]):
            other = state[state[OPEN_LIST] + index]
            if state[state[F_DEAD] + other] < state[state[F_DEAD] + best]:
                best = other
        cursor = close_family(frame, state, best, cursor)
    for tool in range(frame[N_TOOLS]):
        if state[state[K_OUT] + tool] == 1:
            ended = cursor + frame[frame[K_CLEANUP] + tool]
            write_block(state, DO_PUT_AWAY, tool, 0, 0, cursor, ended)
            state[state[K_OUT] + tool] = 0
            cursor = ended
    state[SITTING] += 1
    state[NOW] = cursor
    if state[SITTING] < frame[N_SITTINGS]:
        state[NOW] = max(cursor, frame[frame[SIT_START] + state[SITTING]])
    drop_stays(state)

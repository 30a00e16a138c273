"""Where, in the sitting under way, a task's next piece can start, and what it brings with it."""

from __future__ import annotations

from muster.core.plan.kernel.capacity import cut_at, room_for
from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import (
    BREAK_ANY,
    BREAK_NONE,
    CAL_FIRST,
    CAL_OFF,
    EXTRA,
    F_CLEANUP,
    F_DEAD,
    F_FIRST,
    F_KEEPS,
    F_LAST,
    F_LIFE,
    F_MERGES,
    F_OPEN,
    F_SETUP,
    F_TOOL,
    I_HAND,
    I_READY,
    INF,
    JOIN,
    K_CLEANUP,
    K_HOLDS,
    K_OUT,
    K_SETUP,
    N_FORCED,
    N_OPEN,
    N_SITTINGS,
    N_TOOLS,
    NOW,
    OPEN_LIST,
    PIN_HIGH,
    PIN_LOW,
    PRE,
    SIT_END,
    SITTING,
    SLOT_END,
    SLOT_SITTING,
    SLOT_START,
    START,
    T_BREAK,
    T_CAL,
    T_FAMILY,
    T_N,
    T_NOT_BEFORE,
    T_OFF,
    T_PER,
    T_PINNED,
    T_WISH_CAL,
    T_WORK,
    TO,
    X_EST,
    X_ITEM,
    X_LST,
    X_PRED,
    Ints,
)

MOST_ROUNDS = 60


@compiled
def run_of(frame: Ints, state: Ints, task: int, most_items: int) -> tuple[int, int]:
    """The longest run of items that may be worked next: (its end in seconds, earliest start).

    The end is 0 where nothing may be worked yet.
    """
    per = frame[frame[T_PER] + task]
    count = frame[frame[T_N] + task]
    begun = state[state[T_WORK] + task]
    first = -(-begun // per)
    earliest = frame[frame[T_NOT_BEFORE] + task]
    if state[state[T_PINNED] + task] == 1:
        earliest = max(earliest, frame[frame[PIN_LOW] + task])
    offset = frame[frame[T_OFF] + task]
    position = first
    while position < count and position - first < most_items:
        x = offset + position
        item = frame[frame[X_ITEM] + x]
        hand = state[state[I_HAND] + item]
        if state[state[X_PRED] + x] > 0 or (hand >= 0 and hand != task):
            break
        ahead = position * per - begun
        earliest = max(earliest, max(state[state[X_EST] + x], state[state[I_READY] + item]) - ahead)
        position += 1
    if frame[frame[T_BREAK] + task] == BREAK_NONE and position < count:
        return 0, 0
    to = position * per
    if frame[frame[T_BREAK] + task] == BREAK_ANY and position < count:
        to = to // 300 * 300
    if to <= begun:
        return 0, 0
    return to, earliest


@compiled
def latest_of(frame: Ints, state: Ints, task: int, to: int) -> int:
    """The latest start that windows allow a piece from what is done up to ``to``."""
    per = frame[frame[T_PER] + task]
    begun = state[state[T_WORK] + task]
    last_start = INF
    for position in range(-(-begun // per), -(-to // per)):
        x = frame[frame[T_OFF] + task] + position
        last_start = min(last_start, state[state[X_LST] + x] - (position * per - begun))
    return last_start


@compiled
def closes_in_time(frame: Ints, state: Ints, family: int, ended: int, closing: Ints) -> int:
    """Whether all that stays open can still be closed in time after a piece ends.

    Returns -1 if so, otherwise the open family to close first (not the piece's own), or -2.
    ``closing`` marks families that will be closed before the piece.
    """
    count = state[N_OPEN]
    cursor = ended
    own_done = (
        family < 0 or frame[frame[F_MERGES] + family] == 0 or frame[frame[F_CLEANUP] + family] == 0
    )
    own_dead = INF
    if not own_done:
        own_dead = (
            ended + frame[frame[F_KEEPS] + family] if frame[frame[F_KEEPS] + family] < INF else INF
        )
    # Walk the open families in the order of their deadlines, the piece's own among them.
    previous_dead, previous_family = -1, -1
    ok = True
    for _ in range(count + 1):
        best, best_dead = -1, INF
        for index in range(count):
            other = state[state[OPEN_LIST] + index]
            if other == family or closing[other] == 1 or frame[frame[F_CLEANUP] + other] == 0:
                continue
            dead = state[state[F_DEAD] + other]
            if dead >= INF:
                continue
            if dead < previous_dead or (dead == previous_dead and other <= previous_family):
                continue
            if dead < best_dead or (dead == best_dead and other < best):
                best, best_dead = other, dead
        if not own_done and own_dead <= best_dead and own_dead < INF:
            if cursor > own_dead:
                ok = False
                break
            cursor += frame[frame[F_CLEANUP] + family]
            own_done = True
        if best < 0:
            break
        if cursor > best_dead:
            ok = False
            break
        cursor += frame[frame[F_CLEANUP] + best]
        previous_dead, previous_family = best_dead, best
    if ok:
        return -1
    first, first_dead = -2, INF
    for index in range(count):
        other = state[state[OPEN_LIST] + index]
        if other == family or closing[other] == 1 or frame[frame[F_CLEANUP] + other] == 0:
            continue
        if state[state[F_DEAD] + other] < first_dead:
            first, first_dead = other, state[state[F_DEAD] + other]
    return first


@compiled
def tool_is_full(frame: Ints, state: Ints, family: int, closing: Ints) -> int:
    """The family to close before ``family`` may be opened on its tool; -1: there is room."""
    tool = frame[frame[F_TOOL] + family]
    held, victim, oldest = 0, -1, INF
    for index in range(state[N_OPEN]):
        other = state[state[OPEN_LIST] + index]
        if frame[frame[F_TOOL] + other] != tool or closing[other] == 1:
            continue
        held += 1
        if state[state[F_LAST] + other] < oldest:
            victim, oldest = other, state[state[F_LAST] + other]
    return victim if held >= frame[frame[K_HOLDS] + tool] else -1


@compiled
def tail_of(frame: Ints, state: Ints, family: int, closing: Ints) -> int:
    """Seconds of closing and putting away that the sitting must still hold after a piece."""
    total = 0
    for index in range(state[N_OPEN]):
        other = state[state[OPEN_LIST] + index]
        if closing[other] == 0 and other != family:
            total += frame[frame[F_CLEANUP] + other]
    tool = -1
    if family >= 0:
        tool = frame[frame[F_TOOL] + family]
        if frame[frame[F_MERGES] + family] == 1:
            total += frame[frame[F_CLEANUP] + family]
    for other in range(frame[N_TOOLS]):
        if state[state[K_OUT] + other] == 1 or other == tool:
            total += frame[frame[K_CLEANUP] + other]
    return total


@compiled
def find_slot(
    frame: Ints,
    state: Ints,
    task: int,
    not_before: int,
    most_items: int,
    wish: int,
    out: Ints,
    forced: Ints,
    closing: Ints,
) -> bool:
    """Find the earliest place for a task's next piece in the sitting under way.

    ``wish`` 1: only where all that the task wants holds. ``out`` takes the answer, ``forced`` the
    families to close first, in order. False: no place.
    """
    to_all, earliest = run_of(frame, state, task, most_items)
    if to_all == 0:
        return False
    now = state[NOW]
    sitting = state[SITTING]
    begun = state[state[T_WORK] + task]
    family = frame[frame[T_FAMILY] + task]
    tool = frame[frame[F_TOOL] + family] if family >= 0 else -1
    earliest = max(earliest, not_before, now)
    sitting_end = frame[frame[SIT_END] + sitting]
    cal = frame[frame[T_WISH_CAL if wish == 1 else T_CAL] + task]
    first_slot = frame[frame[CAL_FIRST] + cal * frame[N_SITTINGS] + sitting]
    for slot in range(first_slot, frame[frame[CAL_OFF] + cal + 1]):
        if frame[frame[SLOT_SITTING] + slot] != sitting:
            break
        slot_end = frame[frame[SLOT_END] + slot]
        low = max(earliest, frame[frame[SLOT_START] + slot])
        if low >= slot_end:
            continue
        n_forced = 0
        closing[:] = 0
        own_closed = False
        to = to_all
        for _ in range(MOST_ROUNDS):
            join = False
            if family >= 0 and frame[frame[F_MERGES] + family] == 1 and not own_closed:
                join = state[state[F_OPEN] + family] == 1
            setup = 0
            if family >= 0 and not join:
                setup = frame[frame[F_SETUP] + family]
                if tool >= 0:
                    victim = tool_is_full(frame, state, family, closing)
                    if victim >= 0:
                        forced[n_forced] = victim
                        n_forced += 1
                        closing[victim] = 1
                        if victim == family:
                            own_closed = True
                        continue
            if tool >= 0 and state[state[K_OUT] + tool] == 0:
                setup += frame[frame[K_SETUP] + tool]
            pre = setup
            for index in range(n_forced):
                pre += frame[frame[F_CLEANUP] + forced[index]]
            start = max(low, now + pre)
            if join and frame[frame[F_KEEPS] + family] < INF:
                if start - state[state[F_LAST] + family] > frame[frame[F_KEEPS] + family]:
                    forced[n_forced] = family
                    n_forced += 1
                    closing[family] = 1
                    own_closed = True
                    continue
            limit = min(slot_end, sitting_end - tail_of(frame, state, family, closing))
            life = INF
            if family >= 0 and frame[frame[F_LIFE] + family] < INF:
                life = frame[frame[F_LIFE] + family] + (
                    state[state[F_FIRST] + family] if join else start
                )
            room = min(limit, life) - start
            if to - begun > room:
                cut = cut_at(frame, task, begun, begun + room) if room > 0 else 0
                if cut == 0:
                    if join and life < limit:
                        forced[n_forced] = family
                        n_forced += 1
                        closing[family] = 1
                        own_closed = True
                        to = to_all
                        continue
                    break
                to = cut
            housed, wait = room_for(frame, state, task, start, to)
            if housed < to:
                if housed > 0:
                    to = housed
                elif wait < INF and wait > start:
                    low = wait
                    to = to_all
                    if low >= slot_end:
                        break
                    continue
                else:
                    break
            last = latest_of(frame, state, task, to)
            if start > last:
                break
            if state[state[T_PINNED] + task] == 1 and start > frame[frame[PIN_HIGH] + task]:
                break
            ended = start + to - begun
            other = closes_in_time(frame, state, family, ended, closing)
            if other == -2:
                break
            if other >= 0:
                forced[n_forced] = other
                n_forced += 1
                closing[other] = 1
                to = to_all
                continue
            out[START] = start
            out[TO] = to
            out[PRE] = pre
            extra = setup
            if family >= 0 and not join and frame[frame[F_MERGES] + family] == 1:
                extra += frame[frame[F_CLEANUP] + family]
            if tool >= 0 and state[state[K_OUT] + tool] == 0:
                extra += frame[frame[K_CLEANUP] + tool]
            out[EXTRA] = extra
            out[JOIN] = 1 if join else 0
            out[N_FORCED] = n_forced
            return True
    return False

"""Where, in the sitting under way, a task's next piece can start, and what it brings with it."""

from __future__ import annotations

from muster.core.plan.kernel.capacity import cut_at, room_for
from muster.core.plan.kernel.fields import Ints
from muster.core.plan.kernel.jit import compiled, inlined
from muster.core.plan.kernel.layout import (
    BREAK_ANY,
    BREAK_NONE,
    EXTRA,
    INF,
    JOIN,
    N_FORCED,
    PRE,
    START,
    TO,
    Frame,
    State,
)

MOST_ROUNDS = 60


@compiled
def run_of(frame: Frame, state: State, task: int, most_items: int) -> tuple[int, int]:
    """The longest run of items that may be worked next: (its end in seconds, earliest start).

    The end is 0 where nothing may be worked yet.
    """
    per = frame.task_per_item[task]
    count = frame.task_n_items[task]
    begun = state.task_worked[task]
    first = -(-begun // per)
    earliest = frame.task_not_before[task]
    if state.task_pinned[task] == 1:
        earliest = max(earliest, frame.pin_low[task])
    offset = frame.task_first_op[task]
    position = first
    while position < count and position - first < most_items:
        x = offset + position
        item = frame.op_item[x]
        hand = state.item_in_hand[item]
        if state.op_waits_for[x] > 0 or (hand >= 0 and hand != task):
            break
        ahead = position * per - begun
        earliest = max(earliest, max(state.op_earliest[x], state.item_dry_at[item]) - ahead)
        position += 1
    if frame.task_break[task] == BREAK_NONE and position < count:
        return 0, 0
    to = position * per
    if frame.task_break[task] == BREAK_ANY and position < count:
        to = to // 300 * 300
    if to <= begun:
        return 0, 0
    return to, earliest


@compiled
def latest_of(frame: Frame, state: State, task: int, to: int) -> int:
    """The latest start that windows allow a piece from what is done up to ``to``."""
    per = frame.task_per_item[task]
    begun = state.task_worked[task]
    last_start = INF
    for position in range(-(-begun // per), -(-to // per)):
        x = frame.task_first_op[task] + position
        last_start = min(last_start, state.op_latest[x] - (position * per - begun))
    return last_start


@compiled
def closes_in_time(frame: Frame, state: State, family: int, ended: int, closing: Ints) -> int:
    """Whether all that stays open can still be closed in time after a piece ends.

    Returns -1 if so, otherwise the open family to close first (not the piece's own), or -2.
    ``closing`` marks families that will be closed before the piece.
    """
    count = state.n_open
    cursor = ended
    own_done = family < 0 or frame.family_merges[family] == 0 or frame.family_cleanup[family] == 0
    own_dead = INF
    if not own_done:
        own_dead = ended + frame.family_keeps[family] if frame.family_keeps[family] < INF else INF
    # Walk the open families in the order of their deadlines, the piece's own among them.
    previous_dead, previous_family = -1, -1
    ok = True
    for _ in range(count + 1):
        best, best_dead = -1, INF
        for index in range(count):
            other = state.open_families[index]
            if other == family or closing[other] == 1 or frame.family_cleanup[other] == 0:
                continue
            dead = state.family_deadline[other]
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
            cursor += frame.family_cleanup[family]
            own_done = True
        if best < 0:
            break
        if cursor > best_dead:
            ok = False
            break
        cursor += frame.family_cleanup[best]
        previous_dead, previous_family = best_dead, best
    if ok:
        return -1
    first, first_dead = -2, INF
    for index in range(count):
        other = state.open_families[index]
        if other == family or closing[other] == 1 or frame.family_cleanup[other] == 0:
            continue
        if state.family_deadline[other] < first_dead:
            first, first_dead = other, state.family_deadline[other]
    return first


@compiled
def tool_is_full(frame: Frame, state: State, family: int, closing: Ints) -> int:
    """The family to close before ``family`` may be opened on its tool; -1: there is room."""
    tool = frame.family_tool[family]
    held, victim, oldest = 0, -1, INF
    for index in range(state.n_open):
        other = state.open_families[index]
        if frame.family_tool[other] != tool or closing[other] == 1:
            continue
        held += 1
        if state.family_last[other] < oldest:
            victim, oldest = other, state.family_last[other]
    return victim if held >= frame.tool_holds[tool] else -1


@compiled
def tail_of(frame: Frame, state: State, family: int, closing: Ints) -> int:
    """Seconds of closing and putting away that the sitting must still hold after a piece."""
    total = 0
    for index in range(state.n_open):
        other = state.open_families[index]
        if closing[other] == 0 and other != family:
            total += frame.family_cleanup[other]
    tool = -1
    if family >= 0:
        tool = frame.family_tool[family]
        if frame.family_merges[family] == 1:
            total += frame.family_cleanup[family]
    for other in range(frame.n_tools):
        if state.tool_out[other] == 1 or other == tool:
            total += frame.tool_cleanup[other]
    return total


@inlined
def close_first(forced: Ints, closing: Ints, n_forced: int, family: int) -> int:
    """Add a family to those that are closed before the piece; returns how many they are then."""
    forced[n_forced] = family
    closing[family] = 1
    return n_forced + 1


@inlined
def put_away_after(frame: Frame, state: State, family: int, tool: int, join: bool) -> int:
    """Seconds of closing and putting away that a piece brings with it."""
    extra = 0
    if family >= 0 and not join and frame.family_merges[family] == 1:
        extra += frame.family_cleanup[family]
    if tool >= 0 and state.tool_out[tool] == 0:
        extra += frame.tool_cleanup[tool]
    return extra


@inlined
def fit_into(
    frame: Frame,
    state: State,
    task: int,
    low: int,
    slot_end: int,
    to_all: int,
    out: Ints,
    forced: Ints,
    closing: Ints,
) -> bool:
    """``find_slot`` in one slot, from ``low`` to its end; at most up to ``to_all`` of the work.

    Each round either finds that it fits, gives up, or learns what must be closed first, where the
    piece must be cut, or until when a place is full.
    """
    now = state.now
    begun = state.task_worked[task]
    family = frame.task_family[task]
    tool = frame.family_tool[family] if family >= 0 else -1
    sitting_end = frame.sitting_end[state.sitting]
    n_forced = 0
    closing[:] = 0
    to = to_all
    for _ in range(MOST_ROUNDS):
        join = False
        if family >= 0 and frame.family_merges[family] == 1 and closing[family] == 0:
            join = state.family_open[family] == 1
        setup = 0
        if family >= 0 and not join:
            setup = frame.family_setup[family]
            if tool >= 0:
                victim = tool_is_full(frame, state, family, closing)
                if victim >= 0:
                    n_forced = close_first(forced, closing, n_forced, victim)
                    continue
        if tool >= 0 and state.tool_out[tool] == 0:
            setup += frame.tool_setup[tool]
        pre = setup
        for index in range(n_forced):
            pre += frame.family_cleanup[forced[index]]
        start = max(low, now + pre)
        if join and frame.family_keeps[family] < INF:
            if start - state.family_last[family] > frame.family_keeps[family]:
                n_forced = close_first(forced, closing, n_forced, family)
                continue
        limit = min(slot_end, sitting_end - tail_of(frame, state, family, closing))
        life = INF
        if family >= 0 and frame.family_life[family] < INF:
            life = frame.family_life[family] + (state.family_first[family] if join else start)
        space = min(limit, life) - start
        if to - begun > space:
            cut = cut_at(frame, task, begun, begun + space) if space > 0 else 0
            if cut == 0:
                if join and life < limit:
                    n_forced = close_first(forced, closing, n_forced, family)
                    to = to_all
                    continue
                return False
            to = cut
        housed, wait = room_for(frame, state, task, start, to)
        if housed < to:
            if housed > 0:
                to = housed
            elif start < wait < slot_end:
                low = wait
                to = to_all
                continue
            else:
                return False
        if start > latest_of(frame, state, task, to):
            return False
        if state.task_pinned[task] == 1 and start > frame.pin_high[task]:
            return False
        other = closes_in_time(frame, state, family, start + to - begun, closing)
        if other == -2:
            return False
        if other >= 0:
            n_forced = close_first(forced, closing, n_forced, other)
            to = to_all
            continue
        out[START] = start
        out[TO] = to
        out[PRE] = pre
        out[EXTRA] = setup + put_away_after(frame, state, family, tool, join)
        out[JOIN] = 1 if join else 0
        out[N_FORCED] = n_forced
        return True
    return False


@compiled
def find_slot(
    frame: Frame,
    state: State,
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
    to, earliest = run_of(frame, state, task, most_items)
    if to == 0:
        return False
    sitting = state.sitting
    earliest = max(earliest, not_before, state.now)
    calendar = frame.task_wish_calendar[task] if wish == 1 else frame.task_calendar[task]
    first_slot = frame.calendar_first_slot[calendar * frame.n_sittings + sitting]
    for slot in range(first_slot, frame.calendar_slots[calendar + 1]):
        if frame.slot_sitting[slot] != sitting:
            break
        low, end = max(earliest, frame.slot_start[slot]), frame.slot_end[slot]
        if low < end and fit_into(frame, state, task, low, end, to, out, forced, closing):
            return True
    return False

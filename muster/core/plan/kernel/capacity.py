"""How far a piece finds room in the places where its items stand, dry and are kept."""

from __future__ import annotations

from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import (
    BREAK_ANY,
    BREAK_NONE,
    HOLD_START_OFF,
    HOLD_START_UNIT,
    INF,
    N_PLACES,
    N_STAYS,
    P_CAPACITY,
    P_HELD,
    STAY_AMOUNT,
    STAY_PLACE,
    STAY_UNTIL,
    T_BREAK,
    T_CLOCK,
    T_DRY,
    T_HOLDS,
    T_OFF,
    T_PER,
    T_PUTS,
    T_WORK,
    U_AMOUNT,
    U_PLACE,
    Ints,
)
from muster.core.plan.kernel.time import ready


@compiled
def cut_at(frame: Ints, task: int, begun: int, most: int) -> int:
    """The furthest allowed cut of a task at or below ``most`` seconds of its work; 0: none."""
    if frame[frame[T_BREAK] + task] == BREAK_NONE:
        return 0
    step = 300 if frame[frame[T_BREAK] + task] == BREAK_ANY else frame[frame[T_PER] + task]
    cut = most // step * step
    return cut if cut > begun else 0


@compiled
def room_for(frame: Ints, state: Ints, task: int, start: int, to: int) -> tuple[int, int]:
    """How far a piece's items find room in all their places: (where it may be cut, when to try
    again).

    The first number is ``to`` where all do, 0 where the first item finds no room.
    """
    begun = state[state[T_WORK] + task]
    most, again = to, 0
    for place in range(frame[N_PLACES]):
        amount = frame[frame[T_PUTS] + task * frame[N_PLACES] + place]
        if frame[frame[T_DRY] + task] == 0:
            amount = 0
        if amount == 0 and frame[frame[T_HOLDS] + task] == 0:
            continue
        housed, wait = room_in(frame, state, task, start, most, place, amount)
        if housed < most:
            most = cut_at(frame, task, begun, housed)
            if most == 0:
                # Every place must be free: those not looked at are, when that time has come.
                return 0, max(again, wait)
            again = max(again, wait)
    return most, again


@compiled
def room_in(
    frame: Ints, state: Ints, task: int, start: int, to: int, place: int, amount: int
) -> tuple[int, int]:
    """``room_for`` in one place, of which each drying item takes ``amount``."""
    per = frame[frame[T_PER] + task]
    begun = state[state[T_WORK] + task]
    offset = frame[frame[T_OFF] + task]
    capacity = frame[frame[P_CAPACITY] + place]
    first = begun // per
    last = -(-to // per)
    # The most it could come to, if nothing were to dry meanwhile.
    most = state[state[P_HELD] + place] + amount * (last - first)
    if frame[frame[T_HOLDS] + task] == 1:
        for position in range(first, last):
            most += _kept(frame, offset + position, place)
    if most <= capacity:
        return to, 0
    kept, drying = 0, first
    for position in range(first, last):
        for stage in range(2):
            moment = start + (position + stage) * per - begun
            if stage == 0:
                asked = _kept(frame, offset + position, place) if position * per >= begun else 0
                kept += asked
            else:
                asked = amount if (position + 1) * per <= to else 0
            if asked == 0:
                continue
            held = kept
            for index in range(state[N_STAYS]):
                until = state[state[STAY_UNTIL] + index]
                if state[state[STAY_PLACE] + index] == place and until > moment:
                    held += state[state[STAY_AMOUNT] + index]
            if amount > 0:
                while drying < position and moment >= ready(
                    frame,
                    frame[frame[T_CLOCK] + task],
                    start + (drying + 1) * per - begun,
                    frame[frame[T_DRY] + task],
                ):
                    drying += 1
                held += amount * (position - drying + stage)
            if held > capacity:
                freed = freed_at(state, place, moment, held - capacity)
                wait = start + freed - moment if freed < INF else INF
                return max(begun, position * per), wait
    return to, 0


@compiled
def freed_at(state: Ints, place: int, moment: int, wanted: int) -> int:
    """When so much of what stands in a place at ``moment`` has left it; INF: never."""
    at = moment
    while wanted > 0:
        soonest = INF
        for index in range(state[N_STAYS]):
            until = state[state[STAY_UNTIL] + index]
            if state[state[STAY_PLACE] + index] == place and at < until < soonest:
                soonest = until
        if soonest >= INF:
            return INF
        at = soonest
        for index in range(state[N_STAYS]):
            if state[state[STAY_PLACE] + index] == place and state[state[STAY_UNTIL] + index] == at:
                wanted -= state[state[STAY_AMOUNT] + index]
    return at


@compiled
def _kept(frame: Ints, x: int, place: int) -> int:
    """How much of a place the holds that start with a task-item keep."""
    total = 0
    for index in range(frame[frame[HOLD_START_OFF] + x], frame[frame[HOLD_START_OFF] + x + 1]):
        unit = frame[frame[HOLD_START_UNIT] + index]
        if frame[frame[U_PLACE] + unit] == place:
            total += frame[frame[U_AMOUNT] + unit]
    return total

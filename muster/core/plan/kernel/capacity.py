"""How far a piece finds room in the places where its items stand, dry and are kept."""

from __future__ import annotations

from muster.core.plan.kernel.jit import compiled
from muster.core.plan.kernel.layout import BREAK_ANY, BREAK_NONE, INF, Frame, State
from muster.core.plan.kernel.time import ready


@compiled
def cut_at(frame: Frame, task: int, begun: int, most: int) -> int:
    """The furthest allowed cut of a task at or below ``most`` seconds of its work; 0: none."""
    if frame.task_break[task] == BREAK_NONE:
        return 0
    step = 300 if frame.task_break[task] == BREAK_ANY else frame.task_per_item[task]
    cut = most // step * step
    return cut if cut > begun else 0


@compiled
def room_for(frame: Frame, state: State, task: int, start: int, to: int) -> tuple[int, int]:
    """How far a piece's items find room in all their places: (where it may be cut, when to try
    again).

    The first number is ``to`` where all do, 0 where the first item finds no room.
    """
    begun = state.task_worked[task]
    most, again = to, 0
    for place in range(frame.n_places):
        amount = frame.task_puts[task * frame.n_places + place]
        if frame.task_dry[task] == 0:
            amount = 0
        if amount == 0 and frame.task_holds[task] == 0:
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
    frame: Frame, state: State, task: int, start: int, to: int, place: int, amount: int
) -> tuple[int, int]:
    """``room_for`` in one place, of which each drying item takes ``amount``."""
    per = frame.task_per_item[task]
    begun = state.task_worked[task]
    offset = frame.task_first_op[task]
    capacity = frame.place_capacity[place]
    first = begun // per
    last = -(-to // per)
    # The most it could come to, if nothing were to dry meanwhile.
    most = state.place_held[place] + amount * (last - first)
    if frame.task_holds[task] == 1:
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
            for index in range(state.n_stays):
                until = state.stay_until[index]
                if state.stay_place[index] == place and until > moment:
                    held += state.stay_amount[index]
            if amount > 0:
                while drying < position and moment >= ready(
                    frame,
                    frame.task_clock[task],
                    start + (drying + 1) * per - begun,
                    frame.task_dry[task],
                ):
                    drying += 1
                held += amount * (position - drying + stage)
            if held > capacity:
                freed = freed_at(state, place, moment, held - capacity)
                wait = start + freed - moment if freed < INF else INF
                return max(begun, position * per), wait
    return to, 0


@compiled
def freed_at(state: State, place: int, moment: int, wanted: int) -> int:
    """When so much of what stands in a place at ``moment`` has left it; INF: never."""
    at = moment
    while wanted > 0:
        soonest = INF
        for index in range(state.n_stays):
            until = state.stay_until[index]
            if state.stay_place[index] == place and at < until < soonest:
                soonest = until
        if soonest >= INF:
            return INF
        at = soonest
        for index in range(state.n_stays):
            if state.stay_place[index] == place and state.stay_until[index] == at:
                wanted -= state.stay_amount[index]
    return at


@compiled
def _kept(frame: Frame, x: int, place: int) -> int:
    """How much of a place the holds that start with a task-item keep."""
    total = 0
    for index in range(frame.op_hold_starts[x], frame.op_hold_starts[x + 1]):
        unit = frame.hold_start_unit[index]
        if frame.unit_place[unit] == place:
            total += frame.unit_amount[unit]
    return total

"""What moved when the plan mended: the calls that stand elsewhere now than they did."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from zoneinfo import ZoneInfo

from muster.core.pipeline import Derived
from muster.core.plan.plan import Plan

NOTICED_S = 1800
"""A call that starts so much later or sooner, or in another sitting, has moved: when an evening
begins ten minutes late, the painter knows that its calls do too."""


MOST_NAMED = 6
"""So many calls that moved otherwise are named."""

TOGETHER_LEAST = 4
"""So many calls that move by about the same are said in one sentence."""


@dataclass(frozen=True)
class Moved:
    """A call, and when it started by the plan before and by this one."""

    call: str
    name: str
    before: datetime
    after: datetime | None


def moved_between(derived: Derived, old: Plan, new: Plan) -> list[Moved]:
    """Calls still to come that start elsewhere now: those in another sitting first.

    ``old`` and ``new`` count their seconds from the same origin. A call that has begun meanwhile,
    that is over, or that was not planned before has not moved.
    """
    problem, instance = derived.instance.problem, derived.instance
    begun = {piece.task for piece in problem.done}
    was, now = _starts(old), _starts(new)
    near: list[Moved] = []
    far: list[Moved] = []
    for name, start in sorted(was.items(), key=lambda row: now.get(row[0], row[1])):
        call = derived.calls.get(name)
        if call is None or name in begun:
            continue
        later = now.get(name)
        title = f"{call.name}, {call.tray_name}"
        if later is None:
            far.append(Moved(name, title, instance.moment(start), None))
        elif _sitting(derived, start) != _sitting(derived, later):
            far.append(Moved(name, title, instance.moment(start), instance.moment(later)))
        elif abs(later - start) >= NOTICED_S:
            near.append(Moved(name, title, instance.moment(start), instance.moment(later)))
    return far + near


def _starts(plan: Plan) -> dict[str, int]:
    starts: dict[str, int] = {}
    for block in plan.blocks:
        if block.do == "work":
            starts.setdefault(block.ref, block.start)
    return starts


def _sitting(derived: Derived, moment: int) -> int:
    """The sitting that holds a moment; -1 where it has been lost."""
    at = derived.instance.problem.sitting_at(moment)
    return -1 if at is None else at


def moved_words(moved: list[Moved], zone: str) -> list[str]:
    """What moved, in sentences: calls that move by about the same at once, others by name."""
    tz = ZoneInfo(zone)
    shifts = [(one.after - one.before).total_seconds() for one in moved if one.after is not None]
    said: list[str] = []
    together: set[int] = set()
    if len(shifts) >= TOGETHER_LEAST:
        middle = sorted(shifts)[len(shifts) // 2]
        alike = [
            index
            for index, one in enumerate(moved)
            if one.after is not None and abs((one.after - one.before).total_seconds() - middle)
            <= max(NOTICED_S / 2, abs(middle) / 2)
        ]  # fmt: skip
        if len(alike) >= TOGETHER_LEAST:
            together = set(alike)
            way = "later" if middle > 0 else "sooner"
            which = "All of the rest" if len(alike) == len(moved) else f"{len(alike)} calls"
            said.append(f"{which} about {_long(abs(middle))} {way}.")
    rest = [one for index, one in enumerate(moved) if index not in together]
    for one in rest[:MOST_NAMED]:
        if one.after is None:
            said.append(f"{one.name}: has no place now.")
            continue
        before, after = one.before.astimezone(tz), one.after.astimezone(tz)
        said.append(f"{one.name}: {before:%a %H:%M} to {after:%a} {after.day} {after:%B %H:%M}.")
    if len(rest) > MOST_NAMED:
        said.append(f"And {len(rest) - MOST_NAMED} more.")
    return said


def _long(seconds: float) -> str:
    if seconds < 5400:
        return f"{max(5, round(seconds / 300) * 5)} min"
    if seconds < 2 * 86400:
        return f"{round(seconds / 3600)} h"
    return f"{round(seconds / 86400)} days"

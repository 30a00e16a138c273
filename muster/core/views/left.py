"""What is left by the plan, in names, days and hours."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from zoneinfo import ZoneInfo

from muster.core.pipeline import Derived
from muster.core.plan.bounds import chains
from muster.core.plan.calendar import slots
from muster.core.plan.clocks import FOREVER
from muster.core.plan.left import smallest_s
from muster.core.plan.plan import Left, Plan
from muster.core.plan.problem import Task
from muster.core.stack.spraying import DRY_AIR


@dataclass(frozen=True)
class LeftRow:
    """A pass that finds no place on some trays of a unit, and what hangs on it.

    ``title`` names it; ``sentence`` says what is wrong; ``calls`` are its calls, ``waiting`` the
    titles of calls that are left since they follow it.
    """

    title: str
    sentence: str
    why: str
    unit: str
    calls: list[str]
    models: list[int]
    waiting: list[str]


def left_rows(derived: Derived, plan: Plan) -> list[LeftRow]:
    """One row for each pass and cause; what only follows is named in the row that it hangs on."""
    if not plan.left:
        return []
    words = _Words(derived)
    by_task = {one.task: one for one in plan.left}
    rows: dict[tuple[str, str, str], list[Left]] = {}
    waiting: dict[str, list[str]] = {}
    for one in plan.left:
        if one.why == "follows":
            waiting.setdefault(_root(one, by_task), []).append(one.task)
            continue
        call = derived.calls[one.task]
        rows.setdefault((call.unit.id, call.keys[0], f"{one.why} {one.detail}"
                         if one.why != "no_time" else one.why), []).append(one)  # fmt: skip
    found = []
    for mine in rows.values():
        call = derived.calls[mine[0].task]
        hang = [name for one in mine for name in waiting.get(one.task, ())]
        found.append(
            LeftRow(
                title=f"{sentence_case(call.name)}, {call.unit.name}",
                sentence=words.of(mine),
                why=mine[0].why,
                unit=call.unit.id,
                calls=[one.task for one in mine],
                models=sorted({m for one in mine for m in _models(derived, one)}),
                waiting=list(dict.fromkeys(derived.calls[name].name for name in hang)),
            )
        )
    return found


def _root(one: Left, by_task: dict[str, Left]) -> str:
    """The call at the head of what waits for it."""
    seen = set()
    while one.why == "follows" and str(one.detail) in by_task and one.task not in seen:
        seen.add(one.task)
        one = by_task[str(one.detail)]
    return one.task


def _models(derived: Derived, one: Left) -> list[int]:
    task = derived.instance.problem.tasks[one.task]
    return list(derived.calls[one.task].models[one.from_s // task.per_item_s :])


def sentence_case(words: str) -> str:
    """The words with a capital first letter."""
    return words[:1].upper() + words[1:]


class _Words:
    """Sentences about one muster's left calls."""

    def __init__(self, derived: Derived) -> None:
        self.derived = derived
        self.problem = derived.instance.problem
        self.zone = ZoneInfo(derived.snapshot.choices.zone)
        self._ends: dict[str, list[int]] | None = None

    def of(self, mine: list[Left]) -> str:
        """What is wrong with these calls of one pass."""
        one = mine[0]
        task, call = self.problem.tasks[one.task], self.derived.calls[one.task]
        match one.why:
            case "no_tag" if one.detail == DRY_AIR:
                return "it fogs in this room's air, and on no day to come is that dry enough"
            case "no_tag":
                return f"needs {one.detail}, and no sitting has any"
            case "too_long":
                piece = hours(smallest_s(task, one.from_s))
                whole = "in one piece" if task.break_ == "none" else "a model"
                return f"takes {piece} {whole}; the longest sitting for it is {hours(one.detail)}"
            case "life":
                piece = hours(smallest_s(task, one.from_s))
                return f"takes {piece} in one piece; its mix lasts {hours(one.detail)}"
            case "place":
                held = self.problem.places[str(one.detail)]
                amount = task.places.get(str(one.detail), 0)
                return f"takes {amount} places of the {one.detail} a model, which holds {held}"
            case "window":
                after = self.derived.calls[str(one.detail)]
                if not any(
                    (link.before, link.after) == (task.id, one.detail)
                    for link in self.problem.links
                ):
                    return f"leads to {after.name}, which could not follow in time"
                within = call.last.window_min or 0
                return (
                    f"must be followed by {after.name} within {hours(within * 60)}, and no "
                    f"sitting has room for both"
                )
        return self._no_time(mine, task)

    def _no_time(self, mine: list[Left], task: Task) -> str:
        earliest = self._earliest(task, mine[0])
        last = self.problem.sittings[-1].end if self.problem.sittings else None
        if last is None:
            return "no sitting is to come"
        if earliest is not None and earliest >= last:
            return (
                f"can begin {self._moment(earliest)} at the earliest, when what it waits for is "
                f"dry; the last sitting ends {self._moment(last)}"
            )
        if task.needs:
            held = sum(s.end - s.start for s in slots(self.problem, task.needs))
            return f"needs {' and '.join(task.needs)}: the {hours(held)} of it are taken"
        lacking = sum(self.problem.tasks[one.task].work_s - one.from_s for one in mine)
        return f"{hours(lacking)} at the bench are lacking up to {self._moment(last)}"

    def _earliest(self, task: Task, one: Left) -> int | None:
        """When its next model can be begun where nothing else is done, or None."""
        if self._ends is None:
            self._ends = chains(self.problem)[3]
        place = one.from_s // task.per_item_s
        into = [link for link in self.problem.links if link.after == task.id]
        ends = [
            self._ends[link.before][i]
            for link in into
            for i, j in self.problem.pairs(link.before, link.after)
            if j == place
        ]
        waits = [link.stand_s for link in into]
        if not ends or max(ends) >= FOREVER:
            return None
        return max(ends) + max(waits, default=0)

    def _moment(self, seconds: int) -> str:
        moment: datetime = self.derived.instance.moment(seconds).astimezone(self.zone)
        return f"{moment:%a} {moment.day} {moment:%B}, {moment:%H:%M}"


def hours(seconds: float | str) -> str:
    """Seconds as a painter says them: 40 min, 3 h 20."""
    minutes = round(float(seconds) / 60)
    if minutes < 60:
        return f"{minutes} min"
    return f"{minutes // 60} h {minutes % 60:02d}" if minutes % 60 else f"{minutes // 60} h"

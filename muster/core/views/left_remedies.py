"""What places a call that is left: the least of each kind of change, each planned, the cheapest
first."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import time

from muster.core.choices import Choices
from muster.core.commands.any_command import Together
from muster.core.commands.verbs.add_evening import AddEvening
from muster.core.commands.verbs.cut_call import CutCall
from muster.core.commands.verbs.edit_unit import EditUnit
from muster.core.commands.verbs.leave_out import LeaveOutCall
from muster.core.commands.verbs.set_rack import SetRack
from muster.core.commands.verbs.waive_need import WaiveNeed
from muster.core.errors import DomainError
from muster.core.pipeline import Derived, derive
from muster.core.plan.left import smallest_s
from muster.core.plan.plan import Left, Plan
from muster.core.stack.spraying import DRY_AIR
from muster.core.views.calendar_text import free_days, local_day, said, usual_hours
from muster.core.views.left import LeftRow
from muster.core.views.shortly import planned_shortly
from muster.core.work.coats import pass_and_coat
from muster.core.work.trays import SPACE

Change = AddEvening | EditUnit | LeaveOutCall | WaiveNeed | CutCall | SetRack

LAMP = {"daylight": "a lamp instead of daylight"}
DAY_START, DAY_HOURS = time(10), 3


@dataclass(frozen=True)
class LeftRemedy:
    """A change that places the calls. ``cost_s``: what it adds to the plan's cost, less what is
    not done any more; ``left_models``: what is still left with it; ``late_models``: what is late.
    """

    words: str
    command: Together
    cost_s: int
    left_models: int
    late_models: int


def left_remedies(derived: Derived, plan: Plan, row: LeftRow) -> list[LeftRemedy]:
    """Remedies of one row, the cheapest first; to leave it out comes last."""
    by_task = {one.task: one for one in plan.left}
    mine = [by_task[name] for name in row.calls]
    found: list[LeftRemedy] = []
    for words, change in _ways(derived, mine):
        tried = _tried(derived, plan, words, Together("together", (change,)), row.calls)
        if tried is not None:
            found.append(tried)
    found.sort(key=lambda one: (one.left_models, one.late_models, one.cost_s))
    out = _tried(derived, plan, "leave it out", _left_out(derived, row), ())
    return [*found, *([out] if out is not None else [])]


def _ways(derived: Derived, mine: list[Left]) -> Iterator[tuple[str, Change]]:
    """Changes that may place a call, by what is wrong with it."""
    one = mine[0]
    task, call = derived.instance.problem.tasks[one.task], derived.calls[one.task]
    key = call.keys[0]
    whole = pass_and_coat(key)[0] if pass_and_coat(key)[1] else key
    for tag in task.needs:
        if tag == DRY_AIR:
            continue
        day = _by_day(derived, tag)
        if day is not None:
            yield f"a sitting with {tag} on {said(day.day)}, {day.start:%H:%M}", day
        words = LAMP.get(tag, f"without {tag}")
        yield words, WaiveNeed("waive_need", call.unit.id, whole, tag)
    if call.breaks != "any" and one.why in ("too_long", "life"):
        yield "let it be put down half done", CutCall("cut_call", call.unit.id, whole)
    if one.why == "place" and one.detail == "rack":
        space = max(task.places.get("rack", 1), SPACE[call.unit.kind])
        yield f"a rack of {space} places", SetRack("set_rack", space)
    if one.why in ("window", "place", "too_long") and len(call.models) > 1:
        half = (len(call.models) + 1) // 2
        yield f"trays of {half}", EditUnit("edit_unit", call.unit.id, tray_size=half)
    longer = smallest_s(task, one.from_s) if one.why == "too_long" else 0
    evening = _evening(derived, longer)
    if evening is not None:
        yield f"a sitting on {said(evening.day)}, {evening.start:%H:%M}", evening


def _by_day(derived: Derived, tag: str) -> AddEvening | None:
    """A sitting on the next free day, Saturdays and Sundays first, while the tag holds."""
    choices = derived.snapshot.choices
    spell = next((one for one in choices.spells if one.tag == tag), None)
    if spell is None:
        return None
    days = list(free_days(choices, derived.snapshot.now, spell.start, weeks=3))
    days.sort(key=lambda day: (day.weekday() < 5, day))
    start = max(spell.start, DAY_START) if spell.end > DAY_START else spell.start
    end = min(spell.end, _later(start, DAY_HOURS * 3600))
    return AddEvening("add_evening", days[0], start, end) if days and end > start else None


def _evening(derived: Derived, least_s: int) -> AddEvening | None:
    """A sitting more at the usual hours, long enough for one piece."""
    choices = derived.snapshot.choices
    start, end = usual_hours(choices)
    wanted = _later(start, least_s + 1200) if least_s else end
    if wanted <= start:
        return None
    last = local_day(choices, derived.instance.moment(derived.instance.problem.last_end()))
    late = last - local_day(choices, derived.snapshot.now)
    weeks = max(3, late.days // 7 + 3)
    days = list(free_days(choices, derived.snapshot.now, start, weeks))
    if not days:
        return None
    # What waits to dry wants a later day than what only lacks time; a day after the last serves
    # both.
    after = [day for day in days if day > last]
    day = after[0] if after and not least_s else days[0]
    return AddEvening("add_evening", day, start, max(end, wanted))


def _later(start: time, seconds: int) -> time:
    total = min(start.hour * 3600 + start.minute * 60 + seconds, 23 * 3600 + 59 * 60)
    return time(total // 3600, total % 3600 // 60)


def _left_out(derived: Derived, row: LeftRow) -> Together:
    """Leave the pass out on the models that it is left on."""
    keys = derived.calls[row.calls[0]].keys
    return Together("together", (LeaveOutCall("leave_out", row.unit, keys, tuple(row.models)),))


def _tried(
    derived: Derived, plan: Plan, words: str, command: Together, calls: list[str] | tuple[()]
) -> LeftRemedy | None:
    """The change planned; None where it is refused or leaves one of the calls."""
    from muster.core.views.roll import head_of, roll_of

    snapshot = derived.snapshot
    try:
        choices: Choices = command.apply(snapshot.choices, snapshot.now)[0]
        other = derive(replace(snapshot, choices=choices), keep_running=False)
    except DomainError:
        return None
    made = planned_shortly(other, plan)
    still = {one.task for one in made.left}
    # Where trays are cut anew calls have other names; then nothing of the pass may be left.
    keys = {derived.calls[name].keys[0] for name in calls}
    units = {derived.calls[name].unit.id for name in calls}
    for name in still:
        call = other.calls[name]
        if call.unit.id in units and call.keys[0] in keys:
            return None
    head = head_of(other, made, roll_of(other))
    cost = made.score.cost_s - plan.score.cost_s
    return LeftRemedy(words, command, cost, head.left_models, head.late_models)

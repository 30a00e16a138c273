"""What it would take to be in time: the least of each kind of change that meets the parade day.

Each kind (more sittings, fewer passes, a unit after the day) is tried in growing steps, and each
step is planned; so what is promised was found, not guessed. Where nothing of a kind is enough, the
most of it is shown with what stays late.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import date, datetime, time, timedelta

from muster.core.choices import Choices
from muster.core.commands.command import AddEvening, EditUnit, RemoveUnit, Together, carry_out
from muster.core.pipeline import Derived, derive
from muster.core.plan.fields import Refused
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.recipes.recipe import TIERS
from muster.core.rooms.roll import head_of, roll_of

Change = AddEvening | EditUnit | RemoveUnit

MOST_SITTINGS = 12
STEPS_TASKS = 4000
"""How many attempts a remedy gets, by the problem's tasks."""


@dataclass(frozen=True)
class Remedy:
    """A set of changes; ``late_models`` is what stays late with them (0: all in time)."""

    words: str
    command: Together
    late_models: int
    possible: bool


def remedies_of(derived: Derived, plan: Plan) -> list[Remedy]:
    """The least of each kind of change; none where all is in time already, or no day is set."""
    late = head_of(derived, plan, roll_of(derived)).late_models
    if derived.snapshot.choices.parade_day is None or (plan.status == "planned" and not late):
        return []
    found = []
    for kind in (_more_sittings(derived), _fewer_passes(derived), _after_the_day(derived)):
        best: Remedy | None = None
        for words, changes in kind:
            tried = _tried(derived, words, Together("together", changes))
            if tried is None:
                continue
            best = tried
            if tried.possible and not tried.late_models:
                break
        if best is not None:
            found.append(best)
    return sorted(
        found, key=lambda one: (not one.possible, one.late_models, len(one.command.changes))
    )


def _tried(derived: Derived, words: str, command: Together) -> Remedy | None:
    snapshot = derived.snapshot
    try:
        choices = carry_out(snapshot.choices, command, snapshot.now)[0]
        other = derive(replace(snapshot, choices=choices), keep_running=False)
    except Refused:
        return None
    planner = Planner(other.bench.problem)
    planner.first()
    plan = planner.improve(STEPS_TASKS // max(1, len(other.bench.problem.tasks)), lambda: 1.0)
    head = head_of(other, plan, roll_of(other))
    return Remedy(words, command, head.late_models, head.possible)


def _more_sittings(derived: Derived) -> Iterator[tuple[str, tuple[Change, ...]]]:
    """One sitting more, two, three … on the next free days, at the hours that are usual."""
    choices = derived.snapshot.choices
    hours = _usual(choices)
    days = list(_free_days(choices, derived.snapshot.now, hours))[:MOST_SITTINGS]
    for many in range(1, len(days) + 1):
        chosen = days[:many]
        length = datetime.combine(days[0], hours[1]) - datetime.combine(days[0], hours[0])
        total = many * length.total_seconds() / 3600
        noun = "sitting" if many == 1 else "sittings"
        yield (
            f"{many} more {noun} ({total:g} h), the first on {_said(chosen[0])}",
            tuple(AddEvening("add_evening", day, *hours) for day in chosen),
        )


def _usual(choices: Choices) -> tuple[time, time]:
    counted = Counter((one.start, one.end) for one in choices.evenings if one.end > one.start)
    return counted.most_common(1)[0][0] if counted else (time(19, 30), time(22))


def _free_days(choices: Choices, now: datetime, hours: tuple[time, time]) -> Iterator[date]:
    taken = {one.day for one in choices.evenings}
    assert choices.parade_day is not None
    day = now.astimezone(choices.local(choices.parade_day, time(0)).tzinfo).date()
    while day < choices.parade_day:
        if day not in taken and choices.local(day, hours[0]) > now:
            yield day
        day += timedelta(days=1)


def _fewer_passes(derived: Derived) -> Iterator[tuple[str, tuple[Change, ...]]]:
    """Units seen from further off, those first that save most."""
    saved = []
    for unit in derived.snapshot.choices.units:
        recipe = derived.snapshot.recipes[unit.recipe, unit.recipe_version]
        reach = TIERS.index(unit.tier)
        if not reach:
            continue
        lower = TIERS[reach - 1]
        minutes = sum(one.minutes for one in recipe.for_tier(unit.tier))
        minutes -= sum(one.minutes for one in recipe.for_tier(lower))
        if minutes > 0:
            saved.append((minutes * unit.count, unit, lower))
    saved.sort(key=lambda row: -row[0])
    words = {"table": "across the table", "hand": "in the hand"}
    for many in range(1, len(saved) + 1):
        chosen = saved[:many]
        hours = sum(minutes for minutes, _, _ in chosen) / 60
        names = ", ".join(f"{unit.name} as seen {words[lower]}" for _, unit, lower in chosen)
        changes = tuple(EditUnit("edit_unit", unit.id, tier=lower) for _, unit, lower in chosen)
        yield f"{names}: {hours:.1f} h less to paint", changes


def _after_the_day(derived: Derived) -> Iterator[tuple[str, tuple[Change, ...]]]:
    """Units left for after the parade, the least important first."""
    begun = {unit for unit, _, _ in derived.record.ticks}
    units = [unit for unit in derived.snapshot.choices.units if unit.id not in begun]
    units.sort(key=lambda unit: unit.priority)
    for many in range(1, len(units)):
        chosen = units[:many]
        changes = tuple(RemoveUnit("remove_unit", unit.id) for unit in chosen)
        yield f"{', '.join(unit.name for unit in chosen)} off the roll until after", changes


def _said(day: date) -> str:
    return f"{day:%A} {day.day} {day:%B}"

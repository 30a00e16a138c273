"""The outlook: other tray sizes side by side with this plan, and the chance to be in time."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import datetime

from muster.core.choices import Choices, Unit
from muster.core.commands.command import EditUnit, Together
from muster.core.pipeline import Derived, derive
from muster.core.plan.chance import Chance, chance_of
from muster.core.plan.fields import Refused
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.rooms.remedies import Remedy, remedies_of
from muster.core.rooms.roll import head_of, roll_of
from muster.core.work.trays import SPACE

FUTURES = 500

STEPS_TASKS = 9000
"""How many attempts other tray sizes get, by their tasks; this plan has had many more."""


@dataclass(frozen=True)
class TraySizes:
    """One way to cut units into trays, and what comes of it; ``command`` brings it about."""

    name: str
    command: Together
    this_plan: bool
    possible: bool
    bench_s: int
    openings: int
    finish: datetime | None
    in_hand: int
    late_models: int


@dataclass(frozen=True)
class UnitChance:
    """A unit's chance, 0 to 1, to stand finished on the parade day."""

    unit: str
    name: str
    share: float


@dataclass(frozen=True)
class Outlook:
    """The whole outlook. ``why`` says in a sentence what tells this plan from the others."""

    sizes: list[TraySizes]
    why: str
    remedies: list[Remedy]
    in_time: float | None
    units: list[UnitChance]
    matters_most: str | None


def outlook_of(derived: Derived, plan: Plan) -> Outlook:
    """Compare tray sizes, and look at so many futures of this plan."""
    choices = derived.snapshot.choices
    ways: list[tuple[str, dict[str, int]]] = [
        ("One model at a time", {unit.id: 1 for unit in choices.units}),
        ("As proposed", {unit.id: 0 for unit in choices.units}),
        ("Whole units", {unit.id: _whole(choices, unit) for unit in choices.units}),
    ]
    mine = {unit.id: unit.tray_size or 0 for unit in choices.units}
    rows = [_row("This plan", mine, derived, plan, True)]
    for name, sizes in ways:
        if sizes != mine:
            rows.append(_tried(derived, name, sizes))
    rows.sort(key=lambda row: -row.openings if row.possible else -(10**9))
    seen = _chance(derived, plan)
    names = {unit.id: unit.name for unit in choices.units}
    call = derived.calls.get(seen.matters_most or "") if seen else None
    by_unit = sorted(seen.by_unit.items(), key=lambda row: row[1]) if seen else []
    return Outlook(
        sizes=rows,
        why=_why(rows),
        remedies=remedies_of(derived, plan),
        in_time=seen.all_in_time if seen else None,
        units=[UnitChance(unit, names[unit], share) for unit, share in by_unit if unit in names],
        matters_most=f"{call.name}, {call.tray_name}" if call else None,
    )


def _command(sizes: dict[str, int]) -> Together:
    """The change to these sizes, by unit; 0 as proposed."""
    changes = tuple(EditUnit("edit_unit", unit, tray_size=size) for unit, size in sizes.items())
    return Together("together", changes)


def _whole(choices: Choices, unit: Unit) -> int:
    return max(1, min(unit.count, choices.rack // SPACE[unit.kind]))


def _tried(derived: Derived, name: str, sizes: dict[str, int]) -> TraySizes:
    """Plan at once with these sizes, nothing begun taken apart."""
    choices = derived.snapshot.choices
    units = tuple(replace(unit, tray_size=sizes[unit.id] or None) for unit in choices.units)
    snapshot = replace(derived.snapshot, choices=replace(choices, units=units))
    try:
        other = derive(snapshot, keep_running=False)
    except Refused:
        return TraySizes(name, _command(sizes), False, False, 0, 0, None, 0, 0)
    planner = Planner(other.bench.problem)
    planner.first()
    steps = STEPS_TASKS // max(1, len(other.bench.problem.tasks))
    return _row(name, sizes, other, planner.improve(steps, lambda: 1.0), False)


def _row(name: str, sizes: dict[str, int], made: Derived, plan: Plan, mine: bool) -> TraySizes:
    head = head_of(made, plan, roll_of(made))
    return TraySizes(
        name=name, command=_command(sizes), this_plan=mine, possible=plan.status == "planned",
        bench_s=plan.score.hands_on_s,
        openings=sum(block.do in ("open", "get_out") for block in plan.blocks),
        finish=made.bench.moment(plan.score.finish) if plan.status == "planned" else None,
        in_hand=head.sittings_in_hand, late_models=head.late_models,
    )  # fmt: skip


def _why(rows: list[TraySizes]) -> str:
    """What tells this plan from the one with the least setting up and the one with the most."""
    mine = next(row for row in rows if row.this_plan)
    others = [row for row in rows if row.possible and not row.this_plan]
    if not mine.possible or not others:
        return ""
    said = []
    for row in (max(others, key=lambda one: one.bench_s), min(others, key=lambda one: one.bench_s)):
        minutes = round((row.bench_s - mine.bench_s) / 60)
        if not minutes or row.finish is None or mine.finish is None:
            continue
        days = (row.finish.date() - mine.finish.date()).days
        when = f"{abs(days)} d {'later' if days > 0 else 'sooner'}" if days else "the same day"
        more = "more" if minutes > 0 else "less"
        said.append(f"{row.name}: {abs(minutes)} min {more} at the bench, finished {when}.")
    return " ".join(dict.fromkeys(said))


def _chance(derived: Derived, plan: Plan) -> Chance | None:
    """The chances where there is a day to be in time for."""
    if plan.status != "planned" or derived.snapshot.choices.parade_day is None or not plan.blocks:
        return None
    return chance_of(derived.bench.problem, plan, FUTURES)

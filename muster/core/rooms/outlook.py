"""The outlook: other tray sizes side by side with this plan, and the chance to be in time."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime

from muster.core.choices import Choices, Unit
from muster.core.commands.command import EditUnit, Together
from muster.core.pipeline import Derived
from muster.core.plan.chance import Chance, chance_of
from muster.core.plan.fields import Refused
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.recipes.recipe import Recipe
from muster.core.rooms.chosen_trays import Splits, chosen_trays, splits_of, with_splits
from muster.core.rooms.remedies import Remedy, lifts_of, remedies_of
from muster.core.rooms.roll import head_of, roll_of
from muster.core.work.logged import spreads_of
from muster.core.work.trays import SPACE, proposed_size

FUTURES = 500

CHOSEN = "Trays chosen to suit"

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
    cost_s: int
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
    lifts: list[Remedy]
    in_time: float | None
    units: list[UnitChance]
    matters_most: str | None


def outlook_of(derived: Derived, plan: Plan, others: Iterable[Recipe] = ()) -> Outlook:
    """Compare tray sizes, and look at so many futures of this plan.

    ``others``: recipes that a unit could be painted by instead.
    """
    choices = derived.snapshot.choices
    whole = {unit.id: _whole(choices, unit) for unit in choices.units}
    mine = splits_of(derived)
    ways: list[tuple[str, Splits]] = [
        ("One model at a time", {unit.id: (1,) * unit.count for unit in choices.units}),
        ("As proposed", _proposed(derived)),
        ("Whole units", {u.id: _cut(u.count, whole[u.id]) for u in choices.units}),
    ]
    rows = [_row("This plan", mine, derived, plan, True)]
    rows += [_tried(derived, name, splits) for name, splits in ways if splits != mine]
    best = min(rows, key=_rank)
    from_here = {"This plan": mine, **dict(ways)}[best.name]
    chosen = chosen_trays(derived, from_here, whole)
    if chosen not in (mine, *(splits for _, splits in ways)):
        row = _tried(derived, CHOSEN, chosen)
        # What is no better than the rows there are is no choice.
        rows += [row] if _rank(row) < _rank(best) else []
    rows.sort(key=lambda row: -row.openings if row.possible else -(10**9))
    seen = _chance(derived, plan)
    names = {unit.id: unit.name for unit in choices.units}
    call = derived.calls.get(seen.matters_most or "") if seen else None
    by_unit = sorted(seen.by_unit.items(), key=lambda row: row[1]) if seen else []
    return Outlook(
        sizes=rows,
        why=_why(rows),
        remedies=remedies_of(derived, plan, others),
        lifts=lifts_of(derived, plan),
        in_time=seen.all_in_time if seen else None,
        units=[UnitChance(unit, names[unit], share) for unit, share in by_unit if unit in names],
        matters_most=f"{call.name}, {call.tray_name}" if call else None,
    )


def _command(splits: Splits) -> Together:
    """The change to these trays."""
    changes = tuple(EditUnit("edit_unit", unit, split=split) for unit, split in splits.items())
    return Together("together", changes)


def _cut(count: int, size: int) -> tuple[int, ...]:
    """Trays of that size, and what is left over."""
    return tuple(min(size, count - at) for at in range(0, count, size))


def _proposed(derived: Derived) -> Splits:
    """The natural sizes: the first model is ready when the last is done."""
    choices = derived.snapshot.choices
    found = {}
    for unit in choices.units:
        passes = derived.snapshot.recipes[unit.recipe, unit.recipe_version].for_tier(unit.tier)
        found[unit.id] = _cut(unit.count, proposed_size(unit, passes, choices.rack))
    return found


def _rank(row: TraySizes) -> tuple[bool, int, int]:
    """Fewest late models first, then the least cost of the whole plan."""
    return not row.possible, row.late_models, row.cost_s


def _whole(choices: Choices, unit: Unit) -> int:
    return max(1, min(unit.count, choices.rack // SPACE[unit.kind]))


def _tried(derived: Derived, name: str, splits: Splits) -> TraySizes:
    """Plan at once in these trays."""
    try:
        other = with_splits(derived, splits)
    except Refused:
        return TraySizes(name, _command(splits), False, False, 0, 0, 0, None, 0, 0)
    planner = Planner(other.bench.problem)
    planner.first()
    steps = STEPS_TASKS // max(1, len(other.bench.problem.tasks))
    return _row(name, splits, other, planner.improve(steps, lambda: 1.0), False)


def _row(name: str, splits: Splits, made: Derived, plan: Plan, mine: bool) -> TraySizes:
    head = head_of(made, plan, roll_of(made))
    return TraySizes(
        name=name, command=_command(splits), this_plan=mine, possible=plan.status == "planned",
        bench_s=plan.score.hands_on_s, cost_s=plan.score.cost_s,
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
    best = min(rows, key=_rank)
    saved = mine.cost_s - best.cost_s
    said = []
    if saved >= 60 and best.late_models == mine.late_models:
        said.append(f"{best.name} serve the whole plan best, by {round(saved / 60)} min of work.")
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
    spread = spreads_of(derived.calls.values(), derived.record)
    return chance_of(derived.bench.problem, plan, FUTURES, spread=spread)

"""The outlook: other tray sizes side by side with this plan, and the chance to be in time."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime

from muster.core.choices import Choices, Unit
from muster.core.commands.any_command import Together
from muster.core.commands.verbs.edit_unit import EditUnit
from muster.core.errors import DomainError
from muster.core.pipeline import Derived
from muster.core.plan.chance import Chance, chance_of
from muster.core.plan.plan import Plan
from muster.core.recipes.recipe import Recipe
from muster.core.views.remedies import Remedy, lifts_of, openings_of, others_of, remedies_of
from muster.core.views.roll import head_of, roll_of
from muster.core.views.shortly import planned_shortly
from muster.core.views.tray_choice import Splits, chosen_trays, splits_of, with_splits
from muster.core.work.consumption import spreads_of
from muster.core.work.trays import SPACE, proposed_size

FUTURES = 500

CHOSEN = "Trays chosen to suit"

MOST_SINGLE = 150
"""So many models are also planned one at a time; of more nobody asks, and it would take long."""


@dataclass(frozen=True)
class TraySizes:
    """One way to cut units into trays, and what comes of it; ``command`` brings it about."""

    name: str
    command: Together
    this_plan: bool
    left_models: int
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
    others: list[Remedy]
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
        ("As proposed", _proposed(derived)),
        ("Whole units", {u.id: _cut(u.count, whole[u.id]) for u in choices.units}),
    ]
    if sum(unit.count for unit in choices.units) <= MOST_SINGLE:
        ways.insert(
            0, ("One model at a time", {unit.id: (1,) * unit.count for unit in choices.units})
        )
    rows = [_row("This plan", mine, derived, plan, True)]
    tried = [_tried(derived, plan, name, splits) for name, splits in ways if splits != mine]
    rows += [row for row in tried if row is not None]
    best = min(rows, key=_rank)
    from_here = {"This plan": mine, **dict(ways)}[best.name]
    chosen = chosen_trays(derived, from_here, whole)
    if chosen not in (mine, *(splits for _, splits in ways)):
        row = _tried(derived, plan, CHOSEN, chosen)
        # What is no better than the rows there are is no choice.
        rows += [row] if row is not None and _rank(row) < _rank(best) else []
    rows.sort(key=lambda row: -row.openings)
    seen = _chance(derived, plan)
    names = {unit.id: unit.name for unit in choices.units}
    call = derived.calls.get(seen.matters_most or "") if seen else None
    by_unit = sorted(seen.by_unit.items(), key=lambda row: row[1]) if seen else []
    return Outlook(
        sizes=rows,
        why=reasons_of_sizes(rows),
        remedies=remedies_of(derived, plan, others),
        lifts=lifts_of(derived, plan),
        others=others_of(derived, plan),
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
        passes = derived.snapshot.recipes[unit.recipe_key].for_tier(unit.tier)
        found[unit.id] = _cut(unit.count, proposed_size(unit, passes, choices.rack))
    return found


def _rank(row: TraySizes) -> tuple[int, int, int]:
    """Fewest models left first, then fewest late, then the least cost of the whole plan."""
    return row.left_models, row.late_models, row.cost_s


def _whole(choices: Choices, unit: Unit) -> int:
    return max(1, min(unit.count, choices.rack // SPACE[unit.kind]))


def _tried(derived: Derived, plan: Plan, name: str, splits: Splits) -> TraySizes | None:
    """Plan at once in these trays; None where they are refused."""
    try:
        other = with_splits(derived, splits)
    except DomainError:
        return None
    return _row(name, splits, other, planned_shortly(other, plan), False)


def _row(name: str, splits: Splits, made: Derived, plan: Plan, mine: bool) -> TraySizes:
    head = head_of(made, plan, roll_of(made))
    return TraySizes(
        name=name, command=_command(splits), this_plan=mine, left_models=head.left_models,
        bench_s=plan.score.hands_on_s, cost_s=plan.score.cost_s,
        openings=openings_of(plan),
        finish=made.instance.moment(plan.score.finish) if plan.blocks else None,
        in_hand=head.sittings_in_hand, late_models=head.late_models,
    )  # fmt: skip


def reasons_of_sizes(rows: list[TraySizes]) -> str:
    """What tells this plan from every row that is better, from the one with the least setting up
    and from the one with the most."""
    mine = next(row for row in rows if row.this_plan)
    others = [row for row in rows if not row.this_plan]
    if not others:
        return ""
    said = [_better(mine, row) for row in sorted(others, key=_rank) if _rank(row) < _rank(mine)]
    for row in (max(others, key=lambda one: one.bench_s), min(others, key=lambda one: one.bench_s)):
        minutes = round((row.bench_s - mine.bench_s) / 60)
        if not minutes or row.finish is None or mine.finish is None or _rank(row) < _rank(mine):
            continue
        days = (row.finish.date() - mine.finish.date()).days
        when = f"{abs(days)} d {'later' if days > 0 else 'sooner'}" if days else "the same day"
        more = "more" if minutes > 0 else "less"
        said.append(f"{row.name}: {abs(minutes)} min {more} at the bench, finished {when}.")
    return " ".join(dict.fromkeys(said))


def _better(mine: TraySizes, row: TraySizes) -> str:
    """Why other trays serve the whole plan better than these."""
    if row.left_models < mine.left_models:
        return f"{row.name}: {mine.left_models - row.left_models} models fewer are left."
    if row.late_models < mine.late_models:
        return f"{row.name}: {mine.late_models - row.late_models} models fewer are late."
    saved = round((mine.cost_s - row.cost_s) / 60)
    instance, fewer = round((mine.bench_s - row.bench_s) / 60), mine.openings - row.openings
    if instance > 0 and fewer > 0:
        reason = f"{fewer} changeovers fewer, {instance} min less at the bench"
    elif instance > 0:
        reason = f"{instance} min less at the bench"
    else:
        reason = "models stand finished sooner"
    return f"{row.name} serve the whole plan better by {max(1, saved)} min of work: {reason}."


def _chance(derived: Derived, plan: Plan) -> Chance | None:
    """The chances where there is a day to be in time for."""
    if derived.snapshot.choices.parade_day is None or not plan.blocks:
        return None
    spread = spreads_of(derived.calls.values(), derived.state)
    return chance_of(derived.instance.problem, plan, FUTURES, spread=spread)

"""What it would take to be in time: the least of each kind of change that meets the parade day.

Each kind (more sittings, fewer passes, a quicker recipe, a unit after the day) is tried in growing
steps, and each step is planned; so what is promised was found, not guessed. Where nothing of a kind
is enough, the most of it is shown with what stays late. With time to spare the same is asked the
other way: which units can be painted for a nearer look and still be in time.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from datetime import datetime
from itertools import islice

from muster.core.choices import Unit
from muster.core.commands.any_command import Together
from muster.core.commands.verbs.add_evening import AddEvening
from muster.core.commands.verbs.edit_unit import EditUnit
from muster.core.commands.verbs.leave_out import LeaveOutCall
from muster.core.commands.verbs.remove_unit import RemoveUnit
from muster.core.errors import DomainError
from muster.core.pipeline import Derived, derive
from muster.core.plan.plan import Plan
from muster.core.recipes.expand import is_effect
from muster.core.recipes.recipe import Recipe
from muster.core.views.calendar_text import free_days, said, usual_hours
from muster.core.views.roll import head_of, roll_of
from muster.core.views.shortly import planned_shortly
from muster.core.vocabulary import TIERS

Change = AddEvening | EditUnit | RemoveUnit | LeaveOutCall

SEEN = {"table": "across the table", "hand": "in the hand", "close": "close up"}

MOST_SITTINGS = 12
MOST_WEEKS = 8
MOST_LEFT_OUT = 6
MOST_LIFTS = 3
MOST_OFF = 3


@dataclass(frozen=True)
class Remedy:
    """A set of changes; ``late_models`` is what stays late with them (0: all in time)."""

    words: str
    command: Together
    late_models: int
    left_models: int
    in_hand: int
    """Sittings that stay free before the day."""
    bench_s: int
    openings: int
    finish: datetime | None
    cost_s: int
    """Of the whole plan with it."""


def remedies_of(derived: Derived, plan: Plan, others: Iterable[Recipe] = ()) -> list[Remedy]:
    """The least of each kind of change; none where all is in time already, or no day is set.

    ``others``: recipes that a unit could be painted by instead.
    """
    head = head_of(derived, plan, roll_of(derived))
    in_time = not head.late_models and not head.left_models
    if derived.snapshot.choices.parade_day is None or in_time:
        return []
    found = []
    known = {(one.id, one.version): one for one in others}
    recipes = known | derived.snapshot.recipes
    derived = replace(derived, snapshot=replace(derived.snapshot, recipes=recipes))
    kinds = (
        _more_sittings(derived),
        _fewer_passes(derived),
        _left_out(derived),
        _quicker_recipes(derived, list(known.values())),
        _after_the_day(derived),
    )
    for kind in kinds:
        best: Remedy | None = None
        for words, changes in kind:
            tried = _tried(derived, plan, words, Together("together", changes))
            if tried is None:
                continue
            best = tried
            if not tried.left_models and not tried.late_models:
                break
        if best is not None:
            found.append(best)
    return sorted(
        found, key=lambda one: (one.left_models, one.late_models, len(one.command.changes))
    )


def _tried(derived: Derived, plan: Plan, words: str, command: Together) -> Remedy | None:
    snapshot = derived.snapshot
    try:
        choices = command.apply(snapshot.choices, snapshot.now)[0]
        other = derive(replace(snapshot, choices=choices), keep_running=False)
    except DomainError:
        return None
    plan = planned_shortly(other, plan)
    head = head_of(other, plan, roll_of(other))
    return Remedy(
        words, command, head.late_models, head.left_models, head.sittings_in_hand,
        plan.score.hands_on_s, openings_of(plan),
        other.instance.moment(plan.score.finish) if plan.blocks else None, plan.score.cost_s,
    )  # fmt: skip


def openings_of(plan: Plan) -> int:
    """How often a mix is opened or a tool got out."""
    return sum(block.do in ("open", "get_out") for block in plan.blocks)


def others_of(derived: Derived, plan: Plan) -> list[Remedy]:
    """What else could be otherwise where all is in time: one sitting more, a unit left for later.

    None where something is left or late: ``remedies_of`` says what it takes then.
    """
    head = head_of(derived, plan, roll_of(derived))
    if head.left_models or head.late_models or not plan.blocks:
        return []
    ways = [next(_more_sittings(derived), None), *islice(_each_after(derived), MOST_OFF)]
    tried = (_tried(derived, plan, way[0], Together("together", way[1])) for way in ways if way)
    return [one for one in tried if one is not None]


def lifts_of(derived: Derived, plan: Plan) -> list[Remedy]:
    """With time to spare: units for a nearer look, all still in time, what lifts most first.

    What lifts most is what most models of most importance gain by.
    """
    head = head_of(derived, plan, roll_of(derived))
    choices = derived.snapshot.choices
    none = choices.parade_day is None or head.left_models or head.late_models
    if none or not head.sittings_in_hand:
        return []
    gains = []
    for unit in choices.units:
        reach = TIERS.index(unit.tier) + 1
        if reach == len(TIERS):
            continue
        recipe = derived.snapshot.recipes[unit.recipe, unit.recipe_version]
        minutes = sum(one.minutes for one in recipe.for_tier(TIERS[reach]))
        minutes -= sum(one.minutes for one in recipe.for_tier(unit.tier))
        if minutes > 0:
            gains.append((unit.priority * unit.count, minutes * unit.count, unit, TIERS[reach]))
    gains.sort(key=lambda row: -row[0])
    found: list[Remedy] = []
    for _, minutes, unit, tier in gains:
        if len(found) == MOST_LIFTS:
            break
        words = f"{unit.name} as seen {SEEN[tier]}: {minutes / 60:.1f} h more to paint"
        change = EditUnit("edit_unit", unit.id, tier=tier)
        tried = _tried(derived, plan, words, Together("together", (change,)))
        if tried is not None and not tried.left_models and not tried.late_models:
            found.append(tried)
    return found


def _more_sittings(derived: Derived) -> Iterator[tuple[str, tuple[Change, ...]]]:
    """One sitting more, two, three … on the next free days, at the hours that are usual."""
    choices = derived.snapshot.choices
    hours = usual_hours(choices)
    now, before = derived.snapshot.now, choices.parade_day
    days = list(free_days(choices, now, hours[0], MOST_WEEKS, before))[:MOST_SITTINGS]
    for many in range(1, len(days) + 1):
        chosen = days[:many]
        length = datetime.combine(days[0], hours[1]) - datetime.combine(days[0], hours[0])
        total = many * length.total_seconds() / 3600
        noun = "sitting" if many == 1 else "sittings"
        yield (
            f"{many} more {noun} ({total:g} h), the first on {said(chosen[0])}",
            tuple(AddEvening("add_evening", day, *hours) for day in chosen),
        )


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
    for many in range(1, len(saved) + 1):
        chosen = saved[:many]
        hours = sum(minutes for minutes, _, _ in chosen) / 60
        names = ", ".join(f"{unit.name} as seen {SEEN[lower]}" for _, unit, lower in chosen)
        changes = tuple(EditUnit("edit_unit", unit.id, tier=lower) for _, unit, lower in chosen)
        yield f"{names}: {hours:.1f} h less to paint", changes


def _left_out(derived: Derived) -> Iterator[tuple[str, tuple[Change, ...]]]:
    """Single passes that are not seen across the table, those first that save most."""
    saved = []
    for call in derived.calls.values():
        open_ = [
            m for m in call.models if (call.unit.id, m, call.keys[0]) not in derived.state.ticks
        ]
        if open_ and all(one.tier != "table" for one in call.passes):
            saved.append(
                (call.unit.id, call.keys, call.name, call.unit.name, open_, call.per_item_s)
            )
    by_pass: dict[tuple[str, tuple[str, ...]], tuple[str, list[int], int]] = {}
    for unit_id, keys, name, unit_name, open_, per in saved:
        _, models, seconds = by_pass.get((unit_id, keys), ("", [], 0))
        words = f"{name} of {unit_name}"
        by_pass[unit_id, keys] = (words, models + open_, seconds + per * len(open_))
    ranked = sorted(by_pass.items(), key=lambda row: -row[1][2])
    for many in range(1, min(MOST_LEFT_OUT, len(ranked)) + 1):
        chosen = ranked[:many]
        hours = sum(seconds for _, (_, _, seconds) in chosen) / 3600
        changes = tuple(
            LeaveOutCall("leave_out", unit_id, keys, tuple(models))
            for (unit_id, keys), (_, models, _) in chosen
        )
        names = ", ".join(words for _, (words, _, _) in chosen)
        yield f"{names} left out: {hours:.1f} h less to paint", changes


def _quicker_recipes(
    derived: Derived, others: list[Recipe]
) -> Iterator[tuple[str, tuple[Change, ...]]]:
    """Units not begun, by the quickest other recipe for their kind, what saves most first."""
    begun = {unit for unit, _, _ in derived.state.ticks}
    saved = []
    for unit in derived.snapshot.choices.units:
        mine = derived.snapshot.recipes[unit.recipe, unit.recipe_version]

        def minutes(recipe: Recipe, unit: Unit = unit) -> float:
            return sum(one.minutes for one in recipe.for_tier(unit.tier))

        # An effect is made to be held by a recipe, not to be one.
        fitting = [
            one
            for one in others
            if one.kind == unit.kind and one.id != mine.id and not is_effect(one)
        ]  # fmt: skip
        # What is built of a kit is no longer told apart by its recipe alone.
        if unit.id in begun or not fitting or unit.build is not None:
            continue
        best = min(fitting, key=minutes)
        gain = (minutes(mine) - minutes(best)) * unit.count
        if gain > 0:
            saved.append((gain, unit, best))
    saved.sort(key=lambda row: -row[0])
    for many in range(1, len(saved) + 1):
        chosen = saved[:many]
        hours = sum(gain for gain, _, _ in chosen) / 60
        names = ", ".join(f"{unit.name} by '{recipe.name}'" for _, unit, recipe in chosen)
        changes = tuple(
            EditUnit("edit_unit", unit.id, recipe=recipe.id, recipe_version=recipe.version)
            for _, unit, recipe in chosen
        )
        yield f"{names}: {hours:.1f} h less to paint", changes


def _after_the_day(derived: Derived) -> Iterator[tuple[str, tuple[Change, ...]]]:
    """Units left for after the parade, the least important first."""
    begun = {unit for unit, _, _ in derived.state.ticks}
    units = [unit for unit in derived.snapshot.choices.units if unit.id not in begun]
    units.sort(key=lambda unit: unit.priority)
    for many in range(1, len(units)):
        chosen = units[:many]
        changes = tuple(RemoveUnit("remove_unit", unit.id) for unit in chosen)
        yield f"{', '.join(unit.name for unit in chosen)} off the roll until after", changes


def _each_after(derived: Derived) -> Iterator[tuple[str, tuple[Change, ...]]]:
    """Each unit that is not begun left for later by itself, the least important first."""
    begun = {unit for unit, _, _ in derived.state.ticks}
    units = [unit for unit in derived.snapshot.choices.units if unit.id not in begun]
    if len(derived.snapshot.choices.units) > 1:
        for unit in sorted(units, key=lambda unit: unit.priority):
            yield f"{unit.name} off the roll until after", (RemoveUnit("remove_unit", unit.id),)

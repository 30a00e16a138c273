"""Which trays give the best whole plan: each unit's split tried in turn, the others as they stand.

A tray is the least that is worked in one go, so its size decides how long the painter waits for it
to dry and how often a colour is opened. For each unit the split of now is tried against even trays,
the whole unit, and uneven ones (a small tray first or last); each is planned as shortly as the
others, and kept where the whole plan gets better. Within a tray the plan may still cut a pass
between models, and trays that stand ready together share an opening, so that stages are worked in
other numbers than the trays where that pays.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.choices import Unit
from muster.core.errors import DomainError
from muster.core.pipeline import Derived, derive
from muster.core.plan.planner import Planner
from muster.core.work.trays import proposed_size, trays_of

Splits = dict[str, tuple[int, ...]]

TRIES_TASKS = 1500
"""How many splits are tried, by the tasks of the muster."""

STEPS_TASKS = 800
"""How many attempts each gets, likewise."""

WORTH_S = 120
"""A split is kept where it saves so much, in seconds of bench work."""

Cost = tuple[float, float, float, float]


def splits_of(derived: Derived) -> Splits:
    """How many models each tray of each unit holds now."""
    choices = derived.snapshot.choices
    found: Splits = {}
    for unit in choices.units:
        passes = derived.snapshot.recipes[unit.recipe_key].for_tier(unit.tier)
        found[unit.id] = tuple(len(models) for models in trays_of(unit, passes, choices.rack))
    return found


def chosen_trays(derived: Derived, splits: Splits, most_whole: dict[str, int]) -> Splits:
    """The splits found best, from ``splits`` on. ``most_whole``: the largest trays for the rack."""
    best = cost_in(derived, splits)
    tries = TRIES_TASKS // max(1, len(derived.calls))
    work: dict[str, int] = {}
    for call in derived.calls.values():
        work[call.unit.id] = work.get(call.unit.id, 0) + call.per_item_s * len(call.models)
    units = sorted(derived.snapshot.choices.units, key=lambda unit: -work.get(unit.id, 0))
    for unit in units:
        for split in _other_splits(derived, unit, splits[unit.id], most_whole[unit.id]):
            if tries <= 0:
                return splits
            tries -= 1
            tried = {**splits, unit.id: split}
            cost = cost_in(derived, tried)
            if cost is None:
                continue
            if best is None or (*cost[:3], cost[3] + WORTH_S) < best:
                splits, best = tried, cost
    return splits


def with_splits(derived: Derived, splits: Splits) -> Derived:
    """The same muster in these trays, nothing begun taken apart. Raises DomainError."""
    choices = derived.snapshot.choices
    units = tuple(
        replace(unit, split=splits[unit.id], tray_size=None) if unit.id in splits else unit
        for unit in choices.units
    )
    snapshot = replace(derived.snapshot, choices=replace(choices, units=units))
    return derive(snapshot, keep_running=False)


def cost_in(derived: Derived, splits: Splits) -> Cost | None:
    """What is left, late weight, lateness and cost of a short plan in these trays; None where they
    are refused."""
    try:
        made = with_splits(derived, splits)
    except DomainError:
        return None
    planner = Planner(made.instance.problem)
    planner.first()
    plan = planner.improve_briefly(STEPS_TASKS // max(1, len(made.calls)))
    score = plan.score
    return (
        float(score.left_weight), float(score.late_weight), float(score.lateness_days),
        float(score.cost_s),
    )  # fmt: skip


def _other_splits(
    derived: Derived, unit: Unit, now: tuple[int, ...], most: int
) -> Iterator[tuple[int, ...]]:
    """Splits worth trying: even ones by number of trays, and one tray smaller than the others."""
    recipe = derived.snapshot.recipes[unit.recipe_key]
    natural = proposed_size(unit, recipe.for_tier(unit.tier), derived.snapshot.choices.rack)
    count = unit.count
    seen = {now}
    trays = -(-count // natural)
    for many in (1, 2, 3, trays - 1, trays, trays + 1, trays + 2):
        if not 1 <= many <= count or -(-count // many) > most:
            continue
        least, more = divmod(count, many)
        even = (least + 1,) * more + (least,) * (many - more)
        for split in (even, *_uneven(count, many, most)):
            if split not in seen:
                seen.add(split)
                yield split


def _uneven(count: int, many: int, most: int) -> Iterator[tuple[int, ...]]:
    """One tray of half the others' size, first or last."""
    if many < 2:
        return
    large = -(-2 * count // (2 * many - 1))
    small = count - large * (many - 1)
    if 0 < small < large <= most:
        yield (small, *(large,) * (many - 1))
        yield (*(large,) * (many - 1), small)

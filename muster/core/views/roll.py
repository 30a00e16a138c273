"""The roll and the head sentence."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import date, datetime, time

from muster.core.choices import Unit
from muster.core.pipeline import Derived
from muster.core.plan.clocks import rates_of, ready_at
from muster.core.plan.plan import Plan
from muster.core.plan.scoring import models_of
from muster.core.work.calls import Call
from muster.core.work.trays import proposed_size, tray_name, trays_of


@dataclass(frozen=True)
class Pip:
    """One model: passes done of how many; wet now; a touch-up noted."""

    model: int
    done: int
    of: int
    wet: bool
    touch_up: bool


@dataclass(frozen=True)
class TrayStrip:
    """A tray as a strip of pips."""

    id: str
    name: str
    pips: list[Pip]


@dataclass(frozen=True)
class UnitRow:
    """A unit on the roll."""

    unit: Unit
    recipe_name: str
    trays: list[TrayStrip]
    tray_size: int
    proposed_size: int
    hours_left: float
    models_done: int


@dataclass(frozen=True)
class Head:
    """The figures of the head sentence."""

    name: str
    zone: str
    parade_day: date | None
    models: int
    models_left: int
    passes: int
    """Of all models together: a pass on a model is one."""
    passes_done: int
    bench_s: int
    sittings_in_hand: int
    late_models: int
    left_models: int
    """Models of which something finds no place."""
    done_by: date | None
    """When all that is planned is finished and dry."""


def tray_id(call: Call) -> str:
    """The tray that a call works."""
    return f"{call.unit.id}.{call.tray}"


def roll_of(derived: Derived) -> list[UnitRow]:
    """Every unit with its trays."""
    choices = derived.snapshot.choices
    by_tray: dict[str, list[Call]] = {}
    for call in derived.calls.values():
        by_tray.setdefault(tray_id(call), []).append(call)
    rows = []
    for unit in choices.units:
        recipe = derived.snapshot.recipes[unit.recipe_key]
        passes = recipe.for_tier(unit.tier)
        trays = trays_of(unit, passes, choices.rack)
        strips = []
        for number, models in enumerate(trays, 1):
            key = f"{unit.id}.{number}"
            strips.append(
                TrayStrip(key, tray_name(unit, number, len(trays)),
                          [_pip(derived, by_tray.get(key, []), model) for model in models])
            )  # fmt: skip
        left = sum(
            call.per_item_s
            for strip in strips
            for call in by_tray.get(strip.id, [])
            for model in call.models
            if (unit.id, model, call.keys[0]) not in derived.state.ticks
        )
        pips = [pip for strip in strips for pip in strip.pips]
        rows.append(
            # How it is built is shown in its own room.
            UnitRow(
                replace(unit, build=None), recipe.name, strips, len(trays[0]),
                proposed_size(unit, passes, choices.rack), round(left / 3600, 2),
                sum(pip.done == pip.of for pip in pips),
            )
        )  # fmt: skip
    left_out = [one.unit for one in derived.trouble if one.unit is not None]
    return rows + [UnitRow(unit, "", [], unit.count, unit.count, 0.0, 0) for unit in left_out]


def _pip(derived: Derived, calls: list[Call], model: int) -> Pip:
    done = of = 0
    wet = touched = False
    now = derived.instance.problem.now
    for call in calls:
        if model not in call.models:
            continue
        of += len(call.passes)
        key = (call.unit.id, model, call.keys[0])
        touched = touched or key in derived.state.touch_ups
        tick = derived.state.ticks.get(key)
        if tick is None:
            continue
        done += len(call.passes)
        task = derived.instance.problem.tasks[call.id]
        rates = rates_of(derived.instance.problem, task.clock)
        wet = wet or ready_at(rates, derived.instance.seconds(tick.end), task.dry_s) > now
    return Pip(model, done, of, wet, touched)


def head_of(derived: Derived, plan: Plan, rows: list[UnitRow]) -> Head:
    """The head sentence's figures. ``bench_s`` is all bench work still to come."""
    choices, problem = derived.snapshot.choices, derived.instance.problem
    due = choices.due()
    used = {problem.sitting_at(block.start) for block in plan.blocks}
    free = 0
    for index, sitting in enumerate(problem.sittings):
        before = due is None or derived.instance.moment(sitting.start) < due
        free += before and index not in used and sitting.start > problem.now
    models = sum(row.unit.count for row in rows)
    left = models_of(problem, plan.left)
    done = done_at(derived, plan)
    late = sum(
        1
        for item, moment in done.items()
        if "/" not in item and item not in left and due is not None and moment > due
    )
    bench_s = sum(max(0, block.end - max(block.start, problem.now)) for block in plan.blocks)
    last = max(done.values(), default=None)
    pips = [pip for row in rows for strip in row.trays for pip in strip.pips]
    zone = choices.local(date(2000, 1, 1), time(0)).tzinfo
    return Head(
        choices.name, choices.zone, choices.parade_day, models,
        models - sum(row.models_done for row in rows), sum(pip.of for pip in pips),
        sum(pip.done for pip in pips), bench_s, free, late, len(left),
        None if last is None else last.astimezone(zone).date(),
    )  # fmt: skip


def done_at(derived: Derived, plan: Plan) -> dict[str, datetime]:
    """When each item is done by the plan: its last pass ended and dried."""
    problem = derived.instance.problem
    found: dict[str, int] = {}
    for block in plan.blocks:
        if block.do != "work" or block.ref not in problem.tasks:
            continue
        task = problem.tasks[block.ref]
        last = block.to_s // task.per_item_s
        for place in range(block.from_s // task.per_item_s, last):
            ended = block.start + (place + 1) * task.per_item_s - block.from_s
            dry = ready_at(rates_of(problem, task.clock), ended, task.dry_s)
            item = task.items[place]
            found[item] = max(found.get(item, 0), dry)
    return {item: derived.instance.moment(moment) for item, moment in found.items()}

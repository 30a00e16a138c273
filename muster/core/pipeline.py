"""The one way from a snapshot to everything derived: work, problem, plan."""

from __future__ import annotations

import logging
from dataclasses import dataclass, field, replace
from typing import Any

from muster.core.build.built import BuiltRecipe
from muster.core.choices import Unit
from muster.core.colour.mixed_passes import coloured
from muster.core.colour.names import by_name
from muster.core.errors import DomainError
from muster.core.facts.replay import BenchState, replay
from muster.core.house import USUAL
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.recipes.recipe import Recipe
from muster.core.snapshot import Snapshot
from muster.core.stack.resolve_waits import ResolvedWaits, resolve_waits
from muster.core.work.calls import Call, calls_of
from muster.core.work.coats import with_coats
from muster.core.work.instance import PlanInstance, build_instance
from muster.core.work.kit_ticks import with_kits
from muster.core.work.unit_recipe import Works, orders_between, unit_recipe

log = logging.getLogger("muster")


@dataclass(frozen=True)
class Trouble:
    """Why something could not be derived; ``unit``: the one that is left out of work and plan."""

    words: str
    unit: Unit | None = None


@dataclass(frozen=True)
class Derived:
    """What follows from a snapshot without planning."""

    snapshot: Snapshot
    state: BenchState
    calls: dict[str, Call]
    instance: PlanInstance
    works: Works = field(default_factory=dict)
    trouble: tuple[Trouble, ...] = ()
    """What could not be derived, and was left out so that the rest could."""


def derive(snapshot: Snapshot, keep_running: bool = True) -> Derived:
    """Work and problem of a snapshot. Raises DomainError where the choices cannot hold together."""
    house = snapshot.house
    tables = house.tables()
    paints = by_name(snapshot.shelf)
    recipes: dict[tuple[str, int], Recipe] = {}
    waits_by_recipe: dict[tuple[str, int], ResolvedWaits] = {}
    works: dict[str, BuiltRecipe] = {}
    worked: dict[object, tuple[Recipe, ResolvedWaits, BuiltRecipe | None]] = {}
    known = {**snapshot.recipes, **snapshot.given}
    for unit in snapshot.choices.units:
        for plain in (replace(unit, build=None), unit):
            name = plain.recipe_key
            if name in recipes:
                continue
            # Units of one recipe and one kit are worked out once.
            own = (plain.tier, plain.build, plain.count) if plain.build is not None else ()
            alike = (plain.recipe, plain.recipe_version, *own)
            if alike not in worked:
                painted = unit_recipe(plain, known, house.habits, tables)
                made = resolve_waits(painted.recipe, house.habits, tables)
                worked[alike] = (coloured(made.recipe, paints), made, painted.built)
            recipes[name], waits_by_recipe[name], built = worked[alike]
            if built is not None:
                works[unit.id] = built
    snapshot = replace(snapshot, recipes=recipes, given=known)
    passes = {unit.id: recipes[unit.recipe_key].passes for unit in snapshot.choices.units}
    told = with_kits(replay(snapshot.facts), snapshot.choices, works)
    told = with_coats(told, passes)
    recoats = {name: made.recoats for name, made in waits_by_recipe.items()}
    calls = calls_of(snapshot.choices, snapshot.recipes, told, recoats, works)
    orders = (*snapshot.choices.order, *orders_between(snapshot.choices, works))
    instance = build_instance(
        replace(snapshot.choices, order=orders),
        calls,
        told,
        snapshot.now,
        keep_running,
        house,
        snapshot.chores,
        waits_by_recipe,
    )
    return Derived(snapshot, told, {call.id: call for call in calls}, instance, works)


def derive_what_can(snapshot: Snapshot, keep_running: bool = True) -> Derived:
    """``derive``, or the most of it that can be: what is kept must open, whatever it holds.

    Units that cannot be worked out alone are left out; then what ties the others together, then
    the rows of the house, then the facts. Each is said in ``trouble``.
    """
    try:
        return derive(snapshot, keep_running)
    except Exception as error:
        whole = _words(error)
    trouble: list[Trouble] = []
    units: list[Unit] = []
    for unit in snapshot.choices.units:
        try:
            derive(_with(snapshot, units=(unit,), order=()), keep_running)
        except Exception as error:
            trouble.append(Trouble(f"{unit.name}: {_words(error)}", unit))
        else:
            units.append(unit)
    rest = _with(snapshot, units=tuple(units))
    for less, words in (
        (rest, ""),
        (_with(rest, order=(), pins=(), put_off=(), left_out=()), whole),
        (replace(rest, house=USUAL), f"{whole}: planned in the usual house"),
        (replace(rest, facts=()), f"{whole}: planned without what was ticked"),
        (replace(_with(rest, units=()), house=USUAL, facts=()), whole),
    ):
        try:
            derived = derive(less, keep_running)
        except Exception as error:
            _words(error)
        else:
            return replace(derived, trouble=(*trouble, *([Trouble(words)] if words else [])))
    raise AssertionError("a muster without units, facts and a house of its own can be derived")


def _with(snapshot: Snapshot, **choices: Any) -> Snapshot:
    return replace(snapshot, choices=replace(snapshot.choices, **choices))


def _words(error: Exception) -> str:
    """A complaint as it is; anything else is a fault of ours, and its trace is wanted."""
    if isinstance(error, DomainError):
        return "; ".join(error.complaints)
    log.error("a muster could not be derived", exc_info=error)
    return "this cannot be worked out: take the newest change back, or choose another recipe"


def plan_first(
    derived: Derived, guide: Plan | None = None, steady: bool = False
) -> tuple[Derived, Plan]:
    """A plan at once; where the call under way cannot go on as it is, it may move.

    ``steady``: only facts and time have gone on since ``guide`` was made.
    """
    plan = Planner(derived.instance.problem).first(guide, steady)
    running = derived.instance.running
    if running is None or running not in (*plan.dropped_pins, *(one.task for one in plan.left)):
        return derived, plan
    freed = derive_what_can(derived.snapshot, keep_running=False)
    freed = replace(freed, trouble=derived.trouble)
    return freed, Planner(freed.instance.problem).first(guide, steady)


__all__ = ["Derived", "Trouble", "derive", "derive_what_can", "plan_first"]

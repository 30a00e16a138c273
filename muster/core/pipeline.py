"""The one way from a snapshot to everything derived: work, problem, plan."""

from __future__ import annotations

from dataclasses import dataclass, replace

from muster.core.colour.mixed_passes import coloured
from muster.core.facts.replay import BenchState, replay
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.recipes.expand import expand_recipe
from muster.core.recipes.recipe import Recipe
from muster.core.snapshot import Snapshot
from muster.core.stack.resolve_waits import ResolvedWaits, resolve_waits
from muster.core.work.calls import Call, calls_of
from muster.core.work.coats import with_coats
from muster.core.work.instance import PlanInstance, build_instance


@dataclass(frozen=True)
class Derived:
    """What follows from a snapshot without planning."""

    snapshot: Snapshot
    state: BenchState
    calls: dict[str, Call]
    instance: PlanInstance


def derive(snapshot: Snapshot, keep_running: bool = True) -> Derived:
    """Work and problem of a snapshot. Raises DomainError where the choices cannot hold together."""
    house = snapshot.house
    tables = house.tables()
    paints = {paint.name: paint for paint in snapshot.shelf}
    recipes: dict[tuple[str, int], Recipe] = {}
    waits_by_recipe: dict[tuple[str, int], ResolvedWaits] = {}
    for unit in snapshot.choices.units:
        name = (unit.recipe, unit.recipe_version)
        if name not in recipes:
            unfolded = expand_recipe(snapshot.recipes[name], snapshot.recipes).recipe
            made = resolve_waits(unfolded, house.habits, tables)
            recipes[name], waits_by_recipe[name] = coloured(made.recipe, paints), made
    snapshot = replace(snapshot, recipes=recipes)
    passes = {
        unit.id: recipes[unit.recipe, unit.recipe_version].passes for unit in snapshot.choices.units
    }
    told = with_coats(replay(snapshot.facts), passes)
    recoats = {name: made.recoats for name, made in waits_by_recipe.items()}
    calls = calls_of(snapshot.choices, snapshot.recipes, told, recoats)
    instance = build_instance(
        snapshot.choices,
        calls,
        told,
        snapshot.now,
        keep_running,
        house,
        snapshot.chores,
        waits_by_recipe,
    )
    return Derived(snapshot, told, {call.id: call for call in calls}, instance)


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
    freed = derive(derived.snapshot, keep_running=False)
    return freed, Planner(freed.instance.problem).first(guide, steady)


__all__ = ["Derived", "derive", "plan_first"]

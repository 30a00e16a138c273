"""What was ticked before a unit had a kit: it was done to the whole model, parts and all."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime

from muster.core.choices import Choices, Unit
from muster.core.facts.fact import Tick
from muster.core.facts.replay import BenchState
from muster.core.work.unit_recipe import Works


def with_kits(state: BenchState, choices: Choices, works: Works) -> BenchState:
    """The record, in which a pass that was ticked before its unit was given a kit counts for every
    part, and so does all that must have gone before it: what is painted was cleaned and joined."""
    ticks = dict(state.ticks)
    for unit in choices.units:
        built = works.get(unit.id)
        since = unit.build.since if unit.build is not None else None
        if built is None or since is None:
            continue
        order = [one.key for one in built.recipe.passes]
        for model in range(1, unit.count + 1):
            ticks |= _of_model(state, unit, model, order, dict(built.sources), built.painted, since)
    return state if ticks == state.ticks else replace(state, ticks=ticks)


def _of_model(
    state: BenchState, unit: Unit, model: int, order: list[str],
    sources: dict[str, tuple[str, ...]], painted: frozenset[str], since: datetime,
) -> dict[tuple[str, int, str], Tick]:  # fmt: skip
    mine = {
        key: tick for (of, number, key), tick in state.ticks.items()
        if of == unit.id and number == model and tick.end <= since
    }  # fmt: skip
    worked = [at for at, key in enumerate(order) if key in mine]
    if not worked:
        return {}
    found = {}
    first = min(mine.values(), key=lambda tick: tick.start)
    for at, key in enumerate(order):
        source = next((name for name in sources.get(key, ()) if name in mine), None)
        if key in mine:
            continue
        if source is not None:
            found[unit.id, model, key] = replace(mine[source], start=mine[source].end)
        elif at < worked[-1] and not painted & set(sources.get(key, ())):
            # Jobs and joints before the last that was painted.
            found[unit.id, model, key] = Tick(first.fact, first.start, first.start)
    return found

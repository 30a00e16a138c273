"""Coats: a pass of several coats is as many calls, with the wait between two coats of it."""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping
from dataclasses import replace
from functools import lru_cache

from muster.core.facts.fact import Tick
from muster.core.facts.replay import BenchState
from muster.core.recipes.recipe import Pass

_COAT = re.compile(r"^(.+)-coat-(\d)$")
LEAST_MIN = 0.1


def coat_key(pass_key: str, number: int) -> str:
    """The key under which one coat is ticked; the pass's own key speaks of all of them."""
    return f"{pass_key[:17]}-coat-{number}"


@lru_cache(maxsize=8192)
def pass_and_coat(key: str) -> tuple[str, int]:
    """The pass's key (its first letters), and which coat of it a key speaks of; 0: all."""
    found = _COAT.match(key)
    return (found.group(1), int(found.group(2))) if found else (key, 0)


def in_coats(passes: Iterable[Pass], recoats: Mapping[str, float]) -> tuple[Pass, ...]:
    """The passes, each coat a pass of its own. ``recoats``: minutes between two coats by pass;
    one that is not in it goes on in one go, however many coats it has."""
    found: list[Pass] = []
    for one in passes:
        recoat = recoats.get(one.key)
        if one.coats == 1 or recoat is None:
            found.append(one)
            continue
        minutes = max(LEAST_MIN, round(one.minutes / one.coats, 2))
        for number in range(1, one.coats + 1):
            name = f"{one.name[:44]}, coat {number} of {one.coats}"
            key = coat_key(one.key, number)
            coat = replace(one, key=key, name=name, minutes=minutes, coats=1)
            if number < one.coats:
                dry = min(recoat, one.dry_min or recoat)
                coat = replace(coat, stand_min=recoat, window_min=None, dry_min=dry)
            found.append(coat)
    return tuple(found)


def is_done(state: BenchState, unit: str, model: int, one: Pass) -> bool:
    """Whether a pass is ticked on a model: as a whole, or each coat of it."""
    keys = [coat_key(one.key, number) for number in range(1, one.coats + 1)]
    whole = (unit, model, one.key) in state.ticks
    return whole or (one.coats > 1 and all((unit, model, key) in state.ticks for key in keys))


def with_coats(state: BenchState, units: Mapping[str, Iterable[Pass]]) -> BenchState:
    """The record, in which a pass that was ticked as a whole has each of its coats ticked, its
    time shared out among them. ``units``: by unit its recipe's passes."""
    ticks = dict(state.ticks)
    coats = {
        (unit, one.key): one.coats for unit, passes in units.items() for one in passes
        if one.coats > 1
    }  # fmt: skip
    for (unit, model, key), tick in state.ticks.items():
        many = coats.get((unit, key), 1)
        if many == 1:
            continue
        share = (tick.end - tick.start) / many
        for number in range(1, many + 1):
            begun = tick.start + (number - 1) * share
            ticks.setdefault(
                (unit, model, coat_key(key, number)), Tick(tick.fact, begun, begun + share)
            )
    return replace(state, ticks=ticks)

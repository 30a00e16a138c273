"""Small recipes, musters and facts for tests of the core."""

from __future__ import annotations

import uuid
from datetime import UTC, date, datetime, time, timedelta
from typing import Any

from muster.core.choices import Choices, Evening, Unit
from muster.core.facts.fact import Fact
from muster.core.pipeline import Derived, derive
from muster.core.plan.writing import problem_to_json
from muster.core.recipes.recipe import MixPart, Pass, Recipe
from muster.core.snapshot import Snapshot

NOW = datetime(2027, 3, 2, 19, 30, tzinfo=UTC)
"""A Tuesday, the minute that the first sitting begins."""


def a_pass(key: str, minutes: float = 2, **more: Any) -> Pass:
    """A pass; with a ``tool`` its mix is named by ``paint`` (its key)."""
    paint = more.pop("paint", key)
    if more.get("tool") and "mix" not in more:
        more["mix"] = (MixPart(paint),)
    return Pass(
        key=key, name=key, technique=more.pop("technique", "brush"), minutes=minutes, **more
    )


UNDERCOAT = a_pass("undercoat", 0.5, tool="airbrush", setup_min=1, cleanup_min=2, open_min=10,
                   dry_min=20, stand_min=60)  # fmt: skip
BASE = a_pass("base", 3, tool="brush", setup_min=1, cleanup_min=1, dry_min=15, stand_min=30)
WASH = a_pass("wash", 1, tool="brush", dry_min=60, tier="hand")
EYES = a_pass("eyes", 2, tool="brush", tier="close")


def recipe(*passes: Pass, name: str = "infantry", version: int = 1) -> Recipe:
    """A recipe of these passes, or of the usual three and a fourth for models seen close up."""
    return Recipe(name, name, "figure", version, passes or (UNDERCOAT, BASE, WASH, EYES))


def unit(count: int = 6, **more: Any) -> Unit:
    """A unit of figures."""
    made: dict[str, Any] = {
        "id": "pikes", "name": "Pikes", "kind": "figure", "scale": 72, "count": count,
        "recipe": "infantry", "recipe_version": 1, **more,
    }  # fmt: skip
    return Unit(**made)


def evenings(
    count: int = 6, hours: tuple[time, time] = (time(19, 30), time(22))
) -> tuple[Evening, ...]:
    """One sitting every other day."""
    first = date(2027, 3, 2)
    return tuple(
        Evening(f"e{n}", first + timedelta(days=2 * n), hours[0], hours[1]) for n in range(count)
    )


def choices(*units: Unit, **more: Any) -> Choices:
    """A muster in a zone that keeps UTC in winter."""
    made: dict[str, Any] = {
        "name": "Reed Coast", "zone": "Europe/London", "parade_day": date(2027, 3, 27),
        "units": units or (unit(),), "evenings": evenings(), **more,
    }  # fmt: skip
    return Choices(**made)


def fact(kind: str, minutes: float, keys: tuple[str, ...] = ("undercoat",), **more: Any) -> Fact:
    """A fact so many minutes after the first sitting begins."""
    made: dict[str, Any] = {
        "id": uuid.uuid4(), "kind": kind, "at": NOW + timedelta(minutes=minutes), "unit": "pikes",
        "pass_keys": keys, "tray": 1, **more,
    }  # fmt: skip
    return Fact(**made)


def ticks(models: range, key: str = "undercoat", first: float = 1, each: float = 1) -> list[Fact]:
    """Models ticked one after another in a pass, by minutes."""
    return [
        fact("tick", first + each * n, (key,), model=model,
             start=NOW + timedelta(minutes=first + each * (n - 1)))
        for n, model in enumerate(models)
    ]  # fmt: skip


def derived(
    chosen: Choices | None = None,
    *facts: Fact,
    minutes: float = 0,
    recipes: tuple[Recipe, ...] = (),
) -> Derived:
    """Everything derived, so many minutes after the first sitting begins."""
    known = {(one.id, one.version): one for one in recipes or (recipe(),)}
    now = NOW + timedelta(minutes=minutes)
    return derive(Snapshot(chosen or choices(), tuple(facts), known, now))


def raw_of(made: Derived) -> dict[str, Any]:
    """The problem of a muster as its file writes it."""
    return problem_to_json(made.instance.problem)

"""One moment of a muster: what the pipeline turns into everything derived."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import datetime
from typing import Literal

from muster.core.choices import Choices
from muster.core.colour.owned import OwnedPaint
from muster.core.facts.fact import Fact
from muster.core.house import USUAL, House
from muster.core.recipes.recipe import Recipe


@dataclass(frozen=True)
class Chore:
    """A tool got out or put away, a family opened or closed, as it was planned."""

    do: Literal["get_out", "open", "close", "put_away"]
    what: str
    start: datetime
    end: datetime


@dataclass(frozen=True)
class Snapshot:
    """Choices, facts, the recipe versions they name and those that these hold, now (aware), the
    house and the shelf.

    ``chores``: what of getting out, opening, closing and putting away was planned up to now, and
    counts as done while the painter works."""

    choices: Choices
    facts: tuple[Fact, ...]
    recipes: dict[tuple[str, int], Recipe]
    now: datetime
    house: House = USUAL
    shelf: tuple[OwnedPaint, ...] = ()
    chores: tuple[Chore, ...] = ()
    given: Mapping[tuple[str, int], Recipe] = field(default_factory=dict)
    """Of a snapshot that was derived, the recipes as they were before: to derive other choices
    from."""

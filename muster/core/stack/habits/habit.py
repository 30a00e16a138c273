"""What a habit is, and the register of all."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from muster.core.recipes.recipe import Pass

Effect = Callable[[Pass, str], Pass]
"""A pass as it is done in a house with that way; the same object where nothing changes."""


@dataclass(frozen=True)
class Habit:
    """A disagreement and its ways. ``ways``: by way what speaks for it; ``ours``: the way of one
    who has said nothing; ``shorts``: ways that are unmistakable without the habit's name."""

    name: str
    number: int
    about: str
    ours: str
    ways: Mapping[str, str]
    shorts: frozenset[str] = frozenset()
    effect: Effect | None = None
    """What it changes of a pass; others are asked for by rules and proposals alone."""


HABITS: dict[str, Habit] = {}
"""By name."""


def register(habit: Habit) -> Habit:
    """Make a habit known. Raises ValueError where its own way is none of its ways."""
    if habit.ours not in habit.ways:
        raise ValueError(f"{habit.name}: '{habit.ours}' is none of its ways")
    HABITS[habit.name] = habit
    return habit

"""What a trial was of: the kinds of paint that met in it, so that others may learn from it."""

from __future__ import annotations

from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.recipes.recipe import Recipe
from muster.core.stack.habits.house import Habits
from muster.core.stack.walk import walk


def what_met(
    recipe: Recipe, key: str, habits: Habits | None = None, tables: Tables = DEFAULTS
) -> tuple[str, str] | None:
    """The kind of paint that a pass lays, and that of the film on which most of it lies; None where
    it lays none, or lies on none."""
    for step in walk(recipe, None, habits, tables).steps:
        film = step.layer
        if film.pass_.key != key:
            continue
        grounds = [open_[0].layer for open_ in step.by_zone.values() if open_]
        kinds = [one.medium.kind for one in grounds if one.medium is not None]
        if film.medium is None or not film.lays or not kinds:
            return None
        return film.medium.kind, max(dict.fromkeys(kinds), key=kinds.count)
    return None

"""The habits of a house: one way of each, and a recipe as that house would do it."""

from __future__ import annotations

from dataclasses import make_dataclass, replace
from typing import TYPE_CHECKING, Any, Literal

from muster.core.recipes.recipe import Recipe
from muster.core.stack.habits import kept as _kept
from muster.core.stack.habits.habit import HABITS

assert _kept.__path__, "importing the package registers its habits"

ORDERED = sorted(HABITS.values(), key=lambda habit: habit.number)

if TYPE_CHECKING:

    class Habits:
        """One way of each habit; those that nobody has chosen are ours."""

        def __init__(self, **ways: str) -> None: ...
        def __getattr__(self, name: str) -> str: ...

else:
    Habits = make_dataclass(
        "Habits",
        [(habit.name, Literal[tuple(habit.ways)], habit.ours) for habit in ORDERED],
        frozen=True,
        slots=True,
        namespace={"__module__": __name__},
    )
    Habits.__doc__ = "One way of each habit; those that nobody has chosen are ours."

OURS = Habits()
"""Our own ways."""


def habits_from(words: list[str]) -> Habits:
    """Habits from words such as ``all-acrylic`` or ``decal_ground=fluids``. Raises ValueError."""
    shorts = {short: habit.name for habit in ORDERED for short in habit.shorts}
    chosen: dict[str, str] = {}
    for word in words:
        name, _, value = word.partition("=")
        name = name.replace("-", "_") if value else name
        if not value:
            if word not in shorts:
                raise ValueError(
                    f"no habit is called '{word}': use {', '.join(shorts)} or NAME=WAY"
                )
            name, value = shorts[word], word
        if name not in HABITS or value not in HABITS[name].ways:
            ways = "; ".join(f"{key}={'|'.join(HABITS[key].ways)}" for key in sorted(HABITS))
            raise ValueError(f"no habit '{word}': use {ways}")
        chosen[name] = value
    return Habits(**chosen)


def chosen(habits: Habits) -> dict[str, str]:
    """By habit the way that was chosen."""
    return {habit.name: getattr(habits, habit.name) for habit in ORDERED}


def with_habit(habits: Habits, name: str, way: str) -> Habits:
    """The same with another way of one habit."""
    made: Any = habits
    changed: Habits = replace(made, **{name: way})
    return changed


def apply_house_habits(recipe: Recipe, habits: Habits) -> Recipe:
    """The recipe in this house; the same object where nothing changes."""
    passes = list(recipe.passes)
    for habit in ORDERED:
        if habit.effect is not None:
            passes = [habit.effect(one, getattr(habits, habit.name)) for one in passes]
    if all(new is old for new, old in zip(passes, recipe.passes, strict=True)):
        return recipe
    return replace(recipe, passes=tuple(passes))

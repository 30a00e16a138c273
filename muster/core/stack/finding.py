"""What a rule says: a code, how grave, the sentence with its figures, and repairs as data."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass, field, replace
from typing import Literal

from muster.core.recipes.recipe import Pass, Recipe
from muster.core.stack.habits.house import Habits, with_habit
from muster.core.stack.walk import Walk
from muster.core.vocabulary import Use

Severity = Literal["error", "warning", "note"]
SEVERITIES: tuple[Severity, ...] = ("error", "warning", "note")


@dataclass(frozen=True, slots=True)
class Insert:
    """Put a pass before the one with that key (None: at the end)."""

    words: str
    new: Pass
    before: str | None


@dataclass(frozen=True, slots=True)
class Change:
    """Change values of a pass."""

    words: str
    key: str
    values: tuple[tuple[str, object], ...]


@dataclass(frozen=True, slots=True)
class Move:
    """Move a pass before another (None: to the end)."""

    words: str
    key: str
    before: str | None


@dataclass(frozen=True, slots=True)
class Remove:
    """Leave a pass out."""

    words: str
    key: str


@dataclass(frozen=True, slots=True)
class SetHabit:
    """Do it the other way throughout the house."""

    words: str
    habit: str
    way: str


@dataclass(frozen=True, slots=True)
class SetMaterial:
    """The model is made of something else than was said."""

    words: str
    material: str


@dataclass(frozen=True, slots=True)
class SetUse:
    """The models are played with, or shown, other than was said."""

    words: str
    use: Use


@dataclass(frozen=True, slots=True)
class Several:
    """Some of these one after another."""

    words: str
    steps: tuple[Insert | Change | Move | Remove, ...]


Repair = Several | Insert | Change | Move | Remove | SetHabit | SetMaterial | SetUse


@dataclass(frozen=True, slots=True)
class Finding:
    """One finding, at the pass with ``key`` (empty: of the whole recipe)."""

    code: str
    severity: Severity
    words: str
    key: str = ""
    repairs: tuple[Repair, ...] = ()


Look = Callable[[Walk], Iterable[Finding]]


@dataclass(frozen=True, slots=True)
class Rule:
    """A rule: what it is called, what it watches for in one sentence, and how it looks."""

    number: int
    code: str
    about: str
    findings: Look = field(repr=False)


RULES: dict[str, Rule] = {}
"""Every rule by its code; each file in ``rules`` registers its own."""


def rule(number: int, code: str, about: str) -> Callable[[Look], Look]:
    """Register a rule. Raises ValueError where code or number are taken."""

    def register(findings: Look) -> Look:
        if code in RULES or any(one.number == number for one in RULES.values()):
            raise ValueError(f"there are two rules {number} or '{code}'")
        RULES[code] = Rule(number, code, about, findings)
        return findings

    return register


def mended(recipe: Recipe, habits: Habits, repair: Repair) -> tuple[Recipe, Habits]:
    """What becomes of a recipe, or of the house's habits, by a repair. Raises KeyError."""
    passes = list(recipe.passes)

    def at(key: str | None) -> int:
        if key is None:
            return len(passes)
        for index, one in enumerate(passes):
            if one.key == key:
                return index
        raise KeyError(key)

    match repair:
        case Several():
            for step in repair.steps:
                recipe, habits = mended(recipe, habits, step)
            return recipe, habits
        case SetHabit():
            return recipe, with_habit(habits, repair.habit, repair.way)
        case SetUse():
            return replace(recipe, use=repair.use), habits
        case SetMaterial():
            return replace(recipe, material=repair.material), habits
        case Insert():
            keys = {one.key for one in passes}
            key, number = repair.new.key, 1
            while key in keys:
                number += 1
                key = f"{repair.new.key[:20]}-{number}"
            passes.insert(at(repair.before), replace(repair.new, key=key))
        case Change():
            index = at(repair.key)
            passes[index] = replace(passes[index], **dict(repair.values))  # type: ignore[arg-type]
        case Move():
            one = passes.pop(at(repair.key))
            passes.insert(at(repair.before), one)
        case Remove():
            passes.pop(at(repair.key))
    return replace(recipe, passes=tuple(passes)), habits

"""Recipes that hold smaller ones: a rust effect used on five vehicles, in the version it was."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from muster.core.craft.techniques import OTHER, TECHNIQUES, TechniqueTrait
from muster.core.errors import DomainError
from muster.core.recipes.recipe import MOST_PASSES, Pass, Recipe
from muster.core.vocabulary import TIERS

Known = Mapping[tuple[str, int], Recipe]


@dataclass(frozen=True)
class ExpandedRecipe:
    """A recipe with what it holds unfolded; ``outer``: by a pass's key, the key it stands for."""

    recipe: Recipe
    outer: dict[str, str]


def held_by(one: Pass) -> tuple[str, int] | None:
    """Id and version of the recipe that a pass holds."""
    if one.holds is None:
        return None
    code, _, version = one.holds.rpartition("@")
    return code, int(version)


def all_held(recipe: Recipe, known: Known) -> dict[tuple[str, int], Recipe]:
    """Every recipe that it holds, directly or through others, of those known."""
    found: dict[tuple[str, int], Recipe] = {}
    open_ = [recipe]
    while open_:
        for one in open_.pop().passes:
            name = held_by(one)
            if name is not None and name in known and name not in found:
                found[name] = known[name]
                open_.append(known[name])
    return found


def expand_recipe(recipe: Recipe, known: Known) -> ExpandedRecipe:
    """Unfold what a recipe holds.

    A pass that holds one hands its zones, part and tier on to each pass inside.

    Raises DomainError for a recipe that holds itself, one that is not there, and one that grows
    beyond ``MOST_PASSES``.
    """
    if not any(one.holds for one in recipe.passes):
        return ExpandedRecipe(recipe, {one.key: one.key for one in recipe.passes})
    passes: list[Pass] = []
    outer: dict[str, str] = {}
    for one in recipe.passes:
        inside = _unfolded(one, known, ((recipe.id, recipe.version),))
        for new in inside:
            key = _free(new.key, outer)
            outer[key] = one.key
            passes.append(replace(new, key=key))
    if len(passes) > MOST_PASSES:
        raise DomainError(
            f"recipe '{recipe.name}' has {len(passes)} passes with what it holds: keep it to "
            f"{MOST_PASSES}"
        )
    return ExpandedRecipe(replace(recipe, passes=tuple(passes)), outer)


def _unfolded(one: Pass, known: Known, way: tuple[tuple[str, int], ...]) -> list[Pass]:
    name = held_by(one)
    if name is None:
        return [one]
    if any(name[0] == code for code, _ in way):
        path = ", which holds ".join(f"'{code}'" for code, _ in (*way, name))
        raise DomainError(f"pass '{one.name}': {path} without end: take one of them out")
    inner = known.get(name)
    if inner is None:
        raise DomainError(
            f"pass '{one.name}': there is no recipe '{name[0]}' in version {name[1]}: "
            "choose one of yours"
        )
    if len(way) > MOST_PASSES:
        raise DomainError(f"pass '{one.name}' is nested too deep: flatten it")
    found = []
    for each in inner.passes:
        handed = replace(
            each,
            key=f"{one.key[:10].rstrip('-')}-{each.key[:12]}",
            zones=one.zones or each.zones,
            part=one.part or each.part,
            tier=max(one.tier, each.tier, key=TIERS.index),
        )
        found += _unfolded(handed, known, (*way, name))
        if len(found) > MOST_PASSES:
            raise DomainError(
                f"pass '{one.name}' unfolds to more than {MOST_PASSES} passes: hold fewer"
            )
    return found


def _free(key: str, taken: dict[str, str]) -> str:
    new, number = key, 1
    while new in taken:
        number += 1
        new = f"{key[:21]}-{number}"
    return new


def with_held(recipe: Recipe, renamed: Mapping[tuple[str, int], str]) -> Recipe:
    """The recipe with what it holds called by new ids, in the same versions."""
    passes = []
    for one in recipe.passes:
        name = held_by(one)
        new = renamed.get(name) if name else None
        passes.append(replace(one, holds=f"{new}@{name[1]}") if name and new else one)
    return replace(recipe, passes=tuple(passes))


def is_effect(recipe: Recipe) -> bool:
    """Whether a recipe only adds to what is painted already: no pass of it is meant to hide."""
    techniques = (TECHNIQUES.get(one.technique, OTHER) for one in recipe.passes)
    return not any(technique.has(TechniqueTrait.HIDES) for technique in techniques)

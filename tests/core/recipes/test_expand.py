"""Recipes that hold smaller ones, in the version they were."""

from __future__ import annotations

from dataclasses import replace

import pytest

from muster.core.errors import DomainError
from muster.core.recipes.expand import all_held, expand_recipe, with_held
from muster.core.recipes.recipe import Recipe
from tests.core.making import a_pass

PATCHES = a_pass("patches", 4, technique="sponge", zones=("upper",))
RUST = Recipe("rust", "Rust", "vehicle", 1, (PATCHES, a_pass("streaks", 3, technique="streak")))
RUST_2 = replace(RUST, version=2, passes=(*RUST.passes, a_pass("soot", 1)))
BASE = a_pass("base", 5)
KNOWN = {(one.id, one.version): one for one in (RUST, RUST_2)}


def hauler(*passes: object) -> Recipe:
    return Recipe("hauler", "Hauler", "vehicle", 1, passes)  # type: ignore[arg-type]


def holding(name: str, key: str = "rust", **more: object) -> object:
    return a_pass(key, 1, technique="recipe", holds=name, **more)


def test_what_is_held_is_done_in_its_place_in_its_version() -> None:
    found = expand_recipe(hauler(BASE, holding("rust@1"), a_pass("matt", 1)), KNOWN)
    assert [one.key for one in found.recipe.passes] == [
        "base", "rust-patches", "rust-streaks", "matt"
    ]  # fmt: skip
    assert found.outer["rust-streaks"] == "rust" and found.outer["matt"] == "matt"
    newer = expand_recipe(hauler(holding("rust@2")), KNOWN).recipe
    assert [one.name for one in newer.passes] == ["patches", "streaks", "soot"]


def test_zones_part_and_tier_are_handed_on() -> None:
    held = holding("rust@1", zones=("rear",), part="exhaust", tier="close")
    found = expand_recipe(hauler(held), KNOWN).recipe.passes
    assert {(one.zones, one.part, one.tier) for one in found} == {(("rear",), "exhaust", "close")}
    assert expand_recipe(hauler(holding("rust@1")), KNOWN).recipe.passes[0].zones == ("upper",)


def test_the_same_effect_twice_has_keys_of_its_own() -> None:
    found = expand_recipe(hauler(holding("rust@1"), holding("rust@1", "rust-2")), KNOWN).recipe
    keys = [one.key for one in found.passes]
    assert len(set(keys)) == 4


def test_endless_nesting_is_refused_with_the_way_it_goes() -> None:
    mud = Recipe("mud", "Mud", "vehicle", 1, (holding("loop@1", "loop"),))  # type: ignore[arg-type]
    loop = Recipe("loop", "Loop", "vehicle", 1, (holding("mud@1", "mud"),))  # type: ignore[arg-type]
    known = {("mud", 1): mud, ("loop", 1): loop}
    with pytest.raises(
        DomainError, match="'mud', which holds 'loop', which holds 'mud' without end"
    ):
        expand_recipe(mud, known)
    assert set(all_held(mud, known)) == {("mud", 1), ("loop", 1)}


def test_what_is_not_there_and_what_grows_without_bound_are_refused() -> None:
    with pytest.raises(DomainError, match="no recipe 'gone' in version 3"):
        expand_recipe(hauler(holding("gone@3")), KNOWN)
    wide = {
        (f"w{n}", 1): Recipe(
            f"w{n}", "w", "vehicle", 1,
            tuple(holding(f"w{n + 1}@1", f"k{k}") for k in range(9)) if n < 9 else (BASE,),
        )
        for n in range(10)
    }  # fmt: skip
    with pytest.raises(DomainError, match="more than 120 passes"):
        expand_recipe(wide["w0", 1], wide)


def test_held_recipes_that_are_renamed_are_held_by_their_new_name() -> None:
    renamed = with_held(hauler(BASE, holding("rust@1")), {("rust", 1): "rust-2"})
    assert renamed.passes[1].holds == "rust-2@1"

"""Two versions of a recipe, pass by pass."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from muster.core.recipes.compare import differences
from muster.core.recipes.recipe import MixPart, Recipe
from tests.core.making import a_pass

A, B, C, D = (a_pass(key) for key in "abcd")


def of(*passes: object) -> Recipe:
    return Recipe("r", "r", "figure", 1, passes)  # type: ignore[arg-type]


def test_equal_versions_differ_in_nothing() -> None:
    assert differences(of(A, B), of(A, B)) == []


def test_new_gone_moved_and_changed_are_told_apart() -> None:
    redder = replace(A, mix=(MixPart("Fen clay", 3), MixPart("Silt")), minutes=2.5)
    found = {one.key: one for one in differences(of(A, B, C), of(redder, C, D))}
    assert {key: one.how for key, one in found.items()} == {
        "a": "changed", "d": "new", "b": "gone"
    }  # fmt: skip
    assert ("mix", "none", "3 Fen clay, 1 Silt") in found["a"].values
    assert ("minutes a model", "2", "2.5") in found["a"].values


def test_a_pass_carried_to_the_front_is_the_only_one_that_moved() -> None:
    found = differences(of(A, B, C, D), of(D, A, B, C))
    assert [(one.key, one.how) for one in found] == [("d", "moved")]


@given(st.permutations("abcdef"))
def test_as_few_moved_as_can_be(order: list[str]) -> None:
    known = {key: a_pass(key) for key in "abcdef"}
    moved = differences(of(*known.values()), of(*(known[key] for key in order)))
    # Those that stayed stand in their old order.
    stayed = [key for key in order if key not in {one.key for one in moved}]
    assert stayed == sorted(stayed)
    assert len(moved) < 6

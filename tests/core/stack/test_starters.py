"""The starter library: every recipe is sound under the default habits, and settles its waits."""

from __future__ import annotations

import pytest

from muster.core.formats.recipe import read, write
from muster.core.recipes.recipe import Recipe, complaints_of
from muster.core.recipes.starters import BY_KIND
from muster.core.recipes.starters_vehicles import STARTERS
from muster.core.stack.check import check
from muster.core.stack.habits.house import Habits
from muster.core.stack.resolve_waits import with_resolved_waits

IDS = [one.id for one in STARTERS]


@pytest.mark.parametrize("recipe", STARTERS, ids=IDS)
def test_it_is_free_of_errors_and_warnings(recipe: Recipe) -> None:
    assert complaints_of(recipe) == []
    grave = [one for one in check(recipe).findings if one.severity != "note"]
    assert grave == []


@pytest.mark.parametrize("recipe", STARTERS, ids=IDS)
def test_it_stays_free_of_errors_in_an_all_acrylic_house(recipe: Recipe) -> None:
    found = check(recipe, habits=Habits(weathering="all-acrylic")).findings
    assert [one for one in found if one.severity == "error"] == []


@pytest.mark.parametrize("recipe", STARTERS, ids=IDS)
def test_it_comes_back_from_its_file_and_knows_its_waits(recipe: Recipe) -> None:
    assert read(write(recipe)) == recipe
    assert all(one.stand_min is not None for one in with_resolved_waits(recipe).passes)


def test_there_are_enough_and_every_kind_has_one() -> None:
    assert len(STARTERS) >= 16
    assert len(set(IDS)) == len(IDS)
    assert set(BY_KIND.values()) <= set(IDS)

"""Habits: each has reasons for all its ways, is kept by its name, and changes what it says."""

from __future__ import annotations

from typing import Any

import pytest
from pydantic import TypeAdapter, ValidationError

from muster.core.house import HOUSE, House
from muster.core.stack.habits.habit import HABITS, Habit, register
from muster.core.stack.habits.house import OURS, Habits, apply_house_habits, chosen, habits_from
from tests.core.stack.making import p, recipe

ALL: TypeAdapter[Any] = TypeAdapter(Habits)
WAYS = [(name, way) for name, habit in HABITS.items() for way in habit.ways]


@pytest.mark.parametrize(("name", "way"), WAYS)
def test_every_way_has_a_reason_and_can_be_chosen_kept_and_said(name: str, way: str) -> None:
    assert len(HABITS[name].ways[way]) > 10
    house = House(habits=Habits(**{name: way}))
    assert HOUSE.validate_python(HOUSE.dump_python(house, mode="json")) == house
    assert chosen(habits_from([f"{name}={way}"]))[name] == way


@pytest.mark.parametrize("name", HABITS)
def test_a_way_that_is_none_is_refused_where_a_house_is_read(name: str) -> None:
    with pytest.raises(ValidationError):
        HOUSE.validate_python({"habits": {name: "upside down"}})


def test_numbers_and_shorts_tell_habits_apart() -> None:
    numbers = [habit.number for habit in HABITS.values()]
    shorts = [short for habit in HABITS.values() for short in habit.shorts]
    assert len(set(numbers)) == len(numbers)
    assert len(set(shorts)) == len(shorts)


def test_our_own_ways_change_nothing_of_a_recipe() -> None:
    made = recipe(p("brush", "base"), p("pin wash", "wash", carrier="white spirit"))
    assert apply_house_habits(made, OURS) is made


def test_a_habit_whose_own_way_is_none_of_its_ways_is_refused() -> None:
    with pytest.raises(ValueError, match="none of its ways"):
        register(Habit("tape", 99, "Tape", "wide", {"thin": "cuts a clean line along a curve"}))
    assert "tape" not in HABITS

"""What holds for every verb there is; each has an example here."""

from __future__ import annotations

from dataclasses import replace
from datetime import date, time
from typing import Any, get_args, get_type_hints

import pytest
from pydantic import TypeAdapter, ValidationError

from muster.core.build.kit import Build
from muster.core.choices import CHOICES, Choices, Order
from muster.core.commands.any_command import COMMAND, Together
from muster.core.commands.command import COMBINED, VERBS
from muster.core.commands.rhythm import rhythm_of
from tests.core.making import NOW, choices, unit

UNIT = {"unit": "pikes"}
KIT: dict[str, Any] = {
    "name": "Pike 3", "parts": [{"id": "body", "name": "Body"}, {"id": "spear", "name": "Spear"}],
    "joints": [{"id": "on-spear", "part": "spear", "onto": "body"}],
}  # fmt: skip
EXAMPLES: dict[str, dict[str, Any]] = {
    "add_unit": {"line": "8 lancers mounted", "recipe": "r", "recipe_version": 1},
    "edit_unit": {**UNIT, "priority": 5},
    "remove_unit": UNIT,
    "set_parade_day": {"day": "2027-06-01"},
    "set_rack": {"rack": 12},
    "set_spare": {"minutes": 15},
    "finish_first": UNIT,
    "set_hours": {"tag": "daylight", "start": "09:00", "end": "16:00"},
    "pin_call": {"call": "pikes.1/base", "start": "2027-03-04T20:00:00Z"},
    "leave_out": {**UNIT, "pass_keys": ["base"], "models": [1]},
    "put_off": {"call": "pikes.1/base", "until": "2027-03-04T20:00:00Z"},
    "set_order": {"before": "guns", "after": "pikes"},
    "drop_order": {"before": "pikes", "after": "guns"},
    "waive_need": {**UNIT, "pass_key": "base", "tag": "daylight"},
    "cut_call": {**UNIT, "pass_key": "base"},
    "add_evening": {"day": "2027-05-04", "start": "10:00", "end": "11:00"},
    "remove_evening": {"evening": "mon-1930-on-20270308"},
    "move_evening": {"evening": "mon-1930-on-20270308", "day": "2027-03-10", "start": "10:00",
                     "end": "11:00"},
    "end_weekly": {"weekly": "mon-1930"},
    "set_kit": {**UNIT, "kit": KIT},
    "set_build": {**UNIT, "build": {"kit": KIT}, "words": "taken"},
    "set_joint": {"unit": "built", "joint": "on-spear", "way": "apart", "before": "end"},
    "edit_kit": {"unit": "built", "remove": "spear"},
    "note_mishap": {"unit": "built", "what": "came off", "part": "spear", "models": [1, 2]},
    "together": {"changes": [{"do": "set_rack", "rack": 7}]},
}  # fmt: skip

BUILD: TypeAdapter[Build] = TypeAdapter(Build)


def before() -> Choices:
    """Three units, two in an order and one built of a kit, and a sitting each Monday."""
    built = BUILD.validate_python({"kit": KIT})
    made = choices(unit(), unit(id="guns", name="guns"), unit(id="built", name="b", build=built))
    rhythm = rhythm_of({0: (time(19, 30), time(22))}, date(2027, 3, 1))
    return replace(made, rhythm=rhythm, order=(Order("pikes", "guns"),))


def read(do: str) -> Any:
    return COMMAND.validate_python({"do": do, **EXAMPLES[do]})


def test_every_verb_that_is_registered_has_an_example() -> None:
    assert {do_of(made) for made in (*VERBS, Together)} == set(EXAMPLES)
    assert len(VERBS) + 1 == len(EXAMPLES)


def do_of(made: Any) -> str:
    """The word by which a verb is told."""
    word: str = get_args(get_type_hints(made)["do"])[0]
    return word


@pytest.mark.parametrize("do", EXAMPLES)
def test_a_command_changes_something_says_what_and_leaves_a_document_that_can_be_read(
    do: str,
) -> None:
    start = before()
    made, words = read(do).apply(start, NOW)
    assert made != start
    assert words
    assert CHOICES.validate_python(CHOICES.dump_python(made, mode="json")) == made
    # It is undone by going back to the document before it: that must be as it was.
    assert start == before()


@pytest.mark.parametrize("do", EXAMPLES)
def test_a_field_that_nobody_knows_is_refused(do: str) -> None:
    with pytest.raises(ValidationError):
        COMMAND.validate_python({"do": do, **EXAMPLES[do], "more": 1})


@pytest.mark.parametrize("made", COMBINED, ids=do_of)
def test_what_may_be_combined_does_the_same_alone_and_together(made: type) -> None:
    alone = {"do": do_of(made), **EXAMPLES[do_of(made)]}
    if alone["do"] == "remove_unit":
        alone["unit"] = "guns"
    together = COMMAND.validate_python({"do": "together", "changes": [alone]})
    one = COMMAND.validate_python(alone)
    assert together.apply(before(), NOW) == one.apply(before(), NOW)

"""Every property of a pass can be reached by a word, within the limits that a pass has."""

from __future__ import annotations

from dataclasses import fields
from typing import Any

import pytest
from pydantic import TypeAdapter, ValidationError

from muster.core.recipes.recipe import Pass
from muster.core.typed.pass_fields import PASS_FIELDS, PassField

PASS: TypeAdapter[Pass] = TypeAdapter(Pass)
NUMBERS = [one for one in PASS_FIELDS if one.edit == "number"]


def with_value(name: str, value: Any) -> Pass:
    base = {"key": "a", "name": "a", "technique": "brush", "minutes": 1}
    return PASS.validate_python({**base, name: value})


def test_every_property_of_a_pass_has_a_word() -> None:
    assert [one.name for one in PASS_FIELDS if PASS_FIELDS.count(one) > 1] == []
    assert {one.name for one in fields(Pass)} - {"key"} == {one.name for one in PASS_FIELDS}


@pytest.mark.parametrize("field", NUMBERS, ids=lambda one: one.name)
def test_what_a_number_may_be_is_what_a_pass_takes(field: PassField) -> None:
    for value in (field.least, field.most):
        assert getattr(with_value(field.name, value), field.name) == value
    with pytest.raises(ValidationError):
        with_value(field.name, field.most + max(1, field.most / 10))
    if field.unsaid:
        with_value(field.name, None if getattr(with_value("name", "a"), field.name) is None else 0)


@pytest.mark.parametrize(
    "field", [one for one in PASS_FIELDS if one.edit == "choice"], ids=lambda one: one.name
)
def test_every_choice_is_one_that_a_pass_takes(field: PassField) -> None:
    assert field.options or field.among
    for option in field.options:
        assert getattr(with_value(field.name, option.value), field.name) == option.value


def test_a_text_may_be_as_long_as_it_may_be() -> None:
    for field in PASS_FIELDS:
        if field.edit == "text":
            with_value(field.name, "x" * int(field.most))
            with pytest.raises(ValidationError):
                with_value(field.name, "x" * int(field.most + 1))

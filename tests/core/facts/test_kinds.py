"""What holds for every kind of fact; what it must agree with before it is kept."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta
from uuid import uuid4

import pytest
from pydantic import ValidationError

from muster.core.facts.fact import FACT, KINDS, Fact, Told
from muster.core.facts.replay import replay
from muster.core.facts.validation import AHEAD, sift
from tests.core.making import NOW, choices, unit

CALL = {"unit": "pikes", "pass_keys": ("base",), "tray": 1}


def a_fact(kind: str, minutes: float = 0, **more: object) -> Fact:
    return Fact(uuid4(), kind, NOW + timedelta(minutes=minutes), **{**CALL, **more})  # type: ignore[arg-type]


@pytest.mark.parametrize("kind", KINDS)
def test_a_fact_of_every_kind_is_read_back_as_it_was_and_can_be_taken_back(kind: str) -> None:
    begun = [a_fact("begin", -9), a_fact("tick", -8, model=1), a_fact("touch_up", -7, model=1)]
    one = a_fact(kind, model=2, of=begun[-1].id)
    assert FACT.validate_python(FACT.dump_python(one, mode="json")) == one
    without, then = replay(begun), replay([*begun, one])
    assert then != without
    back = replay([*begun, one, a_fact("take_back", 1, of=one.id)])
    # A taking back stays what it is: nothing brings back what it took away but a new fact.
    assert back == (then if kind == "take_back" else without)


def test_a_kind_that_nobody_knows_is_refused_with_those_there_are() -> None:
    with pytest.raises(ValidationError, match=r"use .*begin.*tick"):
        a_fact("finish")


@pytest.mark.parametrize("kind", [name for name, kind in KINDS.items() if kind.of_model])
def test_a_model_of_no_unit_on_the_roll_is_refused(kind: str) -> None:
    roll = choices(unit(count=4))
    assert sift([a_fact(kind, model=4)], roll, NOW)[1] == []
    for odd, words in ((a_fact(kind, model=5), "has no model 5"), (a_fact(kind), "no model 0"),
                       (a_fact(kind, model=1, unit="gone"), "no longer on the roll")):  # fmt: skip
        (refused,) = sift([odd], roll, NOW)[1]
        assert words in refused.complaints[0]


@pytest.mark.parametrize("kind", [name for name, kind in KINDS.items() if not kind.of_unit])
def test_what_speaks_of_no_unit_is_kept_when_that_is_gone(kind: str) -> None:
    assert sift([a_fact(kind, unit="gone")], choices(), NOW)[1] == []


def test_a_clock_may_be_a_little_ahead_and_no_model_is_done_before_it_is_begun() -> None:
    soon = a_fact("pause", AHEAD.total_seconds() / 60)
    later = replace(soon, at=soon.at + timedelta(seconds=1), id=uuid4())
    backwards = a_fact("end", start=NOW + timedelta(seconds=1))
    good, refused = sift([soon, later, backwards], choices(), NOW)
    assert good == [soon]
    assert [one.id for one in refused] == [str(later.id), str(backwards.id)]
    assert "still to come" in refused[0].complaints[0]
    assert "begun after it was done" in refused[1].complaints[0]


def test_a_fact_sent_twice_in_one_breath_is_taken_once() -> None:
    one = a_fact("pause")
    assert sift([one, one], choices(), NOW) == ([one], [])


@pytest.mark.parametrize("kind", ["pause", "end", "take_back"])
def test_what_speaks_of_the_call_under_way_does_nothing_where_none_is(kind: str) -> None:
    told = Told()
    KINDS[kind].tell(a_fact(kind), told)
    assert told == Told()

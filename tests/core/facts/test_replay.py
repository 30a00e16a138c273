"""Facts are told in the order of their times; taking one back is a fact of its own."""

from __future__ import annotations

import random
from datetime import timedelta

from hypothesis import given
from hypothesis import strategies as st

from muster.core.facts.fact import touch_key
from muster.core.facts.replay import replay
from tests.core.making import NOW, fact, ticks


def test_a_tick_says_that_a_pass_is_done_on_a_model() -> None:
    told = replay(ticks(range(1, 3)))
    assert set(told.ticks) == {("pikes", 1, "undercoat"), ("pikes", 2, "undercoat")}


def test_what_was_taken_back_never_was() -> None:
    one, two = ticks(range(1, 3))
    told = replay([one, two, fact("take_back", 9, of=one.id)])
    assert set(told.ticks) == {("pikes", 2, "undercoat")}
    assert told.last() == two


def test_a_call_runs_from_its_begin_to_its_end() -> None:
    begun = replay([fact("begin", 0)])
    assert begun.under_way is not None
    assert begun.under_way.since == NOW
    assert replay([fact("begin", 0), fact("end", 5)]).under_way is None


def test_a_tick_moves_on_to_the_next_model() -> None:
    told = replay([fact("begin", 0), *ticks(range(1, 2), first=3)])
    assert told.under_way is not None
    assert told.under_way.since == NOW + timedelta(minutes=3)


def test_a_pause_stops_the_clock_and_a_second_one_goes_on() -> None:
    paused = replay([fact("begin", 0), fact("pause", 2)])
    assert paused.under_way is not None and paused.under_way.paused
    went_on = replay([fact("begin", 0), fact("pause", 2), fact("pause", 9)])
    assert went_on.under_way is not None and not went_on.under_way.paused
    assert went_on.under_way.since == NOW + timedelta(minutes=9)


def test_a_touch_up_stands_until_it_is_done_and_may_be_noted_again() -> None:
    mark = fact("touch_up", 4, model=1)
    done = fact("tick", 6, (touch_key("undercoat"),), model=1)
    assert replay([mark]).touch_ups == {("pikes", 1, "undercoat")}
    assert replay([mark, done]).touch_ups == frozenset()
    again = replay([mark, done, fact("touch_up", 8, model=1)])
    assert again.touch_ups == {("pikes", 1, "undercoat")}
    assert ("pikes", 1, touch_key("undercoat")) not in again.ticks


@given(st.integers(0, 10**6))
def test_facts_that_arrive_out_of_order_tell_the_same(seed: int) -> None:
    facts = [fact("begin", 0), *ticks(range(1, 5)), fact("touch_up", 6, model=2), fact("end", 7)]
    mixed = facts[:]
    random.Random(seed).shuffle(mixed)
    assert replay(mixed) == replay(facts)

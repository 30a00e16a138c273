"""Waiting on a clock is an integral: exact, and the same counted second by second."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from muster.core.plan.clocks import FOREVER, STEADY, latest_at, ready_at, waited_milli
from muster.core.plan.kernel.assemble import assemble
from muster.core.plan.kernel.time import latest, reach
from muster.core.plan.problem import Rate
from muster.core.plan.reading import problem_from
from tests.core.plan.making import items, problem_json, task
from tests.core.plan.test_planner import planned

rates_of = st.lists(st.tuples(st.integers(1, 40), st.integers(0, 2000)), min_size=1, max_size=4)


def clock(rows: list[tuple[int, int]]) -> tuple[Rate, ...]:
    """Rates that rise in time; the last one runs."""
    found, at = [], 0
    for length, milli in rows:
        found.append(Rate(at, milli))
        at += length
    return (*found[:-1], Rate(found[-1].start, max(1, found[-1].milli)))


def rate_at(rates: tuple[Rate, ...], second: int) -> int:
    return next((rate.milli for rate in reversed(rates) if rate.start <= second), rates[0].milli)


@given(rates_of, st.integers(0, 60), st.integers(0, 90))
def test_waiting_is_counted_second_by_second(
    rows: list[tuple[int, int]], start: int, length: int
) -> None:
    rates = clock(rows)
    by_hand = sum(rate_at(rates, second) for second in range(start, start + length))
    assert waited_milli(rates, start, start + length) == by_hand


@given(rates_of, st.integers(0, 60), st.integers(0, 60))
def test_ready_is_the_first_second_by_which_enough_was_waited(
    rows: list[tuple[int, int]], start: int, wait: int
) -> None:
    rates = clock(rows)
    moment = ready_at(rates, start, wait)
    assert waited_milli(rates, start, moment) >= wait * 1000
    assert moment == start or waited_milli(rates, start, moment - 1) < wait * 1000


@given(rates_of, st.integers(0, 60), st.integers(0, 60))
def test_a_window_is_kept_up_to_the_last_second_that_does_not_pass_it(
    rows: list[tuple[int, int]], start: int, window: int
) -> None:
    rates = clock(rows)
    last = latest_at(rates, start, window)
    assert waited_milli(rates, start, last) <= window * 1000
    assert waited_milli(rates, start, last + 1) > window * 1000


@given(rates_of, st.integers(0, 60), st.integers(0, 60_000))
@settings(deadline=None)
def test_the_compiled_clock_says_the_same(
    rows: list[tuple[int, int]], start: int, milli: int
) -> None:
    rates = clock(rows)
    raw = problem_json(
        sittings=[{"start": 0, "end": 99}],
        clocks={"water": [{"from": r.start, "rate": r.milli / 1000} for r in rates]},
        items=items("m"), tasks=[task("t", ["m"], 9)],
    )  # fmt: skip
    frame = assemble(problem_from(raw)).frame
    wait_s = milli // 1000
    assert reach(frame, 0, start, wait_s * 1000) == ready_at(rates, start, wait_s)
    assert reach(frame, -1, start, milli) == start + -(-milli // 1000)


@given(rates_of, st.integers(0, 60), st.integers(0, 60), st.integers(0, 200))
@settings(deadline=None)
def test_a_window_that_is_compiled_ends_at_the_same_second(
    rows: list[tuple[int, int]], start: int, window: int, earliest: int
) -> None:
    """The wall's minutes bind where the clock runs slower, unless they end before one may begin."""
    rates = clock(rows)
    frame = assemble(problem_from(problem_json(
        sittings=[{"start": 0, "end": 99}],
        clocks={"water": [{"from": r.start, "rate": r.milli / 1000} for r in rates]},
        items=items("m"), tasks=[task("t", ["m"], 9)],
    ))).frame  # fmt: skip
    by_clock, by_wall = latest_at(rates, start, window), start + window
    wanted = by_clock if by_wall < earliest else min(by_clock, by_wall)
    assert latest(frame, 0, start, window, earliest) == wanted
    assert latest(frame, -1, start, window, earliest) == by_wall


@pytest.mark.parametrize(("opens", "kept"), [(160, True), (161, False)])
def test_a_piece_may_start_in_the_very_last_second_of_its_window(opens: int, kept: bool) -> None:
    """The first pass ends at 60 and is to be worked within 100 s; daylight comes at ``opens``."""
    raw = problem_json(
        sittings=[{"start": 0, "end": 400}], items=items("m"),
        conditions=[{"tag": "daylight", "start": opens, "end": 400}],
        tasks=[task("wash", ["m"], 60), task("wipe", ["m"], 30, needs=["daylight"])],
        links=[{"before": "wash", "after": "wipe", "stand_s": 0, "window_s": 100, "clock": "wall"}],
    )  # fmt: skip
    raw["tasks"][0]["not_before"], raw["pins"] = 0, [{"task": "wash", "start": 0, "slack_s": 0}]
    plan = planned(problem_from(raw), 20)
    starts = {block.ref: block.start for block in plan.blocks if block.do == "work"}
    # Where the window would pass, the pin gives way and the wash is laid later.
    assert (plan.dropped_pins == ()) == kept
    assert starts["wipe"] - (starts["wash"] + 60) <= 100


def test_the_wall_runs_at_one_and_no_wait_is_over_at_once() -> None:
    assert ready_at(STEADY, 100, 60) == 160
    assert ready_at(STEADY, 100, 0) == 100
    assert latest_at(STEADY, 100, 0) == 100
    assert FOREVER > 10**15

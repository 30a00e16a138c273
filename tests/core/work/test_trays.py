"""Trays: the smallest that dries while one works along it, bounded by rack and windows."""

from __future__ import annotations

import math

from hypothesis import given
from hypothesis import strategies as st

from muster.core.work.trays import MOST_IN_HAND, proposed_size, tray_name, trays_of
from tests.core.making import BASE, UNDERCOAT, WASH, a_pass, unit


def test_the_first_model_is_ready_when_the_last_is_done() -> None:
    passes = (a_pass("base", 5, dry_min=20), a_pass("light", 5))
    size = proposed_size(unit(40), passes, 100)
    assert (size - 1) * 5 >= 20
    assert (size - 2) * 5 < 20


def test_a_wait_that_is_slept_over_asks_for_no_larger_tray() -> None:
    short = (a_pass("base", 5, dry_min=20), a_pass("light", 5))
    slept = (a_pass("base", 5, dry_min=20), a_pass("gloss", 5, stand_min=1440), a_pass("decal", 5))
    assert proposed_size(unit(40), slept, 100) == proposed_size(unit(40), short, 100)


def test_no_more_models_than_a_bench_holds_in_hand() -> None:
    passes = (a_pass("base", 0.5, dry_min=60), a_pass("light", 0.5))
    assert proposed_size(unit(60), passes, 200) <= MOST_IN_HAND


def test_a_small_rack_bounds_the_tray() -> None:
    passes = (a_pass("base", 1, dry_min=60), a_pass("light", 1))
    assert proposed_size(unit(24), passes, 5) <= 5
    assert proposed_size(unit(24, kind="vehicle"), passes, 9) <= 3


def test_a_window_bounds_the_tray_by_how_far_the_passes_drift_apart() -> None:
    """(n − 1) · |a − b| ≤ window − stand: otherwise the last model comes too late."""
    fluid = a_pass("fluid", 2, dry_min=20, stand_min=20, window_min=32)
    passes = (fluid, a_pass("scratch", 5))
    size = proposed_size(unit(30), passes, 200)
    assert (size - 1) * abs(2 - 5) <= 32 - 20


def test_trays_are_even_rather_than_full() -> None:
    passes = (a_pass("base", 5, dry_min=20), a_pass("light", 5))
    sizes = [len(tray) for tray in trays_of(unit(11), passes, 100)]
    assert max(sizes) - min(sizes) <= 1 or len(sizes) == 1


def test_the_user_may_choose_another_size() -> None:
    trays = trays_of(unit(10, tray_size=4), (UNDERCOAT, BASE, WASH), 100)
    assert trays == [[1, 2, 3, 4], [5, 6, 7, 8], [9, 10]]


def test_a_unit_of_one_tray_is_called_by_its_name_alone() -> None:
    assert tray_name(unit(), 1, 1) == "Pikes"
    assert tray_name(unit(), 2, 3) == "Pikes 2"


@given(st.integers(1, 500), st.integers(1, 200), st.floats(0.1, 60), st.floats(0, 300))
def test_every_model_is_in_one_tray_and_no_tray_is_empty(
    count: int, rack: int, minutes: float, dry: float
) -> None:
    passes = (a_pass("base", minutes, dry_min=dry), a_pass("light", minutes))
    trays = trays_of(unit(count), passes, rack)
    assert [model for tray in trays for model in tray] == list(range(1, count + 1))
    assert all(trays)
    assert len(trays) == math.ceil(count / len(trays[0]))

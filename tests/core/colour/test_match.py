"""The best mix of owned paints: exact drops, ranked, and what may not be mixed is not."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from muster.core.colour import match_plain
from muster.core.colour.drop_sets import ways_of
from muster.core.colour.match import EYE, from_pot, match
from muster.core.colour.paint import stated
from muster.core.colour.shelf import Paint, Shelf
from muster.core.colour.spaces import difference, lab_of, xyz_of, xyz_of_hex
from tests.bench.shelves import everything, shelf, targets

GREY, GREEN = (lab_of(xyz_of_hex([one]))[0] for one in ("#808080", "#6b7a3a"))


def own(*colours: str, **more: object) -> Shelf:
    return Shelf(tuple(Paint(one, stated(one), **more) for one in colours))  # type: ignore[arg-type]


@pytest.mark.parametrize("paints", [1, 2, 3])
def test_the_best_is_that_of_all_mixes(paints: int) -> None:
    """Against measuring every mix: 24 paints, at most so many in up to 12 drops."""
    mine = shelf(24, 7)
    for goal in targets(12, 11):
        least = min(everything(mine, goal, n, 12) for n in range(1, paints + 1))
        best = min(one.off for one in match(mine, goal, paints, keep=30))
        assert best <= least + 0.1


def test_a_large_shelf_is_looked_through_by_paints_that_stand_for_others() -> None:
    mine = shelf(140, 3)
    for goal in targets(3, 5):
        least = min(everything(mine, goal, n, 7) for n in (1, 2))
        assert min(one.off for one in match(mine, goal, 3, 7, keep=30)) <= least + 0.1


def test_a_mix_of_two_drops_of_owned_paints_is_found_again() -> None:
    mine = shelf(40, 2)
    wanted = mine.mix(((5, 3), (17, 2), (30, 4)), GREY)
    best = match(mine, np.array(wanted.lab), by="difference")[0]
    assert best.off <= 0.1


def test_four_paints_come_no_farther_than_three() -> None:
    mine = shelf(30, 4)
    for goal in targets(6, 9):
        three, four = (min(m.off for m in match(mine, goal, n, keep=30)) for n in (3, 4))
        assert four <= three + 1e-9


@settings(max_examples=25, deadline=None)
@given(st.integers(0, 10**6), st.integers(1, 4), st.integers(1, 20))
def test_drops_are_whole_few_enough_and_say_the_colour_they_give(
    seed: int, paints: int, drops: int
) -> None:
    mine = shelf(12, seed, ("acrylic", "oil"))
    goal = targets(1, seed)[0]
    for mix in match(mine, goal, paints, drops):
        assert len(mix.drops) <= paints and mix.total <= drops
        assert all(amount >= 1 for _, amount in mix.drops)
        assert len({index for index, _ in mix.drops}) == len(mix.drops)
        optics = mine.optics(mix.drops)
        shown = lab_of(xyz_of(optics.masstone))
        assert float(difference(shown, goal)) == pytest.approx(mix.off, abs=1e-9)


def test_ways_name_each_ratio_once() -> None:
    rows = [tuple(int(v) for v in row[:2]) for row in ways_of(2, 6)]
    assert (1, 1) in rows and (2, 2) not in rows and (4, 2) not in rows
    assert len({a / b for a, b in rows}) == len(rows)
    assert all(a + b <= 6 for a, b in rows)


def test_media_that_must_not_be_mixed_are_not() -> None:
    paints = [
        Paint("blue", stated("#1f4fa0"), "oil"),
        Paint("yellow", stated("#f2c400"), "acrylic"),
    ]
    assert all(len(mix.drops) == 1 for mix in match(Shelf(tuple(paints)), GREEN, 3))
    same = Shelf(tuple(Paint(p.name, p.optics, "acrylic") for p in paints))
    assert len(match(same, GREEN, 3)[0].drops) == 2


def test_of_two_alike_the_one_in_stock_then_the_cheaper_goes_first() -> None:
    grey = stated("#808080")
    gone, dear = Paint("gone", grey, in_stock=False), Paint("dear", grey, price_ml=0.9)
    cheap = Paint("cheap", grey, price_ml=0.2)
    best = match(Shelf((gone, dear, cheap)), GREY, 1)
    assert [one.drops[0][0] for one in best] == [2, 1, 0]


def test_fewer_paints_go_first_where_the_eye_sees_no_difference() -> None:
    best = match(own("#808080", "#787878", "#888888"), GREY, 3)[0]
    assert len(best.drops) == 1


def test_of_all_that_no_eye_tells_from_the_closest_the_simplest_goes_first() -> None:
    mine = shelf(60, 5)
    for goal in targets(15, 21):
        ranked = match(mine, goal, keep=8)
        closest = match(mine, goal, by="difference")[0]
        assert ranked[0].off <= closest.off + EYE
        near = [one for one in ranked if one.off <= closest.off + EYE]
        sizes = [(len(one.drops), one.total) for one in near]
        # The closest of all stands last where it would not be named else.
        assert sizes[:-1] == sorted(sizes[:-1])
        assert min(one.off for one in ranked) == pytest.approx(closest.off)


def test_fewest_paints_and_drops_are_those_of_all_mixes() -> None:
    """By measuring every mix of one and two of ten paints."""
    mine = shelf(10, 8)
    for goal in targets(12, 31):
        every = [mine.mix(((n, 1),), goal) for n in range(10)]
        every += [
            mine.mix(((a, i), (b, j)), goal)
            for a in range(10) for b in range(a) for i in range(1, 12) for j in range(1, 13 - i)
        ]  # fmt: skip
        best = min(one.off for one in every)
        near = [one for one in every if one.off <= best + EYE - 1e-6]
        simplest = min((len(one.drops), one.total) for one in near)
        found = match(mine, goal, 2)[0]
        assert (len(found.drops), found.total) == simplest


def test_the_loop_that_is_not_compiled_finds_the_same() -> None:
    mine = shelf(30, 6)
    for goal in targets(8, 17):
        fast, plain = (match(mine, goal, by="difference", kernel=kernel)
                       for kernel in (None, match_plain))  # fmt: skip
        assert plain[0].off == pytest.approx(fast[0].off, abs=0.02)


def test_each_set_of_paints_is_named_once() -> None:
    found = match(shelf(20, 1), GREEN, 3, keep=12)
    sets = [frozenset(index for index, _ in mix.drops) for mix in found]
    assert len(set(sets)) == len(sets)


def test_a_pot_is_brought_to_the_target_with_the_least_extra() -> None:
    mine = own("#f4f3ee", "#1b1b1d", "#66703f", "#c9a227")
    pot = ((2, 6),)
    goal = np.array(mine.mix(((2, 6), (3, 2)), GREEN).lab)
    best = from_pot(mine, pot, goal)[0]
    assert best.drops == ((3, 2),) and best.off < 0.5


def test_a_pot_that_is_right_needs_nothing() -> None:
    mine = own("#f4f3ee", "#1b1b1d", "#66703f")
    best = from_pot(mine, ((2, 5),), np.array(mine.mix(((2, 1),), GREEN).lab))[0]
    assert best.drops == () and best.total == 0


@pytest.mark.parametrize(
    ("call", "words"),
    [
        (lambda: match(own("#808080"), GREY, 5), "use 1 to 4"),
        (lambda: match(own("#808080"), GREY, 3, 0), "use 1 to 60"),
        (lambda: from_pot(own("#808080"), (), GREY), "the pot is empty"),
        (lambda: own(*["#808080"] * 301), "301 paints on one shelf"),
    ],
)
def test_what_cannot_be_matched_is_refused(call: object, words: str) -> None:
    with pytest.raises(ValueError, match=words):
        call()

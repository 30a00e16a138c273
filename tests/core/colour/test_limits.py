"""What a shelf can reach: its outline, what is left beyond it, and what to buy."""

from __future__ import annotations

import numpy as np
import pytest

from muster.core.colour.limits import AROUND_L, FAR, limits, worth_buying
from muster.core.colour.match import match
from muster.core.colour.paint import stated
from muster.core.colour.shelf import Paint, Shelf
from muster.core.colour.spaces import hue_of, lab_of, xyz_of_hex
from tests.bench.shelves import shelf, targets


def lab(colour: str) -> np.ndarray:
    return lab_of(xyz_of_hex([colour]))[0]


def own(*colours: str) -> Shelf:
    return Shelf(tuple(Paint(one, stated(one)) for one in colours))


@pytest.mark.parametrize("paints", [10, 40])
def test_what_is_inside_can_be_mixed_and_what_cannot_be_mixed_is_outside(paints: int) -> None:
    mine = shelf(paints, 1)
    out = 0
    for goal in targets(20, 7):
        found = limits(mine, goal)
        assert found.nearest.off == match(mine, goal, by="difference")[0].off
        if found.nearest.off > 2 * FAR:
            out += 1
            assert not found.inside
        if found.nearest.off < FAR / 2:
            assert found.inside and found.paler is None and found.shifted is None
    assert out > 2


def depth(boundary: tuple[tuple[float, float], ...], point: np.ndarray) -> float:
    """How far inside an outline a point lies; below 0 outside."""
    corners = np.array(boundary)
    edges = np.roll(corners, -1, axis=0) - corners
    along = np.clip(((point - corners) * edges).sum(axis=1) / (edges**2).sum(axis=1), 0, 1)
    nearest = float(np.hypot(*(point - corners - along[:, None] * edges).T).min())
    angles = np.unwrap(np.arctan2(*(np.vstack([corners, corners[:1]]) - point).T[::-1]))
    return nearest if abs(angles[-1] - angles[0]) > np.pi else -nearest


def test_every_mix_at_that_lightness_lies_within_the_outline() -> None:
    mine = own("#f4f3ee", "#1b1b1d", "#b3231f", "#f2c400", "#1f4fa0")
    goal = lab("#6f6a62")
    boundary = limits(mine, goal).boundary
    rng = np.random.default_rng(4)
    met = 0
    while met < 60:
        drops = tuple((int(n), int(rng.integers(1, 9))) for n in rng.permutation(5)[:3])
        mix = mine.mix(drops, goal)
        if abs(mix.lab[0] - goal[0]) > AROUND_L:
            continue
        met += 1
        # Between the mixes by which it was drawn the outline cuts its own bend a little.
        assert depth(boundary, np.array(mix.lab[1:])) > -1.5


def test_the_outline_bends_inwards_where_mixtures_do() -> None:
    """Blue and yellow make a green far duller than the middle of the line between them: what lies
    on that line, beyond all greens, is not reached. Facts of mixing, common practice."""
    mine = own("#f4f3ee", "#1b1b1d", "#f2c400", "#1f4fa0", "#b3231f")
    goal = lab("#6f6a62")
    corners = np.array(limits(mine, goal).boundary)
    edges = np.roll(corners, -1, axis=0) - corners
    turns = edges[:, 0] * np.roll(edges, -1, axis=0)[:, 1] - (
        edges[:, 1] * np.roll(edges, -1, axis=0)[:, 0]
    )
    assert (turns < 0).any() and (turns > 0).sum() > (turns < 0).sum()


def test_out_of_reach_the_hue_is_held_and_chroma_or_lightness_given_up() -> None:
    mine = own("#f4f3ee", "#1b1b1d", "#8a3a34", "#b5852f")
    goal = lab("#e01818")
    found = limits(mine, goal)
    assert found.out_of_reach and not found.inside and found.paler is not None
    paler = np.array(found.paler.lab)
    turn = abs((float(hue_of(paler)) - float(hue_of(goal)) + 180) % 360 - 180)
    assert turn < 22 and abs(paler[0] - goal[0]) < 6
    assert np.hypot(*paler[1:]) < np.hypot(*goal[1:])


def test_the_paint_that_would_bring_it_in_is_named_and_no_other() -> None:
    mine = own("#f4f3ee", "#1b1b1d", "#8a3a34", "#b5852f")
    goal = lab("#d02020")
    left = limits(mine, goal).nearest.off
    offered = [Paint(one, stated(one)) for one in ("#2a6fb0", "#d4211e", "#8a8d8f")]
    assert [one.index for one in worth_buying(mine, offered, goal, left)] == [1]
    assert worth_buying(mine, [], goal, left) == []


def test_a_shelf_of_one_paint_has_no_outline_and_an_empty_one_is_refused() -> None:
    found = limits(own("#808080"), lab("#808080"))
    assert len(found.boundary) < 3 and found.inside
    with pytest.raises(ValueError, match="holds no colour"):
        limits(Shelf(()), lab("#808080"))

"""What a pot teaches: of one paint its masstone, of a paint and a white its tint, else nothing."""

from __future__ import annotations

import numpy as np
import pytest

from muster.core.colour.owned import OwnedPaint, Reading, optics_of
from muster.core.colour.spaces import hexes_of, xyz_of_lab
from muster.core.colour.teaching import LEAST_SHARE, is_white, learnt_from

GREEN = OwnedPaint("Reed green", "#5a6b3c")
BROWN = OwnedPaint("Peat", "#4a3526")
WHITE = OwnedPaint("White", "#f6f5f1")


def of_lab(lightness: float, a: float = 0.0, b: float = 0.0) -> OwnedPaint:
    return OwnedPaint("light", hexes_of(xyz_of_lab(np.array([[lightness, a, b]])))[0])


def test_a_pot_of_one_paint_is_its_masstone() -> None:
    assert learnt_from([(GREEN, 5)], "#556633") == (0, Reading("masstone", "#556633"))


@pytest.mark.parametrize(("green", "white", "share"), [(1, 3, 0.25), (3, 1, 0.75), (1, 99, 0.01)])
def test_a_pot_of_a_paint_and_a_white_is_a_tint_by_its_share(
    green: int, white: int, share: float
) -> None:
    learnt = learnt_from([(WHITE, white), (GREEN, green)], "#a9b598")
    assert learnt is not None
    index, reading = learnt
    assert (index, reading.kind, reading.share) == (1, "tint", share)
    # What is learnt can be used: a paint with it has optics.
    assert optics_of(OwnedPaint("Reed green", "#5a6b3c", swatches=(reading,))) is not None


def test_too_little_of_the_paint_tells_nothing() -> None:
    assert LEAST_SHARE == 0.01
    assert learnt_from([(WHITE, 101), (GREEN, 1)], "#f0f0ea") is None


@pytest.mark.parametrize(
    "parts",
    [
        [(GREEN, 1), (BROWN, 1)],
        [(GREEN, 1), (BROWN, 1), (WHITE, 1)],
        [(WHITE, 1)],
        [(GREEN, 1), (WHITE, 1), (WHITE, 2)],
    ],
)
def test_a_pot_that_tells_of_no_single_paint_teaches_nothing(
    parts: list[tuple[OwnedPaint, int]],
) -> None:
    assert learnt_from(parts, "#777766") is None


@pytest.mark.parametrize(
    ("paint", "white"),
    [
        (of_lab(93), True), (of_lab(91), False), (of_lab(95, a=2), True), (of_lab(95, a=6), False),
        (of_lab(95, b=6), True), (of_lab(95, b=10), False), (GREEN, False),
    ],
)  # fmt: skip
def test_a_white_is_light_and_near_grey(paint: OwnedPaint, white: bool) -> None:
    assert is_white(paint) == white

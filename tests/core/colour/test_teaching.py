"""What a pot teaches: the paints in it, however many, the less sure ones more."""

from __future__ import annotations

import random
from collections.abc import Sequence
from dataclasses import replace

import numpy as np
import pytest

from muster.apps.devices.colour_reader import really
from muster.core.colour.owned import OwnedPaint, Reading, optics_of
from muster.core.colour.paint import Optics, mix_of
from muster.core.colour.spaces import difference, hexes_of, lab_of, xyz_of, xyz_of_hex, xyz_of_lab
from muster.core.colour.teaching import LEAST_SHARE, Lesson, is_white, lesson_of

GREEN = OwnedPaint("Reed green", "#5a6b3c")
BROWN = OwnedPaint("Peat", "#4a3526")
WHITE = OwnedPaint("White", "#f6f5f1")
VARNISH = OwnedPaint("Gloss", "#ffffff", medium="acrylic varnish")


def of_lab(lightness: float, a: float = 0.0, b: float = 0.0) -> OwnedPaint:
    return OwnedPaint("light", hexes_of(xyz_of_lab(np.array([[lightness, a, b]])))[0])


def apart(one: str, two: str) -> float:
    labs = lab_of(xyz_of_hex([one, two]))
    return float(difference(labs[0], labs[1]))


def taught(paints: list[OwnedPaint], which: Sequence[int], lesson: Lesson) -> None:
    for index, reading in lesson.swatches:
        paint = paints[which[index]]
        paints[which[index]] = replace(paint, swatches=(*paint.swatches, reading))


def test_a_pot_of_one_paint_is_its_masstone() -> None:
    lesson = lesson_of([(GREEN, 5)], "#556633")
    assert lesson.swatches == ((0, Reading("masstone", "#556633")),)
    assert lesson.before == "#5a6b3c" and apart(lesson.after, "#556633") < 0.5


@pytest.mark.parametrize(("green", "white", "share"), [(1, 3, 0.25), (3, 1, 0.75), (1, 99, 0.01)])
def test_a_pot_of_a_paint_and_a_white_is_a_tint_by_its_share(
    green: int, white: int, share: float
) -> None:
    lesson = lesson_of([(WHITE, white), (GREEN, green)], "#a9b598")
    assert lesson.swatches == ((1, Reading("tint", "#a9b598", share=share)),)


def test_too_little_of_the_paint_tells_nothing() -> None:
    assert LEAST_SHARE == 0.01
    assert lesson_of([(WHITE, 101), (GREEN, 1)], "#f0f0ea").swatches == ()


def test_varnish_in_a_pot_is_only_a_share() -> None:
    assert lesson_of([(GREEN, 4), (VARNISH, 1)], "#556633").swatches[0][0] == 0
    assert lesson_of([(VARNISH, 3)], "#ffffff").swatches == ()


def test_a_pot_of_several_paints_teaches_them_and_its_mix_is_then_predicted_as_it_dried() -> None:
    parts = [(GREEN, 2), (BROWN, 1), (OwnedPaint("Ochre", "#b5852f"), 1)]
    lesson = lesson_of(parts, "#4c5a39")
    assert lesson.paints >= 2 and all(one.inferred for _, one in lesson.swatches)
    assert apart(lesson.after, "#4c5a39") < 1.5 < apart(lesson.before, "#4c5a39")


def test_what_is_least_sure_gives_way_most() -> None:
    sure = replace(
        GREEN, swatches=(Reading("masstone", GREEN.colour), Reading("tint", "#b9bfae", share=0.2))
    )
    lesson = lesson_of([(sure, 1), (BROWN, 1)], "#3f3f2a")

    def moved(index: int, before: OwnedPaint) -> float:
        mine = [one for n, one in lesson.swatches if n == index]
        after = replace(before, swatches=(*before.swatches, *mine))
        labs = lab_of(xyz_of(np.array([optics_of(one).masstone for one in (before, after)])))
        return float(difference(labs[0], labs[1]))

    assert moved(1, BROWN) > 2 * moved(0, sure)


def test_what_was_read_counts_before_what_is_inferred() -> None:
    read, inferred = Reading("masstone", "#556633"), Reading("masstone", "#665544", inferred=True)
    assert replace(GREEN, swatches=(inferred, read)).dry == "#556633"
    assert replace(GREEN, swatches=(inferred,)).dry == "#665544"


def test_pot_after_pot_mixes_are_predicted_better() -> None:
    """Of paints that differ from their labels as bought ones do: ten pots of two to four of eight
    paints nearly halve the error over sixty other mixes of them."""
    rng = random.Random(3)
    labels = (
        "#b3231f",
        "#1b1b1d",
        "#b5852f",
        "#5a5a2c",
        "#1f2f5c",
        "#e2d7b8",
        "#7d5233",
        "#8a8d8f",
    )
    paints = [OwnedPaint(f"paint {n}", colour) for n, colour in enumerate(labels)]
    true = [really(one) for one in paints]

    def mixed(optics: Sequence[Optics], which: Sequence[int], drops: Sequence[int]) -> Optics:
        return mix_of([optics[n] for n in which], np.array(drops, dtype=float))

    others = [(rng.sample(range(8), 3), [rng.randint(1, 4) for _ in range(3)]) for _ in range(60)]

    def error() -> float:
        mine = [optics_of(one) for one in paints]
        labs = [[lab_of(xyz_of(mixed(optics, *one).masstone)) for one in others]
                for optics in (true, mine)]  # fmt: skip
        return float(np.mean(difference(np.array(labs[0]), np.array(labs[1]))))

    first = error()
    for _ in range(10):
        which = rng.sample(range(8), rng.choice((2, 3, 4)))
        drops = [rng.randint(1, 4) for _ in which]
        pot = [(paints[n], many) for n, many in zip(which, drops, strict=True)]
        taught(paints, which, lesson_of(pot, mixed(true, which, drops).hex()))
    assert error() < 0.65 * first


@pytest.mark.parametrize(
    ("paint", "white"),
    [
        (of_lab(93), True), (of_lab(91), False), (of_lab(95, a=2), True), (of_lab(95, a=6), False),
        (of_lab(95, b=6), True), (of_lab(95, b=10), False), (GREEN, False),
    ],
)  # fmt: skip
def test_a_white_is_light_and_near_grey(paint: OwnedPaint, white: bool) -> None:
    assert is_white(paint) == white

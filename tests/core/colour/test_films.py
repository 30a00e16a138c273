"""Films and mixes: the limits of Kubelka and Munk, and facts of the bench."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from muster.core.colour.film import covered, masstone_of, mixed, over, ratio_of
from muster.core.colour.kinds import ROWS, KindTrait
from muster.core.colour.observer import BANDS, Floats
from muster.core.colour.paint import (
    OPACITIES,
    coats_to_cover,
    coats_to_hide,
    contrast_ratio,
    mix_of,
    stated,
)
from muster.core.colour.reconstruct import reflectance_of_hex
from muster.core.colour.spaces import difference, hue_of, lab_of, xyz_of, xyz_of_hex

COLOURS = st.tuples(*[st.integers(0, 255)] * 3).map(lambda c: "#{:02x}{:02x}{:02x}".format(*c))
BLACK = np.full(BANDS, 0.03)
WHITE = reflectance_of_hex("#f4f3ee")


def seen(*parts: tuple[str, int]) -> Floats:
    """CIELAB of a mix of opaque paints."""
    optics = [stated(colour) for colour, _ in parts]
    mix = mix_of(optics, np.array([float(amount) for _, amount in parts]))
    return lab_of(xyz_of(mix.masstone))


def lab(reflectance: Floats) -> Floats:
    return lab_of(xyz_of(reflectance))


def test_no_film_shows_the_ground_and_an_endless_one_the_masstone() -> None:
    paint = stated("#b03020")
    for ground in (BLACK, WHITE):
        assert np.allclose(paint.coat(0.0, ground), ground)
        assert np.allclose(paint.coat(500.0, ground), paint.masstone, atol=1e-6)


def test_k_by_s_at_a_quarter_is_one_and_an_eighth() -> None:
    """(1 − 0.25)² / (2 · 0.25) = 1.125: Kubelka and Munk 1931, arithmetic."""
    assert ratio_of(np.array([0.25]))[0] == pytest.approx(1.125)
    assert masstone_of(np.array([1.125]), np.array([1.0]))[0] == pytest.approx(0.25)


def test_a_film_that_only_scatters_is_sx_by_one_plus_sx_over_black() -> None:
    """The limit K → 0 of the finite film: R = SX / (1 + SX)."""
    found = over(np.full(1, 1e-9), np.full(1, 2.0), 1.5, np.zeros(1))
    assert found[0] == pytest.approx(3 / 4, abs=1e-3)


YELLOWS = ["#f2c400", "#ffd91a", "#e8b800", "#f7e24a"]
BLUES = ["#1f4fa0", "#0f3d8c", "#2a6fb0", "#003399", "#1f2f5c", "#14213d"]


@pytest.mark.parametrize("yellow", YELLOWS)
@pytest.mark.parametrize("blue", BLUES)
def test_yellow_and_blue_make_a_green_of_some_chroma(yellow: str, blue: str) -> None:
    """Common practice: a fact of every paint box, for dark blues too."""
    green = seen((yellow, 1), (blue, 1))
    assert 110 < float(hue_of(green)) < 180
    assert np.hypot(green[1], green[2]) >= 25


@pytest.mark.parametrize("blue", ["#1f2f5c", "#14213d", "#1a237e", "#1f4fa0"])
def test_white_in_a_dark_blue_stays_blue(blue: str) -> None:
    """Common practice: no violet grey."""
    pale = seen(("#f4f3ee", 1), (blue, 1))
    assert 240 < float(hue_of(pale)) < 290 and np.hypot(pale[1], pale[2]) > 10


def test_white_in_red_goes_to_pink_and_in_orange_to_peach() -> None:
    """Common practice: a pink is lighter and redder than orange, a peach between red and yellow."""
    pink, peach = seen(("#f4f3ee", 2), ("#b3231f", 1)), seen(("#f4f3ee", 2), ("#e8761e", 1))
    assert pink[0] > 60 and pink[1] > 25 and float(hue_of(pink)) < 40
    assert peach[0] > 70 and 45 < float(hue_of(peach)) < 80


@pytest.mark.parametrize("white", ["#ffffff", "#f4f3ee", "#e8e8e8"])
@pytest.mark.parametrize("black", ["#000000", "#1b1b1d", "#333333"])
def test_equal_parts_of_white_and_black_are_a_middle_grey(white: str, black: str) -> None:
    assert 40 < seen((white, 1), (black, 1))[0] < 62


@pytest.mark.parametrize("black", ["#000000", "#1b1b1d"])
def test_one_black_in_ten_takes_a_white_to_l_75(black: str) -> None:
    """Common practice, which wins over the general models of mixing: they say 88 and 95."""
    assert seen(("#f4f3ee", 9), (black, 1))[0] == pytest.approx(75, abs=3)


@pytest.mark.parametrize("yellow", ["#f2c400", "#ffd91a", "#d9b310"])
def test_a_little_black_in_yellow_goes_olive(yellow: str) -> None:
    pure, dirtied = seen((yellow, 1)), seen((yellow, 10), ("#1b1b1d", 1))
    assert dirtied[0] < pure[0] - 8
    assert float(hue_of(dirtied)) > float(hue_of(pure)) + 2
    assert dirtied[1] < 0


def of_kind(colour: str, kind: str) -> object:
    row = ROWS[kind]  # type: ignore[index]
    return stated(colour, row.opacity, row.strength, row.has(KindTrait.PEARL))


@pytest.mark.parametrize("kind", ["transparent", "ink"])
def test_a_transparent_paint_tints_as_an_opaque_one_does(kind: str) -> None:
    """Transparency lowers scattering, not absorption: one white and one black ink are a middle
    grey, transparent yellow and blue a green (common practice)."""
    ink, white = of_kind("#1b1b1d", kind), stated("#f4f3ee")
    assert 40 < lab(mix_of([white, ink], np.ones(2)).masstone)[0] < 62  # type: ignore[list-item]
    two = [of_kind("#f2c400", kind), of_kind("#1f4fa0", kind)]
    green = lab(mix_of(two, np.ones(2)).masstone)  # type: ignore[arg-type]
    assert 110 < float(hue_of(green)) < 180 and np.hypot(green[1], green[2]) >= 25
    film = ink.coat(1.0, WHITE)  # type: ignore[attr-defined]
    assert lab(film)[0] < 20
    pale = of_kind("#f4d87a", kind).coat(1.0, BLACK)  # type: ignore[attr-defined]
    assert lab(pale)[0] < 45, "what hides nothing leaves black dark"


def test_white_over_black_takes_its_coats() -> None:
    """L* after one to four brushed coats, and covered after three: common practice."""
    white = stated("#f4f3ee")
    found = [float(lab(white.coat(coats, BLACK))[0]) for coats in (1, 2, 3, 4)]
    assert found == pytest.approx([80, 88, 91, 93], abs=1.5)
    assert coats_to_cover(white, BLACK) == 3 and (coats_to_hide(white) or 0) > 4
    assert coats_to_cover(white, white.masstone) == 0


@pytest.mark.parametrize("yellow", YELLOWS)
def test_a_yellow_takes_three_coats_and_more_over_black(yellow: str) -> None:
    """Common practice."""
    assert (coats_to_cover(stated(yellow), BLACK) or 0) >= 3


@pytest.mark.parametrize(
    "middle", ["#5a5a2c", "#8f8258", "#5e3a22", "#5f7380", "#2f7a3a", "#8a8d8f", "#7d5233"]
)
def test_a_middle_tone_covers_in_one_or_two_coats(middle: str) -> None:
    """Common practice, for opaque paint over black, grey or white."""
    grey = reflectance_of_hex("#8c8c8c")
    needed = [coats_to_cover(stated(middle), ground) for ground in (BLACK, grey, WHITE)]
    assert all(coats is not None and coats <= 2 for coats in needed), needed


def test_a_black_covers_at_once() -> None:
    assert coats_to_cover(stated("#1b1b1d"), WHITE) == 1 == coats_to_hide(stated("#1b1b1d"))


def test_mica_gains_over_black_and_flake_hides_whatever_lies_under_it() -> None:
    """Common practice: pearl paints want a black ground, metal paints none."""
    mica, flake = of_kind("#3f7fa8", "mica"), of_kind("#a7a9ac", "flake")
    chroma = [
        float(np.hypot(*lab(mica.coat(1.0, ground))[1:]))  # type: ignore[attr-defined]
        for ground in (BLACK, WHITE)
    ]
    assert chroma[0] > chroma[1]
    films = [lab(flake.coat(2.0, ground)) for ground in (BLACK, WHITE)]  # type: ignore[attr-defined]
    assert float(difference(films[0], films[1])) < 2


def test_varnish_stirred_into_a_colour_makes_it_more_transparent_and_leaves_its_hue() -> None:
    paint = stated("#8f8258")
    less = mix_of([paint, of_kind("#ffffff", "varnish")], np.array([3.0, 2.0]))  # type: ignore[list-item]
    assert float(difference(lab(less.masstone), lab(paint.masstone))) < 0.1
    assert lab(less.coat(1.0, BLACK))[0] < lab(paint.coat(1.0, BLACK))[0] - 1
    assert np.allclose(less.coat(5.0, BLACK), paint.coat(3.0, BLACK))


def test_the_more_transparent_the_more_coats() -> None:
    coats = [coats_to_cover(stated("#c9a227", one), BLACK) or 99 for one in OPACITIES]
    assert coats == sorted(coats) and coats[0] < coats[-1]


def test_the_contrast_ratio_grows_with_coats_to_hiding() -> None:
    """ISO 6504-3: hiding is a ratio of 0.98 of Y over black to Y over white."""
    white = stated("#f4f3ee")
    ratios = [contrast_ratio(white, coats) for coats in (0.5, 1, 2, 4, 9)]
    assert ratios == sorted(ratios) and ratios[0] < 0.9 < 0.98 < ratios[-1]


@given(COLOURS, st.sampled_from(OPACITIES), st.floats(0, 20), st.floats(0.001, 0.999))
def test_a_film_lies_between_its_ground_and_its_masstone(
    colour: str, opacity: str, thick: float, ground: float
) -> None:
    paint = stated(colour, opacity)
    under = np.full(BANDS, ground)
    film, end = paint.coat(thick, under), paint.masstone
    low, high = np.minimum(under, end), np.maximum(under, end)
    assert (film >= low - 1e-9).all() and (film <= high + 1e-9).all()


@given(COLOURS, COLOURS, st.integers(1, 12), st.integers(1, 12))
def test_a_mix_lies_between_its_paints_in_every_band(one: str, two: str, a: int, b: int) -> None:
    first, second = stated(one), stated(two)
    found = mix_of([first, second], np.array([a, b], dtype=float)).masstone
    low = np.minimum(first.masstone, second.masstone)
    high = np.maximum(first.masstone, second.masstone)
    assert (found >= low - 1e-9).all() and (found <= high + 1e-9).all()


@given(COLOURS)
def test_a_paint_mixed_with_itself_is_itself(colour: str) -> None:
    assert float(difference(seen((colour, 3), (colour, 5)), seen((colour, 1)))) < 1e-6


@given(COLOURS)
@example("#000022")
def test_what_is_stated_is_what_a_thick_coat_shows(colour: str) -> None:
    shown = lab_of(xyz_of(stated(colour).masstone))
    assert float(difference(shown, lab_of(xyz_of_hex([colour]))[0])) < 0.3


def test_partial_cover_is_the_average_by_area() -> None:
    assert covered(0.25, np.array([0.8]), np.array([0.4]))[0] == pytest.approx(0.5)


def test_a_stronger_paint_tints_more() -> None:
    weak = stated("#7a3327")
    tints = [
        lab(mix_of([one, stated("#f4f3ee")], np.array([1.0, 4.0])).masstone)[0]
        for one in (weak, weak.less(3.0))
    ]
    assert tints[1] < tints[0]


@given(
    st.lists(st.integers(1, 30), min_size=1, max_size=4),
    st.integers(2, 7),
    st.integers(0, 2**32 - 1),
)
def test_a_mix_depends_on_the_ratio_of_its_parts_alone(
    parts: list[int], times: int, seed: int
) -> None:
    """Twice of everything is the same paint, and so is each part counted by itself."""
    each = np.random.default_rng(seed).uniform(0.01, 5, (len(parts), 36))
    made = mixed(np.array(parts, float), each)
    assert np.allclose(mixed(times * np.array(parts, float), each), made)
    by_one = np.repeat(each, parts, axis=0)
    assert np.allclose(mixed(np.ones(len(by_one)), by_one), made)
    assert (made >= each.min(axis=0) - 1e-9).all()
    assert (made <= each.max(axis=0) + 1e-9).all()

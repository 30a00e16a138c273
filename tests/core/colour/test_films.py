"""Films and mixes: the limits of Kubelka and Munk, and facts of the bench."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from muster.core.colour.film import covered, masstone_of, mixed, over, ratio_of
from muster.core.colour.observer import BANDS, Floats
from muster.core.colour.paint import OPACITIES, Optics, coats_to_hide, contrast_ratio, stated
from muster.core.colour.reconstruct import reflectance_of_hex
from muster.core.colour.spaces import difference, hue_of, lab_of, xyz_of, xyz_of_hex

COLOURS = st.tuples(*[st.integers(0, 255)] * 3).map(lambda c: "#{:02x}{:02x}{:02x}".format(*c))
BLACK = np.full(BANDS, 0.03)
WHITE = reflectance_of_hex("#f4f3ee")


def seen(*parts: tuple[str, int]) -> Floats:
    """CIELAB of a mix of opaque paints."""
    optics = [stated(colour) for colour, _ in parts]
    drops = np.array([float(amount) for _, amount in parts])
    k = mixed(drops, np.array([one.k for one in optics]))
    s = mixed(drops, np.array([one.s for one in optics]))
    return lab_of(xyz_of(masstone_of(k, s)))


def test_no_film_shows_the_ground_and_an_endless_one_the_masstone() -> None:
    paint = stated("#b03020")
    assert np.allclose(over(paint.k, paint.s, 0.0, BLACK), BLACK)
    assert np.allclose(over(paint.k, paint.s, 500.0, BLACK), paint.masstone, atol=1e-6)
    assert np.allclose(over(paint.k, paint.s, 500.0, WHITE), paint.masstone, atol=1e-6)


def test_k_by_s_at_a_quarter_is_one_and_an_eighth() -> None:
    """(1 − 0.25)² / (2 · 0.25) = 1.125: Kubelka and Munk 1931, arithmetic."""
    assert ratio_of(np.array([0.25]))[0] == pytest.approx(1.125)
    assert masstone_of(np.array([1.125]), np.array([1.0]))[0] == pytest.approx(0.25)


def test_a_film_that_only_scatters_is_sx_by_one_plus_sx_over_black() -> None:
    """The limit K → 0 of the finite film: R = SX / (1 + SX)."""
    found = over(np.full(1, 1e-9), np.full(1, 2.0), 1.5, np.zeros(1))
    assert found[0] == pytest.approx(3 / 4, abs=1e-3)


@pytest.mark.parametrize("yellow", ["#f2c400", "#ffd91a", "#e8b800", "#f7e24a"])
@pytest.mark.parametrize("blue", ["#1f4fa0", "#0f3d8c", "#2a6fb0", "#003399"])
def test_yellow_and_blue_make_a_green(yellow: str, blue: str) -> None:
    assert 120 < float(hue_of(seen((yellow, 1), (blue, 1)))) < 180


@pytest.mark.parametrize("white", ["#ffffff", "#f4f3ee", "#e8e8e8"])
@pytest.mark.parametrize("black", ["#000000", "#1b1b1d", "#333333"])
def test_equal_parts_of_white_and_black_are_a_middle_grey(white: str, black: str) -> None:
    assert 30 < seen((white, 1), (black, 1))[0] < 60


@pytest.mark.parametrize("yellow", ["#f2c400", "#ffd91a", "#d9b310"])
def test_a_little_black_in_yellow_goes_olive(yellow: str) -> None:
    pure, dirtied = seen((yellow, 1)), seen((yellow, 10), ("#1b1b1d", 1))
    assert dirtied[0] < pure[0] - 8
    assert float(hue_of(dirtied)) > float(hue_of(pure)) + 2
    assert dirtied[1] < 0


def test_white_over_black_takes_several_coats_and_over_itself_none() -> None:
    white = stated("#f4f3ee")
    assert 2 <= (coats_to_hide(white, BLACK) or 0) <= 5
    assert coats_to_hide(white, white.masstone) == 0
    assert coats_to_hide(stated("#1b1b1d"), WHITE) == 1


def test_the_more_transparent_the_more_coats() -> None:
    coats = [coats_to_hide(stated("#c9a227", one), BLACK) or 99 for one in OPACITIES]
    assert coats == sorted(coats) and coats[0] < coats[-1]


def test_the_contrast_ratio_grows_with_coats_to_hiding() -> None:
    """ISO 6504-3: hiding is a ratio of 0.98 of Y over black to Y over white."""
    white = stated("#f4f3ee")
    ratios = [contrast_ratio(white, coats) for coats in (0.5, 1, 2, 4, 8)]
    assert ratios == sorted(ratios) and ratios[0] < 0.9 < 0.98 < ratios[-1]


@given(COLOURS, st.sampled_from(OPACITIES), st.floats(0, 20), st.floats(0.001, 0.999))
def test_a_film_lies_between_its_ground_and_its_masstone(
    colour: str, opacity: str, thick: float, ground: float
) -> None:
    paint = stated(colour, opacity)
    under = np.full(BANDS, ground)
    film, end = over(paint.k, paint.s, thick, under), paint.masstone
    low, high = np.minimum(under, end), np.maximum(under, end)
    assert (film >= low - 1e-9).all() and (film <= high + 1e-9).all()


@given(COLOURS, COLOURS, st.integers(1, 12), st.integers(1, 12))
def test_a_mix_lies_between_its_paints_in_every_band(one: str, two: str, a: int, b: int) -> None:
    first, second = stated(one), stated(two)
    drops = np.array([a, b], dtype=float)
    found = masstone_of(
        mixed(drops, np.array([first.k, second.k])), mixed(drops, np.array([first.s, second.s]))
    )
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


def test_an_absorber_that_is_measured_to_be_stronger_tints_more() -> None:
    weak = stated("#7a3327")
    strong = Optics(weak.k * 3, weak.s * 3)
    white = stated("#f4f3ee")
    tints = [
        lab_of(xyz_of(masstone_of(one.k + 4 * white.k, one.s + 4 * white.s)))[0]
        for one in (weak, strong)
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

"""Swatches teach what a paint is: from hidden paints to better mixes."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from muster.core.colour.calibrate import Swatch, calibrated, fit_of, predicted
from muster.core.colour.film import ratio_of
from muster.core.colour.observer import BANDS, NM, Floats
from muster.core.colour.paint import BLACK_GROUND, BODY, Optics, mix_of, stated
from muster.core.colour.spaces import difference, hexes_of, lab_of, xyz_of
from muster.core.colour.surface import inside

WHITE = stated("#f4f3ee")
NOISE = 0.2
"""CIELAB, of one reading: a good colour reader's."""


def hidden(rng: np.random.Generator) -> Optics:
    """A paint that nobody knows: a smooth curve of its own, strong or weak."""
    knots = np.interp(NM, np.linspace(380, 730, 5), rng.normal(-0.6, 1.1, 5))
    masstone = 0.03 + 0.9 / (1 + np.exp(-1.5 * knots))
    tilt = np.interp(NM, [380, 730], rng.normal(0, 0.3, 2))
    s = np.exp(rng.normal(-0.8, 0.7) + tilt)
    return Optics(ratio_of(inside(masstone)) * s, s, BODY * s, BODY * s)


def read(reflectance: Floats, rng: np.random.Generator) -> tuple[float, float, float]:
    lab = lab_of(xyz_of(reflectance)) + rng.normal(0, NOISE, 3)
    return float(lab[0]), float(lab[1]), float(lab[2])


def three(paint: Optics, rng: np.random.Generator) -> list[Swatch]:
    """Masstone, a tint of one part in five with white, and a coat over black."""
    tint = mix_of([paint, WHITE], np.array([0.2, 0.8])).masstone
    film = paint.coat(1, np.full(BANDS, BLACK_GROUND))
    return [
        Swatch("masstone", read(paint.masstone, rng)),
        Swatch("tint", read(tint, rng), share=0.2),
        Swatch("over black", read(film, rng)),
    ]


def default_of(paint: Optics) -> Optics:
    return stated(hexes_of(xyz_of(paint.masstone))[0], "semi-opaque")


MIXES = ((1, 1, 0), (1, 3, 0), (3, 1, 0), (1, 1, 4), (1, 0, 2), (0, 1, 2))


def errors(count: int, seed: int) -> tuple[float, float]:
    """Mean ΔE00 of predicted mixes of two hidden paints and white: by default, and calibrated."""
    rng = np.random.default_rng(seed)
    plain, learnt = [], []
    for _ in range(count):
        paints = [hidden(rng), hidden(rng)]
        defaults = [default_of(one) for one in paints]
        known = [
            calibrated(start, three(one, rng), WHITE)
            for one, start in zip(paints, defaults, strict=True)
        ]
        for a, b, w in MIXES:

            def shown(pair: list[Optics], a: int = a, b: int = b, w: int = w) -> Floats:
                mix = mix_of([*pair, WHITE], np.array([a, b, w], dtype=float))
                return lab_of(xyz_of(mix.masstone))

            true = shown(paints)
            plain.append(float(difference(true, shown(defaults))))
            learnt.append(float(difference(true, shown(known))))
    return float(np.mean(plain)), float(np.mean(learnt))


def test_three_swatches_bring_mixes_to_15_percent_of_the_error() -> None:
    plain, learnt = errors(24, 5)
    assert plain > 2
    assert learnt <= 0.15 * plain


@settings(max_examples=20, deadline=None)
@given(st.integers(0, 10**6), st.permutations(range(3)))
def test_an_added_swatch_never_makes_the_paints_own_swatches_fit_worse(
    seed: int, order: list[int]
) -> None:
    rng = np.random.default_rng(seed)
    paint = hidden(rng)
    swatches = three(paint, rng)
    known = default_of(paint)
    for count in (1, 2, 3):
        shown = [swatches[n] for n in order[:count]]
        before = fit_of(known, shown, WHITE)
        known = calibrated(known, shown, WHITE)
        assert fit_of(known, shown, WHITE) <= before + 1e-9


@settings(max_examples=15, deadline=None)
@given(st.integers(0, 10**6))
def test_what_is_learnt_stays_physical(seed: int) -> None:
    rng = np.random.default_rng(seed)
    paint = hidden(rng)
    known = calibrated(default_of(paint), three(paint, rng), WHITE)
    assert (known.k > 0).all() and (known.s > 0).all() and (known.film > 0).all()
    assert (known.masstone > 0).all() and (known.masstone < 1).all()


def test_without_swatches_nothing_changes_and_odd_ones_are_refused() -> None:
    start = stated("#66703f")
    assert calibrated(start, [], WHITE) is start
    with pytest.raises(ValueError, match="a tint with 100%"):
        calibrated(start, [Swatch("tint", (50, 0, 0), share=1.0)], WHITE)


def test_a_masstone_alone_moves_the_colour_there() -> None:
    read_lab = (40.0, -10.0, 20.0)
    known = calibrated(stated("#66703f"), [Swatch("masstone", read_lab)], WHITE)
    shown = predicted(known, Swatch("masstone", read_lab), WHITE)
    assert float(difference(shown, np.array(read_lab))) < 0.5

"""Colour against published values and reference libraries."""

from __future__ import annotations

import colorsys
import random

import colour
import numpy as np
import pytest
from coloraide import Color

from muster.core.colour.observer import _TABLE, NM, WEIGHTS, WHITE
from muster.core.colour.reconstruct import reflectances
from muster.core.colour.spaces import (
    difference,
    hexes_of,
    lab_of,
    xyz_of,
    xyz_of_hex,
    xyz_of_lab,
)

# Sharma, Wu, Dalal: "The CIEDE2000 color-difference formula: implementation notes, supplementary
# test data, and mathematical observations", Color Research & Application 30 (2005), table 1.
SHARMA = """
50.0000 2.6772 -79.7751 50.0000 0.0000 -82.7485 2.0425
50.0000 3.1571 -77.2803 50.0000 0.0000 -82.7485 2.8615
50.0000 2.8361 -74.0200 50.0000 0.0000 -82.7485 3.4412
50.0000 -1.3802 -84.2814 50.0000 0.0000 -82.7485 1.0000
50.0000 -1.1848 -84.8006 50.0000 0.0000 -82.7485 1.0000
50.0000 -0.9009 -85.5211 50.0000 0.0000 -82.7485 1.0000
50.0000 0.0000 0.0000 50.0000 -1.0000 2.0000 2.3669
50.0000 -1.0000 2.0000 50.0000 0.0000 0.0000 2.3669
50.0000 2.4900 -0.0010 50.0000 -2.4900 0.0009 7.1792
50.0000 2.4900 -0.0010 50.0000 -2.4900 0.0010 7.1792
50.0000 2.4900 -0.0010 50.0000 -2.4900 0.0011 7.2195
50.0000 2.4900 -0.0010 50.0000 -2.4900 0.0012 7.2195
50.0000 -0.0010 2.4900 50.0000 0.0009 -2.4900 4.8045
50.0000 -0.0010 2.4900 50.0000 0.0010 -2.4900 4.8045
50.0000 -0.0010 2.4900 50.0000 0.0011 -2.4900 4.7461
50.0000 2.5000 0.0000 50.0000 0.0000 -2.5000 4.3065
50.0000 2.5000 0.0000 73.0000 25.0000 -18.0000 27.1492
50.0000 2.5000 0.0000 61.0000 -5.0000 29.0000 22.8977
50.0000 2.5000 0.0000 56.0000 -27.0000 -3.0000 31.9030
50.0000 2.5000 0.0000 58.0000 24.0000 15.0000 19.4535
50.0000 2.5000 0.0000 50.0000 3.1736 0.5854 1.0000
50.0000 2.5000 0.0000 50.0000 3.2972 0.0000 1.0000
50.0000 2.5000 0.0000 50.0000 1.8634 0.5757 1.0000
50.0000 2.5000 0.0000 50.0000 3.2592 0.3350 1.0000
60.2574 -34.0099 36.2677 60.4626 -34.1751 39.4387 1.2644
63.0109 -31.0961 -5.8663 62.8187 -29.7946 -4.0864 1.2630
61.2901 3.7196 -5.3901 61.4292 2.2480 -4.9620 1.8731
35.0831 -44.1164 3.7933 35.0232 -40.0716 1.5901 1.8645
22.7233 20.0904 -46.6940 23.0331 14.9730 -42.5619 2.0373
36.4612 47.8580 18.3852 36.2715 50.5065 21.2231 1.4146
90.8027 -2.0831 1.4410 91.1528 -1.6435 0.0447 1.4441
90.9257 -0.5406 -0.9208 88.6381 -0.8985 -0.7239 1.5381
6.7747 -0.2908 -2.4247 5.8714 -0.0985 -2.2286 0.6377
2.0776 0.0795 -1.1350 0.9033 -0.0636 -0.5514 0.9082
"""
PAIRS = [tuple(float(word) for word in row.split()) for row in SHARMA.split("\n") if row.strip()]


def test_there_are_34_pairs() -> None:
    assert len(PAIRS) == 34


@pytest.mark.parametrize("row", PAIRS, ids=[str(n) for n in range(1, len(PAIRS) + 1)])
def test_ciede2000_equals_the_published_pairs(row: tuple[float, ...]) -> None:
    one, two = np.array(row[:3]), np.array(row[3:6])
    assert float(difference(one, two)) == pytest.approx(row[6], abs=5e-5)
    assert float(difference(two, one)) == pytest.approx(row[6], abs=5e-5)
    # The pairs were written down from memory: the reference library confirms each.
    reference = float(colour.delta_E(one, two, method="CIE 2000"))
    assert reference == pytest.approx(row[6], abs=5e-5)


def test_the_tables_of_observer_and_daylight_are_the_published_ones() -> None:
    """ISO/CIE 11664-1 and 11664-2, as the colour-science library carries them."""
    shape = colour.SpectralShape(380, 730, 10)
    observer = colour.MSDS_CMFS["CIE 1931 2 Degree Standard Observer"].copy().align(shape)
    daylight = colour.SDS_ILLUMINANTS["D65"].copy().align(shape)
    assert np.allclose(_TABLE[:, :3], observer.values, rtol=1e-5)
    assert np.allclose(_TABLE[:, 3], daylight.values, rtol=1e-5)


def chart() -> list[tuple[str, np.ndarray]]:
    """Reflectances of the published 24-patch chart (ISO 17321-1), from the colour-science library,
    in our bands."""
    shape = colour.SpectralShape(380, 730, 10)
    patches = colour.SDS_COLOURCHECKERS["ISO 17321-1"]
    return [(name, sd.copy().align(shape).values) for name, sd in patches.items()]


@pytest.mark.parametrize(("name", "reflectance"), chart())
def test_the_chart_has_its_colours(name: str, reflectance: np.ndarray) -> None:
    sd = colour.SpectralDistribution(dict(zip(NM, reflectance, strict=True)))
    observer = colour.MSDS_CMFS["CIE 1931 2 Degree Standard Observer"]
    daylight = colour.SDS_ILLUMINANTS["D65"]
    xyz = colour.sd_to_XYZ(sd, observer, daylight, method="Integration") / 100
    reference = np.asarray(colour.XYZ_to_Lab(xyz, colour.XYZ_to_xy(WHITE)), np.float64)
    # Ours sums bands of 10 nm, the reference those of 1 nm.
    assert float(difference(lab_of(xyz_of(reflectance)), reference)) < 0.35, name


@pytest.mark.parametrize(("name", "reflectance"), chart())
def test_the_chart_comes_back_through_the_reconstruction(
    name: str, reflectance: np.ndarray
) -> None:
    xyz = xyz_of(reflectance)
    again = reflectances(xyz[None])[0]
    assert float(difference(lab_of(xyz_of(again)), lab_of(xyz))) < 0.3
    assert (again > 0).all() and (again < 1).all()


def test_the_charts_curves_are_nearly_those_reconstructed() -> None:
    """Metamers, but near: paints' curves are smooth, as the reconstructed are."""
    off = [
        float(np.sqrt(np.mean((reflectances(xyz_of(one)[None])[0] - one) ** 2)))
        for _, one in chart()
    ]
    assert np.mean(off) < 0.07 and max(off) < 0.2


def random_colours(count: int) -> list[str]:
    rng = random.Random(20)
    found = []
    for _ in range(count):
        red, green, blue = colorsys.hsv_to_rgb(rng.random(), rng.random() ** 0.5, rng.random())
        found.append(f"#{round(red * 255):02x}{round(green * 255):02x}{round(blue * 255):02x}")
    return found


CORNERS = [f"#{r}{g}{b}" for r in ("00", "80", "ff") for g in ("00", "80", "ff")
           for b in ("00", "80", "ff")]  # fmt: skip


def test_every_colour_in_gamut_has_a_curve_that_shows_it() -> None:
    """Burns 2020: round trip within ΔE00 0.3, reflectances within (0, 1)."""
    colours = random_colours(400) + CORNERS
    wanted = xyz_of_hex(colours)
    found = reflectances(wanted)
    assert (found > 0).all() and (found < 1).all()
    assert float(difference(lab_of(xyz_of(found)), lab_of(wanted)).max()) < 0.3


def test_a_colour_that_no_surface_has_is_refused() -> None:
    with pytest.raises(ValueError, match="no surface has such a colour"):
        reflectances(np.array([[0.2, 0.9, 0.1]]))


def test_lab_and_differences_equal_coloraide() -> None:
    """ColorAide (PyPI), to its own rounding of the white point."""
    colours = random_colours(60)
    labs = lab_of(xyz_of_hex(colours))
    for one, two, a, b in zip(colours, colours[1:], labs, labs[1:], strict=False):
        theirs = Color(one).convert("lab-d65").coords()
        assert np.allclose(theirs, a, atol=0.02), one
        assert float(difference(a, b)) == pytest.approx(
            Color(one).delta_e(two, method="2000"), abs=0.02
        )


def test_srgb_and_lab_go_there_and_back() -> None:
    colours = random_colours(80)
    assert hexes_of(xyz_of_hex(colours)) == colours
    labs = lab_of(xyz_of_hex(colours))
    assert np.allclose(lab_of(xyz_of_lab(labs)), labs, atol=1e-9)


def test_a_perfect_reflector_is_white() -> None:
    assert np.allclose(lab_of(WEIGHTS @ np.ones(36)), (100, 0, 0), atol=1e-9)

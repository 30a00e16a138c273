"""A colour from a photograph: the light is taken out of it, or it is refused with the reason."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from muster.core.colour.photo import REFLECTS, Pixels, colour_at
from muster.core.colour.spaces import difference, lab_of, linear_of, xyz_of_hex
from muster.core.errors import DomainError

COLOURS = ("#5a5a2c", "#b3231f", "#1f2f5c", "#c9b083", "#2f7a3a", "#8a8d8f", "#f2c400", "#5e3a22")
GREYS, PLACE = (0.25, 0.5), (0.6, 0.5)


def photograph(
    colour: str, light: tuple[float, float, float] = (0.9, 0.9, 0.9), fall: float = 0.0,
    noise: float = 0.004, reference: str = "white", seed: int = 1, fall_blue: float | None = None,
) -> Pixels:  # fmt: skip
    """A grey field with a place of some colour in it, under a light of a colour that falls off by
    ``fall`` from left to right: 720 × 480 pixels."""
    rng = np.random.default_rng(seed)
    scene = np.full((480, 720, 3), REFLECTS[reference])
    scene[150:330, 330:540] = linear_of([colour])[0]
    across = np.linspace(0, 1, 720)[None, :, None]
    falls = np.array([fall, fall, fall if fall_blue is None else fall_blue])
    seen = scene * np.array(light) * (1 - falls * across) + rng.normal(0, noise, scene.shape)
    seen = np.clip(seen, 0, 1)
    encoded = np.where(seen <= 0.0031308, 12.92 * seen, 1.055 * seen ** (1 / 2.4) - 0.055)
    return np.round(encoded * 255).astype(np.uint8)


def off(found: tuple[float, float, float], colour: str) -> float:
    return float(difference(np.array(found), lab_of(xyz_of_hex([colour]))[0]))


@pytest.mark.parametrize("light", [(0.9, 0.9, 0.9), (0.95, 0.7, 0.4), (0.5, 0.6, 0.9)])
@pytest.mark.parametrize("colour", COLOURS)
def test_the_colour_of_the_light_is_taken_out(
    colour: str, light: tuple[float, float, float]
) -> None:
    """Daylight, a warm lamp, the shade: within ΔE00 3."""
    assert off(colour_at(photograph(colour, light), [GREYS], PLACE).lab, colour) < 3


def test_a_grey_card_serves_as_well_as_white_paper() -> None:
    picture = photograph("#8f8258", (0.95, 0.7, 0.5), reference="grey")
    assert off(colour_at(picture, [GREYS], PLACE, "grey").lab, "#8f8258") < 3


@settings(max_examples=40, deadline=None)
@given(
    st.sampled_from(COLOURS),
    st.tuples(st.floats(0.4, 0.95), st.floats(0.4, 0.95), st.floats(0.4, 0.95)),
    st.floats(0, 0.6),
    st.floats(0, 0.6),
    st.integers(0, 99),
)
def test_under_uneven_light_a_colour_is_near_or_refused_with_the_reason(
    colour: str, light: tuple[float, float, float], fall: float, blue: float, seed: int
) -> None:
    picture = photograph(colour, light, fall, seed=seed, fall_blue=blue)
    try:
        found = colour_at(picture, [GREYS], PLACE)
    except DomainError as refusal:
        assert any(word in str(refusal) for word in ("uneven", "clipped", "dark"))
    else:
        assert off(found.lab, colour) < 3


def test_a_grey_on_either_side_mends_uneven_light() -> None:
    picture = photograph("#5a5a2c", (0.9, 0.8, 0.6), fall=0.5)
    with pytest.raises(DomainError, match="the light is uneven"):
        colour_at(picture, [GREYS], PLACE)
    both = colour_at(picture, [(0.3, 0.5), (0.9, 0.5)], PLACE)
    assert off(both.lab, "#5a5a2c") < 3
    three = colour_at(picture, [(0.2, 0.2), (0.9, 0.5), (0.3, 0.9)], PLACE)
    assert off(three.lab, "#5a5a2c") < 3


def test_a_glint_and_a_speck_do_not_count() -> None:
    picture = photograph("#5a5a2c")
    picture[234:243, 426:438] = (230, 230, 225)
    picture[246:252, 434:440] = (10, 10, 10)
    assert off(colour_at(picture, [GREYS], PLACE).lab, "#5a5a2c") < 3


@pytest.mark.parametrize(
    ("picture", "greys", "place", "words"),
    [
        (photograph("#5a5a2c", (1.3, 1.3, 1.3)), [GREYS], PLACE, "the grey is clipped"),
        (photograph("#ffffff", (1.15, 1.1, 1.1), noise=0), [PLACE], GREYS, "clipped"),
        (photograph("#5a5a2c"), [], PLACE, "press one to four"),
        (photograph("#5a5a2c"), [GREYS] * 5, PLACE, "press one to four"),
        (photograph("#5a5a2c", (0.02, 0.02, 0.02)), [GREYS], PLACE, "too dark|clipped"),
        (photograph("#5a5a2c"), [(0.1, 0.5), (0.3, 0.5)], PLACE, "not between the greys"),
    ],
)
def test_what_cannot_be_judged_is_refused_with_the_reason(
    picture: Pixels, greys: list[tuple[float, float]], place: tuple[float, float], words: str
) -> None:
    with pytest.raises(DomainError, match=words):
        colour_at(picture, greys, place)


def test_a_place_lighter_than_the_reference_and_a_patchy_one_are_said() -> None:
    picture = photograph("#f7f6f2", reference="grey", light=(0.5, 0.5, 0.5))
    assert "lighter than the reference" in colour_at(picture, [GREYS], PLACE, "white").warnings[0]
    patchy = photograph("#5a5a2c")
    patchy[150:240, 330:540] = (200, 190, 160)
    assert any("patchy" in one for one in colour_at(patchy, [GREYS], (0.6, 0.5)).warnings)
    with pytest.raises(DomainError, match="no reference"):
        colour_at(patchy, [GREYS], PLACE, "puce")

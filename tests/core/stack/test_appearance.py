"""What passes look like on a model, as a painter expects it. All of it common practice."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest

from muster.core.colour.paint import stated
from muster.core.colour.spaces import difference, lab_of, xyz_of
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.stack.appearance import Surface, laid_over, paint_of
from muster.core.stack.walk import walk

SAND, BLACK, OLIVE = "#c9b083", "#1b1b1d", "#5a5a2c"


def a_pass(key: str, technique: str, **more: Any) -> Pass:
    return Pass(key, key, technique, 1.0, tool=more.pop("tool", "brush"), **more)


def over(ground: str, technique: str, colour: str, **more: Any) -> Surface:
    one = a_pass("one", technique, colour=colour, **more)
    paint = paint_of(one)
    assert paint is not None
    return laid_over(Surface(np.tile(stated(ground).masstone, (3, 1))), one, paint)


def surfaces(*passes: Pass) -> list[Surface]:
    return next(iter(walk(Recipe("r", "r", "vehicle", 1, passes)).surfaces.values()))


def lightness(surface: Surface) -> list[float]:
    return [float(one[0]) for one in surface.lab()]


@pytest.mark.parametrize("wash", ["#4a2f1c", "#1b1b1d", "#2f4a6e"])
def test_a_wash_takes_flats_down_a_little_and_recesses_two_thirds_of_the_way(wash: str) -> None:
    before = float(lab_of(xyz_of(stated(SAND).masstone))[0])
    found = over(SAND, "wash", wash)
    recess, flat, edge = lightness(found)
    assert 2 <= before - flat <= 7 and flat <= edge + 1
    own = lab_of(xyz_of(stated(wash).masstone))
    start = float(difference(lab_of(xyz_of(stated(SAND).masstone)), own))
    assert 0.55 <= 1 - float(difference(found.lab()[0], own)) / start <= 0.8
    assert recess < flat - 15


@pytest.mark.parametrize("wash", ["#4a2f1c", "#6e6a5a", "#d8c9a3"])
def test_a_wash_leaves_black_black(wash: str) -> None:
    """Two coats of it: L* stays a black's."""
    assert lightness(over(BLACK, "wash", wash, coats=2))[1] < 17
    assert lightness(over(BLACK, "wash", wash))[1] < 14


def test_a_wash_pooled_again_and_again_ends_at_its_own_colour() -> None:
    found = over(SAND, "wash", "#4a2f1c", coats=9).lab()[0]
    assert float(difference(found, lab_of(xyz_of(stated("#4a2f1c").masstone)))) < 8


def test_a_wash_thinned_one_to_two_is_not_one_thinned_one_to_twenty() -> None:
    strong, usual, weak = (lightness(over(SAND, "wash", "#4a2f1c", dilution=many))[0]
                           for many in (2, 4, 20))  # fmt: skip
    assert strong < usual - 5 and usual < weak - 10


def test_sprayed_thin_the_ground_is_seen_in_proportion() -> None:
    """A mist over black and white ground: what was light stays lighter, so a pre-shade lives."""
    mists = [over(ground, "spray", OLIVE, tool="airbrush", dilution=6) for ground in
             (BLACK, "#f4f3ee")]  # fmt: skip
    dark, light = (lightness(one)[1] for one in mists)
    assert light > dark + 15
    full = [over(ground, "brush", OLIVE, coats=2) for ground in (BLACK, "#f4f3ee")]
    assert abs(lightness(full[0])[1] - lightness(full[1])[1]) < 1


def test_varnish_in_the_colour_makes_it_more_transparent() -> None:
    plain, with_varnish = (over(BLACK, "spray", "#8f8258", tool="airbrush", varnish_share=share)
                           for share in (0.0, 0.4))  # fmt: skip
    assert lightness(with_varnish)[1] < lightness(plain)[1] - 1


def test_gloss_is_darker_and_more_chromatic_and_matt_puts_it_back() -> None:
    base = a_pass("base", "brush", colour="#6e1a1c", coats=2)
    gloss = a_pass("gloss", "varnish", tool="airbrush", finish="gloss")
    matt = a_pass("matt", "varnish", tool="airbrush", finish="matt")
    painted, shiny, dull = surfaces(base, gloss, matt)
    assert lightness(shiny)[1] < lightness(painted)[1] - 0.5
    chroma = [float(np.hypot(*one.lab()[1][1:])) for one in (painted, shiny)]
    assert chroma[1] > chroma[0] + 1
    assert dull.hexes == painted.hexes


def test_wiping_takes_a_wash_off_the_flats_and_leaves_it_in_recesses() -> None:
    base = a_pass("base", "brush", colour=SAND, coats=3)
    wash = a_pass("wash", "wash", medium="enamel wash", colour="#2a1a10")
    painted, washed, wiped = surfaces(base, wash, a_pass("wipe", "wipe back"))
    recess, flat = ([lightness(one)[place] for one in (painted, washed, wiped)] for place in (0, 1))
    assert flat[1] < flat[2] <= flat[0] and flat[0] - flat[2] < 0.5 * (flat[0] - flat[1])
    assert recess[1] < recess[2] < recess[0] and recess[2] - recess[1] < recess[0] - recess[2]


def test_scratching_fluid_opens_what_lies_under_the_top_coat() -> None:
    found = surfaces(
        a_pass("rust", "brush", colour="#8a4420", coats=3),
        a_pass("fluid", "fluid", tool="airbrush", medium="chipping fluid"),
        a_pass("top", "brush", colour="#f4f3ee", coats=4),
        a_pass("chips", "scratch"),
    )
    covered, chipped = lightness(found[2]), lightness(found[3])
    assert chipped[2] < chipped[1] < covered[1] and chipped[0] == pytest.approx(covered[0])


def test_sprayed_varnish_takes_half_of_loose_pigment() -> None:
    found = surfaces(
        a_pass("base", "brush", colour=OLIVE, coats=3),
        a_pass("dust", "pigment", medium="pigment", colour="#c9b083"),
        a_pass("matt", "varnish", tool="airbrush", finish="matt"),
    )
    base, dusted, sealed = (lightness(one)[0] for one in found)
    assert base < sealed < dusted
    assert sealed - base < 0.75 * (dusted - base)


def test_what_lies_open_and_thin_is_seen_through_a_one_coat_paint() -> None:
    """A paint that pools like a wash: thin on black it hardly shows, on white it colours."""
    one = a_pass("one", "brush", colour="#b3231f")
    from muster.core.craft.media import MEDIA

    paint = paint_of(one, MEDIA["one-coat"])
    assert paint is not None
    for ground, least, most in ((BLACK, 0, 22), ("#f4f3ee", 40, 90)):
        at = laid_over(Surface(np.tile(stated(ground).masstone, (3, 1))), one, paint)
        assert least < lightness(at)[1] < most

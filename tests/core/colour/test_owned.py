"""Owned paints: labels, swatches, and the colours that recipes take from them."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from muster.core.colour.mixed_passes import coloured, dried, thins
from muster.core.colour.owned import OwnedPaint, Reading, optics_of, shelf_from
from muster.core.colour.spaces import difference, lab_of, xyz_of, xyz_of_hex
from muster.core.recipes.recipe import MixPart
from tests.core.making import a_pass, recipe

GREEN = OwnedPaint("Reed green", "#66703f", size_ml=17, price=3.4)
WHITE = OwnedPaint("Lime white", "#f4f3ee")
MATT = OwnedPaint("Matt varnish", "#ffffff", medium="acrylic varnish")
SHELF = {one.name: one for one in (GREEN, WHITE, MATT)}


def test_dry_swatches_go_before_the_label_and_wet_ones_tell_nothing() -> None:
    read = replace(GREEN, swatches=(Reading("masstone", "#606a3c"),))
    wet = replace(GREEN, swatches=(Reading("masstone", "#ffffff", wet=True),))
    assert (GREEN.dry, read.dry, wet.dry) == ("#66703f", "#606a3c", "#66703f")
    assert np.allclose(optics_of(wet).k, optics_of(GREEN).k)


def test_several_readings_are_averaged() -> None:
    read = replace(GREEN, swatches=(Reading("masstone", "#606a3c"), Reading("masstone", "#646e40")))
    one, two = (lab_of(xyz_of_hex([c]))[0] for c in ("#606a3c", "#646e40"))
    mean = lab_of(xyz_of_hex([read.dry]))[0]
    assert float(difference(mean, (one + two) / 2)) < 0.5


def test_a_tint_teaches_how_strong_the_paint_is() -> None:
    weak = replace(
        GREEN, swatches=(Reading("masstone", "#66703f"), Reading("tint", "#e2e4da", share=0.2))
    )
    plain, known = (
        lab_of(xyz_of(shelf_from([one, WHITE]).optics([(0, 1), (1, 4)]).masstone))
        for one in (GREEN, weak)
    )
    assert known[0] > plain[0] + 3


def test_opacity_follows_the_medium_where_none_is_stated() -> None:
    assert replace(GREEN, medium="acrylic wash").seen_opacity == "transparent"
    assert GREEN.seen_opacity == "opaque"
    assert replace(GREEN, opacity="semi-opaque").seen_opacity == "semi-opaque"
    assert round(GREEN.price_ml, 6) == 0.2 and WHITE.price_ml == 0


def test_a_mix_in_a_recipe_has_the_colour_that_its_paints_give() -> None:
    mixed = a_pass("base", tool="brush", mix=(MixPart("Reed green", 2), MixPart("Lime white")))
    thinned = replace(mixed, mix=(*mixed.mix, MixPart("water", 5)))
    assert dried(mixed, SHELF) == dried(thinned, SHELF) not in (None, "#66703f")
    alone = replace(mixed, mix=(MixPart("Reed green"),))
    assert dried(alone, SHELF) == "#66703f"
    assert thins("Water") and not thins("Reed green")


def test_unknown_paints_and_varnishes_leave_the_stated_colour() -> None:
    unknown = a_pass("base", tool="brush", paint="Sedge", colour="#c9b24a")
    matt = a_pass("matt", tool="airbrush", paint="Matt varnish")
    both = recipe(unknown, matt, a_pass("gloss"))
    assert coloured(both, SHELF) == both
    known = recipe(a_pass("base", tool="brush", paint="Reed green", colour="#000000"))
    assert coloured(known, SHELF).passes[0].colour == "#66703f"
    assert coloured(known, {}) is known

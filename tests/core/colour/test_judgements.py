"""Judgements with figures: sight, filters, camouflage, ramps, variants, scale."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from muster.core.colour.judge import camouflage, fade_share, filters, for_scale
from muster.core.colour.match import match
from muster.core.colour.observer import Floats
from muster.core.colour.paint import stated
from muster.core.colour.ramps import ramp
from muster.core.colour.reconstruct import reflectance_of_hex
from muster.core.colour.shelf import Paint, Shelf
from muster.core.colour.spaces import APART, apart_in_words, difference, hue_of, lab_of, xyz_of_hex
from muster.core.colour.variants import consistency, in_tone_with, variants
from muster.core.colour.visibility import contrast, merges_mm, resolved_mm
from muster.core.colour.wet import wet_of
from tests.bench.shelves import shelf


def lab(colour: str) -> Floats:
    return lab_of(xyz_of_hex([colour]))[0]


OLIVE, SAND, GREY, DARK = "#5a6238", "#b8a67e", "#7c8082", "#24251f"


def test_the_eye_resolves_one_minute_of_arc() -> None:
    """Snellen; arithmetic: 0.291 mm at 1 m, 0.087 mm at 30 cm."""
    assert resolved_mm(1000) == pytest.approx(0.291, abs=0.001)
    assert resolved_mm(300) == pytest.approx(0.087, abs=0.001)


def test_chips_go_from_not_visible_to_too_stark() -> None:
    ground = lab(OLIVE)
    shows = [
        contrast(lab(chip), ground, 0.6, "hand").shows
        for chip in ("#5b6339", "#626a40", "#747b55", "#9ba082", "#f4f3ee")
    ]
    assert shows == ["not visible", "barely", "clear", "strong", "too stark"]


def test_a_line_thinner_than_the_eye_resolves_shows_by_contrast_times_width() -> None:
    wide, thin = (contrast(lab(DARK), lab(SAND), width, "table") for width in (0.4, 0.1))
    assert wide.seen == wide.difference
    assert thin.seen == pytest.approx(thin.difference * 0.1 / 0.2909, rel=1e-3)
    assert contrast(lab(DARK), lab(SAND), 0.1, "close").seen == thin.difference
    with pytest.raises(ValueError, match="use more than 0"):
        contrast(lab(DARK), lab(SAND), 0, "table")


def test_a_yellow_filter_livens_olive_more_than_a_green_one() -> None:
    """Common practice at the bench: over olive yellow does more than green; black muddies it."""
    paints = {"yellow": stated("#c9b24a"), "green": stated("#4d5a3c"), "black": stated("#1c1d1f")}
    found = filters({"olive": reflectance_of_hex(OLIVE)}, paints)
    assert [one.filter for one in found] == ["yellow", "green", "black"]
    assert found[0].chroma > 0 > found[-1].chroma


def test_camouflage_colours_nearest_to_merging_come_first() -> None:
    found = camouflage({"olive": lab(OLIVE), "sand": lab(SAND), "drab": lab("#5f643f")}, "table")
    assert {found[0].one, found[0].two} == {"olive", "drab"}
    assert found[0].least_mm > found[-1].least_mm >= resolved_mm(1000) - 1e-9
    assert merges_mm(20, "table") == pytest.approx(resolved_mm(1000))


def test_a_mist_draws_patches_together_by_what_was_asked() -> None:
    patches = [reflectance_of_hex(one) for one in (OLIVE, SAND, DARK)]
    little, much = (fade_share(stated(SAND), patches, pull) for pull in (0.1, 0.5))
    assert 0 < little < much < 2


@given(st.integers(28, 300), st.sampled_from(["table", "hand", "close"]))
def test_lightening_for_scale_never_darkens_a_dark_colour(scale: int, tier: str) -> None:
    assert for_scale(lab(DARK), scale, tier)[0] >= lab(DARK)[0]  # type: ignore[arg-type]
    same = for_scale(lab(DARK), 1, "close")
    assert float(difference(same, lab(DARK))) < 0.2


def test_a_ramp_climbs_in_even_steps_about_its_base() -> None:
    found = ramp(shelf(60, 3), lab(OLIVE), shades=1, lights=2)
    rungs = [one[0] for one in found.wanted]
    assert np.allclose(np.diff(rungs), 12, atol=0.01) and found.base == 1
    lights = [mix.lab[0] for mix in found.mixes]
    assert lights == sorted(lights) and found.warning == ""


def test_white_cloth_has_no_headroom_and_the_ramp_says_where_to_begin() -> None:
    found = ramp(shelf(60, 3), lab("#f4f3ee"), shades=0, lights=2)
    assert "base it at L* 71 or darker" in found.warning
    assert found.headroom < 6


def test_hue_turns_towards_yellow_in_the_lights_and_away_in_the_shades() -> None:
    straight = ramp(shelf(60, 3), lab("#8a3a2a"), 1, 2)
    turned = ramp(shelf(60, 3), lab("#8a3a2a"), 1, 2, hue_shift=8)
    hues = [float(hue_of(np.array(one))) for one in (straight.wanted[-1], turned.wanted[-1])]
    assert hues[1] == pytest.approx(hues[0] + 16, abs=0.5)
    shade = [float(hue_of(np.array(one.wanted[0]))) for one in (straight, turned)]
    assert shade[1] == pytest.approx(shade[0] - 8, abs=0.5)
    with pytest.raises(ValueError, match="use 0 to 6"):
        ramp(shelf(5, 1), lab(OLIVE), lights=9)


def test_variants_lie_within_the_spread_differ_and_come_again_by_their_seed() -> None:
    mine = shelf(40, 6)
    base = match(mine, lab(OLIVE))[0]
    first = variants(mine, base, 6, 3.0, seed=4)
    assert first == variants(mine, base, 6, 3.0, seed=4)
    assert len({mix.drops for mix in first}) == 6
    for mix in first:
        assert 0 < float(difference(np.array(mix.lab), np.array(base.lab))) <= 3.0
        assert {i for i, _ in mix.drops} == {i for i, _ in base.drops}


def test_variants_of_a_single_paint_take_a_drop_of_another() -> None:
    mine = Shelf(tuple(Paint(c, stated(c)) for c in (OLIVE, SAND, "#4d5a3c")))
    base = mine.mix(((0, 1),), lab(OLIVE))
    found = variants(mine, base, 3, 4.0, seed=1)
    assert all(dict(mix.drops)[0] > dict(mix.drops).get(1, 0) for mix in found)
    with pytest.raises(ValueError, match="the nearest is"):
        variants(mine, base, 3, 0.01, seed=1)


def test_another_vehicle_is_matched_in_tone() -> None:
    mine = shelf(40, 6)
    found = in_tone_with(mine, reflectance_of_hex(OLIVE), 3.0, seed=2)
    assert found.off <= 3 and found == in_tone_with(mine, reflectance_of_hex(OLIVE), 3.0, seed=2)


def test_accents_farthest_apart_come_first() -> None:
    pairs = consistency({"a": lab("#a8322a"), "b": lab("#aa342b"), "c": lab("#7a3327")})
    assert pairs[-1].difference < 2 < pairs[0].difference
    assert {pairs[-1].one, pairs[-1].two} == {"a", "b"}


def test_a_wet_mix_looks_lighter_than_it_dries() -> None:
    for colour in (OLIVE, DARK, "#7a3327"):
        assert lab(wet_of(colour))[0] > lab(colour)[0] + 1


@given(st.floats(0, 60), st.floats(0, 60))
def test_a_difference_is_said_in_words_that_grow_with_it(one: float, two: float) -> None:
    words = [*(words for _, words in APART), "another colour"]
    near, far = sorted((one, two))
    assert words.index(apart_in_words(near)) <= words.index(apart_in_words(far))
    assert apart_in_words(0.9) == "not to be told apart"
    assert apart_in_words(2.5) == "near"

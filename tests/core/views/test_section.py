"""The section through relief: where each pass lies, how thick, and what is left of it."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from muster.core.amounts.dry_film import dry_um, wet_um
from muster.core.amounts.film import spreading_m2
from muster.core.stack.layer import AppliedLayer
from muster.core.stack.walk import walk
from muster.core.views.relief import PLACES, POINTS, where
from muster.core.views.section import (
    MOST_DRAWN_UM,
    Section,
    SectionFilm,
    main_zone,
    section_of,
)
from tests.core.stack.making import BASE, CHIP, DECALS, FLUID, GLOSS, MATT, SATIN, UNDER, p, recipe

RECESS, FLAT, EDGE = (
    [n for n in range(POINTS) if PLACES[n][place] > 0.99] or [
        max(range(POINTS), key=lambda n: PLACES[n][place])
    ]
    for place in range(3)
)  # fmt: skip


def layers(*passes: dict[str, Any], **more: Any) -> list[AppliedLayer]:
    return [step.layer for step in walk(recipe(*passes, **more)).steps]


def section(*passes: dict[str, Any], zone: str = "upper", **more: Any) -> Section:
    laid = layers(*passes, **more)
    return section_of(zone, laid, {one.pass_.key: one.pass_.key for one in laid})


def film(name: str, *passes: dict[str, Any], **more: Any) -> SectionFilm:
    return next(one for one in section(*passes, **more).films if one.name == name)


def at(line: tuple[float, ...], points: list[int]) -> float:
    return sum(line[n] for n in points) / len(points)


def test_an_even_coat_follows_the_relief_everywhere_alike() -> None:
    assert set(film("base", UNDER, BASE).laid) == {7.5}
    assert film("base", UNDER, {**BASE, "coats": 3}).dry_um == 22.5


@pytest.mark.parametrize(
    ("technique", "more", "wet", "dry"),
    [
        ("brush", {}, 60, 18),
        ("brush", {"coats": 2}, 120, 36),
        ("spray", {"tool": "airbrush"}, 25, 7.5),
        ("spray can", {}, 200, 20),
        ("varnish", {"finish": "matt"}, 25, 6.25),
        ("decal", {}, 60, 15),
    ],
)
def test_a_dry_film_is_the_wet_one_times_its_volume_solids(
    technique: str, more: dict[str, Any], wet: float, dry: float
) -> None:
    """The coatings trade's relation; the films and solids are common practice."""
    layer = layers(UNDER, p(technique, "it", **more))[1]
    assert wet_um(layer) == pytest.approx(wet) and dry_um(layer) == pytest.approx(dry)
    if technique != "decal" and layer.medium is not None:
        # The same relation said from the other side: m² that a litre covers at that dry film.
        assert spreading_m2(layer.medium.solids, dry) * wet == pytest.approx(1000)


def test_paint_thinned_more_than_is_usual_leaves_less() -> None:
    usual, thin = (
        dry_um(layers(UNDER, p("brush", "it", tool="brush", dilution=parts))[1])
        for parts in (0.33, 3)
    )
    assert thin == pytest.approx(usual * 1.33 / 4, rel=0.01)


def test_a_wash_lies_in_the_hollow_and_a_dry_brush_on_the_ridge() -> None:
    wash = film("wash", UNDER, BASE, p("wash", "wash"))
    assert at(wash.laid, RECESS) > 8 * at(wash.laid, FLAT) > 0
    ridge = film("dry", UNDER, BASE, p("dry-brush", "dry"))
    assert at(ridge.laid, EDGE) > 4 * at(ridge.laid, FLAT) and at(ridge.laid, RECESS) < 1
    line = film("pin", UNDER, BASE, p("pin wash", "pin"))
    assert at(line.laid, FLAT) == 0 < at(line.laid, RECESS)


def test_recesses_and_edges_named_alone_take_a_pass_there_alone() -> None:
    low = film("it", UNDER, BASE, p("brush", "it", zones=["recesses"]))
    assert at(low.laid, FLAT) == 0 < at(low.laid, RECESS)
    high = film("it", UNDER, BASE, p("brush", "it", zones=["edges"]))
    assert at(high.laid, RECESS) == 0 < at(high.laid, EDGE)


def test_chips_open_the_top_coat_down_to_what_is_below() -> None:
    chipped = (UNDER, BASE, SATIN, FLUID, p("spray", "top"), {**CHIP, "cover": 0.6}, MATT)
    found = {one.name: one for one in section(*chipped).films}
    assert min(found["top"].left) == 0 < min(found["top"].laid)
    assert sum(found["chip"].laid) == pytest.approx(
        sum(found["top"].laid) - sum(found["top"].left), abs=1
    )
    assert found["base"].left == found["base"].laid and found["chip"].does == "takes"
    assert at(found["top"].left, EDGE) < at(found["top"].left, FLAT)


def test_a_wash_wiped_back_stays_in_the_recesses() -> None:
    oil = p("wash", "oil wash", medium="oil")
    wiped = film("oil wash", UNDER, BASE, oil, p("wipe back", "wipe", carrier="white spirit"))
    share = [at(wiped.left, place) / at(wiped.laid, place) for place in (RECESS, EDGE)]
    assert share[0] > 0.7 > 0.3 > share[1]


def test_a_mask_keeps_its_side_free_until_it_comes_off() -> None:
    bands = (UNDER, BASE, p("mask", "tape"), p("spray", "bands"), p("unmask", "peel"))
    found = {one.name: one for one in section(*bands).films}
    assert found["tape"].does == "mask" and not any(found["tape"].left)
    for n in range(POINTS):
        assert (found["bands"].laid[n] == 0) is (found["tape"].laid[n] > 0)
    still = {one.name: one for one in section(*bands[:4]).films}
    assert any(still["tape"].left)


def test_sanding_takes_what_stands_proud_to_the_bare() -> None:
    sanded = film("base", UNDER, BASE, p("sand", "sand"))
    assert at(sanded.left, EDGE) == 0 < at(sanded.left, FLAT)


def test_numbers_lie_on_the_plate_and_their_own_zone_is_all_decal() -> None:
    plate = film("numbers", UNDER, BASE, GLOSS, DECALS)
    assert 0 < sum(1 for um in plate.laid if um) < POINTS / 4 and not plate.clear
    assert min(film("numbers", UNDER, BASE, GLOSS, DECALS, zone="markings").laid) > 0


@pytest.mark.parametrize("cover", [0.2, 0.5, 0.8])
def test_a_colour_on_a_share_of_its_zone_lies_on_that_share(cover: float) -> None:
    some = film("light", UNDER, BASE, p("spray", "light", cover=cover))
    assert sum(1 for um in some.laid if um) / POINTS == pytest.approx(cover, abs=0.02)
    patches = film("chips", UNDER, BASE, p("sponge", "chips", cover=cover / 2))
    flat = [n for n in range(POINTS) if PLACES[n][1] == 1]
    assert sum(1 for n in flat if patches.laid[n]) / len(flat) == pytest.approx(
        min(1, cover / 2 * 0.12 / 0.1), abs=0.15
    )


def test_ground_paste_is_told_as_thick_as_it_is_and_drawn_cut_off() -> None:
    paste = film("mud", p("texture", "mud", thick=3), kind="base", zone="ground")
    assert paste.dry_um == pytest.approx(2100) and max(paste.laid) == MOST_DRAWN_UM


def test_a_pass_that_misses_the_zone_has_no_place_in_its_section() -> None:
    shown = section(UNDER, BASE, p("brush", "low", zones=["lower"]))
    assert [one.name for one in shown.films] == ["undercoat", "base"]


def test_the_zone_shown_first_is_the_one_that_most_passes_meet() -> None:
    laid = layers(UNDER, BASE, p("brush", "low", zones=["lower"]))
    assert main_zone(laid, ("upper", "lower")) == "lower"
    assert main_zone([], ("upper",)) == "upper"


TECHNIQUES = ("spray", "brush", "dry-brush", "wash", "pin wash", "sponge", "scratch", "wipe back",
              "mask", "unmask", "varnish", "fluid", "sand", "pigment")  # fmt: skip


@given(st.lists(st.sampled_from(TECHNIQUES), min_size=1, max_size=9), st.floats(0.05, 1))
def test_what_comes_off_is_what_was_there_and_nothing_grows(names: list[str], cover: float) -> None:
    passes = [p(name, f"{name} {n}", cover=cover) for n, name in enumerate(names)]
    found = section(*passes).films
    laid = sum(sum(one.laid) for one in found if one.does != "takes")
    left = sum(sum(one.left) for one in found)
    off = sum(sum(one.laid) for one in found if one.does == "takes")
    assert laid - left == pytest.approx(off, abs=0.05 * POINTS * (1 + len(found)))
    for one in found:
        assert all(0 <= low <= high + 0.05 for low, high in zip(one.left, one.laid, strict=True)
                   if one.does != "takes")  # fmt: skip


def test_recess_flat_and_edge_are_one_at_every_point() -> None:
    assert all(sum(PLACES[n]) == pytest.approx(1) for n in range(POINTS))
    assert where(0) == 0 and where(POINTS - 1) == 1

"""What a recipe looks like: recess, flat and edge after every pass."""

from __future__ import annotations

from typing import Any

import numpy as np

from muster.core.colour.spaces import difference, lab_of, xyz_of_hex
from muster.core.stack.appearance import Surface
from muster.core.stack.walk import walk
from tests.core.stack.making import DARK, GREEN, LINEN, p, recipe

RECESS, FLAT, EDGE = 0, 1, 2


def after(*passes: dict[str, Any], zone: str = "upper", kind: str = "vehicle") -> list[Surface]:
    return walk(recipe(*passes, kind=kind)).surfaces[zone]


def lightness(surface: Surface) -> np.ndarray:
    return surface.lab()[:, 0]


UNDER = p("spray", "undercoat", colour=DARK, coats=3)
BASE = p("brush", "base", colour=GREEN, coats=3)


def test_a_covering_coat_shows_its_own_colour_everywhere() -> None:
    shown = after(UNDER, BASE)[1]
    goal = lab_of(xyz_of_hex([GREEN]))[0]
    assert float(difference(shown.lab(), goal).max()) < 1.5


def test_a_wash_darkens_the_hollow_more_than_the_flat_and_the_edge_least() -> None:
    before, washed = after(UNDER, BASE, p("wash", "wash", colour="#3a2a20"))[1:]
    fall = lightness(before) - lightness(washed)
    assert fall[RECESS] > fall[FLAT] > fall[EDGE] > 0


def test_a_pin_wash_stays_in_the_recess() -> None:
    before, pinned = after(UNDER, BASE, p("pin wash", "pin", colour="#1c1d1f"))[1:]
    moved = difference(before.lab(), pinned.lab())
    assert moved[RECESS] > 5 and moved[FLAT] == moved[EDGE] == 0


def test_a_dry_brush_lies_on_the_ridge() -> None:
    before, brushed = after(UNDER, BASE, p("dry-brush", "lights", colour=LINEN))[1:]
    rise = lightness(brushed) - lightness(before)
    assert rise[EDGE] > rise[FLAT] > rise[RECESS] == 0


def test_a_pass_for_edges_leaves_recess_and_flat_alone() -> None:
    before, edged = after(UNDER, BASE, p("brush", "edges", colour=LINEN, zones=["edges"]))[1:]
    moved = difference(before.lab(), edged.lab())
    assert moved[EDGE] > 1 and moved[RECESS] == moved[FLAT] == 0


def test_zones_that_a_pass_does_not_name_keep_their_look() -> None:
    walked = walk(recipe(UNDER, BASE, p("brush", "red", colour="#8a2320", zones=["lower"])))
    shown = walked.surfaces
    assert np.allclose(shown["upper"][2].at, shown["upper"][1].at)
    assert not np.allclose(shown["lower"][2].at, shown["lower"][1].at)


def test_a_filter_shifts_everything_a_little() -> None:
    before, filtered = after(UNDER, BASE, p("filter", "filter", colour="#c9a227"))[1:]
    moved = difference(before.lab(), filtered.lab())
    assert (moved > 0.5).all() and (moved < 8).all()


def test_varnish_masks_and_decals_change_no_colour() -> None:
    shown = after(UNDER, BASE, p("varnish", finish="matt"), p("mask"), p("decal"))
    for one in shown[2:]:
        assert np.allclose(one.at, shown[1].at)


def test_a_thin_coat_lets_the_undercoat_through_and_more_coats_hide_it() -> None:
    goal = lab_of(xyz_of_hex([LINEN]))[0]
    off = [
        float(difference(after(UNDER, p("spray", "white", tool="airbrush", colour=LINEN,
                                        coats=n))[1].lab()[FLAT], goal))
        for n in (1, 2, 4)
    ]  # fmt: skip
    assert off[0] > off[1] > off[2]


def test_a_part_painted_apart_leaves_the_rest_as_it_was() -> None:
    wheels = p("brush", "wheels", colour="#1c1d1f", part="wheels", tool="brush")
    shown = walk(recipe(UNDER, BASE, wheels)).surfaces
    assert shown["upper"][2] is shown["upper"][1]
    goal = lab_of(xyz_of_hex(["#1c1d1f"]))[0]
    assert float(difference(shown["wheels"][2].lab()[FLAT], goal)) < 2

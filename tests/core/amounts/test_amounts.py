"""Areas, films and needs; against published formulas and geometry."""

from __future__ import annotations

import io
import math
from collections.abc import Mapping
from dataclasses import replace
from datetime import timedelta

import numpy as np
import pytest
import trimesh
from hypothesis import given
from hypothesis import strategies as st

from muster.core.amounts.area import Box, body_m2, model_cm2
from muster.core.amounts.film import amount, in_drops, spreading_m2, surface_share
from muster.core.amounts.ground import YIELDS, ground
from muster.core.amounts.mesh import measured
from muster.core.amounts.requirements import Stock, requirements, split, still_needed, used_since
from muster.core.errors import DomainError
from muster.core.recipes.recipe import MixPart
from tests.core.making import NOW, a_pass, choices, derived, recipe, ticks, unit

GREEN = a_pass("base", 3, tool="brush", mix=(MixPart("Reed green", 5), MixPart("Silt", 2)))


def stl(mesh: trimesh.Trimesh) -> bytes:
    out = io.BytesIO()
    mesh.export(out, file_type="stl")
    return out.getvalue()


def test_body_surface_is_that_of_du_bois() -> None:
    """Du Bois & Du Bois 1916: 70 kg and 170 cm have 1.81 m²."""
    assert body_m2(70, 170) == pytest.approx(1.81, abs=0.005)
    with pytest.raises(ValueError, match="use 1 to 1000 kg"):
        body_m2(0, 170)


def test_a_figure_shrinks_with_the_square_of_its_scale() -> None:
    figure = model_cm2("figure", 72)
    assert figure == pytest.approx(1.81e4 * 3 / 72**2, rel=0.01)
    assert model_cm2("figure", 36) == pytest.approx(4 * figure)
    assert model_cm2("mounted", 72) > 1.8 * figure


def test_a_twenty_foot_container_by_its_box() -> None:
    """ISO 668: 6.058 × 2.438 × 2.591 m; its six faces are 73.6 m²."""
    box = Box(6.058, 2.438, 2.591, 1.0)
    assert box.surface_m2() == pytest.approx(73.56, abs=0.05)
    assert model_cm2("building", 72, box) == pytest.approx(73.56e4 / 72**2, rel=0.001)


def test_bases_do_not_shrink() -> None:
    assert model_cm2("base", 72) == model_cm2("base", 28)


@pytest.mark.parametrize("times", [1.0, 2.5])
def test_meshes_have_the_area_that_geometry_gives_them(times: float) -> None:
    """A cube of 20 mm, a tetrahedron, a sphere of radius 10 mm: trimesh against formulas."""
    cube = measured(stl(trimesh.creation.box((20, 20, 20))), times, 1)
    assert cube.area_cm2 == pytest.approx(24 * times**2) and cube.closed
    corners = np.array([[0, 0, 0], [10, 0, 0], [0, 10, 0], [0, 0, 10]], dtype=float)
    faces = np.array([[0, 2, 1], [0, 1, 3], [0, 3, 2], [1, 2, 3]])
    tetrahedron = measured(stl(trimesh.Trimesh(corners, faces)), times, 1)
    assert tetrahedron.area_cm2 == pytest.approx((1.5 + math.sqrt(3) / 2) * times**2)
    ball = measured(stl(trimesh.creation.icosphere(subdivisions=4, radius=10)), times, 1)
    assert ball.area_cm2 == pytest.approx(4 * math.pi * times**2, rel=0.01)


def test_a_file_for_another_scale_is_rescaled() -> None:
    """1/30 to 1/72 is 41.67 %: arithmetic; areas by its square."""
    cube = stl(trimesh.creation.box((30, 30, 30)))
    found = measured(cube, 30, 72)
    assert found.size_mm[0] == pytest.approx(30 * 30 / 72)
    assert found.area_cm2 == pytest.approx(54 * (30 / 72) ** 2)


def test_holes_and_inches_are_said_and_rubbish_is_refused() -> None:
    open_box = trimesh.creation.box((20, 20, 20))
    open_box.update_faces(np.arange(len(open_box.faces)) > 1)
    assert "has holes" in measured(stl(open_box), 1, 1).warnings[0]
    inches = measured(stl(trimesh.creation.box((1.2, 1, 1))), 1, 1)
    assert "in inches it would be 30 mm" in inches.warnings[0]
    assert measured(stl(trimesh.creation.box((1.2, 1, 1))), 1, 1, "inch").warnings == ()
    for data in (b"", b"solid nothing", b"GIF89a" + bytes(200)):
        with pytest.raises(DomainError, match="STL"):
            measured(data, 1, 1)
    liar = bytes(80) + (900_000_000).to_bytes(4, "little") + bytes(60)
    with pytest.raises(DomainError, match="more than 800000 faces"):
        measured(liar, 1, 1)
    for scale in (float("nan"), float("inf"), 0.0, -72.0):
        with pytest.raises(DomainError, match="scales are above 0"):
            measured(stl(open_box), 1, scale)
        with pytest.raises(DomainError, match="scales are above 0"):
            measured(stl(open_box), scale, 72)
    with pytest.raises(DomainError, match="unit 'ell'"):
        measured(stl(open_box), 1, 1, "ell")


def test_a_brushed_coat_is_area_times_film_by_transfer() -> None:
    """100 cm² × 60 µm = 0.6 ml, of which nine tenths land."""
    found = amount(GREEN, "vehicle", 100, 3)
    assert found.each_ml == pytest.approx(0.6 / 0.9)
    assert found.ml == pytest.approx(3 * 0.6 / 0.9 + 0.25)
    assert found.drops() == math.ceil(found.ml / 0.05)


def test_an_airbrush_wastes_more_on_small_things() -> None:
    sprayed = replace(GREEN, technique="spray", tool="airbrush")
    big, small = (amount(sprayed, kind, 10, 1).each_ml for kind in ("vehicle", "figure"))
    assert small == pytest.approx(2 * big)


def test_a_dry_brush_takes_a_twelfth_of_a_coat() -> None:
    """15 µm on a third, against 60 µm on all."""
    dry = amount(replace(GREEN, technique="dry-brush"), "figure", 10, 1).each_ml
    assert dry == pytest.approx(amount(GREEN, "figure", 10, 1).each_ml / 12)


def test_zones_coats_and_thirst_count() -> None:
    whole = amount(GREEN, "figure", 10, 1).each_ml
    cloth = surface_share("figure", replace(GREEN, zones=("cloth",)))
    assert amount(GREEN, "figure", 10, 1, cloth).each_ml == pytest.approx(whole / 6)
    tracks, running = (surface_share("vehicle", replace(GREEN, zones=(name,)))
                       for name in ("tracks", "running gear"))  # fmt: skip
    assert 0 < tracks < running
    but = surface_share("vehicle", replace(GREEN, all_but=("running gear",)))
    assert but == pytest.approx(1 - running)
    two = replace(GREEN, coats=2)
    assert amount(two, "figure", 10, 1).each_ml == pytest.approx(2 * whole)
    assert amount(two, "figure", 10, 1, drinks=True).each_ml == pytest.approx(3 * whole)
    assert amount(replace(GREEN, technique="mask", tool=None), "figure", 10, 1).ml == 0
    untold = amount(replace(GREEN, tool=None), "figure", 10, 1)
    assert untold == amount(GREEN, "figure", 10, 1), "a pass without tool takes its technique's"


FOOT = model_cm2("figure", 56)
"""cm² of a foot figure of 28 mm."""


def test_a_foot_figure_of_28_mm_takes_what_painters_find() -> None:
    """15 to 20 cm², a coat or a wash of 0.1 to 0.2 ml, 100 to 150 of them from a pot of 17 ml:
    common practice."""
    assert 15 <= FOOT <= 20
    coat = amount(GREEN, "figure", FOOT, 1).each_ml
    wash = amount(replace(GREEN, technique="wash"), "figure", FOOT, 1).each_ml
    assert 0.1 <= coat <= 0.2 and 0.1 <= wash <= 0.2
    assert 100 <= 17 / coat <= 150


def test_a_can_of_400_ml_undercoats_about_a_hundred_figures_or_a_dozen_vehicles() -> None:
    """Common practice."""
    can = replace(GREEN, technique="spray can", tool="spray can")
    figures = 400 / amount(can, "figure", FOOT, 1).each_ml
    vehicles = 400 / amount(can, "vehicle", model_cm2("vehicle", 35), 1).each_ml
    assert 80 <= figures <= 150 and 8 <= vehicles <= 16


def test_paste_is_reckoned_by_area_and_depth() -> None:
    """24 × 15 cm, 2 mm deep: 72 ml. Geometry."""
    paste = replace(GREEN, technique="texture", medium="texture", tool=None, thick=2)
    assert amount(paste, "base", 360, 1).each_ml == pytest.approx(72)
    found = ground(360, 2, grass=0.5, ballast=0.5)
    assert found.paste_ml == pytest.approx(72)
    assert sum(found.parts_ml.values()) == pytest.approx(72 / YIELDS)
    assert found.parts_ml["plaster"] == pytest.approx(3 * found.parts_ml["paint"])
    assert 1 < found.grass_g < 6 and 10 < found.ballast_ml < 60 and found.glue_ml > 0
    for area, depth in ((0, 2), (10, -1), (float("nan"), 1)):
        with pytest.raises(ValueError, match="use"):
            ground(area, depth)
    with pytest.raises(ValueError, match="needs parts"):
        ground(10, 1, {"plaster": 0})


def test_a_board_is_sprayed_as_a_vehicle_is_and_a_base_as_a_figure() -> None:
    sprayed = replace(GREEN, technique="spray", tool="airbrush")
    board, base = (amount(sprayed, "base", cm2, 1).each_ml / cm2 for cm2 in (360, 9))
    assert base == pytest.approx(2 * board)


def test_thinner_and_varnish_are_no_paint() -> None:
    plain = split(GREEN, 7.0)
    assert sum(split(replace(GREEN, dilution=1), 7.0).values()) == pytest.approx(3.5)
    assert sum(split(replace(GREEN, varnish_share=0.2), 7.0).values()) == pytest.approx(5.6)
    watered = replace(GREEN, mix=(*GREEN.mix, MixPart("water", 7)), dilution=1)
    assert sum(split(watered, 7.0).values()) == pytest.approx(3.5), "not taken off twice"
    assert sum(plain.values()) == pytest.approx(7.0)


def test_spreading_rate_is_the_trades_formula() -> None:
    """40 % volume solids at 20 µm dry: 20 m² a litre. Coating trade standard practice."""
    assert spreading_m2(40, 20) == pytest.approx(20)
    with pytest.raises(ValueError, match="use 0 to 100"):
        spreading_m2(0, 20)


@given(st.lists(st.integers(1, 9), min_size=1, max_size=4), st.integers(1, 200))
def test_drops_for_a_tray_keep_the_ratio_exactly_and_are_enough(
    parts: list[int], drops: int
) -> None:
    found = in_drops(parts, drops)
    assert sum(found) >= drops
    assert sum(found) - sum(parts) < drops
    assert all(a * parts[0] == b * found[0] for a, b in zip(found, parts, strict=True))


def test_a_mix_is_shared_by_its_parts_and_water_is_not_bought() -> None:
    wash = replace(GREEN, mix=(MixPart("Peat", 1), MixPart("water", 4)))
    assert split(wash, 5.0) == {"Peat": pytest.approx(1.0)}


def needed(*facts: object) -> dict[str, dict[str, float]]:
    made = derived(choices(unit(6)), *facts, recipes=(recipe(GREEN),), minutes=30)  # type: ignore[arg-type]
    recipes = {("infantry", 1): recipe(GREEN)}
    return still_needed(made.calls.values(), recipes, made.state)


def test_what_is_ticked_is_no_longer_needed() -> None:
    before, after = needed(), needed(*ticks(range(1, 4), "base"))
    assert 0 < after["Reed green"]["pikes"] < before["Reed green"]["pikes"]
    assert needed(*ticks(range(1, 7), "base")) == {}


def test_stock_falls_by_what_was_ticked_since_the_pot_was_weighed() -> None:
    made = derived(choices(unit(6)), *ticks(range(1, 4), "base"), recipes=(recipe(GREEN),),
                   minutes=30)  # fmt: skip
    recipes = {("infantry", 1): recipe(GREEN)}

    def used(minutes: float) -> Mapping[str, float]:
        since = {"Reed green": NOW + timedelta(minutes=minutes)}
        return used_since(since, made.snapshot.choices.units, recipes, made.state)

    all_, some = used(-5)["Reed green"], used(2.5)["Reed green"]
    each = model_cm2("figure", 72) * 60e-4 / 0.9 * 5 / 7
    assert all_ == pytest.approx(3 * each + 0.25 * 5 / 7)
    assert some == pytest.approx(1 * each + 0.25 * 5 / 7)
    assert used(60) == {}


def test_the_list_says_what_is_short_how_many_pots_and_the_cost() -> None:
    wanted = {"Reed green": {"pikes": 10.0}, "Silt": {"pikes": 1.0}, "Peat": {"guns": 2.0}}
    shelf = {"Reed green": Stock(3.0, 8.0, 2.5), "Silt": Stock(None, 17.0, 3.0)}
    green, peat, silt = requirements(wanted, shelf, spare=0.1)
    assert green.short_ml == pytest.approx(8.0) and (green.pots, green.cost) == (1, 2.5)
    assert not peat.owned and peat.pots is None and peat.short_ml == pytest.approx(2.2)
    assert silt.short_ml == 0 and silt.left_ml is None

"""Rescaling: worked by hand, by shapes of known thickness, and by another reading of the same mesh.

Scale ratios are those of the trade: a length L in life is L/30 in a 1/30 file and L/72 on a 1/72
table. Least walls and rods are common practice and are only tested for being used.
"""

from __future__ import annotations

import math
from fractions import Fraction
from typing import Any

import numpy as np
import pytest
import trimesh
from hypothesis import given
from hypothesis import strategies as st

from muster.core.amounts.thickness import thin_places
from muster.core.build.rescale import (
    GAP_MM,
    MAGNETS_MM,
    PRINTERS,
    RODS_MM,
    Limits,
    magnet_for,
    plate_count,
    rod_for,
    scale_factor,
    thickened,
)
from muster.core.errors import DomainError


@pytest.mark.parametrize(
    ("of", "into", "percent"),
    [(30, 72, "41.7"), (28, 72, "38.9"), (35, 72, "48.6"), (72, 72, "100.0"), (87, 72, "120.8"),
     (100, 72, "138.9"), (48, 72, "66.7"), (56, 72, "77.8"), (1, 72, "1.4")],
)  # fmt: skip
def test_a_file_is_sized_by_the_ratio_of_its_scales(of: int, into: int, percent: str) -> None:
    assert f"{scale_factor(of, into) * 100:.1f}" == percent
    assert scale_factor(of, into) == pytest.approx(float(Fraction(of, into)))


@pytest.mark.parametrize(("of", "into"), [(0, 72), (72, 0), (-1, 72), (math.inf, 72)])
def test_what_is_no_scale_is_refused(of: float, into: float) -> None:
    with pytest.raises(DomainError, match="scales are above 0"):
        scale_factor(of, into)


def test_rails_that_were_sturdy_are_thickened_by_what_they_lack() -> None:
    """1.2 mm at 1/30 is 0.5 mm at 1/72: enough for resin, too thin for filament. To stand at
    1.2 mm it must be 1.2 × 72/30 = 2.88 mm in the file, 2.4 times what it is."""
    factor = scale_factor(30, 72)
    rail = ("rail", "rod", 1.2)
    resin = thickened([rail], factor, PRINTERS["resin"])[0]  # type: ignore[list-item]
    assert (resin.mm, resin.to_mm) == (0.5, None)
    filament = thickened([rail], factor, PRINTERS["filament"])[0]  # type: ignore[list-item]
    assert (filament.mm, filament.to_mm, filament.in_file_mm) == (0.5, 1.2, 2.88)
    assert filament.times == pytest.approx(2.4)


@given(st.floats(0.05, 20), st.floats(1, 200), st.floats(1, 200))
def test_a_member_that_is_thickened_comes_out_at_the_least_there_is(
    mm: float, of: float, into: float
) -> None:
    factor, limits = scale_factor(of, into), PRINTERS["filament"]
    one = thickened([("wall", "wall", mm)], factor, limits)[0]
    if one.to_mm is None:
        assert mm * factor >= limits.wall_mm - 1e-6
    else:
        assert one.in_file_mm is not None
        assert one.in_file_mm * factor == pytest.approx(limits.wall_mm, rel=1e-2, abs=1e-3)
        assert one.times is not None
        assert one.times > 1


@pytest.mark.parametrize(
    ("size", "plate", "many"),
    [((20, 20, 30), (120, 68, 150), 15), ((57, 32, 10), (120, 68, 150), 4),
     ((68, 120, 10), (120, 68, 150), 1), ((121, 30, 10), (120, 68, 150), 0),
     ((10, 10, 151), (120, 68, 150), 0)],
)  # fmt: skip
def test_how_many_stand_on_a_plate(
    size: tuple[float, float, float], plate: tuple[float, float, float], many: int
) -> None:
    """Counted by hand with 3 mm between: 120 mm takes five of 20 mm (5 × 20 + 4 × 3 = 112)."""
    assert GAP_MM == 3
    assert plate_count(size, plate) == many


def test_rods_and_drills_at_scale() -> None:
    """A pipe of 100 mm is 1.39 mm at 1/72: the nearest rod is 1.5 mm, 8 % too thick."""
    pipe = rod_for(100, 72)
    assert (pipe.at_scale_mm, pipe.rod_mm, pipe.drill_mm) == (1.389, 1.5, 1.6)
    assert pipe.off == pytest.approx(0.08)
    for life in (10, 25, 50, 100, 200):
        one = rod_for(life, 72)
        assert all(abs(one.rod_mm - life / 72) <= abs(rod - life / 72) + 1e-12 for rod in RODS_MM)


def test_the_magnet_for_a_face_leaves_an_edge() -> None:
    assert magnet_for(2, 5) is None
    assert magnet_for(4, 1) is None
    held = magnet_for(7, 4)
    assert held is not None
    assert (held.diameter_mm, held.height_mm, held.drill_mm) == (5.0, 2.0, 5.1)
    for across, high in MAGNETS_MM:
        found = magnet_for(across + 2, high + 1)
        assert found is not None
        assert found.diameter_mm**2 * found.height_mm >= across**2 * high


def stl(mesh: Any) -> bytes:
    data = mesh.export(file_type="stl")
    assert isinstance(data, bytes)
    return data


WALLS = Limits(0.8, 1.2)


@pytest.mark.parametrize("mm", [0.5, 1.0, 1.7, 3.0])
def test_a_plate_of_known_thickness_is_measured_as_a_wall(mm: float) -> None:
    found = thin_places(stl(trimesh.creation.box((40, 30, mm))), 72, 72, WALLS)
    assert found.least_mm == pytest.approx(mm, rel=1e-4)
    assert {one.member for one in found.places} == ({"wall"} if mm < 0.8 else set())
    assert found.closed


@pytest.mark.parametrize("mm", [0.6, 1.0, 1.5])
def test_a_rod_of_known_thickness_is_measured_as_a_rod(mm: float) -> None:
    rod = trimesh.creation.cylinder(radius=mm / 2, height=30, sections=48)
    found = thin_places(stl(rod), 72, 72, WALLS)
    # A rod of 48 flats is narrower across them than across its corners: by cos(π/48).
    assert found.least_mm == pytest.approx(mm * math.cos(math.pi / 48), rel=0.01)
    assert {one.member for one in found.places} == ({"rod"} if mm < 1.2 else set())


def test_rails_on_a_sturdy_block_are_found_where_they_are() -> None:
    block = trimesh.creation.box((60, 40, 20))
    rail = trimesh.creation.cylinder(radius=0.9, height=30, sections=32)
    rail.apply_translation((20, 10, 25))
    both = trimesh.util.concatenate([block, rail])
    found = thin_places(stl(both), 30, 72, PRINTERS["filament"])
    assert found.places
    assert {one.member for one in found.places} == {"rod"}
    factor = 30 / 72
    for one in found.places:
        # From the lowest corner (-30, -20, -10), at our scale.
        assert one.at_mm[0] == pytest.approx((20 + 30) * factor, abs=0.9 * factor + 0.1)
        assert one.at_mm[1] == pytest.approx((10 + 20) * factor, abs=0.9 * factor + 0.1)
        assert one.mm == pytest.approx(1.8 * factor, rel=0.02)
        assert one.in_file == pytest.approx(1.2 / factor, abs=0.001)


def test_a_sphere_is_as_thick_as_it_is_wide() -> None:
    ball = trimesh.creation.icosphere(subdivisions=4, radius=10)
    found = thin_places(stl(ball), 72, 72, WALLS)
    assert found.places == ()
    assert found.least_mm == pytest.approx(20, rel=0.01)


def test_our_measure_agrees_with_the_library_s_own() -> None:
    """trimesh.proximity.thickness: the largest ball within that touches a point. On a bent sheet
    of 1 mm both read about that."""
    outer = trimesh.creation.cylinder(radius=12, height=20, sections=96)
    inner = trimesh.creation.cylinder(radius=11, height=20, sections=96)
    inner.invert()
    pipe = trimesh.util.concatenate([outer, inner])
    points, faces = trimesh.sample.sample_surface(outer, 200, seed=3)
    side = np.abs(outer.face_normals[faces][:, 2]) < 0.5
    theirs = trimesh.proximity.thickness(
        pipe, points[side], exterior=False, normals=outer.face_normals[faces][side], method="ray"
    )
    assert float(np.median(theirs)) == pytest.approx(1.0, rel=0.03)
    ours = thin_places(stl(pipe), 72, 72, Limits(1.2, 1.2))
    assert ours.places
    assert ours.places[0].mm == pytest.approx(1.0, rel=0.03)


def test_what_is_no_mesh_is_refused() -> None:
    with pytest.raises(DomainError, match=r"no STL mesh|no faces"):
        thin_places(b"solid nothing\nendsolid nothing\n", 30, 72, WALLS)
    with pytest.raises(DomainError, match="unit"):
        thin_places(stl(trimesh.creation.box()), 30, 72, WALLS, "ell")

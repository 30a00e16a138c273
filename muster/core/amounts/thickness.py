"""Where a mesh is too thin to be printed at our scale: rays into it, measured by trimesh."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
import trimesh
from numpy.typing import NDArray

from muster.core.amounts.mesh import loaded_mesh, times_of
from muster.core.build.rescale import Limits, Member

SAMPLES = 1_500
"""Points of the surface that are looked at."""

SEED = 5
MOST_LISTED = 12
NEAR = 0.08
"""Thin places nearer to each other than this share of the longest side are one place."""

ROD_ASPECT = 4.0
"""What is less than so many times as broad as it is thin is a rod, else a wall."""

Points = NDArray[np.float64]
"""Of shape (n, 3)."""


@dataclass(frozen=True)
class ThinPlace:
    """A place that is too thin. ``at_mm``: from the lowest corner of the box, on the table;
    ``mm``: how thick on the table; ``to_mm``: what it must be; ``in_file``: that in the file's
    own unit; ``share``: of the surface looked at."""

    member: Member
    mm: float
    to_mm: float
    in_file: float
    at_mm: tuple[float, float, float]
    share: float


@dataclass(frozen=True)
class Thickness:
    """What was found: the thinnest first, the box on the table, and the least thickness."""

    places: tuple[ThinPlace, ...]
    size_mm: tuple[float, float, float]
    least_mm: float
    closed: bool


def thin_places(
    data: bytes, file_scale: float, scale: float, limits: Limits, unit: str = "mm"
) -> Thickness:
    """Measure a mesh. Raises DomainError for what is no mesh, or too large."""
    times = times_of(file_scale, scale, unit)
    mesh = loaded_mesh(data)
    points, faces = trimesh.sample.sample_surface(mesh, SAMPLES, seed=SEED)
    points = np.asarray(points, dtype=float)
    normals = np.asarray(mesh.face_normals[faces], dtype=float)
    beside = _beside(normals)
    middle = points
    # To the middle of the material first: a chord beside it is shorter than what is measured.
    _, middle = _chord(mesh, points, normals, inside=False)
    for way in (*beside, normals):
        _, middle = _chord(mesh, middle, way)
    chords = np.sort([_chord(mesh, middle, way)[0] for way in (normals, *beside)], axis=0)
    rod = chords[1] < ROD_ASPECT * chords[0]
    least = np.where(rod, limits.rod_mm, limits.wall_mm)
    mm = chords[0] * times
    thin = np.flatnonzero(np.isfinite(mm) & (mm < least - 1e-6))
    corner = np.asarray(mesh.bounds[0], dtype=float)
    size = np.asarray(mesh.extents, dtype=float) * times
    found = _places(thin, mm, rod, (points - corner) * times, float(size.max()), limits, times)
    whole = mm[np.isfinite(mm)]
    return Thickness(
        tuple(found), (float(size[0]), float(size[1]), float(size[2])),
        float(whole.min()) if len(whole) else 0.0, bool(mesh.is_watertight),
    )  # fmt: skip


def _through(mesh: trimesh.Trimesh, origins: Points, ways: Points) -> NDArray[np.float64]:
    """How far rays run within the mesh until they leave it; inf where they do not."""
    step = float(mesh.scale) * 1e-6
    starts = origins + ways * step
    hits, rays, _ = mesh.ray.intersects_location(starts, ways, multiple_hits=False)
    found = np.full(len(origins), np.inf)
    if len(hits):
        found[rays] = np.linalg.norm(np.asarray(hits) - origins[rays], axis=1)
    return found


def _chord(
    mesh: trimesh.Trimesh, at: Points, way: Points, inside: bool = True
) -> tuple[NDArray[np.float64], Points]:
    """How long the mesh is along a line through points within it, or from points on it against
    ``way``, and the middle of that; where it has no end, the point as it was."""
    back = _through(mesh, at, -way)
    ahead = _through(mesh, at, way) if inside else np.zeros(len(at))
    long = back + ahead
    ends = np.isfinite(long)
    shift = np.zeros(len(at))
    shift[ends] = (ahead[ends] - back[ends]) / 2
    return long, at + way * shift[:, None]


def _beside(normals: Points) -> tuple[Points, Points]:
    """Two directions across each normal."""
    helper = np.where(np.abs(normals[:, :1]) < 0.9, [[1.0, 0, 0]], [[0, 1.0, 0]])
    one = np.cross(normals, helper)
    one /= np.linalg.norm(one, axis=1)[:, None]
    return one, np.cross(normals, one)


def _places(
    thin: NDArray[np.intp], mm: NDArray[np.float64], rod: NDArray[np.bool_], at: Points,
    longest: float, limits: Limits, times: float,
) -> list[ThinPlace]:  # fmt: skip
    """Thin points gathered into places, the thinnest of each standing for it."""
    found: list[ThinPlace] = []
    left = list(thin[np.argsort(mm[thin])])
    while left and len(found) < MOST_LISTED:
        first = left[0]
        near = {
            n for n in left
            if rod[n] == rod[first] and np.linalg.norm(at[n] - at[first]) < NEAR * longest
        }  # fmt: skip
        member: Member = "rod" if rod[first] else "wall"
        least = limits.of(member)
        place = at[first]
        found.append(ThinPlace(
            member, round(float(mm[first]), 3), least, round(least / times, 3),
            (round(float(place[0]), 1), round(float(place[1]), 1), round(float(place[2]), 1)),
            len(near) / len(mm),
        ))  # fmt: skip
        left = [n for n in left if n not in near]
    return found

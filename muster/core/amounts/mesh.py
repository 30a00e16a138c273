"""The surface of a model from its mesh (STL), measured by trimesh."""

from __future__ import annotations

import io
from dataclasses import dataclass
from typing import cast

import numpy as np
import trimesh

from muster.core.errors import DomainError

MOST_BYTES = 40_000_000
MOST_FACES = 800_000
MM_OF_INCH = 25.4
UNITS = {"mm": 1.0, "cm": 10.0, "inch": MM_OF_INCH}
LEAST_MM, MOST_MM = 5.0, 600.0
"""Of a model's longest side on the table: beyond, its unit or scale is doubtful."""


@dataclass(frozen=True)
class Measured:
    """What a mesh is, at the model's scale."""

    area_cm2: float
    size_mm: tuple[float, float, float]
    faces: int
    closed: bool
    warnings: tuple[str, ...]


def measured(data: bytes, file_scale: float, scale: float, unit: str = "mm") -> Measured:
    """A mesh drawn at 1/``file_scale`` in ``unit`` (mm, inch or cm), as it stands at 1/``scale``.

    Raises DomainError for what is no mesh, too large, or empty.
    """
    mesh = loaded_mesh(data)
    faces = len(mesh.faces)
    times = times_of(file_scale, scale, unit)
    size = np.asarray(mesh.extents, dtype=float) * times
    warnings = []
    closed = bool(mesh.is_watertight)
    if not closed:
        warnings.append("the mesh has holes: its area is that of the faces that are there")
    longest = float(size.max())
    if longest < LEAST_MM:
        as_inches = longest * MM_OF_INCH / UNITS[unit]
        guess = f"; in inches it would be {as_inches:.0f} mm" if unit == "mm" else ""
        warnings.append(f"it would stand {longest:.2g} mm long{guess}: check unit and scale")
    elif longest > MOST_MM:
        warnings.append(f"it would stand {longest:.0f} mm long: check unit and scale")
    return Measured(
        float(mesh.area) * times**2 / 100, (float(size[0]), float(size[1]), float(size[2])),
        faces, closed, tuple(warnings),
    )  # fmt: skip


def times_of(file_scale: float, scale: float, unit: str = "mm") -> float:
    """Millimetres on the table for one unit of the file. Raises DomainError."""
    if unit not in UNITS:
        raise DomainError(f"unit '{unit}': use {', '.join(UNITS)}")
    if not all(0 < one < float("inf") for one in (file_scale, scale)):
        raise DomainError("scales are above 0: 1 for real size, 72 for 1/72")
    return UNITS[unit] * file_scale / scale


def loaded_mesh(data: bytes) -> trimesh.Trimesh:
    """A mesh from an STL. Raises DomainError for what is no mesh, too large, or empty."""
    if len(data) > MOST_BYTES:
        raise DomainError(f"the mesh is larger than {MOST_BYTES // 1_000_000} MB: simplify it")
    if _faces_said(data) > MOST_FACES:
        raise DomainError(f"the mesh has more than {MOST_FACES} faces: simplify it")
    try:
        loaded = trimesh.load(io.BytesIO(data), file_type="stl", force="mesh")
    except Exception as error:
        raise DomainError("this is no STL mesh: export it again as STL") from error
    mesh = cast("trimesh.Trimesh", loaded)
    faces = len(getattr(mesh, "faces", ()))
    if faces == 0 or not np.isfinite(mesh.vertices).all():
        raise DomainError("the mesh has no faces: export it again as STL")
    if faces > MOST_FACES:
        raise DomainError(f"the mesh has more than {MOST_FACES} faces: simplify it")
    return mesh


def _faces_said(data: bytes) -> int:
    """Faces that a binary STL says it has; 0 for a text one. Read before memory is taken."""
    if len(data) < 84 or (data[:5].lower() == b"solid" and b"facet" in data[:400]):
        return 0
    return int.from_bytes(data[80:84], "little")

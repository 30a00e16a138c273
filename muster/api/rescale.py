"""Rescaling a print: size, members, plate; thin places of a mesh; rods and magnets."""

from __future__ import annotations

from typing import Annotated, Literal

from ninja import File, Form, Router, Schema
from ninja.files import UploadedFile
from pydantic import Field

from muster.api.requests import Line, UserRequest
from muster.api.throttles import HEAVY, ByUser
from muster.core.amounts.mesh import MOST_BYTES
from muster.core.amounts.thickness import Thickness, thin_places
from muster.core.build.rescale import (
    PLATES,
    PRINTERS,
    MagnetSize,
    Member,
    Printer,
    RodSize,
    Thickened,
    magnet_for,
    plate_count,
    rod_for,
    scale_factor,
    thickened,
)
from muster.core.errors import DomainError

router = Router()

Size = Annotated[float, Field(gt=0, le=100_000)]
Scale = Annotated[float, Field(gt=0, le=1000)]


class MemberIn(Schema):
    """A member as it is in the file."""

    name: Annotated[Line, Field(min_length=1, max_length=60)]
    member: Member
    mm: Size


class RescaleIn(Schema):
    """A print as it is, and for what."""

    file_scale: Scale
    scale: Scale
    printer: Printer = "resin"
    members: Annotated[list[MemberIn], Field(max_length=60)] = []
    size_mm: tuple[Size, Size, Size] | None = None
    plate: Annotated[str, Field(max_length=40)] = "small resin"
    rods_mm: Annotated[list[Size], Field(max_length=20)] = []
    face_mm: tuple[Size, Size] | None = None


class RescaleOut(Schema):
    """The print as it will be; ``on_plate``: how many at once, None where no size was given."""

    percent: float
    least_wall_mm: float
    least_rod_mm: float
    members: list[Thickened]
    size_mm: tuple[float, float, float] | None
    on_plate: int | None
    rods: list[RodSize]
    magnet: MagnetSize | None
    plates: list[str]


@router.post("/build/rescale", response=RescaleOut)
def rescale(request: UserRequest, payload: RescaleIn) -> RescaleOut:
    """Arithmetic alone. Raises DomainError for an unknown plate."""
    factor = scale_factor(payload.file_scale, payload.scale)
    if payload.plate not in PLATES:
        raise DomainError(f"no plate is called '{payload.plate}': use {', '.join(PLATES)}")
    limits = PRINTERS[payload.printer]
    size = None
    if payload.size_mm is not None:
        wide, deep, high = (round(one * factor, 1) for one in payload.size_mm)
        size = (wide, deep, high)
    rows = [(one.name, one.member, one.mm) for one in payload.members]
    face = payload.face_mm
    return RescaleOut(
        percent=round(factor * 100, 1), least_wall_mm=limits.wall_mm, least_rod_mm=limits.rod_mm,
        members=thickened(rows, factor, limits), size_mm=size,
        on_plate=None if size is None else plate_count(size, PLATES[payload.plate]),
        rods=[rod_for(one, payload.scale) for one in payload.rods_mm],
        magnet=None if face is None else magnet_for(*face), plates=list(PLATES),
    )  # fmt: skip


@router.post("/build/rescale/mesh", response=Thickness, throttle=ByUser("mesh", HEAVY))
def mesh(
    request: UserRequest,
    file: File[UploadedFile],
    file_scale: Form[Scale],
    scale: Form[Scale],
    printer: Form[Printer] = "resin",
    unit: Form[Literal["mm", "cm", "inch"]] = "mm",
) -> Thickness:
    """Thin places of an STL. Raises DomainError for a file that is no mesh, or too large."""
    if (file.size or 0) > MOST_BYTES:
        raise DomainError(f"the mesh is larger than {MOST_BYTES // 1_000_000} MB: simplify it")
    return thin_places(file.read(), file_scale, scale, PRINTERS[printer], unit)

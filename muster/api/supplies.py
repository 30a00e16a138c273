"""Supplies: what a muster still takes of each paint, what is short, what to buy and when."""

from __future__ import annotations

import csv
import io
from typing import Annotated

from django.contrib.auth.models import User
from django.http import HttpResponse
from ninja import File, Form, Router, Schema
from ninja.files import UploadedFile
from pydantic import Field

from muster.api.requests import Line, UserRequest
from muster.api.throttles import HEAVY, ByUser
from muster.apps.colour.paint_usage import stock_of, used_from, whole_recipes
from muster.apps.colour.queries import shelf_entries
from muster.apps.house import services
from muster.apps.plan.read_facts import facts_of
from muster.apps.roll.queries import choices_of, own_muster
from muster.core.amounts.area import BOXES, Box, model_cm2
from muster.core.amounts.ground import MOST_CM2, MOST_MM, PASTE, Ground
from muster.core.amounts.ground import ground as ground_of
from muster.core.amounts.mesh import MOST_BYTES, measured
from muster.core.errors import DomainError
from muster.core.facts.replay import replay
from muster.core.formats.cells import guarded
from muster.core.views.supplies import Supplies, supplies_of
from muster.core.vocabulary import Day, DocumentVersion, Kind

router = Router()


class AwaitIn(Schema):
    """A paint that will be there on a day (none: forget it)."""

    seen: DocumentVersion
    paint: Annotated[str, Field(min_length=1, max_length=60)]
    day: Day | None


class MeshOut(Schema):
    """A mesh as the model would stand."""

    area_cm2: float
    size_mm: list[float]
    faces: int
    warnings: list[str]


class BoxIn(Schema):
    """The real thing's size in metres."""

    kind: Kind
    scale: Annotated[int, Field(ge=1, le=1000)]
    length: Annotated[float, Field(gt=0, le=200)]
    width: Annotated[float, Field(gt=0, le=200)]
    height: Annotated[float, Field(gt=0, le=200)]


class BoxOut(Schema):
    """Painted surface of the model."""

    area_cm2: float


@router.get("/musters/{muster_id}/supplies", response=Supplies)
def supplies(request: UserRequest, muster_id: int) -> Supplies:
    """What is still needed and what is short."""
    return _out(request.user, muster_id)


@router.post("/musters/{muster_id}/supplies/await", response=Supplies)
def await_paint(request: UserRequest, muster_id: int, payload: AwaitIn) -> Supplies:
    """Say when a paint will be there: no call that takes it begins sooner."""
    own_muster(request.user, muster_id)
    services.await_paint(request.user, payload.seen, payload.paint, payload.day)
    return _out(request.user, muster_id)


@router.get("/musters/{muster_id}/supplies/file", response={200: None})
def shopping(request: UserRequest, muster_id: int) -> HttpResponse:
    """The shopping list as CSV."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\r\n")
    table.writerow(("paint", "short_ml", "pots", "cost", "needed_ml", "left_ml"))
    for row in _out(request.user, muster_id).rows:
        need = row.need
        if need.short_ml > 0:
            left = "" if need.left_ml is None else f"{need.left_ml:.1f}"
            table.writerow((guarded(need.paint), f"{need.short_ml:.1f}", need.pots or "",
                            "" if need.cost is None else f"{need.cost:.2f}", f"{need.ml:.1f}",
                            left))  # fmt: skip
    answer = HttpResponse(out.getvalue(), content_type="text/csv; charset=utf-8")
    answer["Content-Disposition"] = 'attachment; filename="shopping.csv"'
    return answer


@router.post("/area", response=BoxOut)
def by_box(request: UserRequest, payload: BoxIn) -> BoxOut:
    """A model's surface from the real thing's length, width and height; nothing is kept."""
    usual = BOXES.get(payload.kind)
    box = Box(payload.length, payload.width, payload.height, usual.factor if usual else 1.0)
    return BoxOut(area_cm2=round(model_cm2(payload.kind, payload.scale, box), 2))


class GroundIn(Schema):
    """A piece of ground: its area or its sides, how deep, of what paste, what share of it has grass
    and ballast."""

    area_cm2: Annotated[float, Field(gt=0, le=MOST_CM2)]
    depth_mm: Annotated[float, Field(ge=0, le=MOST_MM)] = 2
    parts: Annotated[dict[Line, Annotated[float, Field(ge=0, le=99)]], Field(max_length=8)] = dict(
        PASTE
    )
    grass: Annotated[float, Field(ge=0, le=1)] = 0
    ballast: Annotated[float, Field(ge=0, le=1)] = 0


@router.post("/ground", response=Ground)
def ground(request: UserRequest, payload: GroundIn) -> Ground:
    """Paste by its parts, grass and ballast; nothing is kept.

    Raises DomainError for a paste without parts.
    """
    try:
        return ground_of(**payload.dict())
    except ValueError as error:
        raise DomainError(str(error)) from error


@router.post("/mesh", response=MeshOut, throttle=ByUser("mesh", HEAVY))
def mesh(
    request: UserRequest,
    file: File[UploadedFile],
    file_scale: Form[float] = 1,
    scale: Form[float] = 72,
    unit: Form[str] = "mm",
) -> MeshOut:
    """Measure an STL; nothing is kept.

    Raises DomainError for a file that is no mesh, or too large.
    """
    if file.size is None or file.size > MOST_BYTES:
        raise DomainError(f"the mesh is larger than {MOST_BYTES // 1_000_000} MB: simplify it")
    found = measured(file.read(), file_scale, scale, unit)
    return MeshOut(
        area_cm2=round(found.area_cm2, 2), size_mm=[round(one, 1) for one in found.size_mm],
        faces=found.faces, warnings=list(found.warnings),
    )  # fmt: skip


def _out(user: User, muster_id: int) -> Supplies:
    muster = own_muster(user, muster_id)
    choices = choices_of(muster)
    stock = stock_of(used_from(user, shelf_entries(user.pk)))
    house, version = services.house_of(user.pk)
    return supplies_of(
        choices, replay(facts_of(muster)),
        whole_recipes(user.pk, choices.units), stock, house.awaited, version,
    )  # fmt: skip

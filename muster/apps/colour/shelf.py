"""The shelf: paints added, changed, weighed, read; files in and out."""

from __future__ import annotations

import re
import time
from typing import Annotated, Literal

from django.contrib.auth.models import User
from django.db import transaction
from django.http import Http404, HttpResponse
from ninja import File, Router, Schema
from ninja.files import UploadedFile
from pydantic import Field

from muster.apps import clock
from muster.apps.colour.models import Paint, PaintFact
from muster.apps.colour.paint_usage import used_from
from muster.apps.colour.queries import ShelfEntry, shelf_entries
from muster.apps.devices.colour_reader import SimulatedReader
from muster.apps.devices.scale import SimulatedScale, ml_of
from muster.apps.requests import UserRequest
from muster.core.amounts.film import covers_cm2_ml
from muster.core.colour.owned import OwnedPaint, Reading, optics_of
from muster.core.colour.paint import contrast_ratio
from muster.core.colour.shelf import MOST_PAINTS
from muster.core.craft.media import MEDIA
from muster.core.errors import DomainError
from muster.core.formats import shelf as shelf_format

router = Router()


class SwatchOut(Schema):
    """A swatch as it was read, with its fact's id."""

    fact: int
    reading: Reading


class PaintOut(Schema):
    """A paint on the shelf. ``twins``: others of the same name, or alike in range and code."""

    id: int
    paint: OwnedPaint
    dry: str
    opacity: str
    clear: bool
    twins: list[int]
    swatches: list[SwatchOut]
    hides: float
    """Contrast ratio of one brushed coat, percent (ISO 6504-3): 98 hides."""
    covers_cm2: float | None
    """What is left covers so much, in one brushed coat."""


class PaintIn(Schema):
    """A paint's label."""

    paint: OwnedPaint


class WeighIn(Schema):
    """Grams of pot and paint; none: from the scale."""

    grams: Annotated[float, Field(ge=0, le=5000)] | None = None


class BuyIn(Schema):
    """Millilitres that came."""

    ml: Annotated[float, Field(gt=0, le=5000)]


class ReadIn(Schema):
    """A swatch: typed, or so many readings of the colour reader."""

    kind: Literal["masstone", "tint", "over black", "over white"] = "masstone"
    colour: Annotated[str, Field(pattern=r"^#[0-9a-f]{6}$")] | None = None
    wet: bool = False
    share: Annotated[float, Field(gt=0, le=1)] = 0.2
    coats: Annotated[float, Field(gt=0, le=10)] = 1.0
    times: Annotated[int, Field(ge=1, le=20)] = 3


class LineIn(Schema):
    """A paint as typed: Reed green #66703f acrylic opaque 17 ml 3.20."""

    line: Annotated[str, Field(min_length=1, max_length=200)]


class ShelfPreview(Schema):
    """What an import would do."""

    new: list[str]
    known: list[str]


@router.get("/shelf", response=list[PaintOut])
def shelf(request: UserRequest) -> list[PaintOut]:
    """Every paint, with what is left after all that the bench used."""
    return _out(request.user)


@router.post("/shelf", response=list[PaintOut])
def add(request: UserRequest, payload: PaintIn) -> list[PaintOut]:
    """Add a paint."""
    keep_paints(request.user, [payload.paint])
    return _out(request.user)


@router.post("/shelf/typed", response=list[PaintOut])
def add_typed(request: UserRequest, payload: LineIn) -> list[PaintOut]:
    """Add a paint from a typed line."""
    keep_paints(request.user, [read_line(payload.line)])
    return _out(request.user)


@router.post("/shelf/{paint_id}", response=list[PaintOut])
def change(request: UserRequest, paint_id: int, payload: PaintIn) -> list[PaintOut]:
    """Change a label; what is left is weighed, not typed over."""
    row = _own(request.user, paint_id)
    refuse_odd(payload.paint)
    row.document = _label(payload.paint, row.document.get("left_ml"))
    row.save(update_fields=["document"])
    return _out(request.user)


@router.post("/shelf/{paint_id}/gone", response=list[PaintOut])
def take_off(request: UserRequest, paint_id: int, back: bool = False) -> list[PaintOut]:
    """Take a paint off the shelf, or put it back."""
    row = Paint.objects.filter(owner=request.user, pk=paint_id).first()
    if row is None:
        raise Http404
    row.gone = not back
    row.save(update_fields=["gone"])
    return _out(request.user)


@router.post("/shelf/{paint_id}/weigh", response=list[PaintOut])
def weigh(request: UserRequest, paint_id: int, payload: WeighIn) -> list[PaintOut]:
    """Weigh a pot: what is left follows from tare and density."""
    row, now = _own(request.user, paint_id), clock.now()
    kept = next(
        one for one in used_from(request.user, shelf_entries(request.user.pk)) if one.id == row.pk
    )
    grams = payload.grams
    if grams is None:
        grams = SimulatedScale(int(now.timestamp())).grams(kept.paint)
    if grams < kept.paint.tare_g * 0.5:
        raise DomainError(
            f"{grams:g} g is less than half of the empty pot ({kept.paint.tare_g:g} g): weigh pot "
            "and paint together, or correct the pot's weight"
        )
    row.facts.create(kind=PaintFact.Kind.WEIGHED, at=now, ml=ml_of(grams, kept.paint))
    return _out(request.user)


@router.post("/shelf/{paint_id}/bought", response=list[PaintOut])
def bought(request: UserRequest, paint_id: int, payload: BuyIn) -> list[PaintOut]:
    """More of it came."""
    row = _own(request.user, paint_id)
    row.facts.create(kind=PaintFact.Kind.BOUGHT, at=clock.now(), ml=payload.ml)
    return _out(request.user)


@router.post("/shelf/{paint_id}/read", response=list[PaintOut])
def read_swatch(request: UserRequest, paint_id: int, payload: ReadIn) -> list[PaintOut]:
    """Read a swatch; the paint learns from it."""
    row = _own(request.user, paint_id)
    share = payload.share if payload.kind == "tint" else 1.0
    colour = payload.colour
    if colour is None:
        reader = SimulatedReader(time.time_ns())
        colour = reader.read(row.value(), payload.kind, share, payload.coats, payload.times)
    reading = {"kind": payload.kind, "colour": colour, "wet": payload.wet, "share": share,
               "coats": payload.coats}  # fmt: skip
    row.facts.create(kind=PaintFact.Kind.SWATCH, at=clock.now(), reading=reading)
    return _out(request.user)


@router.post("/shelf/facts/{fact_id}/take-back", response=list[PaintOut])
def take_back(request: UserRequest, fact_id: int) -> list[PaintOut]:
    """A reading or weighing never was."""
    fact = PaintFact.objects.filter(paint__owner=request.user, pk=fact_id).first()
    if fact is None:
        raise Http404
    fact.paint.facts.create(kind=PaintFact.Kind.TAKE_BACK, at=clock.now(), of=fact)
    return _out(request.user)


@router.get("/shelf-file", response={200: None})
def export(request: UserRequest, kind: Literal["csv", "gpl", "json"] = "csv") -> HttpResponse:
    """The shelf as CSV, GIMP palette, or JSON with its swatches."""
    paints = [one.paint for one in used_from(request.user, shelf_entries(request.user.pk))]
    write = {"csv": shelf_format.write_csv, "gpl": shelf_format.write_gpl,
             "json": shelf_format.write_json}[kind]  # fmt: skip
    types = {"csv": "text/csv", "gpl": "text/plain", "json": "application/json"}
    answer = HttpResponse(write(paints), content_type=f"{types[kind]}; charset=utf-8")
    answer["Content-Disposition"] = f'attachment; filename="shelf.{kind}"'
    return answer


@router.post("/shelf-file/preview", response=ShelfPreview)
def preview(request: UserRequest, file: File[UploadedFile]) -> ShelfPreview:
    """What an import would do; nothing is changed."""
    paints = _document(file)
    known = {(one.paint.range, one.paint.name) for one in shelf_entries(request.user.pk)}
    return ShelfPreview(
        new=[one.name for one in paints if (one.range, one.name) not in known],
        known=[one.name for one in paints if (one.range, one.name) in known],
    )


@router.post("/shelf-file", response=list[PaintOut])
def take_in(request: UserRequest, file: File[UploadedFile]) -> list[PaintOut]:
    """Import paints that are not on the shelf yet: all or nothing."""
    known = {(one.paint.range, one.paint.name) for one in shelf_entries(request.user.pk)}
    new = [one for one in _document(file) if (one.range, one.name) not in known]
    keep_paints(request.user, new)
    return _out(request.user)


def read_line(line: str) -> OwnedPaint:
    """A paint from a typed line: a name, a colour, and in any order medium, opacity, finish, ml and
    price. Raises Refused where name or colour is missing."""
    colour = re.search(r"#([0-9a-fA-F]{6}|[0-9a-fA-F]{3})\b", line)
    if colour is None:
        raise DomainError("a paint needs its label's colour: Reed green #66703f acrylic 17 ml 3.20")
    digits = colour[1].lower()
    digits = digits if len(digits) == 6 else "".join(letter * 2 for letter in digits)
    name, rest = line[: colour.start()].strip(" ,"), line[colour.end() :]
    if not name:
        raise DomainError("a paint needs a name before its colour: Reed green #66703f")
    found: dict[str, object] = {}
    size = re.search(r"(\d+(?:[.,]\d+)?) ?ml\b", rest)
    if size:
        found["size_ml"] = found["left_ml"] = float(size[1].replace(",", "."))
        rest = rest[: size.start()] + rest[size.end() :]
    price = re.search(r"(\d+(?:[.,]\d+)?)", rest)
    if price:
        found["price"] = float(price[1].replace(",", "."))
        rest = rest[: price.start()] + rest[price.end() :]
    words = rest.lower()
    for medium in sorted(MEDIA, key=len, reverse=True):
        if re.search(rf"\b{re.escape(medium)}\b", words):
            found["medium"] = medium
            words = words.replace(medium, "")
            break
    for key, choices in (
        ("opacity", ("semi-transparent", "semi-opaque", "transparent", "opaque")),
        ("finish", ("matt", "satin", "gloss")),
    ):
        chosen = next((one for one in choices if one in words), None)
        if chosen:
            found[key] = chosen
            words = words.replace(chosen, "")
    left = words.strip(" ,")
    if left:
        raise DomainError(f"'{left}' is no medium, opacity, finish, ml or price: leave it out")
    return shelf_format.PAINT.validate_python({"name": name[:60], "colour": f"#{digits}", **found})


def _document(file: UploadedFile) -> list[OwnedPaint]:
    if file.size is None or file.size > shelf_format.MOST_BYTES:
        raise DomainError("the file is larger than 1 MB: it is no shelf")
    return shelf_format.read(file.read(), file.name or "")


def _own(user: User, paint_id: int) -> Paint:
    row = Paint.objects.filter(owner=user, pk=paint_id, gone=False).first()
    if row is None:
        raise Http404
    return row


def refuse_odd(paint: OwnedPaint) -> None:
    """Raise Refused for a paint that cannot hold."""
    complaints = shelf_format.complaints_of(paint)
    if complaints:
        raise DomainError(*complaints)


@transaction.atomic
def keep_paints(user: User, paints: list[OwnedPaint]) -> None:
    """Put paints on the shelf, with their swatches: all or none."""
    count = Paint.objects.filter(owner=user, gone=False).count()
    if count + len(paints) > MOST_PAINTS:
        raise DomainError(
            f"{count} paints and {len(paints)} more: a shelf holds {MOST_PAINTS}; take off what is "
            "used up"
        )
    for one in paints:
        refuse_odd(one)
    now = clock.now()
    for one in paints:
        row = Paint.objects.create(owner=user, document=_label(one, one.left_ml), made_at=now)
        PaintFact.objects.bulk_create(
            PaintFact(
                paint=row, kind=PaintFact.Kind.SWATCH, at=now,
                reading={"kind": each.kind, "colour": each.colour, "wet": each.wet,
                         "share": each.share, "coats": each.coats},
            )
            for each in one.swatches
        )  # fmt: skip


def _label(paint: OwnedPaint, left_ml: float | None) -> dict[str, object]:
    raw = shelf_format.PAINT.dump_python(paint, mode="json")
    return {**raw, "swatches": [], "left_ml": left_ml}


def _out(user: User) -> list[PaintOut]:
    kept = used_from(user, shelf_entries(user.pk))
    return [
        PaintOut(
            id=one.id, paint=one.paint, dry=one.paint.dry, opacity=one.paint.seen_opacity,
            clear=one.paint.clear, twins=_twins(one, kept),
            swatches=[SwatchOut(fact=fact, reading=reading) for fact, reading in one.swatches],
            hides=round(100 * contrast_ratio(optics_of(one.paint), 1), 1),
            covers_cm2=None if one.paint.left_ml is None
            else round(one.paint.left_ml * covers_cm2_ml()),
        )
        for one in kept
    ]  # fmt: skip


def _twins(one: ShelfEntry, kept: list[ShelfEntry]) -> list[int]:
    return [
        other.id
        for other in kept
        if other.id != one.id
        and (
            other.paint.name.lower() == one.paint.name.lower()
            or (one.paint.code and (one.paint.range, one.paint.code)
                == (other.paint.range, other.paint.code))
        )
    ]  # fmt: skip

"""The shelf: paints added, changed, weighed, read; files in and out."""

from __future__ import annotations

import time
from typing import Annotated, Literal

from django.contrib.auth.models import User
from django.http import HttpResponse
from ninja import File, Router, Schema
from ninja.files import UploadedFile
from pydantic import Field

from muster.api.files import as_file, upload
from muster.api.requests import Hex, UserRequest
from muster.apps.colour import services
from muster.apps.colour.paint_usage import used_from
from muster.apps.colour.queries import ShelfEntry, shelf_entries
from muster.apps.devices.colour_reader import SimulatedReader
from muster.core.amounts.film import covers_cm2_ml
from muster.core.colour.kinds import PaintKind
from muster.core.colour.ladder import GROUNDS
from muster.core.colour.owned import OwnedPaint, Reading, optics_of
from muster.core.colour.paint import coats_to_cover, contrast_ratio
from muster.core.colour.reconstruct import keep_reflectances, reflectance_of_hex
from muster.core.formats import shelf as shelf_format
from muster.core.typed.paint_line import read_paint
from muster.core.typed.shelf_lines import read_paints, read_swatches, read_weighings

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
    called: str
    """What recipes call it: of a later paint of the same name, with range and code."""
    kind: PaintKind
    sounds_like: PaintKind | None
    """The kind that its name sounds like, where nobody has said one: for its user to confirm."""
    opacity: str
    clear: bool
    twins: list[int]
    swatches: list[SwatchOut]
    hides: float
    """Contrast ratio of one brushed coat, percent (ISO 6504-3): 98 hides."""
    covers_black: int | None
    """Brushed coats that cover black: within ΔE00 3.5 of its own colour; None: no number does."""
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

    ml: Annotated[float, Field(ge=0.01, le=5000)]


class ReadIn(Schema):
    """A swatch: typed, or so many readings of the colour reader."""

    kind: Literal["masstone", "tint", "over black", "over white"] = "masstone"
    colour: Hex | None = None
    wet: bool = False
    share: Annotated[float, Field(ge=0.01, le=0.99)] = 0.2
    coats: Annotated[float, Field(ge=0.05, le=10)] = 1.0
    times: Annotated[int, Field(ge=1, le=20)] = 3


class LineIn(Schema):
    """A paint as typed: Reed green #66703f acrylic opaque 17 ml 3.20."""

    line: Annotated[str, Field(min_length=1, max_length=200)]


class ProposedKind(Schema):
    """A paint whose name sounds like a kind that nobody stated."""

    name: str
    kind: PaintKind


class ShelfPreview(Schema):
    """What an import would do; what would have to be confirmed after it."""

    new: list[str]
    known: list[str]
    sounds_like: list[ProposedKind]


@router.get("/shelf", response=list[PaintOut])
def shelf(request: UserRequest) -> list[PaintOut]:
    """Every paint, with what is left after all that the bench used."""
    return _out(request.user)


@router.post("/shelf", response=list[PaintOut])
def add(request: UserRequest, payload: PaintIn) -> list[PaintOut]:
    """Add a paint."""
    services.keep_paints(request.user, [payload.paint])
    return _out(request.user)


@router.post("/shelf/typed", response=list[PaintOut])
def add_typed(request: UserRequest, payload: LineIn) -> list[PaintOut]:
    """Add a paint from a typed line."""
    services.keep_paints(request.user, [read_paint(payload.line)])
    return _out(request.user)


class LinesIn(Schema):
    """Paints, swatches or weights, a line each."""

    lines: Annotated[str, Field(max_length=30_000)]


@router.post("/shelf/lines/preview", response=ShelfPreview)
def preview_lines(request: UserRequest, payload: LinesIn) -> ShelfPreview:
    """What a pasted list would put on the shelf; nothing is changed."""
    return _preview(request.user, _pasted(payload.lines))


@router.post("/shelf/lines", response=list[PaintOut])
def take_lines(request: UserRequest, payload: LinesIn) -> list[PaintOut]:
    """Put a pasted list on the shelf, what stands there already left out: all or nothing."""
    services.keep_unknown(request.user, _pasted(payload.lines))
    return _out(request.user)


@router.post("/shelf/swatches", response=list[PaintOut])
def read_many(request: UserRequest, payload: LinesIn) -> list[PaintOut]:
    """Swatches typed in or pasted, a line each; their paints learn from them: all or nothing."""
    rows = _by_names(request.user)
    for name, reading in read_swatches(payload.lines, rows):
        services.add_swatch(services.own_paint(request.user, rows[name]), reading)
    return _out(request.user)


@router.post("/shelf/weighings", response=list[PaintOut])
def weigh_many(request: UserRequest, payload: LinesIn) -> list[PaintOut]:
    """Pots weighed, a line each, in grams with the pot: all or nothing."""
    rows = _by_names(request.user)
    found = read_weighings(payload.lines, rows)
    services.weigh_all(request.user, [(rows[name], grams) for name, grams in found])
    return _out(request.user)


@router.post("/shelf/{paint_id}", response=list[PaintOut])
def change(request: UserRequest, paint_id: int, payload: PaintIn) -> list[PaintOut]:
    """Change a label; what is left is weighed, not typed over."""
    services.change_label(request.user, paint_id, payload.paint)
    return _out(request.user)


@router.post("/shelf/{paint_id}/gone", response=list[PaintOut])
def take_off(request: UserRequest, paint_id: int, back: bool = False) -> list[PaintOut]:
    """Take a paint off the shelf, or put it back."""
    services.take_off(request.user, paint_id, back)
    return _out(request.user)


@router.post("/shelf/{paint_id}/weigh", response=list[PaintOut])
def weigh(request: UserRequest, paint_id: int, payload: WeighIn) -> list[PaintOut]:
    """Weigh a pot: what is left follows from tare and density."""
    services.weigh(request.user, paint_id, payload.grams)
    return _out(request.user)


@router.post("/shelf/{paint_id}/bought", response=list[PaintOut])
def bought(request: UserRequest, paint_id: int, payload: BuyIn) -> list[PaintOut]:
    """More of it came."""
    services.buy(request.user, paint_id, payload.ml)
    return _out(request.user)


@router.post("/shelf/{paint_id}/read", response=list[PaintOut])
def read_swatch(request: UserRequest, paint_id: int, payload: ReadIn) -> list[PaintOut]:
    """Read a swatch; the paint learns from it."""
    row = services.own_paint(request.user, paint_id)
    share = payload.share if payload.kind == "tint" else 1.0
    colour = payload.colour
    if colour is None:
        reader = SimulatedReader(time.time_ns())
        colour = reader.read(row.value(), payload.kind, share, payload.coats, payload.times)
    services.add_swatch(row, Reading(payload.kind, colour, payload.wet, share, payload.coats))
    return _out(request.user)


@router.post("/shelf/{paint_id}/forget", response=list[PaintOut])
def forget(request: UserRequest, paint_id: int) -> list[PaintOut]:
    """The paint forgets what it learnt: its label counts again."""
    services.forget(request.user, paint_id)
    return _out(request.user)


@router.post("/shelf/facts/{fact_id}/take-back", response=list[PaintOut])
def take_back(request: UserRequest, fact_id: int) -> list[PaintOut]:
    """A reading or weighing never was."""
    services.take_back(request.user, fact_id)
    return _out(request.user)


@router.get("/shelf-file", response={200: None})
def export(request: UserRequest, kind: Literal["csv", "gpl", "json"] = "csv") -> HttpResponse:
    """The shelf as CSV, GIMP palette, or JSON with its swatches."""
    paints = [one.paint for one in used_from(request.user, shelf_entries(request.user.pk))]
    write = {"csv": shelf_format.write_csv, "gpl": shelf_format.write_gpl,
             "json": shelf_format.write_json}[kind]  # fmt: skip
    types = {"csv": "text/csv", "gpl": "text/plain", "json": "application/json"}
    return as_file(write(paints), f"shelf.{kind}", f"{types[kind]}; charset=utf-8")


@router.post("/shelf-file/preview", response=ShelfPreview)
def preview(request: UserRequest, file: File[UploadedFile]) -> ShelfPreview:
    """What an import would do; nothing is changed."""
    return _preview(request.user, _document(file))


@router.post("/shelf-file", response=list[PaintOut])
def take_in(request: UserRequest, file: File[UploadedFile]) -> list[PaintOut]:
    """Import paints that are not on the shelf yet: all or nothing."""
    services.keep_unknown(request.user, _document(file))
    return _out(request.user)


def _preview(user: User, paints: list[OwnedPaint]) -> ShelfPreview:
    known, new = services.told_apart(user, paints)
    return ShelfPreview(
        new=[one.name for one in new], known=[one.name for one in known],
        sounds_like=[
            ProposedKind(name=one.name, kind=one.sounds_like) for one in new if one.sounds_like
        ],
    )  # fmt: skip


def _pasted(text: str) -> list[OwnedPaint]:
    """A pasted table or document is read as a file; anything else as typed lines."""
    if shelf_format.is_document(text):
        return shelf_format.read(text.encode())
    return read_paints(text)


def _by_names(user: User) -> dict[str, int]:
    """What each paint may be called, and its id."""
    return {name: entry.id for entry in shelf_entries(user.pk)[::-1] for name in entry.names}


def _document(file: UploadedFile) -> list[OwnedPaint]:
    return shelf_format.read(upload(file, shelf_format.MOST_BYTES, "shelf"), file.name or "")


def _out(user: User) -> list[PaintOut]:
    kept = used_from(user, shelf_entries(user.pk))
    # Many at once take a tenth of the time of each by itself.
    keep_reflectances(one.paint.dry for one in kept)
    return [
        PaintOut(
            id=one.id, paint=one.paint, dry=one.paint.dry, opacity=one.paint.seen_opacity,
            clear=one.paint.clear, twins=_twins(one, kept),
            swatches=[SwatchOut(fact=fact, reading=reading) for fact, reading in one.swatches],
            called=one.called, kind=one.paint.seen_kind, sounds_like=one.paint.sounds_like,
            hides=round(100 * contrast_ratio(optics_of(one.paint), 1), 1),
            covers_black=coats_to_cover(optics_of(one.paint), reflectance_of_hex(GROUNDS["black"])),
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
            other.paint.twin_key[0] == one.paint.twin_key[0]
            or (one.paint.code and other.paint.twin_key[1:] == one.paint.twin_key[1:])
        )
    ]  # fmt: skip

"""Colours to be matched: taken from a photograph, kept with it and by unit."""

from __future__ import annotations

from typing import Annotated

from django.contrib.auth.models import User
from django.http import HttpResponse
from ninja import File, Router, Schema
from ninja.files import UploadedFile
from pydantic import Field

from muster.api.files import upload
from muster.api.requests import Hex, Line, RowId, UserRequest
from muster.api.throttles import HEAVY, ByUser
from muster.apps.colour import targets as services
from muster.core.colour.photo import colour_at
from muster.core.vocabulary import Name

router = Router()

Share = Annotated[float, Field(ge=0, le=1)]
Place = tuple[Share, Share]
"""Across and down, as shares of the picture's width and height."""


class PictureOut(Schema):
    """A picture as it is kept."""

    id: int
    width: int
    height: int


class PlaceIn(Schema):
    """What is grey or white in the picture, and the place whose colour is asked for."""

    greys: Annotated[list[Place], Field(min_length=1, max_length=4)]
    place: Place
    reference: Line = "white"


class SeenOut(Schema):
    """The place's colour with the light taken out, and what to know of it."""

    colour: str
    warnings: list[str]


class TargetOut(Schema):
    """A kept colour; of which unit, from which picture."""

    id: int
    name: str
    colour: str
    unit: str
    picture: int | None


class TargetIn(Schema):
    """A colour to keep."""

    name: Name
    colour: Hex
    unit: Annotated[str, Field(max_length=60)] = ""
    picture: RowId | None = None


@router.post("/pictures", response=PictureOut, throttle=ByUser("pictures", HEAVY))
def take_in(request: UserRequest, file: File[UploadedFile]) -> PictureOut:
    """Take a photograph in: encoded anew, its metadata left out."""
    data = upload(file, services.MOST_BYTES, "picture")
    kept = services.keep_picture(request.user, data)
    return PictureOut(id=kept.pk, width=kept.width, height=kept.height)


@router.get("/pictures/{picture_id}", response={200: None})
def picture(request: UserRequest, picture_id: int) -> HttpResponse:
    """A picture, for its owner alone. Raises Http404."""
    kept = services.own_picture(request.user, picture_id)
    return HttpResponse(bytes(kept.jpeg), content_type="image/jpeg")


@router.post("/pictures/{picture_id}/colour", response=SeenOut, throttle=ByUser("places", HEAVY))
def colour(request: UserRequest, picture_id: int, payload: PlaceIn) -> SeenOut:
    """The colour of a place.

    Raises Http404, and DomainError with the reason where it cannot be told.
    """
    pixels = services.pixels_of(services.own_picture(request.user, picture_id))
    seen = colour_at(pixels, payload.greys, payload.place, payload.reference)
    return SeenOut(colour=seen.hex, warnings=list(seen.warnings))


@router.get("/targets", response=list[TargetOut])
def targets(request: UserRequest) -> list[TargetOut]:
    """Kept colours, the newest first."""
    return _out(request.user)


@router.post("/targets", response=list[TargetOut])
def keep(request: UserRequest, payload: TargetIn) -> list[TargetOut]:
    """Keep a colour."""
    services.keep_target(request.user, payload.name, payload.colour, payload.unit, payload.picture)
    return _out(request.user)


@router.post("/targets/{target_id}/gone", response=list[TargetOut])
def put_away(request: UserRequest, target_id: int, back: bool = False) -> list[TargetOut]:
    """Put a target away, or bring it back."""
    services.put_away(request.user, target_id, back)
    return _out(request.user)


def _out(user: User) -> list[TargetOut]:
    return [
        TargetOut(
            id=one.pk, name=one.name, colour=one.colour, unit=one.unit, picture=one.picture_id
        )
        for one in services.targets_of(user)
    ]

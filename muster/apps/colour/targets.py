"""Photographs that colours are taken from, and the colours that are kept of them."""

from __future__ import annotations

import io

import numpy as np
from django.contrib.auth.models import User
from django.db import transaction
from django.http import Http404
from PIL import Image, ImageOps, UnidentifiedImageError

from muster.apps import clock
from muster.apps.colour.models import Picture, Target
from muster.core.colour.photo import Pixels
from muster.core.errors import DomainError

MOST_BYTES = 15_000_000
MOST_PIXELS = 60_000_000
LONGEST_SIDE = 1280
FORMATS = ("JPEG", "PNG", "WEBP")
QUALITY = 92

MOST_PICTURES, MOST_TARGETS = 60, 200
"""Of a user."""


def own_picture(user: User, picture_id: int) -> Picture:
    """The user's picture. Raises Http404 where there is none."""
    picture = Picture.objects.filter(owner=user, pk=picture_id).first()
    if picture is None:
        raise Http404
    return picture


@transaction.atomic
def keep_picture(user: User, data: bytes) -> Picture:
    """Keep a photograph: turned upright, at most 1280 pixels long, encoded anew, so that neither
    place nor camera is left in it. The oldest of which no target is kept make room.

    Raises DomainError for what is no picture, or where every picture is of a target.
    """
    jpeg, width, height = _encoded_anew(data)
    every = Picture.objects.filter(owner=user)
    over = every.count() + 1 - MOST_PICTURES
    if over > 0:
        held = Target.objects.filter(owner=user, gone=False, picture__isnull=False)
        idle = every.exclude(pk__in=held.values("picture")).order_by("pk")
        if over > idle.count():
            raise DomainError(f"{MOST_PICTURES} pictures are kept: put a target with one away")
        Picture.objects.filter(pk__in=list(idle.values_list("pk", flat=True)[:over])).delete()
    return Picture.objects.create(
        owner=user, jpeg=jpeg, width=width, height=height, made_at=clock.now()
    )


def _encoded_anew(data: bytes) -> tuple[bytes, int, int]:
    try:
        with Image.open(io.BytesIO(data), formats=FORMATS) as opened:
            if opened.width * opened.height > MOST_PIXELS:
                raise DomainError(
                    f"the picture has more than {MOST_PIXELS // 1_000_000} million pixels: make it "
                    "smaller"
                )
            upright = ImageOps.exif_transpose(opened).convert("RGB")
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError) as error:
        raise DomainError("this is no picture: use a JPEG, PNG or WebP file") from error
    upright.thumbnail((LONGEST_SIDE, LONGEST_SIDE))
    # A new image holds the pixels and nothing else.
    plain = Image.new("RGB", upright.size)
    plain.paste(upright)
    out = io.BytesIO()
    plain.save(out, "JPEG", quality=QUALITY, subsampling=0)
    return out.getvalue(), plain.width, plain.height


def pixels_of(picture: Picture) -> Pixels:
    """Its pixels, (h, w, 3)."""
    with Image.open(io.BytesIO(bytes(picture.jpeg)), formats=("JPEG",)) as opened:
        return np.asarray(opened.convert("RGB"), dtype=np.uint8)


def targets_of(user: User) -> list[Target]:
    """Kept colours, the newest first. One query."""
    return list(Target.objects.filter(owner=user, gone=False).order_by("-pk"))


def keep_target(user: User, name: str, colour: str, unit: str, picture_id: int | None) -> None:
    """Keep a colour. Raises Http404 where the picture is not his, DomainError where too many are
    kept."""
    if Target.objects.filter(owner=user, gone=False).count() >= MOST_TARGETS:
        raise DomainError(f"{MOST_TARGETS} targets are kept: put one away first")
    picture = None if picture_id is None else own_picture(user, picture_id)
    Target.objects.create(
        owner=user, name=name, colour=colour, unit=unit, picture=picture, made_at=clock.now()
    )


def put_away(user: User, target_id: int, back: bool) -> None:
    """Put a target away, or bring it back. Raises Http404 where it is not his."""
    if not Target.objects.filter(owner=user, pk=target_id).update(gone=not back):
        raise Http404

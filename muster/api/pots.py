"""Pots: a mix as it was really made, what it dried to, and its use in a recipe."""

from __future__ import annotations

from typing import Annotated

from django.contrib.auth.models import User
from django.http import Http404
from ninja import Router, Schema
from pydantic import Field

from muster.api.mixing import DropIn
from muster.api.requests import Hex, Line, UserRequest
from muster.apps.colour import pots as services
from muster.apps.colour.models import Pot
from muster.apps.colour.palette import OwnMix, lab_of_hex, palette_of
from muster.apps.plan.services import change_recipe, units_with
from muster.apps.recipes.queries import newest_version
from muster.core.colour import match as matching
from muster.core.colour.reconstruct import reflectance_of_hex
from muster.core.colour.spaces import difference
from muster.core.colour.variants import in_tone_with
from muster.core.errors import DomainError
from muster.core.recipes.repaint import painted_with
from muster.core.vocabulary import DocumentVersion

router = Router()


class PotDrop(Schema):
    """Drops of a paint, as it was called when the pot was mixed."""

    paint: int
    name: str
    drops: int


class PotOut(Schema):
    """A pot. ``dried``: what it dried to, empty until it is known."""

    id: int
    name: str
    drops: list[PotDrop]
    target: str
    predicted: str
    dried: str
    off: float | None
    """How far it dried from what was predicted, ΔE00; None until it has dried."""
    lighter: float | None
    """By how much lighter, L*."""
    note: str
    made_at: str


class PotIn(Schema):
    """What was really put in."""

    name: Annotated[str, Field(min_length=1, max_length=60)]
    drops: Annotated[list[DropIn], Field(min_length=1, max_length=12)]
    target: Hex
    note: Annotated[str, Field(max_length=300)] = ""


class DriedIn(Schema):
    """What a pot dried to."""

    colour: Hex


class DriedOut(Schema):
    """Every pot; how many paints learnt; what the same mix was and is now predicted to dry to.
    ``off_shelf``: a paint of it is no longer on the shelf, so that nothing is learnt."""

    pots: list[PotOut]
    learnt: int
    before: str
    after: str
    off_shelf: bool


class ToneIn(Schema):
    """How far from the pot at most, ΔE00, and which throw."""

    spread: Annotated[float, Field(gt=0, le=10)] = 2.0
    seed: Annotated[int, Field(ge=0, le=2**31)] = 1


class UseIn(Schema):
    """The pass of a recipe that is to be painted with the pot."""

    recipe: Line
    key: Line
    seen: DocumentVersion


class UsedOut(Schema):
    """The recipe's new version, and the units that follow it."""

    version: int
    units: list[str]


@router.get("/pots", response=list[PotOut])
def pots(request: UserRequest) -> list[PotOut]:
    """Every pot, the newest first."""
    return _out(request.user)


@router.post("/pots", response=list[PotOut])
def save(request: UserRequest, payload: PotIn) -> list[PotOut]:
    """Save a pot: the shelf falls by what went into it."""
    palette = palette_of(request.user)
    drops = [(palette.place(one.paint), one.drops) for one in payload.drops]
    mix = palette.shelf.mix(drops, lab_of_hex(payload.target))
    poured = [(palette.kept[index], many) for index, many in drops]
    services.save_pot(request.user, poured, payload.name, payload.target, mix.hex, payload.note)
    return _out(request.user)


@router.post("/pots/{pot_id}/dried", response=DriedOut)
def dried(request: UserRequest, pot_id: int, payload: DriedIn) -> DriedOut:
    """Record what it dried to: the paints in it learn from that."""
    lesson = services.dry_pot(request.user, pot_id, payload.colour)
    return DriedOut(
        pots=_out(request.user), learnt=lesson.paints if lesson else 0,
        before=lesson.before if lesson else "", after=lesson.after if lesson else "",
        off_shelf=lesson is None,
    )  # fmt: skip


@router.post("/pots/{pot_id}/again", response=list[OwnMix])
def again(request: UserRequest, pot_id: int) -> list[OwnMix]:
    """Mixes that match what the pot dried to (until that is known, what was predicted)."""
    pot = services.own_pot(request.user, pot_id)
    palette = palette_of(request.user)
    found = matching.match(palette.shelf, lab_of_hex(pot.dried or pot.predicted), keep=5)
    return [palette.out(mix) for mix in found]


@router.post("/pots/{pot_id}/tone", response=OwnMix)
def tone(request: UserRequest, pot_id: int, payload: ToneIn) -> OwnMix:
    """A mix in tone with the pot, not identical: for another vehicle beside it.

    Raises Http404 where the pot is not his, DomainError where nothing is in tone.
    """
    pot = services.own_pot(request.user, pot_id)
    palette = palette_of(request.user)
    dried = reflectance_of_hex(pot.dried or pot.predicted)
    try:
        return palette.out(in_tone_with(palette.shelf, dried, payload.spread, payload.seed))
    except ValueError as error:
        raise DomainError(str(error)) from error


@router.post("/pots/{pot_id}/empty", response=list[PotOut])
def empty(request: UserRequest, pot_id: int) -> list[PotOut]:
    """The pot is used up."""
    services.empty_pot(request.user, pot_id)
    return _out(request.user)


@router.post("/pots/{pot_id}/use", response=UsedOut)
def use(request: UserRequest, pot_id: int, payload: UseIn) -> UsedOut:
    """Paint a recipe's pass with the pot: a new version, which its units follow. Raises Http404."""
    pot = services.own_pot(request.user, pot_id)
    row = newest_version(request.user, payload.recipe)
    if row is None:
        raise Http404
    drops = [(one["name"], one["drops"]) for one in pot.drops]
    try:
        new = painted_with(row.value(), payload.key, drops, pot.dried or pot.predicted)
    except KeyError as error:
        raise Http404 from error
    found = units_with(request.user, new.id)
    follow = [(muster_id, unit_id) for muster_id, unit_id, _ in found]
    change_recipe(request.user, new, payload.seen, follow)
    return UsedOut(version=new.version, units=[name for _, _, name in found])


def _out(user: User) -> list[PotOut]:
    found = []
    for row in Pot.objects.filter(owner=user, gone=False).order_by("-made_at", "-pk"):
        off = lighter = None
        if row.dried:
            was, now = lab_of_hex(row.predicted), lab_of_hex(row.dried)
            off, lighter = round(float(difference(was, now)), 1), round(float(now[0] - was[0]), 1)
        found.append(PotOut(
            id=row.pk, name=row.name, drops=[PotDrop(**one) for one in row.drops],
            target=row.target, predicted=row.predicted, dried=row.dried, off=off,
            lighter=lighter, note=row.note, made_at=row.made_at.isoformat(),
        ))  # fmt: skip
    return found

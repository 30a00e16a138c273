"""Pots: a mix as it was really made, what it dried to, and its use in a recipe."""

from __future__ import annotations

from dataclasses import replace
from math import gcd
from typing import Annotated

from django.contrib.auth.models import User
from django.db import transaction
from django.http import Http404
from ninja import Router, Schema
from pydantic import Field

from muster.apps import clock
from muster.apps.colour.mixing import DropIn, Hex, MixOut, lab_of_hex, palette_of
from muster.apps.colour.models import Paint, PaintFact, Pot
from muster.apps.recipes.queries import newest_version
from muster.apps.recipes.services import keep_version
from muster.apps.requests import UserRequest
from muster.apps.roll import services
from muster.apps.roll.models import Muster
from muster.apps.roll.queries import choices_of
from muster.core.colour import match as matching
from muster.core.colour.reconstruct import reflectance_of_hex
from muster.core.colour.variants import in_tone_with
from muster.core.commands.verbs.edit_unit import EditUnit
from muster.core.errors import DomainError
from muster.core.recipes.recipe import MixPart

router = Router()
MOST_POTS = 300


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


class ToneIn(Schema):
    """How far from the pot at most, ΔE00, and which throw."""

    spread: Annotated[float, Field(gt=0, le=10)] = 2.0
    seed: Annotated[int, Field(ge=0, le=2**31)] = 1


class UseIn(Schema):
    """The pass of a recipe that is to be painted with the pot."""

    recipe: str
    key: str
    seen: int


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
    bench = palette_of(request.user)
    drops = [(bench.place(one.paint), one.drops) for one in payload.drops]
    mix = bench.shelf.mix(drops, lab_of_hex(payload.target))
    if Pot.objects.filter(owner=request.user, gone=False).count() >= MOST_POTS:
        raise DomainError(f"{MOST_POTS} pots are kept: empty one first")
    now = clock.now()
    with transaction.atomic():
        Pot.objects.create(
            owner=request.user, name=payload.name, target=payload.target, predicted=mix.hex,
            note=payload.note, made_at=now,
            drops=[{"paint": bench.kept[i].id, "name": bench.kept[i].paint.name, "drops": many}
                   for i, many in drops],
        )  # fmt: skip
        for index, many in drops:
            one = bench.kept[index]
            Paint.objects.get(pk=one.id).facts.create(
                kind=PaintFact.Kind.POURED, at=now, ml=many * one.paint.drop_ml
            )
    return _out(request.user)


@router.post("/pots/{pot_id}/dried", response=list[PotOut])
def dried(request: UserRequest, pot_id: int, payload: DriedIn) -> list[PotOut]:
    """Record what it dried to. Of one paint and white, the paint learns from it."""
    pot = _own(request.user, pot_id)
    pot.dried = payload.colour
    pot.save(update_fields=["dried"])
    _teach(request.user, pot)
    return _out(request.user)


@router.post("/pots/{pot_id}/again", response=list[MixOut])
def again(request: UserRequest, pot_id: int) -> list[MixOut]:
    """Mixes that match what the pot dried to (until that is known, what was predicted)."""
    pot = _own(request.user, pot_id)
    bench = palette_of(request.user)
    found = matching.match(bench.shelf, lab_of_hex(pot.dried or pot.predicted), keep=5)
    return [bench.out(mix) for mix in found]


@router.post("/pots/{pot_id}/tone", response=MixOut)
def tone(request: UserRequest, pot_id: int, payload: ToneIn) -> MixOut:
    """A mix in tone with the pot, not identical: for another vehicle beside it."""
    pot = _own(request.user, pot_id)
    bench = palette_of(request.user)
    dried = reflectance_of_hex(pot.dried or pot.predicted)
    try:
        return bench.out(in_tone_with(bench.shelf, dried, payload.spread, payload.seed))
    except ValueError as error:
        raise DomainError(str(error)) from error


@router.post("/pots/{pot_id}/empty", response=list[PotOut])
def empty(request: UserRequest, pot_id: int) -> list[PotOut]:
    """The pot is used up."""
    pot = _own(request.user, pot_id)
    pot.gone = True
    pot.save(update_fields=["gone"])
    return _out(request.user)


@router.post("/pots/{pot_id}/use", response=UsedOut)
def use(request: UserRequest, pot_id: int, payload: UseIn) -> UsedOut:
    """Paint a recipe's pass with the pot: a new version, which its units follow."""
    pot = _own(request.user, pot_id)
    with transaction.atomic():
        row = newest_version(request.user, payload.recipe)
        if row is None:
            raise Http404
        if row.number != payload.seen:
            raise DomainError("this recipe was changed elsewhere meanwhile: look at it again")
        old = row.value()
        if all(one.key != payload.key for one in old.passes):
            raise Http404
        least = gcd(*(one["drops"] for one in pot.drops))
        mix = tuple(MixPart(one["name"], one["drops"] // least) for one in pot.drops)
        if max(part.parts for part in mix) > 99:
            raise DomainError("more than 99 parts of one paint: mix it again in smaller numbers")
        colour = pot.dried or pot.predicted
        passes = tuple(
            replace(one, mix=mix, colour=colour) if one.key == payload.key else one
            for one in old.passes
        )
        new = replace(old, version=old.version + 1, passes=passes)
        keep_version(request.user, new)
        followed = []
        for muster in Muster.objects.filter(owner=request.user):
            for unit in choices_of(muster).units:
                if unit.recipe != old.id:
                    continue
                muster.refresh_from_db()
                wanted = EditUnit("edit_unit", unit.id, recipe=new.id, recipe_version=new.version)
                services.command(request.user, muster.pk, muster.version, wanted)
                followed.append(unit.name)
    return UsedOut(version=new.version, units=followed)


def _teach(user: User, pot: Pot) -> None:
    """A pot of one paint, or of one and a white, is a swatch of that paint."""
    rows = {row.pk: row for row in Paint.objects.filter(owner=user, gone=False)}
    parts = [(rows[one["paint"]], one["drops"]) for one in pot.drops if one["paint"] in rows]
    if len(parts) != len(pot.drops):
        return
    whites = [row for row, _ in parts if _white(row)]
    others = [(row, many) for row, many in parts if not _white(row)]
    if len(others) != 1 or len(whites) > 1:
        return
    row, many = others[0]
    share = many / sum(each for _, each in parts)
    kind = "tint" if whites else "masstone"
    reading = {"kind": kind, "colour": pot.dried, "wet": False, "share": share, "coats": 1.0}
    row.facts.create(kind=PaintFact.Kind.SWATCH, at=clock.now(), reading=reading)


def _white(row: Paint) -> bool:
    lab = lab_of_hex(row.value().colour)
    return bool(lab[0] > 92 and abs(lab[1]) < 4 and abs(lab[2]) < 8)


def _own(user: User, pot_id: int) -> Pot:
    pot = Pot.objects.filter(owner=user, pk=pot_id, gone=False).first()
    if pot is None:
        raise Http404
    return pot


def _out(user: User) -> list[PotOut]:
    return [
        PotOut(
            id=row.pk, name=row.name, drops=[PotDrop(**one) for one in row.drops],
            target=row.target, predicted=row.predicted, dried=row.dried, note=row.note,
            made_at=row.made_at.isoformat(),
        )
        for row in Pot.objects.filter(owner=user, gone=False).order_by("-made_at", "-pk")
    ]  # fmt: skip

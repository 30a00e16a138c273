"""The mixing bench: a target matched, a mix predicted, drops for a tray."""

from __future__ import annotations

import math
from typing import Annotated

import numpy as np
from django.http import Http404
from ninja import Router, Schema
from pydantic import Field

from muster.api.requests import Hex, Line, RowId, UserRequest
from muster.api.throttles import HEAVY, ByUser
from muster.apps.colour.paint_usage import whole_recipes
from muster.apps.colour.palette import OwnMix, lab_of_hex, palette_of
from muster.apps.roll.queries import choices_of, own_muster
from muster.core.amounts.film import in_drops
from muster.core.amounts.requirements import amount_of
from muster.core.colour import match as matching
from muster.core.colour.kinds import GROUPS
from muster.core.colour.ladder import Ladder, ladders
from muster.core.colour.limits import AROUND_L, worth_buying
from muster.core.colour.limits import limits as limits_of
from muster.core.colour.paint import coats_to_hide
from muster.core.colour.shelf import DROP_ML
from muster.core.colour.spaces import apart_in_words, difference
from muster.core.errors import DomainError

router = Router()


class DropIn(Schema):
    """So many drops of a paint."""

    paint: RowId
    drops: Annotated[int, Field(ge=1, le=500)]


Kinds = Annotated[list[Line], Field(min_length=1, max_length=len(GROUPS))]
"""Groups of kinds of paint that may be mixed from."""


class MatchIn(Schema):
    """A colour that is meant, when dry."""

    target: Hex
    paints: Annotated[int, Field(ge=1, le=4)] = 3
    drops: Annotated[int, Field(ge=1, le=60)] = 12
    in_stock: bool = False
    kinds: Kinds = ["plain"]


class PredictIn(Schema):
    """Drops on the mixing bench; ``varnish``: share of varnish or medium stirred in on top."""

    drops: Annotated[list[DropIn], Field(min_length=1, max_length=12)]
    target: Hex | None = None
    varnish: Annotated[float, Field(ge=0, le=0.8)] = 0


class PredictOut(Schema):
    """What those drops dry to; coats over each ground until it is covered, and coats that hide
    strictly (ISO 6504-3); varnish in drops, kept apart."""

    colour: str
    lab: list[float]
    difference: float | None
    apart: str
    """The difference in words; empty where there is none."""
    ladders: list[Ladder]
    hides_after: int | None
    varnish_drops: int


class TrayIn(Schema):
    """A mix for a unit's pass: as many models as are worked at once."""

    muster: RowId
    unit: Line
    key: Line
    models: Annotated[int, Field(ge=1, le=500)]
    parts: Annotated[list[Annotated[int, Field(ge=1, le=500)]], Field(min_length=1, max_length=12)]


class TrayOut(Schema):
    """Millilitres, and the drops of each part that are enough, in the mix's exact ratio."""

    ml: float
    each_ml: float
    left_ml: float
    drops: list[int]


class ReachIn(Schema):
    """What is in the pot, and where it is to go."""

    pot: Annotated[list[DropIn], Field(min_length=1, max_length=12)]
    target: Hex
    extra: Annotated[int, Field(ge=1, le=30)] = 12


@router.post("/mix", response=list[OwnMix], throttle=ByUser("mix", HEAVY))
def match(request: UserRequest, payload: MatchIn) -> list[OwnMix]:
    """The best mixes for a colour: of those that no eye tells from the closest the simplest first;
    the nearest single paint is among them last. Raises DomainError for an unknown kind of paint."""
    bench = palette_of(request.user, payload.in_stock)
    goal, kinds = lab_of_hex(payload.target), _known(payload.kinds)
    found = matching.match(bench.shelf, goal, payload.paints, payload.drops, 8, kinds)
    single = bench.shelf.nearest(goal, kinds)
    if all(mix.drops != single.drops for mix in found):
        found.append(single)
    return [bench.out(mix) for mix in found]


def _known(kinds: list[str]) -> list[str]:
    unknown = [one for one in kinds if one not in GROUPS]
    if unknown:
        raise DomainError(f"no kind of paint is called '{unknown[0]}': use {', '.join(GROUPS)}")
    return kinds


class LimitsIn(Schema):
    """A colour that is meant, and the kinds of paint it may be mixed from."""

    target: Hex
    kinds: Kinds = ["plain"]


class BuyOut(Schema):
    """A paint of which none is left, and how near the best mix with it comes, ΔE00."""

    paint: int
    name: str
    colour: str
    difference: float


class Chroma(Schema):
    """A point of the a*-b* plane."""

    a: float
    b: float


class LimitsOut(Schema):
    """What the pots in stock can reach about a colour: the outline of all their mixes in a* and b*
    at its lightness ± ``around``, and where it lies. Where it is out of reach: a mix of its hue and
    lightness with less chroma, one of its hue and chroma at another lightness, and what to buy."""

    lightness: float
    around: float
    a: float
    b: float
    boundary: list[Chroma]
    inside: bool
    out_of_reach: bool
    nearest: OwnMix
    paler: OwnMix | None
    shifted: OwnMix | None
    buy: list[BuyOut]


@router.post("/mix/limits", response=LimitsOut, throttle=ByUser("limits", HEAVY))
def limits(request: UserRequest, payload: LimitsIn) -> LimitsOut:
    """What the pots in stock can reach, and which single paint to buy where a colour is beyond.

    Raises DomainError where no paint is in stock, or for an unknown kind of paint.
    """
    every, bench = palette_of(request.user), palette_of(request.user, in_stock=True)
    goal = lab_of_hex(payload.target)
    found = limits_of(bench.shelf, goal, _known(payload.kinds))
    gone = [n for n, one in enumerate(every.shelf.paints) if not one.in_stock]
    offered = [every.shelf.paints[n] for n in gone]
    buy = worth_buying(bench.shelf, offered, goal, found.nearest.off) if found.out_of_reach else []
    return LimitsOut(
        lightness=round(float(goal[0]), 1), around=AROUND_L,
        a=round(float(goal[1]), 1), b=round(float(goal[2]), 1),
        boundary=[Chroma(a=round(a, 1), b=round(b, 1)) for a, b in found.boundary],
        inside=found.inside, out_of_reach=found.out_of_reach, nearest=bench.out(found.nearest),
        paler=bench.out(found.paler) if found.paler else None,
        shifted=bench.out(found.shifted) if found.shifted else None,
        buy=[
            BuyOut(
                paint=every.kept[gone[one.index]].id, name=every.kept[gone[one.index]].called,
                colour=every.kept[gone[one.index]].paint.dry, difference=round(one.off, 2),
            )
            for one in buy
        ],
    )  # fmt: skip


@router.post("/predict", response=PredictOut)
def predict(request: UserRequest, payload: PredictIn) -> PredictOut:
    """What drops dry to."""
    bench = palette_of(request.user)
    drops = [(bench.place(one.paint), one.drops) for one in payload.drops]
    goal = lab_of_hex(payload.target) if payload.target else None
    mix = bench.shelf.mix(drops, np.zeros(3) if goal is None else goal)
    off = None if goal is None else round(float(difference(np.array(mix.lab), goal)), 2)
    whole = sum(many for _, many in drops)
    # Varnish in it is pigment less, not colour less.
    optics = bench.shelf.optics(drops).less(1 - payload.varnish)
    return PredictOut(
        colour=mix.hex, lab=[round(value, 1) for value in mix.lab], difference=off,
        apart="" if off is None else apart_in_words(off),
        ladders=ladders(optics), hides_after=coats_to_hide(optics),
        varnish_drops=math.ceil(round(whole * payload.varnish / (1 - payload.varnish), 6)),
    )  # fmt: skip


@router.post("/mix/reach", response=list[OwnMix], throttle=ByUser("reach", HEAVY))
def reach(request: UserRequest, payload: ReachIn) -> list[OwnMix]:
    """What to add to a pot already mixed, the least that helps first.

    Raises DomainError where nothing is within reach.
    """
    bench = palette_of(request.user)
    pot: dict[int, int] = {}
    for one in payload.pot:
        place = bench.place(one.paint)
        pot[place] = pot.get(place, 0) + one.drops
    try:
        found = matching.from_pot(
            bench.shelf, tuple(pot.items()), lab_of_hex(payload.target), payload.extra
        )
    except ValueError as error:
        raise DomainError(str(error)) from error
    return [bench.out(mix) for mix in found]


@router.post("/mix/tray", response=TrayOut)
def for_tray(request: UserRequest, payload: TrayIn) -> TrayOut:
    """Drops and millilitres for a pass on so many models. Raises Http404."""
    muster = own_muster(request.user, payload.muster)
    unit = choices_of(muster).unit(payload.unit)
    if unit is None:
        raise Http404
    recipe = whole_recipes(request.user.pk, [unit])[unit.recipe_key]
    one = next((each for each in recipe.passes if each.key == payload.key), None)
    if one is None:
        raise Http404
    taken = amount_of(one, unit, payload.models, recipe)
    return TrayOut(
        ml=round(taken.ml, 2), each_ml=round(taken.each_ml, 3), left_ml=taken.left_ml,
        drops=in_drops(payload.parts, taken.drops(DROP_ML)),
    )  # fmt: skip

"""From one colour to more: a ramp, variants for matching models, filters, lightening for scale."""

from __future__ import annotations

from typing import Annotated

from ninja import Router, Schema
from pydantic import Field

from muster.api.mixing import DropIn
from muster.api.requests import Hex, RowId, UserRequest
from muster.api.throttles import HEAVY, ByUser
from muster.apps.colour.palette import OwnMix, lab_of_hex, palette_of
from muster.apps.plan.snapshots import recipes_of
from muster.apps.roll.queries import choices_of, own_muster
from muster.core.colour.judge import camouflage, fade_share, filters, for_scale
from muster.core.colour.mixed_passes import coloured
from muster.core.colour.names import by_name
from muster.core.colour.paint import stated
from muster.core.colour.ramps import ramp
from muster.core.colour.reconstruct import reflectance_of_hex
from muster.core.colour.spaces import hexes_of, xyz_of_lab
from muster.core.colour.variants import consistency, variants
from muster.core.errors import DomainError
from muster.core.vocabulary import Tier

router = Router()


class RampIn(Schema):
    """A ramp about a base."""

    base: Hex
    shades: Annotated[int, Field(ge=0, le=4)] = 1
    lights: Annotated[int, Field(ge=0, le=4)] = 2
    hue_shift: Annotated[float, Field(ge=-30, le=30)] = 0


class RampOut(Schema):
    """From dark to light; ``base``: which is the base."""

    mixes: list[OwnMix]
    base: int
    headroom: float
    warning: str


class VariantsIn(Schema):
    """Variants of a mix for so many models, at most ``spread`` ΔE00 from it."""

    drops: Annotated[list[DropIn], Field(min_length=1, max_length=12)]
    models: Annotated[int, Field(ge=1, le=60)]
    spread: Annotated[float, Field(gt=0, le=10)] = 2.0
    seed: Annotated[int, Field(ge=0, le=2**31)] = 1


class PatchesIn(Schema):
    """Patches of a camouflage, and paints that may filter them; ``base``: fades them."""

    patches: Annotated[list[Hex], Field(min_length=1, max_length=6)]
    paints: Annotated[list[RowId], Field(max_length=12)] = []
    tier: Tier = "table"


class LivenedOut(Schema):
    """A filter over a patch: what it does to chroma and lightness."""

    paint: str
    patch: str
    chroma: float
    lightness: float
    moved: float


class ApartOut(Schema):
    """Two patches: ΔE00, and the least width of a band that stands apart."""

    one: str
    two: str
    difference: float
    least_mm: float


class PatchesOut(Schema):
    """Filters by patch, pairs of patches, and the mist of the first over all."""

    filters: list[LivenedOut]
    apart: list[ApartOut]
    mist: float


class ScaledOut(Schema):
    """A colour lightened for its scale."""

    colour: str


class AccentOut(Schema):
    """Two passes of a muster with the same name, and how far their colours are apart."""

    one: str
    two: str
    difference: float


@router.post("/colour/ramp", response=RampOut)
def make_ramp(request: UserRequest, payload: RampIn) -> RampOut:
    """Shade, base and lights from owned paints."""
    bench = palette_of(request.user)
    found = ramp(
        bench.shelf, lab_of_hex(payload.base), payload.shades, payload.lights,
        hue_shift=payload.hue_shift,
    )  # fmt: skip
    return RampOut(
        mixes=[bench.out(mix) for mix in found.mixes], base=found.base,
        headroom=round(found.headroom, 1), warning=found.warning,
    )  # fmt: skip


@router.post("/colour/variants", response=list[OwnMix], throttle=ByUser("variants", HEAVY))
def vary(request: UserRequest, payload: VariantsIn) -> list[OwnMix]:
    """Mixes that differ a little, so that matching models do not look cloned.

    Raises DomainError where no paint comes near enough.
    """
    bench = palette_of(request.user)
    drops = [(bench.place(one.paint), one.drops) for one in payload.drops]
    base = bench.shelf.mix(drops, lab_of_hex("#808080"))
    try:
        found = variants(bench.shelf, base, payload.models, payload.spread, payload.seed)
    except ValueError as error:
        raise DomainError(str(error)) from error
    return [bench.out(mix) for mix in found]


@router.post("/colour/patches", response=PatchesOut)
def patches(request: UserRequest, payload: PatchesIn) -> PatchesOut:
    """Which filter livens each patch, which patches merge, and what share a mist must cover."""
    bench = palette_of(request.user)
    grounds = {one: reflectance_of_hex(one) for one in payload.patches}
    paints = {}
    for paint in payload.paints:
        index = bench.place(paint)
        paints[bench.kept[index].called] = bench.shelf.optics([(index, 1)])
    labs = {one: lab_of_hex(one) for one in payload.patches}
    fade = fade_share(stated(payload.patches[0]), list(grounds.values()))
    return PatchesOut(
        filters=[
            LivenedOut(paint=one.filter, patch=one.patch, chroma=round(one.chroma, 1),
                       lightness=round(one.lightness, 1), moved=round(one.moved, 1))
            for one in filters(grounds, paints)
        ],
        apart=[
            ApartOut(one=one.one, two=one.two, difference=round(one.difference, 1),
                     least_mm=round(one.least_mm, 2))
            for one in camouflage(labs, payload.tier)
        ],
        mist=round(fade, 2) if len(payload.patches) > 1 else 0,
    )  # fmt: skip


@router.get("/colour/scaled", response=ScaledOut)
def scaled(request: UserRequest, colour: str, scale: int, tier: Tier = "table") -> ScaledOut:
    """A colour lightened for its scale, an option that schools dispute. Raises DomainError."""
    try:
        lab = lab_of_hex(colour)
    except ValueError as error:
        raise DomainError(str(error)) from error
    if not 1 <= scale <= 1000:
        raise DomainError(f"a scale of 1/{scale}: use 1 to 1000")
    return ScaledOut(colour=hexes_of(xyz_of_lab(for_scale(lab, scale, tier)[None]))[0])


@router.get("/musters/{muster_id}/accents", response=list[AccentOut])
def accents(request: UserRequest, muster_id: int) -> list[AccentOut]:
    """Passes of the same name across units, and how far apart they are, the farthest first."""
    muster = own_muster(request.user, muster_id)
    choices = choices_of(muster)
    recipes = recipes_of(muster, choices)
    paints = by_name(one.paint for one in palette_of(request.user).kept)
    alike: dict[str, dict[str, str]] = {}
    for unit in choices.units:
        recipe = coloured(recipes[unit.recipe, unit.recipe_version], paints)
        for one in recipe.passes:
            if one.colour is not None:
                alike.setdefault(one.name, {})[f"{unit.name}: {one.name}"] = one.colour
    found = []
    for colours in alike.values():
        pairs = consistency({name: lab_of_hex(colour) for name, colour in colours.items()})
        found += [
            AccentOut(one=pair.one, two=pair.two, difference=round(pair.difference, 1))
            for pair in pairs
            if pair.difference > 0
        ]
    return sorted(found, key=lambda one: -one.difference)

"""The words and limits of the job that screens show and offer, so that they know none by heart."""

from __future__ import annotations

from ninja import Router, Schema

from muster.api.requests import UserRequest
from muster.core.colour.kinds import GROUPS, PaintKind, in_words
from muster.core.colour.kinds import KINDS as PAINT_KINDS
from muster.core.colour.mixed_passes import DILUENTS
from muster.core.colour.photo import REFLECTS
from muster.core.craft.climate import LIMITS, SprayLimits
from muster.core.craft.schematics import SCHEMATICS
from muster.core.craft.schematics.drawing import HEIGHT, WIDTH, Shape
from muster.core.craft.zones import MAIN, ZONES
from muster.core.typed.pass_fields import PASS_FIELDS, PassField
from muster.core.vocabulary import KINDS, TIER_WORDS, Kind, Tier

router = Router()


class TierOut(Schema):
    """A tier and what it is called."""

    tier: Tier
    words: str


class Vocabulary(Schema):
    """Kinds of subject, tiers from afar to near, what only thins, the zones that carry a kind's
    colours, and where sprays fog."""

    kinds: list[Kind]
    tiers: list[TierOut]
    thinners: list[str]
    main_zones: dict[Kind, list[str]]
    paint_kinds: dict[PaintKind, str]
    """Kinds of paint, and what each is called."""
    paint_groups: list[str]
    """Groups of kinds that a mix may be asked of."""
    references: list[str]
    """What may be pressed as grey in a photograph."""
    spraying: SprayLimits
    pass_fields: list[PassField]
    """Every property of a pass, and how it is changed."""


@router.get("/vocabulary", response=Vocabulary)
def vocabulary(request: UserRequest) -> Vocabulary:
    """The words and limits; they are the same for everybody."""
    return Vocabulary(
        kinds=list(KINDS), thinners=list(DILUENTS), spraying=LIMITS,
        pass_fields=list(PASS_FIELDS),
        paint_kinds={kind: in_words(kind) for kind in PAINT_KINDS},
        paint_groups=list(GROUPS), references=list(REFLECTS),
        main_zones={kind: list(zones) for kind, zones in MAIN.items()},
        tiers=[TierOut(tier=tier, words=words) for tier, words in TIER_WORDS.items()],
    )  # fmt: skip


class Schematics(Schema):
    """By kind of subject the outlines of its zones, drawn from the back to the front in a field of
    that size."""

    width: int
    height: int
    drawings: dict[Kind, list[Shape]]
    clear: dict[Kind, list[str]]
    """Zones of glass."""


@router.get("/schematics", response=Schematics)
def schematics(request: UserRequest) -> Schematics:
    """The schematics; they are the same for everybody. No query."""
    return Schematics(
        width=WIDTH, height=HEIGHT,
        drawings={kind: list(shapes) for kind, shapes in SCHEMATICS.items()},
        clear={kind: [one.name for one in zones.values() if one.clear]
               for kind, zones in ZONES.items()},
    )  # fmt: skip

"""The words and limits of the job that screens show and offer, so that they know none by heart."""

from __future__ import annotations

from ninja import Router, Schema

from muster.api.requests import UserRequest
from muster.core.colour.kinds import GROUPS, PaintKind, in_words
from muster.core.colour.kinds import KINDS as PAINT_KINDS
from muster.core.colour.mixed_passes import DILUENTS
from muster.core.colour.photo import REFLECTS
from muster.core.craft.climate import LIMITS, SprayLimits
from muster.core.craft.zones import MAIN
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


@router.get("/vocabulary", response=Vocabulary)
def vocabulary(request: UserRequest) -> Vocabulary:
    """The words and limits; they are the same for everybody."""
    return Vocabulary(
        kinds=list(KINDS), thinners=list(DILUENTS), spraying=LIMITS,
        paint_kinds={kind: in_words(kind) for kind in PAINT_KINDS},
        paint_groups=list(GROUPS), references=list(REFLECTS),
        main_zones={kind: list(zones) for kind, zones in MAIN.items()},
        tiers=[TierOut(tier=tier, words=words) for tier, words in TIER_WORDS.items()],
    )  # fmt: skip

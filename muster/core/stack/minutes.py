"""Minutes a model where nobody has timed it: by technique, size and tier. Common practice."""

from __future__ import annotations

from collections.abc import Mapping

from muster.core.craft.techniques import OTHER, TECHNIQUES, Technique, TechniqueTrait
from muster.core.vocabulary import Kind, Tier

BY_KIND: dict[Kind, float] = {
    "figure": 1, "mounted": 1.7, "gun": 1.5, "vehicle": 2.5, "aircraft": 2.5, "building": 3,
    "base": 0.8,
}  # fmt: skip
"""Times a foot figure of the same scale."""

BY_TIER: dict[Tier, float] = {"table": 0.7, "hand": 1, "close": 1.8}

USUAL_SCALE = 72


def minutes_for(
    technique: str,
    kind: Kind,
    tier: Tier = "hand",
    scale: int = USUAL_SCALE,
    known: Mapping[str, Technique] = TECHNIQUES,
) -> float:
    """Minutes a model, to a tenth of a minute below ten, else to half a minute.

    Time grows with a model's length, not with its area: strokes grow with it too.
    """
    way = known.get(technique, OTHER)
    tiers = 1.0 if way.has(TechniqueTrait.SPRAYS) else BY_TIER[tier]
    found = way.minutes * BY_KIND[kind] * tiers * USUAL_SCALE / scale
    return max(0.1, round(found, 1) if found < 10 else round(found * 2) / 2)

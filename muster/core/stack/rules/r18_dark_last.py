"""Light over dark is easier to correct than dark over light."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.stack.finding import Finding, Move, rule
from muster.core.stack.sight import lightness
from muster.core.stack.walk import Walk
from muster.core.stack.zones import PLACES

APART = 35.0
"""L* between the two, from which a slip costs coats to hide. Common practice."""


@rule(18, "dark last", "a light colour is brushed beside a zone that a darker one follows")
def look(walked: Walk) -> Iterator[Finding]:
    """Said once for a recipe: cover the hard to hide first, black near the end."""
    zones = walked.zones
    brushed = [
        one
        for one in walked.steps
        if one.laid.technique.name == "brush" and one.laid.one.colour and one.laid.one.zones
    ]
    for place, dark in enumerate(brushed):
        for light in brushed[place + 1 :]:
            if dark.laid.one.colour is None or light.laid.one.colour is None:
                continue
            near = any(
                other in zones[zone].beside
                for zone in dark.laid.one.zones
                if zone not in PLACES
                for other in light.laid.one.zones
            )
            gap = lightness(light.laid.one.colour) - lightness(dark.laid.one.colour)
            if near and gap > APART:
                words = (
                    f"dark '{dark.laid.name}' is brushed before its light neighbour "
                    f"'{light.laid.name}' (L* {gap:+.0f}): a slip of the light one hides badly on "
                    "dark, a slip of the dark one hides at once"
                )
                yield Finding(
                    "dark last",
                    "note",
                    words,
                    dark.laid.one.key,
                    (Move("the light one first", light.laid.one.key, dark.laid.one.key),),
                )
                return

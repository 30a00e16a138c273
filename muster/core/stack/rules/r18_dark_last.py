"""Light over dark is easier to correct than dark over light."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.craft.zones import neighbours
from muster.core.stack.finding import Finding, Move, rule
from muster.core.stack.layer import SMALL
from muster.core.stack.tones import lightness
from muster.core.stack.walk import Walk

APART = 45.0
"""L* between the two, from which a slip costs coats to hide. Common practice."""


@rule(18, "dark last", "a light colour is brushed beside a zone that a darker one follows")
def findings(walked: Walk) -> Iterator[Finding]:
    """Said once for a recipe: cover the hard to hide first, black near the end."""
    zones = walked.zones
    brushed = [
        one
        for one in walked.steps
        if one.layer.does(TechniqueTrait.BLOCKS_IN)
        and one.layer.pass_.colour
        and one.layer.pass_.zones
        and one.layer.cover >= SMALL
        and one.layer.purpose != "clean up"
    ]
    for place, dark in enumerate(brushed):
        for light in brushed[place + 1 :]:
            if dark.layer.pass_.colour is None or light.layer.pass_.colour is None:
                continue
            apart = dark.layer.pass_.part != light.layer.pass_.part
            near = not apart and any(
                other in neighbours(zones, zone)
                for zone in dark.layer.pass_.zones
                if zone in zones
                for other in light.layer.pass_.zones
            )
            gap = lightness(light.layer.pass_.colour) - lightness(dark.layer.pass_.colour)
            if near and gap > APART:
                words = (
                    f"dark '{dark.layer.name}' is brushed before its light neighbour "
                    f"'{light.layer.name}' (L* {gap:+.0f}): a slip of the light one hides badly on "
                    "dark, a slip of the dark one hides at once"
                )
                yield Finding(
                    "dark last",
                    "note",
                    words,
                    dark.layer.pass_.key,
                    (Move("the light one first", light.layer.pass_.key, dark.layer.pass_.key),),
                )
                return

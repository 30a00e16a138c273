"""Masks: what lies under tape or masking fluid when a pass comes."""

from __future__ import annotations

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.walk import Step, Walk


def masked(walked: Walk, step: Step, zones: set[str]) -> bool:
    """Whether a mask lies on all of these zones; it stays on until one is taken off."""
    on = False
    for before in walked.before(step):
        if before.layer.does(TechniqueTrait.COVERS_UP):
            on = on or zones <= set(before.layer.zones)
        elif before.layer.technique.act == "mask":
            on = False
    return on

"""What must not be sprayed in damp or cold air."""

from __future__ import annotations

from muster.core.craft.media import MediumTrait
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.layer import AppliedLayer

DRY_AIR = "dry air"
"""The condition of the plan that holds on days when the room allows spraying."""


def fogs(film: AppliedLayer) -> bool:
    """Whether it is varnish, primer or a can, sprayed. By brush none of them fogs."""
    if film.does(TechniqueTrait.FROM_CAN):
        return True
    tender = film.medium_has(MediumTrait.FOGS)
    by_brush = film.pass_.tool in ("brush", "wide brush")
    return tender and not by_brush and film.does(TechniqueTrait.SPRAYS)

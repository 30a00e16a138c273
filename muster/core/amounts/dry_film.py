"""How thick a pass lies when it has dried: wet film × volume solids.

The relation is the coatings trade's: µm dry = µm wet × % volume solids ÷ 100. The films and the
solids it is used with are common practice.
"""

from __future__ import annotations

from muster.core.amounts.film import WET_UM
from muster.core.craft.media import MediumTrait
from muster.core.stack.appearance import BRUSHED_THINNED, THINNED, lie_of
from muster.core.stack.layer import AppliedLayer

DECAL_UM = 15.0
"""Of a printed film without its paper. Common practice."""

POWDER_UM = 20.0
"""Of loose pigment where it lies thickest. Common practice."""

TAPE_UM = 60.0
"""Of masking tape, and of a skin of liquid mask. Common practice."""


def wet_um(film: AppliedLayer) -> float:
    """The wet film of all coats of a pass where it lies fully, µm; 0 where it leaves none."""
    one, way, medium = film.pass_, film.technique, film.medium
    if not film.lays or medium is None:
        return 0.0
    if medium.has(MediumTrait.BY_MILLIMETRE):
        return one.thick * one.coats * 1000
    used = one.tool or way.usual_tool
    of_tool = WET_UM.get(used or "brush", WET_UM["brush"])
    return (of_tool if way.film_um is None else way.film_um) * one.coats * one.thick


def dry_um(film: AppliedLayer) -> float:
    """The dry film of all coats of a pass where it lies fully, µm; 0 where it leaves none.

    Paint that is thinned more than is usual for its tool leaves less of a film.
    """
    one, medium = film.pass_, film.medium
    if not film.lays or medium is None:
        return 0.0
    if medium.has(MediumTrait.DECAL):
        return DECAL_UM
    if medium.has(MediumTrait.LOOSE):
        return POWDER_UM * one.thick
    strength = 1.0
    if one.dilution is not None:
        lie = lie_of(one)
        even = THINNED.get(one.tool or "", BRUSHED_THINNED)
        usual = even if lie.thinned is None else lie.thinned
        strength = (1 + usual) / (1 + one.dilution)
    return wet_um(film) * medium.solids / 100 * strength

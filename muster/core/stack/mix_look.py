"""What a mix looks like when it has dried: alone, or laid over a ground."""

from __future__ import annotations

import numpy as np

from muster.core.colour.paint import Optics, stated
from muster.core.colour.reconstruct import reflectance_of_hex
from muster.core.craft.techniques import TECHNIQUES
from muster.core.errors import DomainError, nearest
from muster.core.recipes.recipe import Pass
from muster.core.stack.appearance import Appearance, Surface, as_laid, laid_over, lie_of

TRIED_ON = "flat"
"""Of recess, flat and edge the place whose colour stands for all of a model."""

LAYS = tuple(name for name, row in TECHNIQUES.items() if row.act == "lay" and (row.lie or row.tool))


def look_over(
    mix: Optics, ground: str, technique: str = "brush", coats: int = 1,
    dilution: float | None = None,
) -> Appearance:  # fmt: skip
    """Recess, flat and edge of a ground (``#rrggbb``) after so many coats of a mix.

    ``dilution``: parts of thinner to one of paint; None: as is usual for the technique. Raises
    DomainError for a technique that lays nothing, or coats outside 1 to 9.
    """
    if technique not in LAYS:
        raise DomainError(f"no technique that lays paint is called '{technique}': "
                          f"{nearest(technique, LAYS)}")  # fmt: skip
    if not 1 <= coats <= 9:
        raise DomainError(f"{coats} coats: use 1 to 9")
    row, colour = TECHNIQUES[technique], mix.hex()
    one = Pass("mix", "mix", technique, 1.0, tool=row.usual_tool, colour=colour, coats=coats,
               dilution=dilution)  # fmt: skip
    # A wash is mixed to what it is to do, however strong its paint is.
    paint = stated(colour) if lie_of(one).tints else mix
    under = Surface(np.tile(reflectance_of_hex(ground), (3, 1)))
    return laid_over(under, one, as_laid(one, paint)).look()

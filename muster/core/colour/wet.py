"""What a mix looks like while it is wet: other than dry, so it is not to be judged by."""

from __future__ import annotations

from functools import lru_cache

from muster.core.colour.spaces import hexes_of, lab_of, xyz_of_hex, xyz_of_lab

LIGHTER = 4.0
"""L* by which a wet mix of a middle grey looks lighter: the binder is milky until it dries. A rule
of thumb, no source; a wet swatch knows better."""


@lru_cache(maxsize=4096)
def wet_of(dry: str) -> str:
    """About what ``#rrggbb`` looked like before it dried: lighter the darker it is, a little
    paler."""
    lab = lab_of(xyz_of_hex([dry]))[0].copy()
    lab[0] += LIGHTER * (1 - lab[0] / 100) * 2
    lab[1:] *= 0.94
    return hexes_of(xyz_of_lab(lab[None]))[0]

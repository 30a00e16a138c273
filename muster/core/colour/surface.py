"""The surface of a dry film: what is reflected inside it, and what of that is seen.

J. L. Saunderson, "Calculation of the color of pigmented plastics", J. Opt. Soc. Am. 32 (1942)
727-736: of the light that comes up from inside, the surface throws a share back. Kubelka and Munk's
coefficients belong to the reflectance inside. Colours here are relative to a white with the same
surface, so that both scales end at 1.
"""

from __future__ import annotations

import numpy as np

from muster.core.colour.observer import Floats
from muster.core.vocabulary import Finish

THROWN_BACK = 0.6
"""Share of diffuse light that a surface of refractive index 1.5 throws back inside (D. B. Judd, J.
Res. NBS 29 (1942) 329, gives 0.596; from memory)."""

MIRRORED = 0.04
"""Share of light that such a surface mirrors: ((n - 1) / (n + 1))², Fresnel."""

SCATTERED: dict[Finish, float] = {"matt": 0.3, "satin": 0.15, "gloss": 0.0, "metallic": 0.0}
"""Of what is mirrored, how much a surface scatters to every side, and so into the eye: white light
on top of the colour. Common practice, no source."""

DARKEST = 1e-3


def inside(seen: Floats) -> Floats:
    """Reflectance within the film of one that is seen: R / (1 - k₂ + k₂ R)."""
    return np.asarray(seen / (1 - THROWN_BACK + THROWN_BACK * seen))


def seen(within: Floats) -> Floats:
    """Reflectance as it is seen of one within the film: (1 - k₂) R / (1 - k₂ R)."""
    return np.asarray((1 - THROWN_BACK) * within / (1 - THROWN_BACK * within))


def light_on(finish: Finish) -> float:
    """White light on top of the colour, as reflectance, by the sheen."""
    return MIRRORED * SCATTERED[finish]


def in_finish(seen_: Floats, was: Finish, now: Finish) -> Floats:
    """A colour with another sheen: gloss darker and more chromatic, matt lighter and paler."""
    return np.maximum(seen_ + light_on(now) - light_on(was), DARKEST)

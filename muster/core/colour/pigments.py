"""What pigments a paint is likely made of, inferred from its colour: how it scatters and tints.

Nobody states a paint's pigments. Colours of a hue are mostly made of the same few, so hue,
lightness and saturation tell how strongly such a paint scatters in which band, and with that what
it does to others: a blue's tint leans to cyan, a black tints more than it scatters. The figures are
inference, not measurement: fitted so that mixes of two paints come near two general models of
pigment mixing while black keeps the strength it has at the bench. The tests name the models and the
bounds; a swatch overrules all of it.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from muster.core.colour.film import ratio_of
from muster.core.colour.observer import NM, Floats
from muster.core.colour.spaces import hue_of, lab_of, xyz_of
from muster.core.colour.surface import inside

KNOTS_NM = (400, 450, 500, 550, 600, 650, 700)
"""Of the curves by which a family's scattering departs from an even one."""
_BEND: Floats = np.array([np.interp(NM, KNOTS_NM, row) for row in np.eye(len(KNOTS_NM))])


@dataclass(frozen=True, slots=True)
class Family:
    """Pigments of a hue (degrees, CIELAB). All figures are natural logarithms.

    ``strength``: scattering against that of a grey as light, and with it tinting; ``lighter``: more
    of it where the colour is lighter than L* 50, per 50; ``absorbs``: by how much the bound of
    absorption lies higher than a black's; ``bends``: of scattering at ``KNOTS_NM``.
    """

    name: str
    hue: float
    strength: float
    lighter: float
    absorbs: float
    bends: tuple[float, ...]

    @property
    def figures(self) -> tuple[float, ...]:
        """All of them in a row, so that neighbours can be averaged."""
        return (self.strength, self.lighter, self.absorbs, *self.bends)


FAMILIES = (
    Family("iron oxide and pyrrole reds", 25, 0.0, -0.3, 1.8, (0.0, 0.2, -1.5, 0.7, 0.0, 0.4, 0.1)),
    Family("oranges", 60, -0.5, -0.8, 3.8, (-0.4, 0.0, -0.7, 0.7, 0.9, -0.9, -0.1)),
    Family("arylide and iron oxide yellows", 90, -0.5, 0.1, 2.3,
           (-0.4, 0.3, -1.3, 1.2, 0.1, -0.5, -0.1)),
    Family("chromium oxide greens", 145, -0.3, -0.4, 2.0, (-0.4, -0.3, 0.3, 0.2, -0.2, 0.1, 0.0)),
    Family("phthalo greens and turquoises", 200, -0.1, 0.7, 0.9,
           (-0.1, -0.5, 1.3, -1.3, -0.2, 0.7, 0.1)),
    Family("phthalo and ultramarine blues", 270, -0.1, -0.6, 1.3,
           (0.4, 0.3, 0.5, -0.7, 0.3, -0.7, -0.1)),
    Family("dioxazine violets", 310, 0.2, -0.2, 2.5, (1.2, 0.1, 0.1, -0.5, 0.4, -1.1, -0.1)),
    Family("quinacridone magentas", 350, 0.1, -0.8, 1.3, (-0.2, -0.2, -0.1, -0.4, 1.0, -0.1, 0.0)),
)  # fmt: skip
"""By hue, all around."""

_HUES: Floats = np.array([one.hue for one in FAMILIES])
_FIGURES: Floats = np.array([one.figures for one in FAMILIES])

LEAST_SCATTERING = 0.003
"""Of a white's, however dark a paint is."""
BY_LIGHTNESS = 1.05
"""Exponent by which scattering grows with luminance Y: it is white pigment that scatters."""
PURE = 0.7
"""Saturation C*/√(C*² + L*²) from which a colour is a family's alone; below, greys have their
part."""
MOST_ABSORBS = 0.68
"""Absorption of a black in any band, times a white's scattering: one black in ten makes a white L*
75 at the bench, and one in two a middle grey."""
BLACK_SCATTERS = 2.08
"""How much more a black scatters than its lightness says, natural logarithm."""
DARK_L = 35.0
"""L* below which a grey holds black pigment more than it holds white."""


def scattering(masstone: Floats) -> Floats:
    """Scattering by band (36,) of a paint with that reflectance; a white's is about 1."""
    xyz = xyz_of(masstone)
    lab = lab_of(xyz)
    lightness, pure = float(lab[0]), _purity(masstone)
    strength, lighter, absorbs, *bends = _figures_at(float(hue_of(lab)))
    black = max(0.0, 1 - lightness / DARK_L)
    even = LEAST_SCATTERING + (1 - LEAST_SCATTERING) * float(xyz[1]) ** BY_LIGHTNESS
    family = strength + lighter * (lightness - 50) / 50 + np.array(bends) @ _BEND
    s = even * np.exp(pure * family + (1 - pure) * black * BLACK_SCATTERS)
    most = MOST_ABSORBS * np.exp(pure * absorbs)
    # Held below the bound by a smooth bend: 1/k = 1/(ratio s) + 1/most.
    ratio = ratio_of(inside(masstone))
    return np.asarray(s * most / (most + ratio * s))


LEAST_BODY = 0.3
PALE_PIGMENT = 0.45
"""By how much less a pure colour scatters in a film: it holds little white."""


def body(masstone: Floats) -> float:
    """What a film of it scatters, of what a white's does: the more white pigment is in it the more.
    So a yellow takes three coats and more over black, a middle tone one or two (common practice).
    """
    luminance = float(xyz_of(masstone)[1])
    even = LEAST_BODY + (1 - LEAST_BODY) * luminance**0.7
    return float(even * (1 - PALE_PIGMENT * _purity(masstone)))


def _purity(masstone: Floats) -> float:
    """0 for a grey, 1 for what is a family's alone."""
    lightness, a, b = lab_of(xyz_of(masstone))
    chroma = float(np.hypot(a, b))
    return min(1.0, chroma / max(float(np.hypot(chroma, lightness)), 1e-9) / PURE)


def _figures_at(hue: float) -> Floats:
    """Of the two families between which a hue lies, in proportion."""
    after = int(np.searchsorted(_HUES, hue)) % len(_HUES)
    before = after - 1
    span = (_HUES[after] - _HUES[before]) % 360
    share = ((hue - _HUES[before]) % 360) / span
    return np.asarray((1 - share) * _FIGURES[before] + share * _FIGURES[after])

"""What a pot that has dried teaches of the paints in it, however many they are.

A pot of one paint is its masstone, one of a paint and a white its tint. Of more paints the
difference between what was predicted and what dried is shared out: each paint gives way the more
the less sure it is. What that says of a paint is kept as swatches of it, marked as inferred, so
that pots, drawdowns and the reader teach in one way, and can be forgotten in one way.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from muster.core.colour.observer import NM, Floats
from muster.core.colour.owned import WHITE, OwnedPaint, Reading, optics_of
from muster.core.colour.paint import Optics, mix_of, stated
from muster.core.colour.spaces import difference, hexes_of, lab_of, xyz_of, xyz_of_hex

WHITE_L, WHITE_A, WHITE_B = 92.0, 4.0, 8.0
"""A white is lighter than that, and no further from grey. Common practice."""

LEAST_SHARE = 0.01
"""Of the paint in a tint that tells something of it."""

SURE_STRENGTH, INFERRED_STRENGTH, STATED_STRENGTH = 0.08, 0.3, 0.6
"""How far a paint's tinting may be off, natural logarithm: with a tint swatch, with what a pot
taught, and by its label alone. Common practice."""
SURE_COLOUR, INFERRED_COLOUR, STATED_COLOUR = 0.03, 0.1, 0.2
"""The same for its K/S in a band: with a masstone swatch, inferred, and by its label alone."""

KNOTS = 4
_BEND: Floats = np.array(
    [np.interp(NM, np.linspace(NM[0], NM[-1], KNOTS), row) for row in np.eye(KNOTS)]
)
READ_TO = 0.4
"""ΔE of a dried pot as it is read."""

TINT = 0.2
"""Share of the paint in the tint by which its strength is kept."""
WORTH_KEEPING = 0.4
"""ΔE00 by which an inferred swatch must differ from what was known before."""


@dataclass(frozen=True)
class Lesson:
    """What a pot teaches: of which of its parts which swatches, and what the same mix is predicted
    to dry to before and after."""

    swatches: tuple[tuple[int, Reading], ...]
    before: str
    after: str

    @property
    def paints(self) -> int:
        """How many paints learn."""
        return len({index for index, _ in self.swatches})


def is_white(paint: OwnedPaint) -> bool:
    """Whether a paint can stand for the white of a tint, by its label."""
    lightness, a, b = lab_of(xyz_of_hex([paint.colour]))[0]
    return bool(lightness > WHITE_L and abs(a) < WHITE_A and abs(b) < WHITE_B)


def lesson_of(parts: Sequence[tuple[OwnedPaint, int]], dried: str) -> Lesson:
    """What a pot teaches that dried to ``#rrggbb``.

    ``parts``: paints with their drops; varnish and mediums among them are only a share.
    """
    coloured = [n for n, (paint, _) in enumerate(parts) if not paint.clear]
    before = _predicted([parts[n] for n in coloured]) if coloured else dried
    found = _plainly(parts, coloured, dried)
    if found is None and coloured:
        found = _shared_out(parts, coloured, dried)
    learnt = list(parts)
    for index, reading in found or ():
        paint, drops = learnt[index]
        learnt[index] = replace(paint, swatches=(*paint.swatches, reading)), drops
    after = _predicted([learnt[n] for n in coloured]) if coloured else dried
    return Lesson(tuple(found or ()), before, after)


def _plainly(
    parts: Sequence[tuple[OwnedPaint, int]], coloured: Sequence[int], dried: str
) -> list[tuple[int, Reading]] | None:
    """Of a pot that is a swatch as it stands; None for any other."""
    whites = [n for n in coloured if is_white(parts[n][0])]
    others = [n for n in coloured if n not in whites]
    if len(coloured) == 1:
        return [(coloured[0], Reading("masstone", dried))]
    if len(others) != 1 or len(whites) != 1:
        return None
    share = parts[others[0]][1] / sum(parts[n][1] for n in coloured)
    if not LEAST_SHARE <= share <= 1 - LEAST_SHARE:
        return []
    return [(others[0], Reading("tint", dried, share=share))]


def _predicted(parts: Sequence[tuple[OwnedPaint, int]]) -> str:
    return _mixed([optics_of(paint) for paint, _ in parts], parts).hex()


def _mixed(optics: Sequence[Optics], parts: Sequence[tuple[OwnedPaint, int]]) -> Optics:
    return mix_of(optics, np.array([float(drops) for _, drops in parts]))


def _unsure(paint: OwnedPaint) -> tuple[float, float]:
    """How far its strength and its colour may be off."""
    dry = [one for one in paint.swatches if not one.wet]

    def of(kinds: tuple[str, ...], sure: float, inferred: float, stated_: float) -> float:
        told = [one for one in dry if one.kind in kinds]
        if any(not one.inferred for one in told):
            return sure
        return inferred if told else stated_

    return (
        of(("tint",), SURE_STRENGTH, INFERRED_STRENGTH, STATED_STRENGTH),
        of(("masstone",), SURE_COLOUR, INFERRED_COLOUR, STATED_COLOUR),
    )


def _shared_out(
    parts: Sequence[tuple[OwnedPaint, int]], coloured: Sequence[int], dried: str
) -> list[tuple[int, Reading]]:
    """The swatches of each paint by which the mix would dry as it did, with as little change to
    what is sure as that takes: least squares, each change against how unsure it is."""
    # Loaded where a pot dries: it takes longer than all the rest of a mix.
    from scipy.optimize import least_squares

    mine = [parts[n] for n in coloured]
    starts = [optics_of(paint) for paint, _ in mine]
    unsure = np.array([[strength, *[colour] * KNOTS] for strength, colour in
                       (_unsure(paint) for paint, _ in mine)])  # fmt: skip
    goal = lab_of(xyz_of_hex([dried]))[0]

    def changed(x: Floats) -> list[Optics]:
        rows = x.reshape(len(mine), 1 + KNOTS) * unsure
        return [
            replace(one, k=one.k * np.exp(row[0] + row[1:] @ _BEND), s=one.s * np.exp(row[0]))
            for one, row in zip(starts, rows, strict=True)
        ]

    def off(x: Floats) -> Floats:
        seen = lab_of(xyz_of(_mixed(changed(x), mine).masstone))
        return np.concatenate([(seen - goal) / READ_TO, x])

    found = changed(least_squares(off, np.zeros(unsure.size), method="trf").x)
    white = stated(WHITE)
    swatches: list[tuple[int, Reading]] = []
    for index, start, now in zip(coloured, starts, found, strict=True):
        for kind, share in (("masstone", 1.0), ("tint", TINT)):
            shown = [_tinted(one, white, share) for one in (start, now)]
            labs = lab_of(xyz_of(np.array(shown)))
            if float(difference(labs[0], labs[1])) >= WORTH_KEEPING:
                colour = hexes_of(xyz_of(shown[1]))[0]
                reading = Reading(
                    "masstone" if kind == "masstone" else "tint", colour, share=share,
                    inferred=True,
                )  # fmt: skip
                swatches.append((index, reading))
    return swatches


def _tinted(paint: Optics, white: Optics, share: float) -> Floats:
    return mix_of([paint, white], np.array([share, 1 - share])).masstone

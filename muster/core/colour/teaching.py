"""What a pot that has dried teaches of its paints."""

from __future__ import annotations

from collections.abc import Sequence

from muster.core.colour.owned import OwnedPaint, Reading
from muster.core.colour.spaces import lab_of, xyz_of_hex

WHITE_L, WHITE_A, WHITE_B = 92.0, 4.0, 8.0
"""A white is lighter than that, and no further from grey. Common practice."""

LEAST_SHARE = 0.01
"""Of the paint in a tint that tells something of it."""


def is_white(paint: OwnedPaint) -> bool:
    """Whether a paint can stand for the white of a tint, by its label."""
    lightness, a, b = lab_of(xyz_of_hex([paint.colour]))[0]
    return bool(lightness > WHITE_L and abs(a) < WHITE_A and abs(b) < WHITE_B)


def learnt_from(parts: Sequence[tuple[OwnedPaint, int]], dried: str) -> tuple[int, Reading] | None:
    """The part that a pot is a swatch of, and the swatch: a pot of one paint is its masstone, one
    of a paint and a white its tint. None where it tells of no single paint.

    ``parts``: paints with their drops; ``dried``: the colour, ``#rrggbb``.
    """
    whites = [index for index, (paint, _) in enumerate(parts) if is_white(paint)]
    others = [index for index in range(len(parts)) if index not in whites]
    if len(others) != 1 or len(whites) > 1:
        return None
    share = parts[others[0]][1] / sum(drops for _, drops in parts)
    if not whites:
        return others[0], Reading("masstone", dried)
    return (others[0], Reading("tint", dried, share=share)) if share >= LEAST_SHARE else None

"""A shelf of paints as matching knows it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np

from muster.core.colour.film import masstone_of, mixed
from muster.core.colour.observer import Floats
from muster.core.colour.paint import Optics
from muster.core.colour.spaces import difference, hexes_of, lab_of, xyz_of
from muster.core.craft.media import MEDIA, MediumTrait

MOST_PAINTS = 300
"""On a shelf that is matched from."""

DROP_ML = 0.05
"""A drop, unless its user has counted his own: 20 to the millilitre. Common practice."""


def mixes_as(medium: str) -> str:
    """Paints with the same answer may be mixed: by what thins them."""
    row = MEDIA.get(medium)
    if row is None:
        return medium
    if row.has(MediumTrait.MIXES_ALONE) or row.carrier is None:
        return f"only {medium}"
    return row.carrier


@dataclass(frozen=True)
class Paint:
    """A paint on the shelf."""

    name: str
    optics: Optics
    medium: str = "acrylic"
    in_stock: bool = True
    price_ml: float = 0.0


@dataclass(frozen=True)
class Mix:
    """A mix in whole drops: pairs of a paint's index and its drops, the most first."""

    drops: tuple[tuple[int, int], ...]
    lab: tuple[float, float, float]
    hex: str
    off: float
    """ΔE00 from the target."""
    in_stock: bool
    media: int
    price: float
    """Of these drops."""

    @property
    def total(self) -> int:
        """Drops in all."""
        return sum(drops for _, drops in self.drops)


@dataclass(frozen=True)
class Shelf:
    """Paints with their coefficients side by side. Raises ValueError for more than 300."""

    paints: tuple[Paint, ...]
    k: Floats = field(init=False)
    s: Floats = field(init=False)

    def __post_init__(self) -> None:
        if len(self.paints) > MOST_PAINTS:
            raise ValueError(
                f"{len(self.paints)} paints on one shelf: leave all but {MOST_PAINTS} out"
            )
        shape = (len(self.paints), -1)
        object.__setattr__(self, "k", np.array([p.optics.k for p in self.paints]).reshape(shape))
        object.__setattr__(self, "s", np.array([p.optics.s for p in self.paints]).reshape(shape))

    def groups(self) -> list[list[int]]:
        """Indices of paints that may be mixed with each other."""
        found: dict[str, list[int]] = {}
        for index, paint in enumerate(self.paints):
            found.setdefault(mixes_as(paint.medium), []).append(index)
        return list(found.values())

    def optics(self, drops: Sequence[tuple[int, float]]) -> Optics:
        """Of a mix by drops."""
        which = [index for index, _ in drops]
        parts = np.array([amount for _, amount in drops], dtype=np.float64)
        return Optics(mixed(parts, self.k[which]), mixed(parts, self.s[which]))

    def mix(self, drops: Sequence[tuple[int, int]], target: Floats) -> Mix:
        """A mix with its dry colour, and how far from the target (CIELAB) that is."""
        optics = self.optics(drops)
        xyz = xyz_of(masstone_of(optics.k, optics.s))
        lab = lab_of(xyz)
        used = [self.paints[index] for index, _ in drops]
        price = sum(self.paints[i].price_ml * amount * DROP_ML for i, amount in drops)
        return Mix(
            drops=tuple(sorted(drops, key=lambda one: (-one[1], one[0]))),
            lab=(float(lab[0]), float(lab[1]), float(lab[2])), hex=hexes_of(xyz)[0],
            off=float(difference(lab, target)), in_stock=all(p.in_stock for p in used),
            media=len({p.medium for p in used}), price=price,
        )  # fmt: skip

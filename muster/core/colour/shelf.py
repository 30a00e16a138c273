"""A shelf of paints as matching knows it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np

from muster.core.colour.kinds import GROUPS, ROWS, KindTrait, PaintKind
from muster.core.colour.observer import BANDS, Floats
from muster.core.colour.paint import Optics, mix_of, shown
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
    kind: PaintKind = "opaque"
    twin_key: tuple[str, str, str] = ("", "", "")
    """Pots with the same are pots of one paint; of paints of one name, the first word is the same.
    """

    @property
    def metallic(self) -> bool:
        """Whether it shines as metal does."""
        return ROWS[self.kind].has(KindTrait.METALLIC)


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
    metallic: bool = False

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
        shape = (len(self.paints), BANDS)
        object.__setattr__(self, "k", np.array([p.optics.k for p in self.paints]).reshape(shape))
        object.__setattr__(self, "s", np.array([p.optics.s for p in self.paints]).reshape(shape))

    def usable(self, groups: Sequence[str] = ("plain",), in_stock: bool = False) -> list[int]:
        """Indices of paints that may be proposed: of those groups of kinds, of pots of one paint
        one alone, the first in stock. All colours, where none is of those groups.

        Raises ValueError for a group that nobody knows.
        """
        unknown = [one for one in groups if one not in GROUPS]
        if unknown:
            raise ValueError(f"no kind of paint is called '{unknown[0]}': use {', '.join(GROUPS)}")
        coloured = [
            index
            for index, paint in enumerate(self.paints)
            if not ROWS[paint.kind].has(KindTrait.COLOURLESS) and (paint.in_stock or not in_stock)
        ]
        asked = [i for i in coloured if ROWS[self.paints[i].kind].group in groups]
        found: dict[object, int] = {}
        for index in sorted(asked or coloured, key=lambda i: (not self.paints[i].in_stock, i)):
            paint = self.paints[index]
            found.setdefault(paint.twin_key if any(paint.twin_key) else index, index)
        return sorted(found.values())

    def nearest(self, target: Floats, groups: Sequence[str] = ("plain",)) -> Mix:
        """The single paint nearest to a target (CIELAB). Raises ValueError as ``usable`` does, or
        where there is none."""
        usable = self.usable(groups)
        if not usable:
            raise ValueError("the shelf holds no colour: add a paint")
        off = difference(lab_of(xyz_of(shown(self.k[usable], self.s[usable]))), target)
        return self.mix(((usable[int(off.argmin())], 1),), target)

    def groups(self, usable: Sequence[int] | None = None) -> list[list[int]]:
        """Indices of paints that may be mixed with each other; of ``usable`` ones, if given."""
        found: dict[str, list[int]] = {}
        for index in range(len(self.paints)) if usable is None else usable:
            found.setdefault(mixes_as(self.paints[index].medium), []).append(index)
        return list(found.values())

    def optics(self, drops: Sequence[tuple[int, float]]) -> Optics:
        """Of a mix by drops."""
        parts = np.array([amount for _, amount in drops], dtype=np.float64)
        return mix_of([self.paints[index].optics for index, _ in drops], parts)

    def mix(self, drops: Sequence[tuple[int, int]], target: Floats) -> Mix:
        """A mix with its dry colour, and how far from the target (CIELAB) that is."""
        xyz = xyz_of(self.optics(drops).masstone)
        lab = lab_of(xyz)
        used = [self.paints[index] for index, _ in drops]
        price = sum(self.paints[i].price_ml * amount * DROP_ML for i, amount in drops)
        return Mix(
            drops=tuple(sorted(drops, key=lambda one: (-one[1], one[0]))),
            lab=(float(lab[0]), float(lab[1]), float(lab[2])), hex=hexes_of(xyz)[0],
            off=float(difference(lab, target)), in_stock=all(p.in_stock for p in used),
            media=len({p.medium for p in used}), price=price,
            metallic=any(p.metallic for p in used),
        )  # fmt: skip

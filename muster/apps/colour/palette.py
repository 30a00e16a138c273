"""A user's colours as matching knows them, by the paints' own numbers."""

from __future__ import annotations

from dataclasses import dataclass

from django.contrib.auth.models import User
from django.http import Http404

from muster.apps.colour.queries import ShelfEntry, shelf_entries
from muster.core.colour.observer import Floats
from muster.core.colour.owned import shelf_from
from muster.core.colour.shelf import Mix, Shelf
from muster.core.colour.spaces import lab_of, xyz_of_hex
from muster.core.errors import DomainError


@dataclass(frozen=True)
class OwnDrops:
    """Drops of a paint, by its id and name."""

    paint: int
    name: str
    drops: int


@dataclass(frozen=True)
class OwnMix:
    """A mix: drops, what it dries to, ΔE00 from the target."""

    drops: list[OwnDrops]
    colour: str
    difference: float
    in_stock: bool
    price: float


@dataclass(frozen=True)
class Palette:
    """A user's colours as matching knows them; varnishes, glues and fluids are left out."""

    kept: list[ShelfEntry]
    shelf: Shelf

    def place(self, paint_id: int) -> int:
        """Where a paint stands. Raises Http404 for one that is not his, or has no colour."""
        for index, one in enumerate(self.kept):
            if one.id == paint_id:
                return index
        raise Http404

    def out(self, mix: Mix) -> OwnMix:
        """A mix by ids and names."""
        drops = [
            OwnDrops(paint=self.kept[i].id, name=self.kept[i].called, drops=many)
            for i, many in mix.drops
        ]
        return OwnMix(drops=drops, colour=mix.hex, difference=round(mix.off, 2),
                      in_stock=mix.in_stock, price=round(mix.price, 2))  # fmt: skip


def palette_of(user: User, in_stock: bool = False) -> Palette:
    """The user's colours. Raises DomainError where the shelf holds no colour."""
    kept = [
        one
        for one in shelf_entries(user.pk)
        if not one.paint.clear and not (in_stock and one.paint.left_ml == 0)
    ]
    if not kept:
        raise DomainError("the shelf holds no colour: add a paint, or take in a file")
    return Palette(kept, shelf_from(one.paint for one in kept))


def lab_of_hex(colour: str) -> Floats:
    """CIELAB of ``#rrggbb``."""
    found: Floats = lab_of(xyz_of_hex([colour]))[0]
    return found

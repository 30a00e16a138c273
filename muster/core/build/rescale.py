"""A print from its scale to ours: how large, what must be thickened, how many fit the plate; and
drills, rods and magnets at our scale.

Least walls and rods are common practice with no source; the printer's and the resin's own sheets
come first.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

from muster.core.errors import DomainError

Printer = Literal["resin", "filament"]
Member = Literal["wall", "rod"]


@dataclass(frozen=True, slots=True)
class Limits:
    """The least wall and rod that come out whole and live through cleaning, in mm."""

    wall_mm: float
    rod_mm: float

    def of(self, member: Member) -> float:
        """The least of a wall or of a rod."""
        return self.wall_mm if member == "wall" else self.rod_mm


PRINTERS: dict[Printer, Limits] = {"resin": Limits(0.4, 0.5), "filament": Limits(0.8, 1.2)}
"""Filament: two lines of a 0.4 mm nozzle, three for a rod."""


def scale_factor(file_scale: float, scale: float) -> float:
    """By how much a file is sized: a length L in life is L/file_scale in it and L/scale on the
    table, so file_scale/scale. 1/30 to 1/72: 30/72, 41.7 %.

    Raises DomainError for a scale that is none.
    """
    if not all(0 < one < float("inf") for one in (file_scale, scale)):
        raise DomainError("scales are above 0: 30 for 1/30, 72 for 1/72")
    return file_scale / scale


@dataclass(frozen=True, slots=True)
class Thickened:
    """A member after rescaling: ``mm`` thick; where that is too thin ``to_mm``, which in the file
    is ``in_file_mm``, ``times`` what it is there."""

    name: str
    member: Member
    mm: float
    to_mm: float | None
    in_file_mm: float | None
    times: float | None


def thickened(
    members: Iterable[tuple[str, Member, float]], factor: float, limits: Limits
) -> list[Thickened]:
    """Members by name, kind and thickness in the file (mm), and what each must become."""
    found = []
    for name, member, in_file in members:
        mm, least = in_file * factor, limits.of(member)
        # What is exactly the least is thick enough, whatever a division leaves behind.
        if mm >= least - 1e-9:
            found.append(Thickened(name, member, round(mm, 3), None, None, None))
        else:
            new = least / factor
            found.append(Thickened(name, member, round(mm, 3), least, round(new, 3), new / in_file))
    return found


PLATES: dict[str, tuple[float, float, float]] = {
    "small resin": (120.0, 68.0, 150.0),
    "middling resin": (190.0, 120.0, 200.0),
    "filament": (220.0, 220.0, 250.0),
}
"""Width, depth and height in mm of usual plates; the printer's own sheet says better."""

GAP_MM = 3.0


def plate_count(
    size_mm: tuple[float, float, float], plate_mm: tuple[float, float, float],
    gap_mm: float = GAP_MM,
) -> int:  # fmt: skip
    """How many boxes of that footprint stand on a plate with a gap between them, all turned the
    same way or all by a quarter; 0 where one does not fit."""
    wide, deep, high = size_mm
    if high > plate_mm[2] or min(size_mm) <= 0:
        return 0

    def along(room: float, one: float) -> int:
        return int((room + gap_mm) / (one + gap_mm) + 1e-9)

    straight = along(plate_mm[0], wide) * along(plate_mm[1], deep)
    turned = along(plate_mm[0], deep) * along(plate_mm[1], wide)
    return max(straight, turned)


RODS_MM = (0.3, 0.4, 0.5, 0.6, 0.8, 1.0, 1.2, 1.5, 2.0, 3.0)
"""Rods and wires as they are sold."""

MAGNETS_MM = ((2.0, 1.0), (3.0, 1.0), (3.0, 2.0), (4.0, 2.0), (5.0, 2.0), (6.0, 2.0), (8.0, 3.0))
"""Diameter and height of small magnets as they are sold."""

ROD_PLAY_MM, MAGNET_PLAY_MM = 0.1, 0.1
"""A hole is so much wider than what goes in, for the glue. Common practice."""

EDGE_MM = 1.0
"""Material left around a magnet. Common practice."""


@dataclass(frozen=True, slots=True)
class RodSize:
    """What stands for something round in life: its diameter at scale, the rod nearest to it, the
    drill for that rod (mm); ``off``: by what share the rod is too thick or too thin."""

    at_scale_mm: float
    rod_mm: float
    drill_mm: float
    off: float


def rod_for(life_mm: float, scale: float) -> RodSize:
    """The rod for something so thick in life. Raises DomainError for what is no size."""
    if not (0 < life_mm < float("inf") and 0 < scale < float("inf")):
        raise DomainError("size and scale are above 0: 100 mm at 1/72")
    mm = life_mm / scale
    rod = min(RODS_MM, key=lambda one: abs(one - mm))
    return RodSize(round(mm, 3), rod, round(rod + ROD_PLAY_MM, 2), rod / mm - 1)


@dataclass(frozen=True, slots=True)
class MagnetSize:
    """A magnet, and the hole for it, in mm."""

    diameter_mm: float
    height_mm: float
    drill_mm: float
    depth_mm: float


def magnet_for(wide_mm: float, deep_mm: float) -> MagnetSize | None:
    """The strongest usual magnet for a face so wide, in material so deep; None: too small for
    any. Of two that fit, the one with more metal in it holds better."""
    fitting = [
        (across, high) for across, high in MAGNETS_MM
        if across + 2 * EDGE_MM <= wide_mm + 1e-9 and high + EDGE_MM <= deep_mm + 1e-9
    ]  # fmt: skip
    if not fitting:
        return None
    across, high = max(fitting, key=lambda one: one[0] ** 2 * one[1])
    return MagnetSize(across, high, round(across + MAGNET_PLAY_MM, 2), high)

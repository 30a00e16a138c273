"""What a schematic is made of: shapes of zones, drawn from the back to the front."""

from __future__ import annotations

from dataclasses import dataclass

WIDTH, HEIGHT = 360, 256


@dataclass(frozen=True)
class Shape:
    """A zone's outline as an SVG path, holes even-odd, in a field of ``WIDTH`` by ``HEIGHT``."""

    zone: str
    path: str


Drawing = tuple[Shape, ...]


def box(x: float, y: float, width: float, height: float) -> str:
    """A rectangle."""
    return f"M{x} {y}h{width}v{height}h{-width}z"


def disc(x: float, y: float, radius: float) -> str:
    """A circle."""
    return (
        f"M{x - radius} {y}a{radius} {radius} 0 1 0 {2 * radius} 0"
        f"a{radius} {radius} 0 1 0 {-2 * radius} 0z"
    )


def ring(x: float, y: float, radius: float, inner: float) -> str:
    """A circle with a hole."""
    return disc(x, y, radius) + disc(x, y, inner)

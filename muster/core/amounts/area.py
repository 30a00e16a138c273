"""The painted surface of a model, by its kind and scale."""

from __future__ import annotations

from dataclasses import dataclass

from muster.core.vocabulary import Kind

CLOTHED = 3.0
"""Clothing, its folds, gear and weapons over bare skin: a figure of 28 mm has 17 cm², and a pot
of 17 ml base-coats about 140 of them. Common practice."""

HEIGHT_CM, WEIGHT_KG = 170.0, 70.0


def body_m2(weight_kg: float, height_cm: float) -> float:
    """Body surface, m²: 0.007184 · W^0.425 · H^0.725 (Du Bois & Du Bois 1916).

    Raises ValueError for what is no body.
    """
    if not 1 <= weight_kg <= 1000 or not 20 <= height_cm <= 300:
        raise ValueError(f"{weight_kg:g} kg and {height_cm:g} cm: use 1 to 1000 kg, 20 to 300 cm")
    return float(0.007184 * weight_kg**0.425 * height_cm**0.725)


@dataclass(frozen=True)
class Box:
    """A real thing's length, width and height in metres; ``factor``: its surface to that of the
    box's six faces."""

    length: float
    width: float
    height: float
    factor: float

    def surface_m2(self) -> float:
        """All six faces, times the factor."""
        l_, w, h = self.length, self.width, self.height
        return 2 * (l_ * w + l_ * h + w * h) * self.factor


BOXES: dict[Kind, Box] = {
    "vehicle": Box(5.5, 2.4, 2.3, 1.3),
    "gun": Box(2.8, 1.6, 1.3, 0.7),
    "aircraft": Box(9.0, 10.0, 2.5, 0.45),
    "building": Box(6.0, 5.0, 5.0, 0.9),
}
"""Usual sizes, where none are given. Common practice, no source: a mesh knows better."""

MOUNT_M2 = 5.0
"""A pony or horse of 400 to 500 kg with its tack. Common practice."""

BASE_MM: tuple[float, float] = (25.0, 3.0)
"""A base's edge and height, as it stands on the table: bases do not shrink with scale."""


def model_cm2(kind: Kind, scale: int, box: Box | None = None) -> float:
    """Painted surface of one model, cm². ``box``: the real thing's own, where it is known.

    Raises ValueError for a scale below 1.
    """
    if scale < 1:
        raise ValueError(f"a scale of 1/{scale}: use 1 or more")
    if kind == "base":
        edge, height = BASE_MM
        return (edge * edge + 4 * edge * height) / 100
    shrunk = 10_000 / scale**2
    figure = body_m2(WEIGHT_KG, HEIGHT_CM) * CLOTHED
    if box is not None:
        return box.surface_m2() * shrunk
    if kind == "figure":
        return figure * shrunk
    if kind == "mounted":
        return (figure + MOUNT_M2) * shrunk
    return BOXES[kind].surface_m2() * shrunk

"""Techniques: what the hand does, how hard it brings its carrier to bear, what it leaves behind.

Minutes are for one model at 1/72 seen in the hand, common practice with no source.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from muster.core.craft.media import Grade

Act = Literal["lay", "work", "mask", "build", "fix"]
"""Lay a film; work one that lies there already; mask; glue and build; fix what lies loose."""


@dataclass(frozen=True, slots=True)
class Technique:
    """A row. ``cover``: share of its zones that it covers; ``medium``: where none is named."""

    name: str
    grade: Grade
    cover: float
    medium: str | None
    minutes: float
    act: Act = "lay"
    hides: bool = False
    """Meant to hide what is under it."""
    strays: bool = False
    """Catches what is beside its zone."""
    effect: bool = False
    """Weathering or decoration, not a colour of the scheme."""


TECHNIQUES: dict[str, Technique] = {
    one.name: one
    for one in (
        Technique("spray", Grade.MIST, 1, "acrylic sprayed", 1, hides=True),
        Technique("spray can", Grade.BRUSH, 1, "can", 0.5, hides=True),
        Technique("brush", Grade.BRUSH, 1, "acrylic", 3, hides=True),
        Technique("dry-brush", Grade.MIST, 0.3, "acrylic", 1.5, strays=True),
        Technique("stipple", Grade.BRUSH, 0.4, "acrylic", 2, effect=True),
        Technique("sponge", Grade.MIST, 0.1, "acrylic", 2, effect=True),
        Technique("wash", Grade.FLOOD, 0.8, "acrylic wash", 1),
        Technique("pin wash", Grade.BRUSH, 0.15, "enamel wash", 4),
        Technique("filter", Grade.BRUSH, 0.8, "enamel wash", 2),
        Technique("glaze", Grade.BRUSH, 0.5, "acrylic", 2),
        Technique("highlight", Grade.BRUSH, 0.2, "acrylic", 3),
        Technique("edge", Grade.BRUSH, 0.1, "acrylic", 3),
        Technique("streak", Grade.BRUSH, 0.1, "enamel wash", 3, effect=True),
        Technique("splash", Grade.BRUSH, 0.1, "enamel wash", 2, effect=True),
        Technique("pigment", Grade.MIST, 0.3, "pigment", 3, effect=True),
        Technique("pastel", Grade.MIST, 0.3, "pigment", 3, effect=True),
        Technique("pencil", Grade.MIST, 0.05, "pigment", 2, effect=True),
        Technique("fluid", Grade.BRUSH, 1, "chipping fluid", 1),
        Technique("scratch", Grade.SCRUB, 0.1, None, 5, "work"),
        Technique("wipe back", Grade.SCRUB, 0.5, None, 2, "work"),
        Technique("blend", Grade.BRUSH, 0.5, None, 3, "work"),
        Technique("reactivate", Grade.SCRUB, 0.3, None, 2, "work"),
        Technique("fix", Grade.FLOOD, 0.3, "fixed pigment", 1, "fix"),
        Technique("seal", Grade.MIST, 1, "acrylic varnish", 0.5),
        Technique("varnish", Grade.MIST, 1, "acrylic varnish", 0.5),
        Technique("decal", Grade.FLOOD, 0.05, "decal", 6),
        Technique("mask", Grade.NONE, 0.5, "mask", 5, "mask"),
        Technique("unmask", Grade.NONE, 0.5, None, 2, "mask"),
        Technique("assemble", Grade.NONE, 0, "glue", 20, "build"),
        Technique("glue", Grade.NONE, 0, "glue", 4, "build"),
        Technique("wash parts", Grade.NONE, 0, None, 1, "build"),
        Technique("dip", Grade.FLOOD, 1, "white glue", 1),
        Technique("texture", Grade.BRUSH, 1, "texture", 8, hides=True),
        Technique("grass", Grade.BRUSH, 0.4, "white glue", 4, effect=True),
    )
}  # fmt: skip
"""By name."""

OTHER = Technique("", Grade.BRUSH, 0.5, "acrylic", 3)
"""What a technique of the user's own is taken for."""

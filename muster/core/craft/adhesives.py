"""Adhesives: how long a glue takes, and what it holds between which two materials.

Common practice with no source; the label says for what a glue is made and how long it takes.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal, get_args

from muster.core.craft.media import DAY, HOUR, Medium, MediumTrait
from muster.core.vocabulary import Material

Glue = Literal[
    "solvent cement", "superglue", "epoxy", "white glue", "foam glue", "hot glue",
    "clear-parts glue", "pins", "accelerator",
]  # fmt: skip
GLUES: tuple[Glue, ...] = get_args(Glue)


@dataclass(frozen=True, slots=True)
class GlueTimes:
    """Minutes until it holds by itself, until the model can be handled, until it is at full
    strength."""

    sets: float
    handle: float
    full: float


TIMES: Mapping[str, GlueTimes] = {
    "solvent cement": GlueTimes(1, 20, DAY),
    "superglue": GlueTimes(0.5, 5, DAY),
    "accelerator": GlueTimes(0.1, 1, DAY),
    "epoxy": GlueTimes(5, 20, DAY),
    "white glue": GlueTimes(30, 2 * HOUR, DAY),
    "clear-parts glue": GlueTimes(30, 2 * HOUR, DAY),
    "foam glue": GlueTimes(10, HOUR, DAY),
    "hot glue": GlueTimes(1, 5, 5),
    "pins": GlueTimes(0, 0, 0),
}
"""By glue. Epoxy: the five-minute kind."""

NO_GLUE = GlueTimes(0, 0, 0)
"""What is pressed on, clipped or held by magnets."""

POROUS: frozenset[Material] = frozenset(
    ("wood", "board", "card", "cork", "foam", "plaster", "cloth", "scatter")
)
"""What drinks water glue."""

BOARDS: frozenset[Material] = frozenset(("wood", "board", "card"))

WATER_GLUES = ("white glue",)


def holding(one: Material, two: Material) -> tuple[str, ...]:
    """What holds these two together, the usual first; never empty."""
    pair = {one, two}
    if "scatter" in pair or "cloth" in pair:
        # Flock, foliage, sand and cloth go onto anything, painted or not.
        return ("white glue", "clear-parts glue", "superglue")
    if "clear" in pair:
        return ("clear-parts glue", "white glue", "epoxy")
    if "polythene" in pair:
        return ("superglue", "pins", "epoxy")
    if "foam" in pair:
        # Solvents and superglue eat bare expanded foam.
        return (
            ("white glue", "foam glue", "epoxy") if pair <= POROUS else ("foam glue", "epoxy",
                                                                         "white glue")
        )  # fmt: skip
    if pair == {"polystyrene"}:
        return ("solvent cement", "superglue", "epoxy")
    if pair <= POROUS:
        glues = ["white glue"]
        if pair <= BOARDS | {"plaster", "cork"}:
            glues += ["superglue", "epoxy"]
        if "wood" in pair:
            glues.append("hot glue")
        return tuple(glues)
    if pair & POROUS:
        # Something hard on wood, board or plaster.
        return ("superglue", "epoxy", "white glue", "hot glue")
    return ("superglue", "epoxy", "pins")


def holds(glue: str, one: Material, two: Material | None) -> bool:
    """Whether a glue holds two materials together; of one alone, whether it can hold it at all."""
    if two is not None:
        return glue in holding(one, two)
    return any(glue in holding(one, other) for other in get_args(Material))


def as_medium(glue: str, times: GlueTimes) -> Medium:
    """A glue as a row of media: dry to touch when it is set, coated when it can be handled."""
    return Medium(glue, glue, None, times.sets, times.handle, times.full, clock="cure",
                  family="none",
                  traits=frozenset((MediumTrait.MIXES_ALONE, MediumTrait.COLOURLESS)))  # fmt: skip

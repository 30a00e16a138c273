"""A mix as it is written: "3 Post red, 1 Tarn black, 2 water"."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from muster.core.colour.mixed_passes import thins
from muster.core.colour.names import by_name
from muster.core.colour.owned import OwnedPaint, optics_of
from muster.core.colour.paint import Optics, mix_of
from muster.core.errors import DomainError, nearest
from muster.core.recipes.recipe import MOST_PARTS

MOST_OF_MIX = 12
"""Paints in a mix."""


@dataclass(frozen=True)
class StatedMix:
    """Paints with their parts, varnish and mediums among them; and parts of thinner."""

    parts: tuple[tuple[OwnedPaint, int], ...]
    thinner: int

    @property
    def optics(self) -> Optics:
        """As it dries: thinner goes, varnish stays and has no colour."""
        return mix_of(
            [optics_of(paint) for paint, _ in self.parts],
            np.array([float(many) for _, many in self.parts]),
        )

    @property
    def dilution(self) -> float | None:
        """Parts of thinner to one of all else; None where there is none."""
        if not self.thinner:
            return None
        return self.thinner / sum(many for _, many in self.parts)


def stated_mix(text: str, paints: Sequence[OwnedPaint]) -> StatedMix:
    """The mix that a text names, of these paints.

    Raises DomainError for a paint that is not among them, parts outside 1 to 99, or a mix without
    a colour.
    """
    known, thinner = by_name(paints), 0
    parts: list[tuple[OwnedPaint, int]] = []
    for piece in (one.strip() for one in re.split(r"[,+;\n]", text)):
        if not piece:
            continue
        found = re.match(r"(?:(\d+)\s*(?:x|×|drops? of|parts? of|drops?|parts?)?\s+)?(.+)$", piece)
        assert found is not None
        many, name = int(found[1] or 1), found[2].strip()
        if not 1 <= many <= MOST_PARTS:
            raise DomainError(f"{many} parts of {name}: use 1 to {MOST_PARTS}")
        if name in known:
            parts.append((known[name], many))
        elif thins(name):
            thinner += many
        else:
            raise DomainError(f"no paint is called '{name}': {nearest(name, known)}")
    if len(parts) > MOST_OF_MIX:
        raise DomainError(f"{len(parts)} paints in one mix: use at most {MOST_OF_MIX}")
    if all(paint.clear for paint, _ in parts):
        raise DomainError("the mix has no colour: name a paint, as in '3 Post red, 1 Tarn black'")
    return StatedMix(tuple(parts), thinner)

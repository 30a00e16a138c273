"""Weathering."""

from __future__ import annotations

from dataclasses import replace

from muster.core.craft.media import MEDIA
from muster.core.craft.techniques import OTHER, TECHNIQUES
from muster.core.recipes.recipe import MixPart, Pass
from muster.core.stack.habits.habit import Habit, register

SPIRITS = ("white spirit", "thinner for enamel", "turpentine")


def _without_spirits(one: Pass, way: str) -> Pass:
    """One pass without spirits; its waits follow from its layers again."""
    if way != "all-acrylic":
        return one
    row = MEDIA.get(one.medium or TECHNIQUES.get(one.technique, OTHER).medium or "")
    acrylic = row.acrylic if row else None
    spirits = one.carrier in SPIRITS
    if acrylic is None and not spirits:
        return one
    mix = tuple(MixPart("water", part.parts) if part.name in SPIRITS else part for part in one.mix)
    return replace(
        one,
        medium=acrylic or one.medium,
        carrier="water" if spirits else None,
        mix=mix,
        dry_min=None,
        stand_min=None,
        window_min=None,
        clock="water",
        warm_air=one.warm_air and not spirits,
    )


WEATHERING = register(
    Habit(
        "weathering",
        4,
        "Weathering",
        "solvent",
        {
            "solvent": "flows, and can be wiped back for hours; fumes, and a day to dry",
            "all-acrylic": "no fumes and dry in an hour; must be worked within minutes",
        },
        shorts=frozenset({"all-acrylic"}),
        effect=_without_spirits,
    )
)

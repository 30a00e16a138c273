"""A unit as one types it: ``24 pikes foot 1/72``."""

from __future__ import annotations

import re
from dataclasses import dataclass

from muster.core.choices import MOST_MODELS
from muster.core.plan.fields import Refused
from muster.core.recipes.recipe import Kind

WORDS: dict[str, Kind] = {
    "foot": "figure", "infantry": "figure", "figures": "figure", "figure": "figure",
    "crew": "figure", "crews": "figure", "militia": "figure", "gunners": "figure",
    "pikes": "figure", "spearmen": "figure", "archers": "figure", "riflemen": "figure",
    "mounted": "mounted", "cavalry": "mounted", "lancers": "mounted", "riders": "mounted",
    "horse": "mounted", "vehicle": "vehicle", "vehicles": "vehicle", "tank": "vehicle",
    "tanks": "vehicle", "haulers": "vehicle", "trucks": "vehicle", "wagons": "vehicle",
    "gun": "gun", "guns": "gun", "artillery": "gun", "cannon": "gun",
    "aircraft": "aircraft", "planes": "aircraft", "balloons": "aircraft", "balloon": "aircraft",
    "building": "building", "buildings": "building", "house": "building", "houses": "building",
    "hut": "building", "huts": "building", "base": "base", "bases": "base", "ground": "base",
    "terrain": "base", "causeway": "base", "sections": "base",
}  # fmt: skip
"""What kind a word tells of. Ours: ordinary words of the trade."""

MARKERS = {"foot", "mounted", "vehicle", "building", "aircraft", "terrain", "infantry", "cavalry"}
"""Words that say the kind only, and are no part of the name."""

_SCALE = re.compile(r"^1[/:](\d{1,4})$")
_MM = re.compile(r"^(\d{1,2})mm$")

# Gauge names to scales. Common practice; schools differ on measuring to the eye or the crown.
MM_TO_SCALE = {6: 285, 10: 160, 12: 144, 15: 100, 20: 72, 25: 64, 28: 56, 32: 48, 54: 32}


@dataclass(frozen=True)
class TypedUnit:
    """What a line says. ``kind`` is None where no word tells it."""

    count: int
    name: str
    kind: Kind | None
    scale: int | None


def read_line(line: str) -> TypedUnit:
    """Read a typed line. Raises Refused with how to mend it."""
    words = line.split()
    counts = [word for word in words if word.isdigit()]
    if not counts:
        raise Refused(f"'{line.strip()}': say how many first, as in '24 pikes foot 1/72'")
    count = int(counts[0])
    if not 1 <= count <= MOST_MODELS:
        raise Refused(f"{count} models: a unit has 1 to {MOST_MODELS}; split a larger one")
    words.remove(counts[0])
    scale: int | None = None
    kind: Kind | None = None
    name = []
    for word in words:
        found = _SCALE.match(word)
        gauge = _MM.match(word.lower())
        if found:
            scale = int(found.group(1))
            if not 1 <= scale <= 1000:
                raise Refused(f"the scale {word}: use one from 1/1 to 1/1000")
            continue
        if gauge and int(gauge.group(1)) in MM_TO_SCALE:
            scale = MM_TO_SCALE[int(gauge.group(1))]
            continue
        told = WORDS.get(word.lower().strip(",."))
        if told and (kind is None or word.lower() in MARKERS):
            kind = told
        if told and word.lower() in MARKERS:
            continue
        name.append(word)
    title = " ".join(name) or (kind or "")
    if not title:
        raise Refused(f"'{line.strip()}': say what they are, as in '24 pikes foot 1/72'")
    if len(title) > 60:
        raise Refused("the name is longer than 60 letters: shorten it")
    return TypedUnit(count, title[0].upper() + title[1:], kind, scale)

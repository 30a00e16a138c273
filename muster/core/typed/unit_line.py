"""A unit as one types it: ``24 pikes foot 1/72``."""

from __future__ import annotations

import re
from dataclasses import dataclass

from muster.core.choices import MOST_MODELS
from muster.core.errors import DomainError
from muster.core.vocabulary import Kind

_WORDS: dict[Kind, str] = {
    "figure": "foot infantry figure crew militia gunner pike spearman archer rifleman soldier "
              "trooper guard militiaman warrior swordsman levy skirmisher musketeer villager "
              "civilian officer marine sailor man woman people",
    "mounted": "mounted cavalry lancer rider horse horseman dragoon camel",
    "vehicle": "vehicle tank hauler truck lorry wagon car cart half-track halftrack tractor bus "
               "van jeep carrier locomotive engine coach barge boat ship ambulance motorcycle",
    "gun": "gun artillery cannon howitzer mortar field-gun battery",
    "aircraft": "aircraft plane aeroplane airplane balloon airship helicopter glider fighter "
                "bomber biplane",
    "building": "building house hut shop barn mill church tower shed station inn stable "
                "warehouse cottage farm bridge wall gate fort bunker chapel factory workshop",
    "base": "base ground terrain causeway section road river hill field trench scatter container "
            "crate fence hedge",
}  # fmt: skip
WORDS: dict[str, Kind] = {word: kind for kind, words in _WORDS.items() for word in words.split()}
"""What kind a word tells of, in the singular. Ours: ordinary words of the trade."""

_ENDINGS: tuple[tuple[str, Kind], ...] = (
    ("house", "building"), ("barn", "building"), ("shop", "building"), ("mill", "building"),
    ("tower", "building"), ("church", "building"), ("track", "vehicle"), ("truck", "vehicle"),
    ("wagon", "vehicle"), ("tank", "vehicle"), ("gun", "gun"), ("plane", "aircraft"),
    ("man", "figure"),
)  # fmt: skip
"""What the end of a joined word tells of: farmhouse, half-track, swordsman."""

MARKERS = {"foot", "mounted", "vehicle", "building", "aircraft", "terrain", "infantry", "cavalry"}
"""Words that say the kind only, and are no part of the name."""

_JOINING = {"of", "with", "and", "on", "in", "for", "from", "at", "&", "+"}
"""What follows these words says more of what was named before."""

_CREW = {"crew", "crews", "gunner", "gunners"}
"""People that come with what is named before them: gun crews are painted with their guns."""

_SCALE = re.compile(r"^1[/:-](\d{1,4})$")
_MM = re.compile(r"^(\d{1,3})-?mm$")

# Gauge names to scales. Common practice; schools differ on measuring to the eye or the crown.
MM_TO_SCALE = {
    2: 900, 3: 600, 6: 285, 8: 200, 10: 160, 12: 144, 15: 100, 18: 100, 20: 72, 25: 64, 28: 56,
    30: 56, 32: 48, 35: 48, 40: 43, 54: 32, 75: 24, 90: 20, 120: 16,
}  # fmt: skip
_MAN_MM = 1750
"""A man's height: for gauges that have no name. Common practice."""


def kind_of(word: str) -> Kind | None:
    """The kind that a word tells of, singular or plural, alone or at a joined word's end."""
    plain = word.lower().strip(",.;")
    for one in (plain, *_singulars(plain)):
        if one in WORDS:
            return WORDS[one]
    for one in (plain, *_singulars(plain)):
        for ending, kind in _ENDINGS:
            if one.endswith(ending) and len(one) > len(ending) + 1:
                return kind
    return None


def _singulars(word: str) -> list[str]:
    found = []
    if word.endswith("men"):
        found.append(word[:-3] + "man")
    if word.endswith("ies"):
        found.append(word[:-3] + "y")
    if word.endswith("es"):
        found.append(word[:-2])
    if word.endswith("s"):
        found.append(word[:-1])
    return found


def scale_of(word: str) -> int | None:
    """The scale that a word says: 1/72, 1-72, 1:72, 28mm.

    Raises DomainError for one that is none.
    """
    found = _SCALE.match(word)
    if found:
        scale = int(found.group(1))
        if not 1 <= scale <= 1000:
            raise DomainError(f"the scale {word}: use one from 1/1 to 1/1000")
        return scale
    gauge = _MM.match(word.lower())
    if gauge:
        mm = int(gauge.group(1))
        if not mm:
            raise DomainError(f"the size {word}: use one from 2mm on, or a scale such as 1/72")
        return MM_TO_SCALE.get(mm, max(1, min(1000, round(_MAN_MM / mm))))
    return None


@dataclass(frozen=True)
class TypedUnit:
    """What a line says. ``kind`` is None where no word tells it."""

    count: int
    name: str
    kind: Kind | None
    scale: int | None
    area_cm2: float | None = None
    """Of one base, where its size is said: 60x40mm, 25mm."""


BASE_HEIGHT_MM = 3.0
_NUMBER = r"(\d{1,3}(?:[.,]\d)?)"
_SIDES = rf"(?<!\S){_NUMBER} ?[x×] ?{_NUMBER}(?: ?[x×] ?{_NUMBER})? ?(mm|cm)(?!\S)"
_SIZE = re.compile(_SIDES, flags=re.IGNORECASE)
_EDGE = re.compile(rf"(?<!\S){_NUMBER} ?(mm|cm)(?!\S)", flags=re.IGNORECASE)


def base_cm2(line: str) -> float | None:
    """Painted surface of a base or a piece of terrain whose size a line says (60x40mm, 24 × 15 cm,
    30 x 20 x 4 cm): its top and its sides, cm². One number is the side of a square or the width of
    a round."""
    found = _SIZE.search(line)
    if found is not None:
        unit = 10.0 if found[4].lower() == "cm" else 1.0
        length, width = (_mm(found[n], unit) for n in (1, 2))
        height = _mm(found[3], unit) if found[3] else BASE_HEIGHT_MM
    elif (found := _EDGE.search(line)) is not None:
        length = width = _mm(found[1], 10.0 if found[2].lower() == "cm" else 1.0)
        height = BASE_HEIGHT_MM
    else:
        return None
    return round((length * width + 2 * (length + width) * height) / 100, 2) or None


def _mm(said: str, unit: float) -> float:
    return float(said.replace(",", ".")) * unit


def read_line(line: str) -> TypedUnit:
    """Read a typed line. Raises DomainError with how to mend it."""
    edge = _EDGE.search(line)
    # Centimetres are the size of a piece of ground; one number of millimetres may be a scale.
    size = _SIZE.search(line) or (edge if edge and edge[2].lower() == "cm" else None)
    area = base_cm2(line)
    if size is not None:
        line = f"{line[: size.start()]} {line[size.end() :]}"
    # A number and its unit may stand apart: 28 mm.
    words = re.sub(r"(?<!\S)(\d{1,3})\s+mm(?!\S)", r"\1mm", line, flags=re.IGNORECASE).split()
    counts = [word for word in words if word.isdecimal() and word.isascii()]
    if not counts:
        raise DomainError(f"'{line.strip()}': say how many first, as in '24 pikes foot 1/72'")
    if len(counts[0]) > 9 or not 1 <= int(counts[0]) <= MOST_MODELS:
        raise DomainError(
            f"{counts[0][:20]} models: a unit has 1 to {MOST_MODELS}; split a larger one"
        )
    count = int(counts[0])
    words.remove(counts[0])
    scale: int | None = None
    name: list[str] = []
    marked: list[Kind] = []
    told: list[Kind | None] = []
    before_of = True
    # What is said of a base in millimetres is its size, not the height of a figure on it.
    kind_base = any(kind_of(word) == "base" for word in words)
    for word in words:
        said = scale_of(word)
        if said is not None:
            if not (kind_base and _MM.match(word.lower())):
                scale = said
            continue
        kind_said = kind_of(word)
        if kind_said and word.lower() in MARKERS:
            marked.append(kind_said)
            continue
        before_of = before_of and word.lower() not in _JOINING
        if kind_said and before_of:
            told.append(kind_said if word.lower() not in _CREW else None)
        name.append(word)
    # Of several words the last one is what they are: horse carts are carts.
    sure = [*marked, *(one for one in reversed(told) if one)]
    kind = next(iter(sure), "figure" if told else None)
    title = " ".join(name) or (kind or "")
    if not title:
        raise DomainError(f"'{line.strip()}': say what they are, as in '24 pikes foot 1/72'")
    if len(title) > 60:
        raise DomainError("the name is longer than 60 letters: shorten it")
    if kind != "base":
        area = None
    return TypedUnit(count, title[0].upper() + title[1:], kind, scale, area)

"""What follows a technique in a typed line: mix, zones, coats, sizes, waits.

Every word is either understood, or handed back as it was typed: nothing becomes something else.
"""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Any, get_args

from muster.core.craft.techniques import OTHER, TechniqueTrait
from muster.core.craft.zones import DETAIL_ZONES, JOINTS, slug
from muster.core.recipes.recipe import MixPart, Pass, ZoneCover
from muster.core.typed.bundles import TOOLS, About
from muster.core.typed.spoken import MEDIA_SAID
from muster.core.vocabulary import Purpose

APART = {"wheels", "tracks", "running gear", "crew"}
"""Zones that a house which paints parts apart proposes as parts."""

UNITS = {"s": 1 / 60, "sec": 1 / 60, "min": 1.0, "h": 60.0, "d": 1440.0}
OVERNIGHT_MIN = 720.0
THINNERS = ("water", "thinner", "white spirit", "glaze", "retarder", "medium", "flow improver")
_NUMBER = r"(\d+(?:[.,]\d+)?)"
_TIME = rf"{_NUMBER} ?(s|sec|min|h|d)(?:onds?|utes?|ours?|ays?)?\b"


@dataclass
class _Line:
    """What is left of a line while its words are read."""

    text: str

    def take(self, pattern: str) -> re.Match[str] | None:
        """The first match, taken out of the line."""
        found = re.search(pattern, self.text, re.IGNORECASE)
        if found:
            self.text = f"{self.text[: found.start()]} , {self.text[found.end() :]}"
        return found


def with_rest(one: Pass, rest: str, about: About) -> tuple[Pass, list[str]]:
    """A pass with what is said of it, and what of that was not understood."""
    line = _Line(f" {rest} ")
    one = _left_out(_measured(one, line, about), line, about)
    unread: list[str] = []
    pieces = [piece for raw in line.text.split(",") if (piece := _bare(raw))]
    mixed: list[str] = []
    zones: list[str] = []
    for number, piece in enumerate(pieces):
        one, piece = _leading(one, piece, about) if number == 0 else (one, piece)
        if not piece:
            continue
        found = _property(one, piece, about)
        zone = _zone(piece, about)
        if found is not None:
            one = found
        elif zone is not None:
            zones.append(zone)
        elif one.tool is not None and _is_mix(piece, first=number == 0):
            mixed.append(piece)
        elif one.tool is None and number == 0:
            one = replace(one, name=_named(one, piece, about))
        else:
            unread.append(piece)
    if zones:
        one = _on(one, zones, about)
    if mixed:
        one = replace(one, mix=tuple(part for piece in mixed for part in _mix(piece)))
    if unread:
        one = replace(one, note=" ".join(filter(None, (one.note, ", ".join(unread))))[:400])
    return one, unread


def _soaks(one: Pass, about: About) -> bool:
    """Whether a pass soaks something."""
    way = about.tables.techniques.get(one.technique, OTHER)
    return way.has(TechniqueTrait.DECALS) or way.has(TechniqueTrait.SOAKS)


def _measured(one: Pass, line: _Line, about: About) -> Pass:
    """What is said in numbers."""
    values: dict[str, Any] = {}
    if found := line.take(rf"{_NUMBER} ?% (satin|gloss|matt|varnish)\b"):
        values["varnish_share"] = min(1.0, _number(found[1]) / 100)
        if found[2] != "varnish":
            values["finish"] = found[2].lower()
    shares = []
    for zone in about.tables.zones[about.kind]:
        if found := line.take(rf"\b{re.escape(zone)} {_NUMBER} ?%"):
            share = min(1.0, max(0.01, _number(found[1]) / 100))
            shares.append(ZoneCover(zone, share))
    if shares:
        values |= {"cover_by": tuple(shares), "zones": tuple(row.zone for row in shares)}
    if found := line.take(r"\b1 ?: ?(\d+(?:[.,]\d+)?)\b"):
        values["dilution"] = min(200.0, _number(found[1]))
    if found := line.take(rf"{_NUMBER} ?mm\b"):
        values["size_mm"] = min(500.0, max(0.01, _number(found[1])))
    if found := line.take(rf"{_NUMBER} ?%"):
        values["cover"] = min(1.0, max(0.01, _number(found[1]) / 100))
    if found := line.take(r"(?:\b[x×] ?([1-9])\b|×([1-9])|\b([1-9]) ?coats?\b)"):
        values["coats"] = int(found[1] or found[2] or found[3])
    if found := line.take(rf"\bsoak(?:ed)? {_TIME}"):
        soaks = _soaks(one, about)
        if soaks:
            values["soak_s"] = round(_minutes(found[1], found[2]) * 60)
    if found := line.take(rf"\b(?:wait|stand|leave|dry|dries|cure)s? {_TIME}"):
        values["stand_min"] = _minutes(found[1], found[2])
    elif line.take(r"\b(?:wait |dry |cure )?over ?night\b"):
        values["stand_min"] = OVERNIGHT_MIN
    if found := line.take(rf"{_NUMBER} ?min(?:utes)?(?: a model| each)?\b"):
        values["minutes"] = min(6000.0, max(0.1, _number(found[1])))
    if line.take(r"\b(?:warm air|hair ?dryer)\b"):
        values["warm_air"] = True
    if found := line.take(r"\bpart ([a-z0-9-]{1,24})\b"):
        values["part"] = found[1].lower()
    return replace(one, **values)


def _left_out(one: Pass, line: _Line, about: About) -> Pass:
    """*All but* zones or parts."""
    found = line.take(r"\ball but ([^,]+)")
    if found is None:
        return one
    names = [_bare(name) for name in re.split(r"\band\b|&", found[1])]
    zones = [_zone(name, about) or slug(name) for name in names if name]
    return replace(one, all_but=tuple(dict.fromkeys(zones)))


def _leading(one: Pass, piece: str, about: About) -> tuple[Pass, str]:
    """Tool, finish, medium and glue that stand right behind the technique, in small letters."""
    words = piece.split()
    while words:
        for length in (2, 1):
            said = " ".join(words[:length])
            if len(words) < length or said != said.lower():
                continue
            found = _word(one, said, about)
            if found is not None:
                one, words = found, words[length:]
                break
        else:
            break
    return one, " ".join(words)


def _word(one: Pass, said: str, about: About) -> Pass | None:
    """A tool, a finish, a medium or a glue."""
    if said in TOOLS:
        setup, cleanup, stays = TOOLS[said]
        # What comes from a can is the can's own, whatever would be sprayed otherwise.
        medium = None if said == "spray can" else one.medium
        return replace(one, tool=said, setup_min=setup, cleanup_min=cleanup, open_min=stays,
                       medium=medium)  # fmt: skip
    if said == "can" and one.tool is not None:
        return _word(one, "spray can", about)
    if said in ("matt", "matte", "satin", "gloss", "metallic"):
        return replace(one, finish="matt" if said == "matte" else said)  # type: ignore[arg-type]
    way = about.tables.techniques.get(one.technique, OTHER)
    if way.has(TechniqueTrait.JOINS) and said in about.tables.glues:
        return replace(one, adhesive=said)
    medium = MEDIA_SAID.get(said, said)
    if not way.paint_free and medium in about.tables.media:
        return replace(one, medium=medium)
    return None


FLAGS: dict[str, Callable[[Pass], Pass]] = {
    "fragile": lambda one: replace(one, fragile=True),
    "swapped": lambda one: replace(one, varied=True),
    "varied": lambda one: replace(one, varied=True),
    "thick": lambda one: replace(one, thick=max(one.thick, 2.0)),
    "tried": lambda one: replace(one, tried="good"),
}


def _property(one: Pass, piece: str, about: About) -> Pass | None:
    """A piece that says one property by a word of its own."""
    low = piece.lower()
    found = _word(one, low, about)
    if found is not None:
        return found
    if low in FLAGS:
        return FLAGS[low](one)
    if low in get_args(Purpose):
        return replace(one, purpose=low)  # type: ignore[arg-type]
    pair = re.fullmatch(r"([a-z-]+) (?:to|on|onto|and) ([a-z-]+)", low)
    if pair and pair[1] in about.tables.materials and pair[2] in about.tables.materials:
        return replace(one, materials=(pair[1], pair[2]))
    return None


def _zone(piece: str, about: About) -> str | None:
    """The zone that a piece names, whole or by its first letters."""
    known = [*about.tables.zones[about.kind], *DETAIL_ZONES, JOINTS]
    low = re.sub(r"^(?:on|of|in|to|the|at) +(?:the +)?", "", piece.lower())
    low = low.removesuffix(" hull")
    exact = [name for name in known if name == low]
    begun = [name for name in known if len(low) > 2 and name.startswith(low)]
    return next(iter(exact or begun), None)


def _on(one: Pass, zones: list[str], about: About) -> Pass:
    way = about.tables.techniques.get(one.technique, OTHER)
    whole = way.has(TechniqueTrait.BLOCKS_IN) or way.has(TechniqueTrait.AIRBRUSHES)
    apart = about.habits.parts == "apart" and whole and zones[0] in APART and len(zones) == 1
    return replace(one, zones=tuple(dict.fromkeys(zones)),
                   part=slug(zones[0]) if apart else one.part)  # fmt: skip


def _is_mix(piece: str, first: bool) -> bool:
    """Whether a piece is a paint or a mix: it has parts, a capital letter, or a thinner; or stands
    right behind the technique."""
    numbered = re.match(r"\d{1,2} \S", piece) is not None
    thinner = any(piece.lower().endswith(word) for word in THINNERS)
    return numbered or thinner or piece != piece.lower() or first


def _named(one: Pass, piece: str, about: About) -> str:
    """A step without paint is called by what is done: 'file the bores'."""
    way = about.tables.techniques.get(one.technique, OTHER)
    return (f"{one.technique} {piece}" if way.paint_free else piece)[:60]


def _mix(text: str) -> tuple[MixPart, ...]:
    """'1 Peat 4 water' as parts; a number at the end of a name belongs to it: '2 Green 117'."""
    found = []
    for part in re.split(r"\s*\+\s*|\s+(?=\d{1,2}\s+[^\d\s])", text.strip()):
        match = re.fullmatch(r"(?:(\d{1,2})\s+)?(.+)", part.strip())
        if match and match[2].strip():
            parts = max(1, int(match[1] or 1))
            found.append(MixPart(match[2].strip()[:60], parts))
    return tuple(found[:12])


def _bare(piece: str) -> str:
    return " ".join(piece.split()).strip(" .;")


def _number(text: str) -> float:
    return float(text.replace(",", "."))


def _minutes(number: str, unit: str) -> float:
    return round(min(100_000.0, _number(number) * UNITS[unit.lower()]), 4)

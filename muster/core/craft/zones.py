"""Zones: where on a model, by kind of subject, and which lie side by side or within another."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from muster.core.vocabulary import Kind


@dataclass(frozen=True, slots=True)
class Zone:
    """A zone, its neighbours, and whether it is clear (glass), or may stay as undercoated.
    ``within``: the zone of which it is a part; what is done to that is done to it."""

    name: str
    beside: frozenset[str] = frozenset()
    clear: bool = False
    hidden: bool = False
    within: str = ""


def _zones(*rows: tuple[str, str] | tuple[str, str, str]) -> dict[str, Zone]:
    found = {}
    for name, beside, *marks in rows:
        mark = marks[0] if marks else ""
        within = mark[3:] if mark.startswith("in ") else ""
        found[name] = Zone(name, frozenset(beside.split(", ")) - {""}, mark == "clear",
                           mark == "hidden", within)  # fmt: skip
    return found


_FIGURE = (
    ("skin", "cloth, gear, hair"), ("cloth", "skin, gear, metal"), ("gear", "cloth, metal, weapon"),
    ("metal", "cloth, gear, weapon"), ("weapon", "gear, metal"),
    ("face", "hair", "in skin"), ("eyes", "", "in skin"), ("hair", "skin"),
    ("mail", "cloth, gear", "in metal"), ("shield", "cloth, gear", "in gear"),
    ("markings", "", "in gear"), ("base rim", "", "hidden"), ("base", "", "hidden"),
)  # fmt: skip

_WHEELS = (("wheels", "tracks", "in running gear"), ("tracks", "wheels", "in running gear"))

ZONES: dict[Kind, dict[str, Zone]] = {
    "figure": _zones(*_FIGURE),
    "mounted": _zones(*_FIGURE, ("mount", "cloth, gear"), ("mane", "mount", "in mount")),
    "vehicle": _zones(
        ("upper", "lower, front, rear, glass, metal"),
        ("lower", "upper, running gear, front, rear"),
        ("running gear", "lower"), *_WHEELS, ("front", "upper, lower"),
        ("rear", "upper, lower, metal"), ("glass", "upper", "clear"), ("metal", "upper, rear"),
        ("exhaust", "rear", "in metal"), ("tools", "upper", "in metal"),
        ("stowage", "upper", "in upper"), ("markings", "", "in upper"),
        ("lights", "front", "in front"), ("inside", "", "hidden"), ("crew", "inside", "hidden"),
        ("base rim", "", "hidden"),
    ),
    "gun": _zones(
        ("barrel", "carriage, metal"), ("carriage", "barrel, wheels, metal"),
        ("wheels", "carriage"), ("metal", "barrel, carriage"), ("crew", ""),
        ("shield", "barrel, carriage", "in carriage"), ("markings", "", "in carriage"),
        ("base rim", "", "hidden"),
    ),
    "aircraft": _zones(
        ("upper", "lower, glass, metal"), ("lower", "upper, metal"), ("glass", "upper", "clear"),
        ("metal", "upper, lower"), ("inside", "", "hidden"),
        ("canopy frame", "glass, upper", "in upper"), ("markings", "", "in upper"),
        ("propeller", "", "in metal"), ("exhaust", "upper, lower", "in metal"),
        ("undercarriage", "lower", "in lower"), ("wheels", "undercarriage", "in undercarriage"),
        ("front", "", "in upper"), ("rear", "", "in upper"),
    ),
    "building": _zones(
        ("walls", "roof, timber, glass, ground"), ("roof", "walls"), ("timber", "walls"),
        ("glass", "walls", "clear"), ("ground", "walls"), ("inside", "", "hidden"),
        ("windows", "walls, glass", "in timber"), ("door", "walls", "in timber"),
        ("sign", "walls", "hidden"), ("gutter", "roof, walls", "in roof"),
        ("chimney", "roof", "in walls"), ("floor", "", "hidden"),
    ),
    "base": _zones(("ground", "edge"), ("edge", "ground"), ("rim", "ground", "in edge"),
                   ("rocks", "ground", "in ground"), ("water", "ground", "in ground")),
}  # fmt: skip
"""By kind and name."""

MAIN: dict[Kind, tuple[str, ...]] = {
    "figure": ("skin", "cloth"), "mounted": ("skin", "cloth", "mount"),
    "vehicle": ("upper", "lower", "running gear"), "gun": ("barrel", "carriage", "wheels"),
    "aircraft": ("upper", "lower"), "building": ("walls", "roof"), "base": ("ground",),
}  # fmt: skip
"""Zones that every model of the kind has, and that carry its colours."""

JOINTS = "joints"
"""Faces that are to be glued, bores and axles: no zone of their own, kept free of paint or not."""

MARKS = ("eyes", "markings", "sign", "lights")
"""Zones as small as a mark: nobody counts coats there, nor is anything based on them."""

DETAIL_ZONES = ("recesses", "edges")
"""Not zones of their own: a pass there touches a little of every zone."""


def slug(zone: str) -> str:
    """A zone's name as a part is called."""
    return zone.lower().replace(" ", "-")[:24]


def inside_of(known: Mapping[str, Zone], name: str) -> tuple[str, ...]:
    """A zone with all that lie within it."""
    found = [name]
    for one in found:
        found += [zone.name for zone in known.values() if zone.within == one]
    return tuple(found)


def within(known: Mapping[str, Zone], name: str) -> tuple[str, ...]:
    """A zone with all within which it lies, from the inside out."""
    found = [name]
    while found[-1] in known and known[found[-1]].within:
        found.append(known[found[-1]].within)
    return tuple(found)


def neighbours(known: Mapping[str, Zone], name: str) -> frozenset[str]:
    """What lies beside a zone, whichever of the two says so; not what lies in it."""
    mine = known[name].beside | {z.name for z in known.values() if name in z.beside}
    return frozenset(mine) - {*inside_of(known, name), *within(known, name)}


def zones_of(
    known: Mapping[str, Zone], named: tuple[str, ...], all_but: tuple[str, ...] = ()
) -> tuple[str, ...]:
    """The zones that a pass touches: those named; every opaque one in sight where none is; never
    those that it is said to leave out."""
    out = {inner for name in all_but if name in known for inner in inside_of(known, name)}
    if not named or all(name in DETAIL_ZONES for name in named):
        mine: tuple[str, ...] = tuple(
            zone.name for zone in known.values() if not zone.clear and not zone.hidden
        )
    else:
        mine = tuple(
            dict.fromkeys(
                inner for name in named if name in known for inner in inside_of(known, name)
            )
        )
    return tuple(name for name in mine if name not in out)


def unknown_zones(known: Mapping[str, Zone], named: tuple[str, ...]) -> list[str]:
    """Names that a subject of this kind lacks."""
    return [name for name in named if name not in known and name not in (*DETAIL_ZONES, JOINTS)]

"""Zones: where on a model, by kind of subject, and which lie side by side."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from muster.core.vocabulary import Kind


@dataclass(frozen=True, slots=True)
class Zone:
    """A zone, its neighbours, and whether it is clear (glass), or may stay as undercoated."""

    name: str
    beside: frozenset[str] = frozenset()
    clear: bool = False
    hidden: bool = False


def _zones(*rows: tuple[str, str] | tuple[str, str, str]) -> dict[str, Zone]:
    found = {}
    for name, beside, *marks in rows:
        mark = marks[0] if marks else ""
        found[name] = Zone(name, frozenset(beside.split(", ")) - {""}, mark == "clear",
                           mark == "hidden")  # fmt: skip
    return found


_FIGURE = (
    ("skin", "cloth, gear"), ("cloth", "skin, gear, metal"), ("gear", "cloth, metal, weapon"),
    ("metal", "cloth, gear, weapon"), ("weapon", "gear, metal"),
)  # fmt: skip

ZONES: dict[Kind, dict[str, Zone]] = {
    "figure": _zones(*_FIGURE),
    "mounted": _zones(*_FIGURE, ("mount", "cloth, gear")),
    "vehicle": _zones(
        ("upper", "lower, front, rear, glass, metal"),
        ("lower", "upper, running gear, front, rear"),
        ("running gear", "lower", ""), ("front", "upper, lower"), ("rear", "upper, lower, metal"),
        ("glass", "upper", "clear"), ("metal", "upper, rear"), ("inside", "", "hidden"),
    ),
    "gun": _zones(("barrel", "carriage, metal"), ("carriage", "barrel, wheels, metal"),
                  ("wheels", "carriage"), ("metal", "barrel, carriage"), ("crew", "")),
    "aircraft": _zones(
        ("upper", "lower, glass, metal"), ("lower", "upper, metal"), ("glass", "upper", "clear"),
        ("metal", "upper, lower"), ("inside", "", "hidden"),
    ),
    "building": _zones(
        ("walls", "roof, timber, glass, ground"), ("roof", "walls"), ("timber", "walls"),
        ("glass", "walls", "clear"), ("ground", "walls"), ("inside", "", "hidden"),
    ),
    "base": _zones(("ground", "edge"), ("edge", "ground")),
}  # fmt: skip
"""By kind and name."""

DETAIL_ZONES = ("recesses", "edges")
"""Not zones of their own: a pass there touches a little of every zone."""


def zones_of(known: Mapping[str, Zone], named: tuple[str, ...]) -> tuple[str, ...]:
    """The zones that a pass touches: those named; every opaque one in sight where none is."""
    if not named or all(name in DETAIL_ZONES for name in named):
        return tuple(zone.name for zone in known.values() if not zone.clear and not zone.hidden)
    return tuple(name for name in named if name in known)


def unknown_zones(known: Mapping[str, Zone], named: tuple[str, ...]) -> list[str]:
    """Names that a subject of this kind lacks."""
    return [name for name in named if name not in known and name not in DETAIL_ZONES]

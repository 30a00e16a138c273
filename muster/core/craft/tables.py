"""The rows that a walk reads: our defaults, and a user's own that shadow them by name.

The defaults are common practice with no source and are never overwritten: taking an own row out
brings the default back.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass as plain
from dataclasses import replace
from functools import lru_cache
from typing import Annotated, Any, get_args

from pydantic import Field
from pydantic.dataclasses import dataclass

from muster.core.by_name import ByName
from muster.core.craft.adhesives import TIMES, GlueTimes, holding, holds
from muster.core.craft.media import MEDIA, Medium
from muster.core.craft.techniques import TECHNIQUES, Technique
from muster.core.craft.zones import ZONES, Zone
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT, Kind, Material, Name

Wait = Annotated[float, Field(ge=0, le=100_000)]


@dataclass(frozen=True, config=STRICT)
class OwnMedium:
    """A paint of one's own: like a default, but for the minutes that its label or its user says."""

    name: Name
    like: Name
    touch_min: Wait | None = None
    recoat_min: Wait | None = None
    cured_min: Wait | None = None


@dataclass(frozen=True, config=STRICT)
class OwnTechnique:
    """A way of one's own: like a default, with its own minutes and share covered."""

    name: Name
    like: Name
    minutes: Annotated[float, Field(ge=0.1, le=6000)] | None = None
    cover: Annotated[float, Field(gt=0, le=1)] | None = None


@dataclass(frozen=True, config=STRICT)
class OwnZone:
    """A zone of one's own on a kind of subject, and what lies beside it."""

    kind: Kind
    name: Name
    beside: tuple[Name, ...] = ()


@dataclass(frozen=True, config=STRICT)
class OwnMaterial:
    """A material of one's own that behaves like a default one."""

    name: Name
    like: Material


@dataclass(frozen=True, config=STRICT)
class OwnAdhesive:
    """A glue of one's own, what it holds, and the minutes that its label says: until it holds by
    itself, until the model can be handled, until it is at full strength."""

    name: Name
    holds: tuple[Material, ...]
    sets_min: Wait | None = None
    handle_min: Wait | None = None
    full_min: Wait | None = None


@dataclass(frozen=True, config=STRICT)
class Own:
    """All rows of a user's own."""

    media: Annotated[tuple[OwnMedium, ...], Field(max_length=100)] = ()
    techniques: Annotated[tuple[OwnTechnique, ...], Field(max_length=100)] = ()
    zones: Annotated[tuple[OwnZone, ...], Field(max_length=100)] = ()
    materials: Annotated[tuple[OwnMaterial, ...], Field(max_length=50)] = ()
    adhesives: Annotated[tuple[OwnAdhesive, ...], Field(max_length=50)] = ()


@plain(frozen=True)
class Tables:
    """By name: what is known in this house."""

    media: Mapping[str, Medium]
    techniques: Mapping[str, Technique]
    zones: Mapping[Kind, Mapping[str, Zone]]
    materials: Mapping[str, Material]
    glues: Mapping[str, GlueTimes]
    own_glues: Mapping[str, tuple[Material, ...]]
    """By glue of one's own, what it holds to anything."""

    def holds(self, glue: str, one: Material, two: Material | None) -> bool:
        """Whether a glue holds two materials together; of one alone, whether it can hold it."""
        mine = self.own_glues.get(glue)
        if mine is not None:
            return one in mine or (two is not None and two in mine)
        return holds(glue, one, two)

    def holding(self, one: Material, two: Material) -> tuple[str, ...]:
        """What holds them together, the usual first."""
        own = [glue for glue, held in self.own_glues.items() if one in held or two in held]
        return (*holding(one, two), *own)


MATERIALS: tuple[Material, ...] = get_args(Material)

USUAL_GLUE = GlueTimes(1, 20, 1440)
"""What is taken for a glue of which nothing is known."""

DEFAULTS = Tables(MEDIA, TECHNIQUES, ZONES, {name: name for name in MATERIALS}, TIMES, {})
"""Common practice."""


@lru_cache(maxsize=64)
def tables_of(own: Own) -> Tables:
    """The defaults with a user's own rows over them.

    Raises DomainError for a row like none known.
    """
    complaints = complaints_of(own)
    if complaints:
        raise DomainError(*complaints)
    media, techniques = ByName(MEDIA), ByName(TECHNIQUES)
    zones = {kind: ByName(rows) for kind, rows in ZONES.items()}
    materials: ByName[Material] = ByName(DEFAULTS.materials)
    glues: ByName[GlueTimes] = ByName(TIMES)
    own_glues: ByName[tuple[Material, ...]] = ByName()
    for one in own.media:
        times = {"touch": one.touch_min, "recoat": one.recoat_min, "cured": one.cured_min}
        stated: dict[str, Any] = {key: value for key, value in times.items() if value is not None}
        like_row = MEDIA[one.like]
        media[one.name] = replace(
            like_row, name=one.name, said=one.name, kin=like_row.kind, **stated
        )
    for way in own.techniques:
        like = TECHNIQUES[way.like]
        techniques[way.name] = replace(
            like, name=way.name, minutes=way.minutes or like.minutes, cover=way.cover or like.cover
        )
    for zone in own.zones:
        zones[zone.kind][zone.name] = Zone(zone.name, frozenset(zone.beside))
    for zone in own.zones:
        rows = zones[zone.kind]
        for name in zone.beside:
            rows[name] = replace(rows[name], beside=rows[name].beside | {zone.name})
    for material in own.materials:
        materials[material.name] = material.like
    for glue in own.adhesives:
        usual = TIMES.get(glue.name, USUAL_GLUE)
        sets, handle, full = (
            label if label is not None else ours
            for label, ours in (
                (glue.sets_min, usual.sets),
                (glue.handle_min, usual.handle),
                (glue.full_min, usual.full),
            )
        )
        glues[glue.name] = GlueTimes(sets, max(sets, handle), max(sets, handle, full))
        own_glues[glue.name] = tuple({*glue.holds, *own_glues.get(glue.name, ())})
    return Tables(media, techniques, zones, materials, glues, own_glues)


def complaints_of(own: Own) -> list[str]:
    """What of a user's rows cannot hold, each with how to mend it."""
    found = []
    for medium in own.media:
        like = MEDIA.get(medium.like)
        if like is None:
            found.append(f"medium '{medium.name}': like '{medium.like}': use {', '.join(MEDIA)}")
            continue
        touch, recoat, cured = (
            (own_min if own_min is not None else usual)
            for own_min, usual in (
                (medium.touch_min, like.touch),
                (medium.recoat_min, like.recoat),
                (medium.cured_min, like.cured),
            )
        )
        if not touch <= recoat <= cured:
            found.append(
                f"medium '{medium.name}': dry to touch {touch:g}, recoat {recoat:g}, cured "
                f"{cured:g} min: each is at least the one before it"
            )
    for way in own.techniques:
        if way.like not in TECHNIQUES:
            ways = ", ".join(TECHNIQUES)
            found.append(f"technique '{way.name}': like '{way.like}': use {ways}")
    for zone in own.zones:
        known = {*ZONES[zone.kind], *(one.name for one in own.zones if one.kind == zone.kind)}
        for name in zone.beside:
            if name not in known or name == zone.name:
                found.append(
                    f"zone '{zone.name}': beside '{name}': a {zone.kind} has {', '.join(known)}"
                )
    return found

"""A pass in words, as it was understood: what a typed line is answered with."""

from __future__ import annotations

from muster.core.craft.techniques import OTHER, TECHNIQUES
from muster.core.recipes.recipe import Pass
from muster.core.stack.formatting import duration


def in_words(one: Pass) -> str:
    """A pass with its name, what is said of it, and its minutes."""
    name = "" if one.name == one.technique else f"{one.name}: "
    return f"{name}{how(one)} · {one.minutes:g} min a model"


def how(one: Pass) -> str:
    """All else that is said of it: 'pin wash · enamel · 1 Peat : 4 white spirit · lower · ×2'."""
    said = [one.technique]
    # A brush brushes and an airbrush sprays: only another tool is worth a word.
    usual = TECHNIQUES.get(one.technique, OTHER).usual_tool
    tool = one.tool if one.tool not in (one.technique, usual) else None
    said += [one.medium or "", tool or "", one.adhesive or ""]
    said.append(" : ".join(f"{part.parts} {part.name}" for part in one.mix))
    if one.dilution is not None:
        said.append(f"thinned 1:{one.dilution:g}")
    if one.varnish_share:
        said.append(f"{one.varnish_share:.0%} varnish in it")
    said.append(one.finish or "")
    said.append(" to ".join(one.materials))
    said.append(_where(one))
    said.append(f"meant to {one.purpose}" if one.purpose else "")
    if one.coats > 1:
        said.append(f"×{one.coats}")
    if one.cover is not None:
        said.append(f"{one.cover:.0%} of it")
    said += [f"{row.zone} {row.cover:.0%}" for row in one.cover_by]
    if one.size_mm is not None:
        said.append(f"marks of {one.size_mm:g} mm")
    if one.thick > 1:
        said.append(f"{one.thick:g} times as thick")
    said += [word for word, on in _flags(one) if on]
    if one.soak_s is not None:
        said.append(f"soaked {one.soak_s:g} s")
    if one.stand_min is not None:
        said.append(f"then wait {duration(one.stand_min)}")
    return " · ".join(filter(None, said))


def _flags(one: Pass) -> tuple[tuple[str, bool], ...]:
    return (
        ("under warm air", one.warm_air), ("fragile", one.fragile),
        ("changed from model to model", one.varied), ("tried", one.tried == "good"),
    )  # fmt: skip


def _where(one: Pass) -> str:
    shared = [row.zone for row in one.cover_by]
    where = ", ".join(zone for zone in one.zones if zone not in shared)
    if one.part:
        where = f"{where} of the part {one.part}" if where else f"the part {one.part}"
    if one.all_but:
        left = " and ".join(one.all_but)
        where = f"{where}, all but {left}" if where else f"all but {left}"
    return where

"""A pass as a line of words, each of which can be changed: what is said, and what follows."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from muster.core.craft.techniques import OTHER, TECHNIQUES, TechniqueTrait
from muster.core.recipes.recipe import Pass
from muster.core.stack.formatting import duration
from muster.core.stack.layer import AppliedLayer
from muster.core.stack.walk import Step
from muster.core.typed.bundles import TOOLS
from muster.core.typed.pass_fields import PASS_FIELDS, PassField
from muster.core.vocabulary import TIER_WORDS

BY_NAME = {one.name: one for one in PASS_FIELDS}


@dataclass(frozen=True)
class Word:
    """One word of a pass's line: the property that it changes, and whether it was stated; else it
    follows from the layers. ``quiet``: it is as is usual, or of no account while one reads."""

    field: str
    text: str
    stated: bool
    quiet: bool = False


def line_of(stated: Pass, step: Step, window: float | None) -> list[Word]:
    """The words of a pass in the order in which it is said, its name apart; what is neither stated
    nor follows from its layers is left out. ``window``: minutes within which the next pass must
    begin, where there is such a limit."""
    follows = dict(_follows(stated, step.layer, step, window))
    found = []
    for one in PASS_FIELDS:
        if one.name == "name":
            continue
        said = _said(one, stated)
        if said is not None:
            found.append(Word(one.name, said, True, _quiet(one.name, stated)))
        elif one.name in follows:
            found.append(Word(one.name, follows[one.name], False))
    return found


TIMES_OF_TOOL = ("setup_min", "cleanup_min", "open_min")


def _quiet(name: str, one: Pass) -> bool:
    if name == "tool":
        # A brush brushes and an airbrush sprays: only another tool is worth a word.
        return one.tool == TECHNIQUES.get(one.technique, OTHER).usual_tool
    if name in TIMES_OF_TOOL:
        usual = TOOLS.get(one.tool or "")
        return usual is not None and getattr(one, name) == usual[TIMES_OF_TOOL.index(name)]
    return name in ("colour", "trial", "life_min")


ALWAYS = ("technique", "minutes")
"""Told of every pass."""

_DEFAULTS = Pass("a", "a", "a", 1.0)


def _said(field: PassField, one: Pass) -> str | None:
    """How a stated property is said; None where nothing is stated of it."""
    value = getattr(one, field.name)
    if field.name not in ALWAYS and (value is None or value == getattr(_DEFAULTS, field.name)):
        return None
    match field.name:
        case "mix":
            return " : ".join(f"{part.parts} {part.name}" for part in one.mix)
        case "cover_by":
            return ", ".join(f"{row.zone} {row.cover:.0%}" for row in one.cover_by)
        case "zones" | "needs" | "wants":
            said = ", ".join(value)
            return said if field.name == "zones" else f"{field.label} {said}"
        case "all_but":
            return f"all but {' and '.join(value)}"
        case "materials":
            return f"joins {' to '.join(value)}"
        case "part":
            return f"the part {value}"
        case "onto":
            return f"onto the part {value}"
        case "coats":
            return f"×{value}"
        case "minutes":
            return f"{value:g} min a model"
        case "stand_min":
            return f"then wait {duration(value)}" if value else "then no wait"
        case "window_min" | "dry_min" | "open_min" | "life_min" | "setup_min" | "cleanup_min":
            return f"{field.label} {duration(value)}" if value else f"{field.label} nothing"
        case "purpose":
            return f"meant to {value}"
        case "tier":
            return f"from {TIER_WORDS[one.tier]}"
        case "dilution":
            return f"thinned 1:{value:g}"
        case "cover":
            return f"{value:.0%} of it"
        case "size_mm":
            return f"marks of {value:g} mm"
        case "thick":
            return f"{value:g} times as thick"
        case "varnish_share":
            return f"{value:.0%} varnish in it"
        case "note":
            return str(value)
    if field.edit == "flag":
        return field.label
    words = next((row.words for row in field.options if row.value == value), str(value))
    if field.name in ("technique", "medium", "tool", "adhesive", "finish"):
        return words
    unit = f" {field.unit}" if field.unit else ""
    told = f"{value:g}" if isinstance(value, float) else words
    return f"{field.label} {told}{unit}"


def _follows(
    stated: Pass, layer: AppliedLayer, step: Step, window: float | None
) -> Iterator[tuple[str, str]]:
    """By property what follows where nothing is stated."""
    if stated.holds:
        return
    if layer.medium is not None and layer.lays:
        yield "medium", layer.medium.said
    if layer.paints and not layer.does(TechniqueTrait.DECALS):
        yield "mix", "no paint named"
        yield "coats", "×1"
        yield "purpose", f"meant to {layer.purpose}"
    if not layer.technique.paint_free:
        if stated.part is None:
            yield "zones", "the whole model"
        if layer.lays and 0 < layer.cover < 1:
            yield "cover", f"{layer.cover:.0%} of it"
    if layer.technique.act == "mask" or not step.wait.needed:
        return
    yield "stand_min", f"then wait {duration(step.wait.needed)}"
    if window:
        yield "window_min", f"the next within {duration(window)}"

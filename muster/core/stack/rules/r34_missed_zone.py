"""A zone that was forgotten shows at the end."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.craft.techniques import TechniqueTrait
from muster.core.craft.zones import DETAIL_ZONES, MAIN, inside_of, slug, within
from muster.core.recipes.recipe import Pass
from muster.core.stack.finding import Change, Finding, Insert, Repair, rule
from muster.core.stack.layer import AppliedLayer
from muster.core.stack.walk import Step, Walk
from muster.core.vocabulary import Kind

SISTERS: dict[Kind, tuple[tuple[str, ...], ...]] = {
    "vehicle": (("upper", "lower", "running gear"), ("front", "rear")),
    "aircraft": (("upper", "lower"), ("front", "rear")),
    "gun": (("barrel", "carriage", "wheels"),),
}  # fmt: skip
"""Zones that take wear alike: what most of them have, the rest has too."""


@rule(34, "missed zone", "a visible zone stays in undercoat, or wear skips a sister zone")
def findings(walked: Walk) -> Iterator[Finding]:
    """Only in recipes that name zones: one that works the whole model misses none."""
    if walked.effects_only:
        return
    yield from _left_in_ground(walked)
    yield from _skipped(walked)


def _left_in_ground(walked: Walk) -> Iterator[Finding]:
    named = [step for step in walked.steps if step.layer.paints and _named(step.layer)]
    colours = [step for step in named if step.layer.does(TechniqueTrait.HIDES)]
    if not colours:
        return
    for zone in MAIN[walked.recipe.kind]:
        if _only_ground(walked, zone):
            words = f"{zone} is left in its undercoat at the end"
            yield Finding("missed zone", "warning", words, "", _paint_it(colours[0], zone))
            return


def _named(layer: AppliedLayer) -> bool:
    return any(zone not in DETAIL_ZONES for zone in layer.pass_.zones) or bool(layer.pass_.part)


def _only_ground(walked: Walk, zone: str) -> bool:
    """Whether no colour but the undercoat's was laid on a zone, or on anything in it; a pass that
    names it has meant it, whatever it is."""
    inner = set(inside_of(walked.zones, zone))
    grounded = False
    for step in walked.steps:
        layer = step.layer
        if not layer.paints or not inner & {*layer.zones, *layer.besides}:
            continue
        if _named(layer):
            return False
        if layer.purpose == "ground":
            grounded = True
        elif layer.does(TechniqueTrait.HIDES) or layer.does(TechniqueTrait.LIGHTS):
            return False
    return grounded


def _paint_it(first: Step, zone: str) -> tuple[Repair, ...]:
    one = first.layer.pass_
    new: Pass = replace(one, key=zone.replace(" ", "-")[:20], name=zone, zones=(zone,), part=None)
    repairs: list[Repair] = []
    if one.zones and one.part is None:
        wider = tuple(dict.fromkeys((*one.zones, zone)))
        repairs.append(Change(f"paint it with '{one.name}'", one.key, (("zones", wider),)))
    return (*repairs, Insert("give it a pass of its own", new, one.key))


def _skipped(walked: Walk) -> Iterator[Finding]:
    """Wear on at least half of the sisters that leaves out the rest."""
    for step in walked.steps:
        layer = step.layer
        one = layer.pass_
        wear = layer.purpose == "wear" and layer.paints
        whole = layer.does(TechniqueTrait.ALL_OVER) and layer.purpose == "shade"
        if not (wear or whole) or one.cover_by or one.part is not None:
            continue
        if not _named(layer) and not one.all_but:
            if wear and (apart := _bare_part(walked, step)) is not None:
                words = f"'{one.name}' works the rest and skips {apart}"
                yield Finding("missed zone", "warning", words, one.key, _own_pass(step, apart))
                return
            continue
        if wear and (skipped := _said_but_bare(walked, step)) is not None:
            words = f"'{one.name}' works the rest and skips {skipped}"
            yield Finding("missed zone", "warning", words, one.key, _as_well(one, skipped))
            return
        for sisters in SISTERS.get(walked.recipe.kind, ()):
            there = [zone for zone in sisters if _painted(walked, zone)]
            mine = [zone for zone in there if zone in layer.zones]
            left = [zone for zone in there if zone not in layer.zones]
            left = [zone for zone in left if not _worn(walked, zone, wear)]
            if not mine or not left or len(mine) * 2 < len(there):
                continue
            # Dirt gathers low, wear on what is touched: only what skips the lower of two is missed.
            if _higher(sisters, left[-1], mine):
                continue
            words = f"'{one.name}' works {mine[0]} and skips {left[0]}"
            yield Finding("missed zone", "warning", words, one.key, _as_well(one, left[0]))
            return


def _bare_part(walked: Walk, step: Step) -> str | None:
    """Wheels or tracks painted apart that nothing wears, where the rest of the model is worn."""
    running = inside_of(walked.zones, "running gear") if "running gear" in walked.zones else ()
    for part in dict.fromkeys(one.layer.pass_.part for one in walked.steps):
        zones = [zone for zone in running if part == slug(zone)]
        if part and zones and not set(zones) & {*step.layer.zones, *step.layer.besides}:
            if _painted(walked, zones[0]) and not _worn(walked, zones[0], wear=True):
                return part
    return None


def _said_but_bare(walked: Walk, step: Step) -> str | None:
    """A zone left out by name, on wheels or hull, that is painted and that nothing else wears."""
    sisters = {
        inner
        for zones in SISTERS.get(walked.recipe.kind, ())
        for zone in zones
        if zone in walked.zones
        for inner in inside_of(walked.zones, zone)
    }
    return next(
        (
            zone
            for zone in step.layer.pass_.all_but
            if zone in sisters and _painted(walked, zone) and not _worn_itself(walked, zone)
        ),
        None,
    )


def _worn_itself(walked: Walk, zone: str) -> bool:
    """Whether a pass of wear reaches that very zone."""
    return any(
        step.layer.purpose == "wear"
        and step.layer.paints
        and zone in {*step.layer.zones, *step.layer.besides}
        for step in walked.steps
    )


def _own_pass(step: Step, part: str) -> tuple[Repair, ...]:
    one = step.layer.pass_
    new = replace(one, key=f"{one.key[:12]}-{part[:8]}".rstrip("-"), part=part, zones=())
    return (Insert(f"the same on {part}", new, one.key),)


def _as_well(one: Pass, zone: str) -> tuple[Repair, ...]:
    if zone in one.all_but:
        rest = tuple(name for name in one.all_but if name != zone)
        return (Change(f"and {zone}", one.key, (("all_but", rest),)),)
    return (Change(f"and {zone}", one.key, (("zones", (*one.zones, zone)),)),)


def _higher(sisters: tuple[str, ...], left: str, mine: list[str]) -> bool:
    """Whether what is left lies above all that is worked."""
    return all(sisters.index(left) < sisters.index(zone) for zone in mine)


def _painted(walked: Walk, zone: str) -> bool:
    return any(
        zone in {*step.layer.zones, *step.layer.besides} and step.layer.does(TechniqueTrait.HIDES)
        for step in walked.steps
    )


def _worn(walked: Walk, zone: str, wear: bool) -> bool:
    """Whether another pass wears or shades that zone, or something in or around it."""
    near = {*inside_of(walked.zones, zone), *within(walked.zones, zone)}
    for step in walked.steps:
        layer = step.layer
        if not layer.paints or not near & {*layer.zones, *layer.besides}:
            continue
        if wear and layer.purpose == "wear":
            return True
        if not wear and (layer.does(TechniqueTrait.TINTS) or layer.does(TechniqueTrait.LINE)):
            return True
    return False

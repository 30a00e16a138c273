"""A zone that was forgotten shows at the end."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.craft.techniques import TechniqueTrait
from muster.core.craft.zones import DETAIL_ZONES
from muster.core.stack.finding import Change, Finding, Insert, Repair, rule
from muster.core.stack.walk import Walk
from muster.core.vocabulary import Kind

MAIN: dict[Kind, tuple[str, ...]] = {
    "figure": ("skin", "cloth"), "mounted": ("skin", "cloth", "mount"),
    "vehicle": ("upper", "lower", "running gear"), "gun": ("barrel", "carriage", "wheels"),
    "aircraft": ("upper", "lower"), "building": ("walls", "roof"), "base": ("ground",),
}  # fmt: skip
"""Zones that every model of the kind has."""


@rule(34, "missed zone", "a visible zone stays in undercoat, or an effect skips a sister zone")
def findings(walked: Walk) -> Iterator[Finding]:
    """Only in recipes that name zones: one that works the whole model misses none."""
    zones = walked.zones
    named = [
        one for one in walked.steps if any(z not in DETAIL_ZONES for z in one.layer.pass_.zones)
    ]
    if not named:
        return
    coloured: dict[str, int] = {}
    for step in walked.steps:
        if step.layer.lays and not step.layer.seals and not step.layer.does(TechniqueTrait.SKINS):
            for zone in step.layer.zones:
                coloured[zone] = coloured.get(zone, 0) + (step.layer.cover >= 0.5)
    seen = [zones[name] for name in MAIN[walked.recipe.kind]]
    most = max(coloured.values(), default=0)
    left = [zone.name for zone in seen if coloured.get(zone.name, 0) == 1]
    if left and most > 1:
        first = next(
            one for one in named if one.layer.does(TechniqueTrait.HIDES) or one is named[-1]
        )
        words = f"{left[0]} is left in its undercoat at the end"
        new = replace(
            first.layer.pass_,
            key=f"{left[0].replace(' ', '-')}"[:20],
            name=left[0],
            zones=(left[0],),
        )
        wider = tuple(dict.fromkeys((*first.layer.pass_.zones, left[0])))
        repairs: tuple[Repair, ...] = (
            Change(
                f"paint it with '{first.layer.name}'", first.layer.pass_.key, (("zones", wider),)
            ),
            Insert("give it a pass of its own", new, first.layer.pass_.key),
        )
        yield Finding("missed zone", "warning", words, "", repairs)
    yield from _sisters(walked)


SISTERS = (("upper", "lower"), ("front", "rear"))


def _sisters(walked: Walk) -> Iterator[Finding]:
    for step in walked.steps:
        one = step.layer.pass_
        if not step.layer.does(TechniqueTrait.ALL_OVER) or not one.zones:
            continue
        for pair in SISTERS:
            here = [zone for zone in pair if zone in one.zones]
            if len(here) != 1:
                continue
            other = pair[1 - pair.index(here[0])]
            if other not in walked.zones:
                continue
            painted = any(
                other in o.layer.zones and o.layer.does(TechniqueTrait.HIDES) for o in walked.steps
            )
            done = any(
                other in o.layer.zones and o.layer.technique is step.layer.technique
                for o in walked.steps
            )
            if painted and not done:
                words = f"'{one.name}' works {here[0]} and skips {other}"
                yield Finding(
                    "missed zone",
                    "warning",
                    words,
                    one.key,
                    (Change(f"and {other}", one.key, (("zones", (*one.zones, other)),)),),
                )
                return

"""A dry-brush catches what is beside it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.craft.zones import DETAIL_ZONES, neighbours
from muster.core.stack.finding import Finding, Move, rule
from muster.core.stack.layer import SMALL
from muster.core.stack.walk import Step, Walk

MEANT = ("tone down", "wear")
"""Dust lies on everything, and is meant to."""


@rule(17, "stray dry-brush", "a dry-brush strays on a finished zone that no later pass corrects")
def findings(walked: Walk) -> Iterator[Finding]:
    """Only where both zones are named: a pass over the whole model strays nowhere, a part painted
    apart lies on another table."""
    known = walked.zones
    for step in walked.steps:
        film = step.layer
        named = [zone for zone in film.pass_.zones if zone not in DETAIL_ZONES and zone in known]
        if not film.does(TechniqueTrait.STRAYS) or not named or film.purpose in MEANT:
            continue
        beside = {other for zone in named for other in neighbours(known, zone)} - set(film.zones)
        for zone in sorted(beside):
            painted = [one for one in walked.before(step) if _finished(one, zone, step)]
            if painted and not _corrected(walked, step, zone):
                words = (
                    f"'{film.name}' on {', '.join(named)} strays on the finished {zone} "
                    f"('{painted[-1].layer.name}'), and nothing corrects it later"
                )
                first = painted[0].layer
                move = Move(f"before '{first.name}'", film.pass_.key, first.pass_.key)
                yield Finding("stray dry-brush", "warning", words, film.pass_.key, (move,))
                break


def _finished(one: Step, zone: str, step: Step) -> bool:
    return (
        zone in one.layer.pass_.zones
        and one.layer.does(TechniqueTrait.HIDES)
        and one.layer.cover >= SMALL
        and one.layer.pass_.part == step.layer.pass_.part
    )


def _corrected(walked: Walk, step: Step, zone: str) -> bool:
    return any(
        zone in one.layer.zones
        and one.layer.paints
        and (
            one.layer.does(TechniqueTrait.HIDES)
            or zone in one.layer.pass_.zones
            or one.layer.purpose == "clean up"
        )
        for one in walked.after(step)
    )

"""A dry-brush catches what is beside it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.craft.zones import DETAIL_ZONES
from muster.core.stack.finding import Finding, Move, rule
from muster.core.stack.walk import Walk


@rule(17, "stray dry-brush", "a dry-brush strays on a finished zone that no later pass corrects")
def findings(walked: Walk) -> Iterator[Finding]:
    """Only where both zones are named: a pass over the whole model strays nowhere."""
    zones = walked.zones
    for step in walked.steps:
        film = step.layer
        named = [zone for zone in film.pass_.zones if zone not in DETAIL_ZONES]
        if not film.does(TechniqueTrait.STRAYS) or not named:
            continue
        beside = {other for zone in named for other in zones[zone].beside} - set(named)
        for zone in sorted(beside):
            painted = [
                one
                for one in walked.before(step)
                if zone in one.layer.pass_.zones and one.layer.does(TechniqueTrait.HIDES)
            ]
            later = [
                one
                for one in walked.after(step)
                if zone in one.layer.zones
                and one.layer.lays
                and (one.layer.does(TechniqueTrait.HIDES) or zone in one.layer.pass_.zones)
                and not one.layer.seals
            ]
            if painted and not later:
                words = (
                    f"'{film.name}' on {', '.join(named)} strays on the finished {zone} "
                    f"('{painted[-1].layer.name}'), and nothing corrects it later"
                )
                first = painted[0].layer.pass_.key
                yield Finding(
                    "stray dry-brush",
                    "warning",
                    words,
                    film.pass_.key,
                    (Move(f"before '{painted[0].layer.name}'", film.pass_.key, first),),
                )
                break

"""The next wet thing over scratched fluid goes on moving it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import Grade, MediumTrait
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Finding, Insert, rule
from muster.core.stack.formatting import seal_before
from muster.core.stack.walk import Walk


@rule(6, "unsealed chips", "water is brushed or flooded over scratched fluid before it is sealed")
def findings(walked: Walk) -> Iterator[Finding]:
    """One finding for each round of fluid."""
    open_: dict[str, str] = {}
    scratched: set[str] = set()
    for step in walked.steps:
        film = step.layer
        zones = set(film.zones)
        if film.medium_has(MediumTrait.FLUID):
            if zones & scratched:
                yield _finding(step.layer.name, step, open_)
            scratched -= zones
            open_.update(dict.fromkeys(zones, film.name))
        elif film.does(TechniqueTrait.SCRATCHES):
            scratched |= zones & set(open_)
        elif film.seals:
            for zone in zones:
                open_.pop(zone, None)
            scratched -= zones
        elif film.lays and zones & scratched and film.carrier == "water":
            if film.grade >= Grade.BRUSH:
                yield _finding(film.name, step, open_)
                scratched -= zones


def _finding(name: str, step, open_: dict[str, str]) -> Finding:  # type: ignore[no-untyped-def]
    fluid = next((open_[zone] for zone in step.layer.zones if zone in open_), "the fluid")
    words = f"'{name}' is wet over the scratched '{fluid}', which goes on moving until it is sealed"
    return Finding(
        "unsealed chips",
        "error",
        words,
        step.layer.pass_.key,
        (Insert("seal the chips first", seal_before(step), step.layer.pass_.key),),
    )

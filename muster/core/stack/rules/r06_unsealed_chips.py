"""The next wet thing over scratched fluid goes on moving it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import Grade, MediumTrait
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Finding, Insert, rule
from muster.core.stack.formatting import seal_before
from muster.core.stack.layer import AppliedLayer
from muster.core.stack.walk import Step, Walk

SITTING_MIN = 240.0
"""Fluid, paint and scratching that follow within so long are one sitting. Common practice."""


@rule(6, "unsealed chips", "a wash or other wet work lies over scratched fluid before it is sealed")
def findings(walked: Walk) -> Iterator[Finding]:
    """One finding for each round; further rounds and paint in the same sitting are meant."""
    open_: dict[str, str] = {}
    scratched: dict[str, float] = {}
    for step in walked.steps:
        film = step.layer
        zones = set(film.zones)
        if film.medium_has(MediumTrait.FLUID):
            open_.update(dict.fromkeys(zones, film.name))
        elif film.does(TechniqueTrait.SCRATCHES):
            scratched.update(dict.fromkeys(zones & set(open_), step.end))
        elif film.seals:
            for zone in zones:
                open_.pop(zone, None)
                scratched.pop(zone, None)
        elif film.lays and film.carrier == "water":
            met = zones & set(scratched)
            age = min((step.start - scratched[zone] for zone in met), default=0.0)
            if met and (_wets(film) or (film.grade >= Grade.BRUSH and age > SITTING_MIN)):
                yield _finding(film.name, step, open_)
                for zone in met:
                    scratched.pop(zone)


def _wets(film: AppliedLayer) -> bool:
    """A wash, or what is worked by wetting it again."""
    return (
        film.grade >= Grade.FLOOD
        or (film.does(TechniqueTrait.LINE) and film.purpose == "shade")
        or film.medium_has(MediumTrait.REWETS)
    )


def _finding(name: str, step: Step, open_: dict[str, str]) -> Finding:
    fluid = next((open_[zone] for zone in step.layer.zones if zone in open_), "the fluid")
    words = f"'{name}' is wet over the scratched '{fluid}', which goes on moving until it is sealed"
    repair = Insert("seal the chips first", seal_before(step), step.layer.pass_.key)
    return Finding("unsealed chips", "error", words, step.layer.pass_.key, (repair,))

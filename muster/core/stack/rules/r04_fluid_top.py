"""Water must get through what lies over chipping fluid."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import MediumTrait
from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.walk import Walk


@rule(4, "fluid top", "a top coat over chipping fluid keeps the water out")
def findings(walked: Walk) -> Iterator[Finding]:
    """Enamel and oil never let water in; lacquer and alcohol acrylics may not."""
    for step in walked.steps:
        film = step.layer
        if not film.lays or film.medium is None or film.medium.seals:
            continue
        over = any(
            met.layer.medium_has(MediumTrait.FLUID) and not met.sealed for met in step.exposed
        )
        if not over or film.medium.has(MediumTrait.FLUID):
            continue
        tight = film.medium.has(MediumTrait.KEEPS_WATER_OUT)
        if tight or film.medium.has(MediumTrait.MAY_KEEP_WATER_OUT):
            words = (
                f"'{film.name}' is {film.medium.said}: water {'cannot' if tight else 'may not'} "
                "get through it to the chipping fluid"
            )
            values = (("medium", "acrylic sprayed"), ("carrier", None))
            yield Finding(
                "fluid top",
                "error" if tight else "warning",
                words,
                film.pass_.key,
                (Change("use thin water acrylic", film.pass_.key, values),),
            )

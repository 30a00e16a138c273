"""Decals are soaked in water, for seconds."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.walk import Walk

LONG_S = 600.0
"""In water so long the glue of a decal is washed off. Common practice."""

USUAL_S = 20.0


@rule(38, "soaked in fluid", "decals are soaked in softener instead of water, or for too long")
def findings(walked: Walk) -> Iterator[Finding]:
    """Only where the soaking is said; softener that is brushed on afterwards is meant."""
    for step in walked.steps:
        film = step.layer
        one = film.pass_
        decals = film.does(TechniqueTrait.DECALS)
        if one.soak_s is None or not (decals or _before_decals(walked, step.layer.index)):
            continue
        if one.carrier == "softener":
            words = f"'{film.name}' soaks the decals in softener: they tear; soak them in water"
            values: tuple[tuple[str, object], ...] = (("carrier", None), ("soak_s", USUAL_S))
            repair = Change("soak them in lukewarm water", one.key, values)
            yield Finding("soaked in fluid", "warning", words, one.key, (repair,))
        elif one.soak_s > LONG_S:
            words = (
                f"'{film.name}' soaks the decals for {one.soak_s / 60:.0f} min: their glue is "
                "washed off"
            )
            repair = Change("soak them 20 s", one.key, (("soak_s", USUAL_S),))
            yield Finding("soaked in fluid", "warning", words, one.key, (repair,))


def _before_decals(walked: Walk, index: int) -> bool:
    """Whether a soaking is that of the decals that follow."""
    if not walked.steps[index].layer.does(TechniqueTrait.SOAKS):
        return False
    after = walked.steps[index + 1 : index + 3]
    return any(one.layer.does(TechniqueTrait.DECALS) for one in after)

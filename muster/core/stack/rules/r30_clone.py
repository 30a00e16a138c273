"""One sponge prints one pattern."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.walk import Walk


@rule(30, "clone", "one sponge gives all vehicles of a unit one pattern")
def findings(walked: Walk) -> Iterator[Finding]:
    """Vehicles and aircraft only; silent where the tools are changed from model to model."""
    if walked.recipe.kind not in ("vehicle", "aircraft"):
        return
    for step in walked.steps:
        one = step.layer.pass_
        if not step.layer.does(TechniqueTrait.PRINTS):
            continue
        if one.varied:
            continue
        words = f"one sponge for '{one.name}' prints the same chips on every model of the unit"
        yield Finding(
            "clone",
            "note",
            words,
            one.key,
            (Change("swap torn sponges", one.key, (("varied", True),)),),
        )
        return

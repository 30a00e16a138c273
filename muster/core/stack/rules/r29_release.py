"""Mould release keeps paint off."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Pass
from muster.core.stack.finding import Finding, Insert, rule
from muster.core.stack.walk import Walk

WASH = Pass(
    key="wash-parts",
    name="wash the parts",
    technique="wash parts",
    minutes=1,
    note="Warm water with a drop of detergent; let them dry.",
)

RELEASED = ("resin", "print", "polythene", "vinyl", "clear")
"""What comes out of a mould, or of a bath of resin, with something on it."""


@rule(29, "release agent", "bare resin, print or plastic is not washed before the undercoat")
def findings(walked: Walk) -> Iterator[Finding]:
    """Said once for a kit; of hard plastic only where the recipe begins with its frames."""
    films = [one for one in walked.steps if one.layer.lays]
    if not films or walked.effects_only:
        return
    if any(one.layer.does(TechniqueTrait.CLEANS) for one in walked.before(films[0])):
        return
    built = any(one.layer.does(TechniqueTrait.CUTS_PARTS) for one in walked.before(films[0]))
    for step in films:
        made = step.layer.material
        if made in RELEASED or (made == "polystyrene" and built):
            words = f"mould release on {made} keeps '{step.layer.name}' from sticking: wash it"
            start = walked.steps[0].layer.pass_.key
            repair = Insert("wash the parts first", WASH, start)
            yield Finding("release agent", "note", words, step.layer.pass_.key, (repair,))
            return

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
    stand_min=120,
    note="Warm water with a drop of detergent; let them dry.",
)


@rule(29, "release agent", "bare resin or moulded plastic is not washed before the undercoat")
def findings(walked: Walk) -> Iterator[Finding]:
    """Said once for a kit; moulds leave release on resin and soft plastic above all."""
    if walked.material not in ("resin", "polythene"):
        return
    first = next((one for one in walked.steps if one.layer.lays), None)
    if first is None:
        return
    before = walked.before(first)
    if any(one.layer.does(TechniqueTrait.CLEANS) or "wash" in one.layer.name for one in before):
        return
    words = f"mould release on {walked.material} keeps '{first.layer.name}' from sticking"
    start = walked.steps[0].layer.pass_.key
    yield Finding(
        "release agent",
        "note",
        words,
        first.layer.pass_.key,
        (Insert("wash the parts first", WASH, start),),
    )

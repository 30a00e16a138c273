"""Glue holds as well as the paint between it and the model."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Pass
from muster.core.stack.finding import Finding, Insert, rule
from muster.core.stack.joints import SCRAPE, painted_before, sides
from muster.core.stack.walk import Step, Walk

MASK = Pass(
    key="mask-joints",
    name="mask the joints",
    technique="mask",
    minutes=3,
    note="Tape or putty on the faces that will be glued.",
)

STRONG = ("superglue", "epoxy", "accelerator")


@rule(21, "painted joint", "a face is painted before glue or filler must hold there")
def findings(walked: Walk) -> Iterator[Finding]:
    """Solvent cement over any paint; superglue, epoxy and filler over varnish; superglue and epoxy
    where the joint's own part or zones were painted; a part that is pressed on a painted axle."""
    for step in walked.steps:
        film = step.layer
        fills = film.does(TechniqueTrait.FILLS)
        if not fills and not film.does(TechniqueTrait.JOINS):
            continue
        painted = painted_before(walked, step)
        if not painted:
            continue
        found = _why(walked, step, painted, fills)
        if found is None:
            continue
        first, why = found
        words = f"'{film.name}' {why} what '{first.layer.name}' has covered; mask or scrape it"
        one = film.pass_
        scrape = replace(SCRAPE, part=one.part)
        mask = replace(MASK, part=one.part)
        repairs = (
            Insert("scrape the joints first", scrape, one.key),
            Insert("mask the joints first", mask, painted[-1].layer.pass_.key),
        )
        yield Finding("painted joint", "warning", words, one.key, repairs)


def _why(walked: Walk, step: Step, painted: list[Step], fills: bool) -> tuple[Step, str] | None:
    one = step.layer.pass_
    # What a part closes, an inside, is not where it is glued.
    known = walked.zones
    faces = {zone for zone in one.zones if zone in known and not known[zone].hidden}
    varnished = [before for before in painted if before.layer.seals]
    own = [
        before
        for before in painted
        if (one.part is not None and before.layer.pass_.part == one.part)
        or faces & set(before.layer.pass_.zones)
        or (one.part is None and not one.zones)
    ]
    if fills:
        return (varnished[0], "fills over") if varnished else None
    if "scatter" in sides(walked, step) or "cloth" in sides(walked, step):
        return None
    if one.adhesive == "solvent cement":
        return painted[-1], "welds no plastic under"
    if one.adhesive in STRONG:
        if varnished:
            return varnished[0], "glues to"
        if own and not _gripped(walked, step):
            return own[0], "glues to"
    pressed = one.adhesive is None and step.layer.technique.name == "fit"
    if pressed and one.part is not None and own:
        return own[0], "presses bores on axles over"
    return None


def _gripped(walked: Walk, step: Step) -> bool:
    """Flexible superglue over a primed face is how polythene is joined."""
    return "polythene" in sides(walked, step)

"""Lacquer thinner over enamel or oil wrinkles it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import State
from muster.core.stack.finding import Change, Finding, Insert, Repair, rule
from muster.core.stack.formatting import duration, seal_before
from muster.core.stack.walk import Walk


@rule(2, "hot over soft", "lacquer thinner comes over enamel or oil")
def findings(walked: Walk) -> Iterator[Finding]:
    """An error until it is cured, a warning after."""
    for step in walked.steps:
        if step.layer.carrier != "lacquer thinner" or not step.layer.lays:
            continue
        for met in step.exposed:
            medium = met.layer.medium
            if met.sealed or medium is None or medium.family != "oily":
                continue
            soft = met.state < State.CURED
            words = (
                f"the lacquer of '{step.layer.name}' wrinkles '{met.layer.name}', {medium.said} of "
                f"{duration(met.age)}"
                + (f" that cures in {duration(met.layer.cured)}" if soft else "")
            )
            repairs: list[Repair] = []
            if met.state >= State.RECOATABLE:
                repairs.append(
                    Insert("seal it first with acrylic", seal_before(step), step.layer.pass_.key)
                )
            acrylic = (
                "acrylic varnish"
                if step.layer.medium and step.layer.medium.seals
                else ("acrylic sprayed")
            )
            values = (("medium", acrylic), ("carrier", None))
            repairs.append(Change("use acrylic instead", step.layer.pass_.key, values))
            yield Finding(
                "hot over soft",
                "error" if soft else "warning",
                words,
                step.layer.pass_.key,
                tuple(repairs),
            )
            break

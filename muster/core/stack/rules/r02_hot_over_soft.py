"""Lacquer thinner over enamel or oil wrinkles it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.stack.finding import Change, Finding, Insert, Repair, rule
from muster.core.stack.media import State
from muster.core.stack.said import seal_before, time
from muster.core.stack.walk import Walk


@rule(2, "hot over soft", "lacquer thinner comes over enamel or oil")
def look(walked: Walk) -> Iterator[Finding]:
    """An error until it is cured, a warning after."""
    for step in walked.steps:
        if step.laid.carrier != "lacquer thinner" or not step.laid.lays:
            continue
        for met in step.exposed:
            medium = met.layer.medium
            if met.sealed or medium is None or medium.family != "oily":
                continue
            soft = met.state < State.CURED
            words = (
                f"the lacquer of '{step.laid.name}' wrinkles '{met.layer.name}', {medium.said} of "
                f"{time(met.age)}" + (f" that cures in {time(met.layer.cured)}" if soft else "")
            )
            repairs: list[Repair] = []
            if met.state >= State.RECOATABLE:
                repairs.append(
                    Insert("seal it first with acrylic", seal_before(step), step.laid.one.key)
                )
            acrylic = (
                "acrylic varnish"
                if step.laid.medium and step.laid.medium.seals
                else ("acrylic sprayed")
            )
            values = (("medium", acrylic), ("carrier", None))
            repairs.append(Change("use acrylic instead", step.laid.one.key, values))
            yield Finding(
                "hot over soft",
                "error" if soft else "warning",
                words,
                step.laid.one.key,
                tuple(repairs),
            )
            break

"""Lacquer thinner over enamel or oil wrinkles it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import Grade, State
from muster.core.stack.finding import Change, Finding, Insert, Repair, Several, rule
from muster.core.stack.formatting import duration, own_wait_before, seal_before
from muster.core.stack.walk import ExposedLayer, Step, Walk

LITTLE = 0.5
"""A cured wash or streak that covers less is not wrinkled by a mist. Common practice."""


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
            soft = met.state < State.CURED and met.layer.cured < float("inf")
            if not soft and met.layer.cover < LITTLE and step.layer.grade <= Grade.MIST:
                continue
            yield _finding(walked, step, met, soft)
            break


def _finding(walked: Walk, step: Step, met: ExposedLayer, soft: bool) -> Finding:
    film, medium = step.layer, met.layer.medium
    assert medium is not None
    words = (
        f"the lacquer of '{film.name}' wrinkles '{met.layer.name}', {medium.said} of "
        f"{duration(met.age)}" + (f" that cures in {duration(met.layer.cured)}" if soft else "")
    )
    acrylic = "acrylic varnish" if film.clear else "acrylic sprayed"
    way = "varnish" if film.clear else "spray"
    values = (("medium", acrylic), ("carrier", None), ("technique", way), ("tool", "airbrush"))
    instead = Change("use acrylic instead", film.pass_.key, values)
    before = own_wait_before(walked, step)
    repairs: list[Repair] = []
    if met.state >= State.RECOATABLE:
        repairs.append(Insert("seal it first with acrylic", seal_before(step), film.pass_.key))
    repairs.append(instead)
    if soft and before is not None:
        longer = Change("wait as long as it needs", before, (("stand_min", None),))
        repairs.append(longer)
        words_of = "wait until it can be coated, and use acrylic"
        repairs.append(Several(words_of, (longer, instead)))
    return Finding(
        "hot over soft", "error" if soft else "warning", words, film.pass_.key, tuple(repairs)
    )

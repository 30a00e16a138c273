"""A carrier that attacks what lies there lifts it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import MEDIA, Grade, MediumTrait, State
from muster.core.stack.finding import Change, Finding, Insert, Repair, rule
from muster.core.stack.formatting import duration, seal_before
from muster.core.stack.walk import ExposedLayer, Step, Walk, attacks, meant_for

WORDS = {
    Grade.MIST: "misted on",
    Grade.BRUSH: "brushed on",
    Grade.FLOOD: "flooded on",
    Grade.SCRUB: "scrubbed",
}


@rule(1, "lifts", "a carrier attacks an exposed layer in the state it is in")
def findings(walked: Walk) -> Iterator[Finding]:
    """One finding a pass, about the layer that comes off soonest."""
    for step in walked.steps:
        met = [one for one in step.exposed if _lifts(step, one)]
        if met:
            yield _finding(walked, step, met[0])


def _lifts(step: Step, met: ExposedLayer) -> bool:
    medium = met.layer.medium
    if (
        met.sealed
        or medium is None
        or medium.has(MediumTrait.LIFTS_BY_OWN_RULE)
        or not step.layer.lays
    ):
        return not met.sealed and _works_on_others(step, met)
    hot = step.layer.carrier == "lacquer thinner" and medium.family == "oily"
    white = step.layer.carrier == "white spirit" and medium.family == "oily"
    if hot or (white and met.layer.cover >= 0.5):
        return False
    return attacks(step.layer, met.layer, met.state) and not meant_for(step.layer, met.layer)


def _works_on_others(step: Step, met: ExposedLayer) -> bool:
    """Wiping or scrubbing that also takes off what it was not meant for."""
    medium = met.layer.medium
    if (
        medium is None
        or medium.has(MediumTrait.LIFTS_BY_OWN_RULE)
        or step.layer.technique.act != "work"
    ):
        return False
    return attacks(step.layer, met.layer, met.state) and not meant_for(step.layer, met.layer)


def _withstood(carrier: str | None) -> bool:
    """Whether an acrylic varnish keeps it off."""
    varnish = MEDIA["acrylic varnish"]
    return carrier is not None and varnish.least(carrier, State.CURED) is None  # type: ignore[arg-type]


def _finding(walked: Walk, step: Step, met: ExposedLayer) -> Finding:
    film, layer = step.layer, met.layer
    assert layer.medium is not None
    state = {
        State.WET: "wet",
        State.TOUCH: "not yet ready for another coat",
        State.RECOATABLE: "not yet cured",
        State.CURED: "cured",
    }[met.state]
    words = (
        f"{film.carrier} {WORDS[film.grade]} by '{film.name}' lifts '{layer.name}', {state} after "
        f"{duration(met.age)}"
    )
    repairs: list[Repair] = []
    before = walked.steps[step.layer.index - 1].layer
    if met.state < State.CURED and before.pass_.stand_min is not None:
        repairs.append(Change("wait as long as it needs", before.pass_.key, (("stand_min", None),)))
    withstands = _withstood(film.carrier)
    if met.state >= State.RECOATABLE and withstands:
        repairs.append(Insert("seal it first", seal_before(step), film.pass_.key))
    if film.medium is not None and film.carrier in ("alcohol", "lacquer thinner"):
        values = (("medium", "acrylic"), ("carrier", None))
        repairs.append(Change("use water acrylic", film.pass_.key, values))
    return Finding("lifts", "error", words, film.pass_.key, tuple(repairs))

"""A carrier that attacks what lies there lifts it."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.craft.media import MEDIA, Grade, MediumTrait, State
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.attack import attacks, gravely
from muster.core.stack.finding import Change, Finding, Insert, Repair, rule
from muster.core.stack.formatting import duration, own_wait_before, seal_before
from muster.core.stack.layer import AppliedLayer
from muster.core.stack.walk import ExposedLayer, Step, Walk, intended, worked_kinds

WORDS = {
    Grade.MIST: "misted on",
    Grade.BRUSH: "brushed on",
    Grade.FLOOD: "flooded on",
    Grade.SCRUB: "scrubbed",
}

STATES = {
    State.WET: "wet",
    State.TOUCH: "not yet ready for another coat",
    State.RECOATABLE: "not yet cured",
    State.CURED: "cured",
}


@rule(1, "lifts", "a carrier attacks an exposed layer in the state it is in")
def findings(walked: Walk) -> Iterator[Finding]:
    """One finding a pass, about the layer that comes off soonest."""
    for step in walked.steps:
        if step.layer.pass_.tried == "lifted" and not _on_a_seal(step):
            yield _tried(step)
            continue
        if not step.layer.lays and step.layer.technique.act != "work":
            continue
        if step.layer.does(TechniqueTrait.SOFTENS_DECALS):
            continue
        meant = intended(step)
        met = [one for one in step.exposed if _lifts(step, one, meant)]
        if met:
            yield _finding(walked, step, met[0])
            continue
        known = [one for one in step.exposed if step.layer.lays and _lifted_once(walked, step, one)]
        if known:
            yield _as_on_trial(step, known[0])


def _lifts(step: Step, met: ExposedLayer, meant: set[int]) -> bool:
    medium = met.layer.medium
    if met.sealed or medium is None or medium.has(MediumTrait.LIFTS_BY_OWN_RULE):
        return False
    if met.layer.index in meant or not attacks(_below(step.layer), met.layer, met.state):
        return False
    carrier, work = step.layer.carrier, step.layer.technique.act == "work"
    if work and (medium.kind in worked_kinds(step) and met.state >= State.RECOATABLE):
        return False
    if medium.has(MediumTrait.LOOSE):
        # A varnish over it is told by a rule of its own.
        return not step.layer.clear
    if medium.has(MediumTrait.DECAL) and carrier in ("lacquer thinner", "white spirit"):
        return False
    # White spirit flooded on, and hot thinner over what is oily, have rules of their own.
    oily = medium.family == "oily"
    if carrier == "lacquer thinner" and oily:
        return False
    other = met.layer.pass_.colour != step.layer.pass_.colour
    blends = step.layer.does(TechniqueTrait.BLENDS_WET) and carrier == medium.carrier and other
    if oily and met.state == State.WET and blends:
        return False
    return not (carrier == "white spirit" and (work or step.layer.grade >= Grade.FLOOD))


def _on_a_seal(step: Step) -> bool:
    """Whether what lifted on a trial lies on a varnish now."""
    tops = [open_[0].layer for open_ in step.by_zone.values() if open_]
    return bool(tops) and all(one.clear for one in tops)


def _lifted_once(walked: Walk, step: Step, met: ExposedLayer) -> bool:
    """Whether a trial has shown that such paint lifts such a film in this house."""
    if met.sealed or step.layer.medium is None or met.layer.medium is None:
        return False
    return (step.layer.medium.kind, met.layer.medium.kind) in walked.lifted


def _as_on_trial(step: Step, met: ExposedLayer) -> Finding:
    film, layer = step.layer, met.layer
    assert film.medium is not None and layer.medium is not None
    words = (
        f"on your trial {film.medium.said} lifted {layer.medium.said}, and '{film.name}' lies on "
        f"'{layer.name}': seal it first, or try it"
    )
    seal = Insert("seal it first", seal_before(step), film.pass_.key)
    tried = Change(f"'{film.name}' was tried and holds", film.pass_.key, (("tried", "good"),))
    return Finding("lifts", "warning", words, film.pass_.key, (seal, tried))


def _below(film: AppliedLayer) -> AppliedLayer:
    """A pass as it meets the films below the one that it works: what is scrubbed floods them."""
    if film.technique.act != "work" or film.does(TechniqueTrait.SCRATCHES):
        return film
    return replace(film, grade=min(film.grade, Grade.FLOOD))


def _withstood(carrier: str | None) -> bool:
    """Whether an acrylic varnish keeps it off."""
    varnish = MEDIA["acrylic varnish"]
    return carrier is not None and varnish.least(carrier, State.CURED) is None  # type: ignore[arg-type]


def _tried(step: Step) -> Finding:
    film = step.layer
    words = f"on your trial '{film.name}' lifted what lies under it: seal it first, or wait longer"
    seal = Insert("seal it first", seal_before(step), film.pass_.key)
    repairs = (seal,) if film.carrier is None or _withstood(film.carrier) else ()
    return Finding("lifts", "error", words, film.pass_.key, repairs)


def _finding(walked: Walk, step: Step, met: ExposedLayer) -> Finding:
    film, layer = step.layer, met.layer
    severity = "error" if gravely(_below(film), layer, met.state) else "warning"
    words = (
        f"{film.carrier} {WORDS[film.grade]} by '{film.name}' lifts '{layer.name}', "
        f"{STATES[met.state]} after {duration(met.age)}"
    )
    if layer.medium_has(MediumTrait.LOOSE):
        words = f"'{film.name}' washes away the loose '{layer.name}': fix it first, or do it after"
    repairs: list[Repair] = []
    before = own_wait_before(walked, step)
    if met.state < State.CURED and before is not None:
        repairs.append(Change("wait as long as it needs", before, (("stand_min", None),)))
    if met.state >= State.RECOATABLE and _withstood(film.carrier):
        repairs.append(Insert("seal it first", seal_before(step), film.pass_.key))
    if film.medium is not None and film.carrier in ("alcohol", "lacquer thinner"):
        values = (("medium", "acrylic"), ("carrier", None))
        repairs.append(Change("use water acrylic", film.pass_.key, values))
    return Finding("lifts", severity, words, film.pass_.key, tuple(repairs))  # type: ignore[arg-type]

"""A clear water film over oil that still moves crazes."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import State
from muster.core.stack.finding import Change, Finding, Repair, rule
from muster.core.stack.formatting import duration
from muster.core.stack.walk import Walk


@rule(31, "sealed too soon", "a water-borne film lies over oil or enamel not yet recoatable")
def findings(walked: Walk) -> Iterator[Finding]:
    """Any water-borne film, a varnish above all."""
    for step in walked.steps:
        film = step.layer
        if not film.lays or film.medium is None or film.medium.carrier != "water":
            continue
        soft = [
            met
            for met in step.exposed
            if not met.sealed
            and met.layer.medium
            and met.layer.medium.family == "oily"
            and met.state < State.RECOATABLE
        ]
        if not soft:
            continue
        met = soft[0]
        words = (
            f"water-borne '{film.name}' over '{met.layer.name}' of {duration(met.age)} crazes: "
            f"wait {duration(met.layer.recoat)}"
        )
        before = walked.steps[film.index - 1].layer.pass_
        repairs: tuple[Repair, ...] = ()
        if before.stand_min is not None:
            repairs = (Change("wait until it is ready", before.key, (("stand_min", None),)),)
        yield Finding("sealed too soon", "error", words, film.pass_.key, repairs)

"""Tape lifts paint that has not cured."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import State
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.formatting import duration
from muster.core.stack.walk import Walk


@rule(24, "mask on soft paint", "tape or liquid mask lies on paint that is not cured")
def findings(walked: Walk) -> Iterator[Finding]:
    """The wait that the mask needs is its repair."""
    for step in walked.steps:
        if not step.layer.does(TechniqueTrait.COVERS_UP):
            continue
        soft = [
            met
            for met in step.exposed
            if met.layer.lays
            and not met.sealed
            and met.state < State.CURED
            and met.layer.cured < float("inf")
            and step.layer.pass_.tried != "good"
        ]
        if not soft:
            continue
        met = max(soft, key=lambda one: one.layer.cured - one.age)
        words = (
            f"'{step.layer.name}' lies on '{met.layer.name}' of {duration(met.age)}, which cures "
            f"in {duration(met.layer.cured)}: tape lifts it"
        )
        before = walked.steps[step.layer.index - 1].layer.pass_
        repairs: tuple[Change, ...] = ()
        if before.stand_min is not None:
            repairs = (Change("wait until it is cured", before.key, (("stand_min", None),)),)
        yield Finding("mask on soft paint", "warning", words, step.layer.pass_.key, repairs)

"""Tape lifts paint that has not cured."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.media import State
from muster.core.stack.said import time
from muster.core.stack.walk import Walk


@rule(24, "mask on soft paint", "tape or liquid mask lies on paint that is not cured")
def look(walked: Walk) -> Iterator[Finding]:
    """The wait that the mask needs is its repair."""
    for step in walked.steps:
        if step.laid.technique.name != "mask":
            continue
        soft = [
            met
            for met in step.exposed
            if met.layer.lays
            and not met.sealed
            and met.state < State.CURED
            and met.layer.cured < float("inf")
        ]
        if not soft:
            continue
        met = max(soft, key=lambda one: one.layer.cured - one.age)
        words = (
            f"'{step.laid.name}' lies on '{met.layer.name}' of {time(met.age)}, which cures in "
            f"{time(met.layer.cured)}: tape lifts it"
        )
        before = walked.steps[step.laid.index - 1].laid.one
        repairs: tuple[Change, ...] = ()
        if before.stand_min is not None:
            repairs = (Change("wait until it is cured", before.key, (("stand_min", None),)),)
        yield Finding("mask on soft paint", "warning", words, step.laid.one.key, repairs)

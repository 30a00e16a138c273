"""What lies under chipping fluid must stand the water and the stick."""

from __future__ import annotations

import math
from collections.abc import Iterator

from muster.core.craft.media import MediumTrait, State
from muster.core.stack.finding import Change, Finding, Insert, Repair, rule
from muster.core.stack.formatting import duration, seal_before
from muster.core.stack.walk import Walk


@rule(5, "fluid ground", "the ground under chipping fluid is neither cured nor sealed")
def findings(walked: Walk) -> Iterator[Finding]:
    """The ground counts by the film that the fluid lies on."""
    for step in walked.steps:
        if not step.layer.medium_has(MediumTrait.FLUID):
            continue
        grounds = [met for met in step.exposed if not met.sealed and met.layer.lays]
        grounds = [met for met in grounds if not met.layer.clear and not met.layer.over_fluid]
        soft = [met for met in grounds if met.state < State.CURED]
        if not soft:
            continue
        met = soft[0]
        words = (
            f"'{met.layer.name}' under '{step.layer.name}' is {duration(met.age)} old and cures in "
            f"{duration(met.layer.cured)}: the stick goes through to the bare model"
        )
        seam = walked.steps[step.layer.index - 1]
        before = seam.layer.pass_
        repairs: list[Repair] = [Insert("seal it first", seal_before(step), step.layer.pass_.key)]
        if met.layer.cured < float("inf"):
            longer = math.ceil(seam.wait.minutes + met.layer.cured - met.age)
            repairs.append(Change(f"wait {duration(longer)}", before.key, (("stand_min", longer),)))
        yield Finding("fluid ground", "warning", words, step.layer.pass_.key, tuple(repairs))

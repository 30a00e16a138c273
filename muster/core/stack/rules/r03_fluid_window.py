"""What lies over chipping fluid is scratched within its window, in one sitting, or not at all."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.recipes.recipe import Pass
from muster.core.stack.finding import Change, Finding, Insert, Remove, Repair, rule
from muster.core.stack.said import time
from muster.core.stack.walk import Step, Walk
from muster.core.stack.windows import SCRATCH_WITHIN_MIN

SCRATCH = Pass(
    key="chip",
    name="chip",
    technique="scratch",
    minutes=6,
    tool="brush",
    carrier="water",
    note="Water and a stick, in the same sitting. Where it will not lift: paint the chips.",
)


def _under(walked: Walk, step: Step) -> bool:
    """Whether fluid lies somewhere under what is scratched."""
    zones = set(step.laid.zones)
    return any(
        one.laid.medium is not None
        and one.laid.medium.name == "chipping fluid"
        and zones & set(one.laid.zones)
        for one in walked.before(step)
    )


@rule(3, "fluid window", "a top coat over chipping fluid is not scratched within its window")
def look(walked: Walk) -> Iterator[Finding]:
    """One finding for each round of fluid, and for each scratch that has none under it."""
    for step in walked.steps:
        if step.laid.technique.name == "scratch" and not _under(walked, step):
            words = f"'{step.laid.name}' has no chipping fluid under it: it scratches the paint off"
            leave = Remove("leave it out", step.laid.one.key)
            yield Finding("fluid window", "error", words, step.laid.one.key, (leave,))
        if step.laid.medium is None or step.laid.medium.name != "chipping fluid":
            continue
        zones = set(step.laid.zones)
        later = [one for one in walked.after(step) if zones & set(one.laid.zones)]
        top = next((one for one in later if one.laid.lays), None)
        if top is None or (top.laid.medium is step.laid.medium):
            continue
        scratches = (one for one in later if one.laid.technique.name == "scratch")
        scratch = next((one for one in scratches if one.laid.index > top.laid.index), None)
        after_top = walked.steps[top.laid.index + 1 :]
        behind = after_top[0].laid.one.key if after_top else None
        if scratch is None:
            words = (
                f"'{top.laid.name}' lies over '{step.laid.name}' and is never scratched: without "
                "that the fluid is only a weak layer"
            )
            yield Finding(
                "fluid window",
                "error",
                words,
                step.laid.one.key,
                (Insert("scratch it after the top coat", SCRATCH, behind),),
            )
            continue
        last = max(
            (o for o in later if o.laid.lays and o.laid.index < scratch.laid.index),
            key=lambda o: o.laid.index,
        )
        age = scratch.start - last.end
        if age > SCRATCH_WITHIN_MIN:
            words = (
                f"'{scratch.laid.name}' comes {time(age)} after '{last.laid.name}': the fluid "
                f"hardens, scratch within {time(SCRATCH_WITHIN_MIN)}, in the same sitting"
            )
            repairs: list[Repair] = []
            before = walked.steps[scratch.laid.index - 1].laid.one
            if before.stand_min is not None:
                values = (("stand_min", None),)
                repairs.append(Change("wait no longer than it needs", before.key, values))
            yield Finding("fluid window", "error", words, scratch.laid.one.key, tuple(repairs))

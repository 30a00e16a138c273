"""What lies over chipping fluid is scratched within its window, in one sitting, or not at all."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import MediumTrait
from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Pass
from muster.core.stack.attack import workable
from muster.core.stack.finding import Change, Finding, Insert, Remove, Repair, rule
from muster.core.stack.formatting import duration
from muster.core.stack.layer import SECOND
from muster.core.stack.walk import ExposedLayer, Step, Walk
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
    zones = set(step.layer.zones)
    return any(
        one.layer.medium_has(MediumTrait.FLUID) and zones & set(one.layer.zones)
        for one in walked.before(step)
    )


def _soft(met: ExposedLayer) -> bool:
    """Whether a film can be scratched through because it is still workable, as oils are."""
    return not met.sealed and met.age <= workable(met.layer)[1] and workable(met.layer)[1] > 10


@rule(3, "fluid window", "a top coat over chipping fluid is not scratched within its window")
def findings(walked: Walk) -> Iterator[Finding]:
    """One finding for each round of fluid, and for each scratch that has none under it."""
    for step in walked.steps:
        bare = step.layer.does(TechniqueTrait.SCRATCHES) and not _under(walked, step)
        if bare and not any(_soft(met) for met in step.exposed):
            words = (
                f"'{step.layer.name}' has no chipping fluid under it: it scratches the paint off"
            )
            leave = Remove("leave it out", step.layer.pass_.key)
            yield Finding("fluid window", "error", words, step.layer.pass_.key, (leave,))
        if not step.layer.medium_has(MediumTrait.FLUID):
            continue
        zones = set(step.layer.zones)
        later = [one for one in walked.after(step) if zones & set(one.layer.zones)]
        top = next((one for one in later if one.layer.lays), None)
        if top is None or top.layer.medium is step.layer.medium:
            continue
        scratches = (one for one in later if one.layer.does(TechniqueTrait.SCRATCHES))
        scratch = next((one for one in scratches if one.layer.index > top.layer.index), None)
        after_top = walked.steps[top.layer.index + 1 :]
        behind = after_top[0].layer.pass_.key if after_top else None
        if scratch is None:
            words = (
                f"'{top.layer.name}' lies over '{step.layer.name}' and is never scratched: without "
                "that the fluid is only a weak layer"
            )
            yield Finding(
                "fluid window",
                "error",
                words,
                step.layer.pass_.key,
                (Insert("scratch it after the top coat", SCRATCH, behind),),
            )
            continue
        last = max(
            (o for o in later if o.layer.lays and o.layer.index < scratch.layer.index),
            key=lambda o: o.layer.index,
        )
        age = scratch.start - last.end
        # Through what keeps water out nothing is scratched anyway: that is told there.
        tight = last.layer.medium_has(MediumTrait.KEEPS_WATER_OUT)
        if age > SCRATCH_WITHIN_MIN + SECOND and not tight:
            words = (
                f"'{scratch.layer.name}' comes {duration(age)} after '{last.layer.name}': the "
                f"fluid hardens, scratch within {duration(SCRATCH_WITHIN_MIN)}, in the same sitting"
            )
            repairs: list[Repair] = []
            before = walked.steps[scratch.layer.index - 1].layer.pass_
            if before.stand_min is not None:
                values = (("stand_min", None),)
                repairs.append(Change("wait no longer than it needs", before.key, values))
            yield Finding("fluid window", "error", words, scratch.layer.pass_.key, tuple(repairs))

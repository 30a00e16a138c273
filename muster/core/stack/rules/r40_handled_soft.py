"""Glue and filler that have not set give way in the hand."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.formatting import duration, own_wait_before
from muster.core.stack.layer import SECOND
from muster.core.stack.walk import Walk, joint_ready


@rule(40, "handled soft", "a glued or filled part is handled before its glue has set that far")
def findings(walked: Walk) -> Iterator[Finding]:
    """Only where a wait of the user's own is shorter than the glue needs."""
    for step in walked.steps:
        for before in walked.before(step):
            joint = before.layer
            if joint.technique.act != "build" or joint.does(TechniqueTrait.CLEANS):
                continue
            age = step.start - before.end
            until = joint_ready(step.layer, joint)
            if age + SECOND >= until:
                continue
            glue = joint.pass_.adhesive or (joint.medium.said if joint.medium else "glue")
            words = (
                f"'{step.layer.name}' handles '{joint.name}' after {duration(age)}: its {glue} "
                f"needs {duration(until)}"
            )
            own = own_wait_before(walked, step)
            repairs = (
                (Change("wait as long as it needs", own, (("stand_min", None),)),) if own else ()
            )
            yield Finding("handled soft", "error", words, step.layer.pass_.key, repairs)
            break

"""Each material has glues that hold it, and glues that do not."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.walk import Walk


@rule(20, "wrong glue", "the adhesive does not hold the material")
def findings(walked: Walk) -> Iterator[Finding]:
    """Only where an adhesive is named, and it is one that we know."""
    known = {glue for glues in walked.tables.holds.values() for glue in glues}
    right = walked.tables.holds[walked.material]
    eats = {"superglue", "solvent cement"} if walked.material == "foam" else set()
    for step in walked.steps:
        glue = step.layer.pass_.adhesive
        if glue is None or glue not in known or glue in right or glue in eats:
            continue
        words = f"{glue} of '{step.layer.name}' does not hold {walked.material}: use {right[0]}"
        yield Finding(
            "wrong glue",
            "error",
            words,
            step.layer.pass_.key,
            (Change(f"use {right[0]}", step.layer.pass_.key, (("adhesive", right[0]),)),),
        )

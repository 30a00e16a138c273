"""Solvent cement welds plastic, not paint."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Pass
from muster.core.stack.finding import Change, Finding, Insert, rule
from muster.core.stack.walk import Walk

MASK = Pass(
    key="mask-joints",
    name="mask the joints",
    technique="mask",
    minutes=3,
    note="Tape or putty on the faces that will be cemented.",
)


@rule(21, "painted joint", "a face is painted before solvent cement must weld it")
def findings(walked: Walk) -> Iterator[Finding]:
    """Parts painted apart and cemented later, where nothing masked or scraped the joint."""
    for step in walked.steps:
        if step.layer.pass_.adhesive != "solvent cement":
            continue
        before = walked.before(step)
        painted = [one for one in before if one.layer.lays and one.layer.does(TechniqueTrait.HIDES)]
        masked = any(
            "mask" in one.layer.pass_.name
            or "scrape" in one.layer.pass_.name
            or one.layer.does(TechniqueTrait.COVERS_UP)
            for one in before
        )
        if painted and not masked and "scrape" not in step.layer.pass_.note.lower():
            words = (
                f"'{step.layer.name}' cements faces that '{painted[0].layer.name}' has painted: "
                "the weld does not hold; mask or scrape them"
            )
            repairs = (
                Insert("mask the joints first", MASK, painted[0].layer.pass_.key),
                Change("use superglue", step.layer.pass_.key, (("adhesive", "superglue"),)),
            )
            yield Finding("painted joint", "warning", words, step.layer.pass_.key, repairs)

"""Two materials have glues that hold them together, and glues that do not."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.joints import sides
from muster.core.stack.walk import Walk

FROST = ("superglue", "solvent cement", "accelerator", "hot glue")
"""What clear parts and foam are told of by rules of their own."""


@rule(20, "wrong glue", "the adhesive does not hold the two materials that meet")
def findings(walked: Walk) -> Iterator[Finding]:
    """Where one of the two is not known, only a glue that can never hold the other."""
    for step in walked.steps:
        glue = step.layer.pass_.adhesive
        if glue is None or not step.layer.does(TechniqueTrait.JOINS):
            continue
        if glue not in walked.tables.glues:
            continue
        one, two = sides(walked, step)
        if one is None:
            one, two = two, one
        if one is None or ("clear" in (one, two) and glue in FROST):
            continue
        if "foam" in (one, two) and glue in ("superglue", "solvent cement"):
            continue
        if walked.tables.holds(glue, one, two):
            continue
        right = walked.tables.holding(one, two or one)
        pair = one if two in (None, one) else f"{one} to {two}"
        words = f"{glue} of '{step.layer.name}' does not hold {pair}: use {right[0]}"
        repairs = tuple(
            Change(f"use {name}", step.layer.pass_.key, (("adhesive", name),)) for name in right[:2]
        )
        yield Finding("wrong glue", "error", words, step.layer.pass_.key, repairs)

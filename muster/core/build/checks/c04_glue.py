"""Glue that does not hold the two materials, or frosts what is clear."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check
from muster.core.build.glues import glue_of

FROSTS = ("superglue", "solvent cement", "accelerator", "hot glue")


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """Only a glue that the user has named: the usual one of a pair holds."""
    for name, joint in checked.assessor.joints.items():
        if joint.hold == "slide" and joint.adhesive is not None:
            words = f"{joint.adhesive} on the {checked.called(joint.part)}, which must still move"
            offer = Offer("no glue there", checked.with_joint(replace(joint, adhesive=None)))
            yield BuildFinding("glued slide", "warning", words, name, joint.part, (offer,))
            continue
        glue = glue_of(joint, checked.kit, checked.recipe, checked.tables)
        if glue.name is None:
            continue
        one, two = glue.materials
        pair = one if one == two else f"{one} to {two}"
        called = checked.called(joint.part)
        use = replace(joint, adhesive=None)
        offer = Offer(f"use {glue.usual}", checked.with_joint(use))
        if "clear" in glue.materials and glue.name in FROSTS:
            words = f"{glue.name} frosts the {called}: vapour settles on clear parts"
            yield BuildFinding("frosted", "warning", words, name, joint.part, (offer,))
        elif not glue.right:
            words = f"{glue.name} does not hold {pair}: the {called} comes off"
            yield BuildFinding("wrong glue", "warning", words, name, joint.part, (offer,))

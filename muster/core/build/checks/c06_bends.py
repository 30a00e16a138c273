"""Paint on soft plastic cracks where it is bent afterwards."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check
from muster.core.build.glues import material_of

BENDS = ("vinyl", "polythene")


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """Bands that are painted flat and bent round the wheels when they are fitted."""
    for name, joint in checked.assessor.joints.items():
        part = checked.kit.part(joint.part)
        material = material_of(checked.kit, joint.part, checked.recipe, checked.tables)
        if part is None or not part.painted or material not in BENDS or joint.lifts is None:
            continue
        painted = [
            s for s in checked.assessor.stages[: checked.slots[name]]
            if s.paints and joint.part in s.shares
        ]  # fmt: skip
        if checked.chosen.ways[name] != "apart" or not painted:
            continue
        called = checked.called(joint.part)
        words = f"the {called} are painted flat and bent afterwards: paint on {material} cracks"
        offers = [
            Offer(words_, checked.with_way(name, way))
            for way, words_ in (("lift", "bend them first, lift off as one"), ("fix", "fix first"))
        ]
        yield BuildFinding("cracks", "warning", words, name, joint.part, tuple(offers))

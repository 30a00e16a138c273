"""Paint on soft plastic cracks where it is bent afterwards."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """Bands that are painted flat and bent round the wheels when they are fitted."""
    for name, joint in checked.assessor.joints.items():
        slot = checked.slots[name]
        if checked.chosen.ways[name] != "apart" or not checked.assessor.cracks(joint, slot):
            continue
        called = checked.called(joint.part)
        words = f"the {called} are painted flat and bent afterwards: the paint cracks"
        offers = [Offer("bend them first, lift off as one", checked.with_way(name, "lift"))]
        if not checked.assessor.of(name, "fix", 0).lost:
            offers.append(Offer("fix first", checked.with_way(name, "fix")))
        yield BuildFinding("cracks", "warning", words, name, joint.part, tuple(offers))

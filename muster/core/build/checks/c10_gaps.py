"""A gap that is filled after paint, and is painted twice."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """Only where the user has left it open: what is proposed has weighed it."""
    for name, joint in checked.assessor.joints.items():
        if not joint.gap or not checked.slots[name] or not checked.is_worse(name):
            continue
        called = checked.called(joint.part)
        words = f"the seam of the {called} is filled and sanded after paint: it is painted twice"
        offer = Offer("fix it first", checked.with_way(name, "fix"))
        yield BuildFinding("late seam", "warning", words, name, joint.part, (offer,))

"""A zone that shows and is closed before its passes."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check

LEAST_SHARE = 0.1
"""Less of a zone than this nobody misses. Common practice."""


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """Only where the user has placed a joint: what is proposed has weighed it."""
    for name, slot in checked.slots.items():
        if not checked.is_worse(name):
            continue
        lost = [
            cover for cover in checked.assessor.of(name, checked.chosen.ways[name], slot).lost
            if cover.share >= LEAST_SHARE
        ]  # fmt: skip
        if not lost:
            continue
        joint = checked.assessor.joints[name]
        places = " and ".join(cover.called or cover.zone for cover in lost)
        late = checked.assessor.late(joint)
        words = (
            f"with the {checked.called(joint.part)} on before {checked.pass_name(slot)}, {places} "
            f"can no longer be painted"
        )
        offers = [Offer(f"fit it before {checked.pass_name(late)}", checked.placed(name, late))]
        yield BuildFinding("no reach", "warning", words, name, joint.part, tuple(offers))

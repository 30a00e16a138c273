"""People of another scale beside the model."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check

SEEN = 0.1
"""A difference in size that is seen side by side. Common practice."""


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """A crew at 1/87 in a cab at 1/72 stands at 83 %."""
    for part in checked.kit.in_use:
        scale = part.scale or (checked.units.get(part.unit) if part.unit else None)
        if scale is None or abs(checked.scale / scale - 1) < SEEN:
            continue
        share = checked.scale / scale
        called = checked.called(part.id)
        words = (
            f"the {called} are 1/{scale} in a model of 1/{checked.scale}: they stand at "
            f"{share:.0%}, which shows beside others"
        )
        offers: tuple[Offer, ...] = ()
        if part.scale is not None:
            same = Offer("they are of the same scale", checked.with_part(replace(part, scale=None)))
            offers = (same,)
        yield BuildFinding("other scale", "note", words, None, part.id, offers)

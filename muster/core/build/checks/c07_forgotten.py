"""Nothing that was made is forgotten at the end: parts that go nowhere, and parts never painted."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check
from muster.core.build.kit import Joint, Part


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """Parts without a joint; parts that no colour reaches; models of a unit that is gone."""
    joined = {one.part for one in checked.kit.joints_in_use}
    for part in checked.kit.in_use:
        if part.id == checked.kit.main.id:
            continue
        called = checked.called(part.id)
        if part.id not in joined:
            words = f"the {called} go nowhere: made, and fitted to nothing"
            new = Joint(f"on-{part.id}"[:24], part.id, checked.kit.main.id)
            onto = checked.called(checked.kit.main.id)
            offers = (
                Offer(f"fit them to the {onto}", checked.with_joint(new)),
                Offer("they are left over", checked.with_part(replace(part, fitted=False))),
            )
            yield BuildFinding("goes nowhere", "warning", words, None, part.id, offers)
        if part.unit is not None and part.unit not in checked.units:
            words = f"the {called} are models of a unit that is no longer on the roll"
            own = Offer("they are this kit's own", checked.with_part(replace(part, unit=None)))
            yield BuildFinding("no such unit", "warning", words, None, part.id, (own,))
        if part.painted and part.unit is None and not _coloured(checked, part):
            words = f"no pass of the recipe paints the {called}: undercoat is all there is"
            bare = Offer("that is meant", checked.with_part(replace(part, painted=False)))
            yield BuildFinding("unpainted", "note", words, None, part.id, (bare,))


def _coloured(checked: Checked, part: Part) -> bool:
    return any(
        stage.paints and not stage.ground and part.id in stage.shares
        for stage in checked.assessor.stages
    )

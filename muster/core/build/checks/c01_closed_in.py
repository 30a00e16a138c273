"""What must go in before a place is closed, told as a circle with the smallest way out of it."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import replace
from itertools import combinations

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check
from muster.core.build.needs import (
    Circle,
    Need,
    Step,
    circles_of,
    is_in_circle,
    moved_needs,
    needs_of,
)


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """Every circle among what is said, each with the single moves that take it away."""
    needs = needs_of(checked.assessor, checked.slots)
    for circle in circles_of(needs):
        joints = list(dict.fromkeys(circle.joints))
        shut = _shut(checked, circle)
        if shut is None:
            continue
        inner, outer = shut
        joint = checked.assessor.joints[outer]
        closing = checked.called(joint.part)
        inside = checked.called(checked.assessor.joints[inner].part)
        late = checked.slots[inner]
        words = f"no way in for the {inside} with the {closing} on: {inside} first"
        offers = list(_moves(checked, needs, joints, inner, outer))
        if late and resolves(checked, needs, {outer: late}):
            words += f", or leave the {closing} out until {checked.pass_name(late - 1)} is done"
        yield BuildFinding("closed in", "warning", words, outer, joint.part, tuple(offers))


def _shut(checked: Checked, circle: Circle) -> tuple[str, str] | None:
    """Of a circle, the joint that goes in and the one that closes it in."""
    for need in circle.needs:
        if need.why == "open" and need.before.kind == "joint" and need.after.kind == "joint":
            return need.before.name, need.after.name
    return None


def _moves(
    checked: Checked, needs: list[Need], joints: list[str], inner: str, outer: str
) -> Iterator[Offer]:  # fmt: skip
    """The smallest sets of moves that take a circle away: single ones; where none does, two at
    once; where no place is right, the one that closes is made to open again."""
    slots, named = checked.slots, {name: checked.called(checked.assessor.joints[name].part)
                                   for name in joints}  # fmt: skip
    singles = [
        (inner, slots[outer], f"{named[inner]} first"),
        (outer, slots[inner], f"leave the {named[outer]} out until then"),
    ]
    singles += [
        (name, slots[other], f"the {named[name]} with the {named[other]}")
        for name in joints for other in joints
        if name != other and {name, other} != {inner, outer}
    ]  # fmt: skip
    found = [one for one in singles if resolves(checked, needs, {one[0]: one[1]})]
    for joint, slot, words in found:
        yield Offer(words, checked.placed(joint, slot))
    if found:
        return
    for one, two in combinations(singles, 2):
        if one[0] != two[0] and resolves(checked, needs, {one[0]: one[1], two[0]: two[1]}):
            moved = replace(checked, assessor=replace(
                checked.assessor, build=checked.placed(one[0], one[1]), _known={}
            ))  # fmt: skip
            yield Offer(f"{one[2]} and {two[2]}", moved.placed(two[0], two[1]))
            return
    joint_ = replace(checked.assessor.joints[outer], hold="magnet", adhesive=None)
    yield Offer(f"hold the {named[outer]} by magnets, so that it lifts off",
                checked.with_joint(joint_))  # fmt: skip


def resolves(checked: Checked, needs: list[Need], moved: Mapping[str, int]) -> bool:
    """Whether none of these joints is in a circle any more, once they are moved there."""
    then = moved_needs(checked.assessor, needs, moved)
    return not any(is_in_circle(then, Step("joint", name)) for name in moved)

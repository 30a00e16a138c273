"""Fragile parts that are on before rough passes, and weak joints without a pin."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check
from muster.core.build.kit import Job, Joint

MUCH = 2
"""Rough passes from which a thin rail does not stay whole. Common practice."""

PIN_MIN = 3.0


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """A pinned part holds, in either case; what is proposed has weighed how often it snaps."""
    for name, joint in checked.assessor.joints.items():
        part = checked.kit.part(joint.part)
        if part is None or checked.assessor.pinned(joint.part):
            continue
        rough = checked.assessor.rough_after(joint, checked.slots[name])
        called = checked.called(joint.part)
        if part.fragile and checked.is_worse(name) and len(rough) >= MUCH:
            late = rough[-1].index + 1
            words = (
                f"the {called} would be on for {len(rough)} rough passes, "
                f"'{rough[0].one.name}' first: thin parts snap"
            )
            both = (
                Offer(f"fit after '{rough[-1].one.name}'", checked.placed(name, late)),
                _pin(checked, joint),
            )
            yield BuildFinding("fragile early", "warning", words, name, joint.part, both)
        elif joint.weak and joint.hold == "glue" and _came_off(checked, joint):
            words = f"the {called} came off before: pin it, or drill it for a rod"
            pin = (_pin(checked, joint),)
            yield BuildFinding("weak joint", "warning", words, name, joint.part, pin)
        elif joint.weak and joint.hold == "glue" and part.fragile and joint.lifts is None:
            words = f"the {called}: a joint this thin comes off again without a pin"
            pin = (_pin(checked, joint),)
            yield BuildFinding("weak joint", "note", words, name, joint.part, pin)


def _came_off(checked: Checked, joint: Joint) -> bool:
    return any(
        one.part == joint.part and one.what in ("came off", "re-glued")
        for one in checked.build.mishaps
    )


def _pin(checked: Checked, joint: Joint) -> Offer:
    job = Job(f"pin-{joint.part}"[:24], "pin", joint.part, "a rod in the foot", PIN_MIN,
              before=joint.id)  # fmt: skip
    return Offer(f"pin it, {PIN_MIN:g} min", checked.with_job(job))


def slides(joint: Joint) -> bool:
    """Whether a joint must still move when all is painted."""
    return joint.hold == "slide"


@check
def bores(checked: Checked) -> Iterator[BuildFinding]:
    """What must still slide or turn, and has paint on it."""
    for name, joint in checked.assessor.joints.items():
        if not slides(joint) or joint.keep_free:
            continue
        called = checked.called(joint.part)
        words = f"the {called} must still move: two films of paint and it sticks"
        free = replace(joint, keep_free="where it slides")
        offer = Offer("keep the faces free of paint", checked.with_joint(free))
        yield BuildFinding("sticks", "warning", words, name, joint.part, (offer,))

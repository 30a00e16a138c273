"""What was wrong with the kit before is met before it costs anything."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check, with_row
from muster.core.build.kit import Fault, Job, Part, Work

FIT_MIN, MARKS_MIN, FILL_MIN, SAND_MIN = 2.0, 3.0, 3.0, 2.0
"""Common practice."""


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """Each fault until something is done about it."""
    for fault in checked.kit.faults:
        part = checked.kit.part(fault.part)
        offer = _offer(checked, fault, part) if part is not None and part.fitted else None
        if offer is None:
            continue
        said = f", {fault.words}" if fault.words else ""
        words = f"{checked.called(fault.part)}, a fault of this kit: {fault.kind}{said}"
        yield BuildFinding("kit fault", "note", words, None, fault.part, (offer,))


def _offer(checked: Checked, fault: Fault, part: Part) -> Offer | None:
    """What meets a fault; None where that is done, and for what only has to be known."""
    match fault.kind:
        case "brittle" if not part.fragile:
            return Offer("it is fragile", checked.with_part(replace(part, fragile=True)))
        case "fit" if not _has(checked, part.id, "test-fit"):
            job = Job(f"test-fit-{part.id}"[:24], "test-fit", part.id, "it fits badly", FIT_MIN)
            return Offer(f"test-fit it, {FIT_MIN:g} min", checked.with_job(job))
        case "gap":
            return _fill(checked, part)
        case "missing":
            return Offer("leave it off", checked.with_part(replace(part, fitted=False)))
        case "ejector marks" if not _has(checked, part.id, "clean"):
            job = Job(f"marks-{part.id}"[:24], "clean", part.id, "ejector marks", MARKS_MIN)
            return Offer(f"clean them off, {MARKS_MIN:g} min", checked.with_job(job))
    return None


def _has(checked: Checked, part: str, work: Work) -> bool:
    return any(job.part == part and job.work == work for job in checked.kit.jobs)


def _fill(checked: Checked, part: Part) -> Offer | None:
    """Its seam is filled and sanded, and so wants to be bare."""
    joint = next((one for one in checked.kit.joints if one.part == part.id), None)
    if joint is None or joint.gap:
        return None
    kit = with_row(checked.kit, replace(joint, gap=True))
    jobs: tuple[tuple[Work, float], ...] = (("fill", FILL_MIN), ("sand", SAND_MIN))
    for work, minutes in jobs:
        if not _has(checked, part.id, work):
            code = f"{work}-{part.id}"[:24]
            kit = with_row(kit, Job(code, work, part.id, "its seam", minutes, after=joint.id))
    return Offer(
        f"fill and sand its seam, {FILL_MIN + SAND_MIN:g} min", replace(checked.build, kit=kit)
    )

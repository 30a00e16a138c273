"""When work may be done: sittings cut by the stretches in which every needed tag holds."""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Iterable
from dataclasses import dataclass

from muster.core.plan.problem import Condition, Problem


@dataclass(frozen=True, slots=True)
class Slot:
    """A stretch [start, end) of one sitting in which a piece may lie."""

    start: int
    end: int
    sitting: int


def stretches(conditions: Iterable[Condition], tag: str) -> list[tuple[int, int]]:
    """The stretches of a tag, those that touch or overlap made one."""
    merged: list[tuple[int, int]] = []
    for start, end in sorted((c.start, c.end) for c in conditions if c.tag == tag):
        if merged and start <= merged[-1][1]:
            merged[-1] = (merged[-1][0], max(end, merged[-1][1]))
        else:
            merged.append((start, end))
    return merged


def slots(problem: Problem, needs: tuple[str, ...]) -> list[Slot]:
    """The slots left from ``now`` on for work that needs these tags, in order of time."""
    found = [
        Slot(max(sitting.start, problem.now), sitting.end, index)
        for index, sitting in enumerate(problem.sittings)
        if sitting.end > problem.now
    ]
    for tag in needs:
        spans = stretches(problem.conditions, tag)
        ends = [end for _, end in spans]
        cut: list[Slot] = []
        for slot in found:
            for start, end in spans[bisect_right(ends, slot.start) :]:
                if start >= slot.end:
                    break
                cut.append(Slot(max(slot.start, start), min(slot.end, end), slot.sitting))
        found = cut
    return sorted(found, key=lambda slot: slot.start)

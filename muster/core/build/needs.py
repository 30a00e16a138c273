"""What must come before what: passes, jobs and joints, and the circles among them.

A circle is told with what it is made of, the fewest steps first; ``mending`` finds the smallest
set of changes that takes it away.
"""

from __future__ import annotations

from collections import deque
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from muster.core.build.assess import Assessor
from muster.core.build.jobs import bares, jobs_of
from muster.core.build.kit import Kit

Why = Literal["recipe", "place", "open", "closed", "bare"]
"""The recipe's order; where a joint is closed; what must be done while a place is open; what is
done on a closed joint; what is done on bare material."""


@dataclass(frozen=True, slots=True)
class Step:
    """A pass by its key, a joint or a job by its id."""

    kind: Literal["pass", "joint", "job"]
    name: str


@dataclass(frozen=True, slots=True)
class Need:
    """One step comes before another."""

    before: Step
    after: Step
    why: Why


@dataclass(frozen=True)
class Circle:
    """Steps of which each must come before the next, and the last before the first."""

    needs: tuple[Need, ...]

    @property
    def joints(self) -> tuple[str, ...]:
        """The joints in it, in order."""
        steps = (one.before for one in self.needs)
        return tuple(step.name for step in steps if step.kind == "joint")


def needs_of(assessor: Assessor, slots: Mapping[str, int]) -> list[Need]:
    """Every need, with each joint closed before the pass of its index."""
    stages = assessor.stages
    passes = [Step("pass", stage.one.key) for stage in stages]
    found = [Need(one, two, "recipe") for at, one in enumerate(passes) for two in passes[at + 1 :]]
    for name, joint in assessor.joints.items():
        step = Step("joint", name)
        found += _placed(step, slots.get(name, 0), passes)
        found += [Need(Step("joint", each), step, "open") for each in assessor.inside(joint)]
    for job in jobs_of(assessor.build):
        step = Step("job", job.id)
        if job.before in assessor.joints:
            found.append(Need(step, Step("joint", job.before or ""), "open"))
        if job.after in assessor.joints:
            found.append(Need(Step("joint", job.after or ""), step, "closed"))
        if bares(job) and not slots.get(job.after or "", 0):
            mine = (s.one.key for s in stages if job.part in s.shares and s.paints)
            first = next(mine, None)
            if first is not None:
                found.append(Need(step, Step("pass", first), "bare"))
    return found


def _placed(step: Step, slot: int, passes: list[Step]) -> list[Need]:
    found = [Need(passes[slot - 1], step, "place")] if slot else []
    return found + ([Need(step, passes[slot], "place")] if slot < len(passes) else [])


def moved_needs(assessor: Assessor, needs: list[Need], moved: Mapping[str, int]) -> list[Need]:
    """The needs with joints closed elsewhere."""
    passes = [Step("pass", stage.one.key) for stage in assessor.stages]
    steps = {Step("joint", name): slot for name, slot in moved.items()}
    kept = [
        one for one in needs
        if one.why != "place" or not (one.before in steps or one.after in steps)
    ]  # fmt: skip
    return kept + [one for step, slot in steps.items() for one in _placed(step, slot, passes)]


def is_in_circle(needs: list[Need], step: Step) -> bool:
    """Whether a step comes before itself."""
    after: dict[Step, list[Need]] = {}
    for one in needs:
        after.setdefault(one.before, []).append(one)
    return any(_shortest(one.after, step, after) is not None for one in after.get(step, ()))


def circles_of(needs: list[Need]) -> list[Circle]:
    """The smallest circle through each need that closes one; none twice."""
    after: dict[Step, list[Need]] = {}
    for one in needs:
        after.setdefault(one.before, []).append(one)
    found: dict[frozenset[Step], Circle] = {}
    for one in needs:
        # The recipe's order alone never runs in a circle, nor do places along it.
        if one.why in ("recipe", "place"):
            continue
        way = _shortest(one.after, one.before, after)
        if way is not None:
            ring = (one, *way)
            found.setdefault(frozenset(need.before for need in ring), Circle(ring))
    return sorted(found.values(), key=lambda circle: len(circle.needs))


def _shortest(start: Step, goal: Step, after: Mapping[Step, list[Need]]) -> list[Need] | None:
    """The fewest needs that lead from one step to another."""
    came: dict[Step, Need | None] = {start: None}
    open_ = deque([start])
    while open_:
        step = open_.popleft()
        if step == goal:
            way: list[Need] = []
            while (need := came[step]) is not None:
                way.append(need)
                step = need.before
            return way[::-1]
        for need in after.get(step, ()):
            if need.after not in came:
                came[need.after] = need
                open_.append(need.after)
    return None


def settled(assessor: Assessor, slots: Mapping[str, int]) -> dict[str, int]:
    """Places in which work can be done: what closes a place waits for what goes in there."""
    found = dict(slots)
    for _ in range(len(found)):
        moved = False
        for name, joint in assessor.joints.items():
            least = max((found.get(each, 0) for each in assessor.inside(joint)), default=0)
            if found.get(name, 0) < least:
                found[name], moved = least, True
        if not moved:
            break
    return found


def inside_out(assessor: Assessor, names: list[str]) -> list[str]:
    """Joints of one place, each after those that it closes in; where some close each other in,
    one of those goes first."""
    inner = {
        name: [each for each in assessor.inside(assessor.joints[name])
               if each in names] for name in names
    }  # fmt: skip
    found: list[str] = []
    while len(found) < len(names):
        left = [name for name in names if name not in found]
        waits = {name: _reached(name, inner, set(found)) for name in left}
        free = [name for name in left if not waits[name]]
        ring = [name for name in left if all(name in waits[each] for each in waits[name])]
        found += free or ring[:1]
    return found


def _reached(name: str, inner: Mapping[str, list[str]], done: set[str]) -> set[str]:
    """All that must still go in before a joint, however far inside."""
    found: set[str] = set()
    open_ = [name]
    while open_:
        for each in inner[open_.pop()]:
            if each not in found and each not in done:
                found.add(each)
                open_.append(each)
    return found


def part_name(kit: Kit, part_id: str) -> str:
    """What a part is called, as it stands in a sentence."""
    part = kit.part(part_id)
    name = part.name if part else part_id
    return name[:1].lower() + name[1:]

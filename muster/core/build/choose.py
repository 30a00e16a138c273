"""Which way for each joint: the fewest minutes over the batch, proven, or with the gap to what is
proven."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from graphlib import CycleError, TopologicalSorter

from muster.core.build.assess import Assessment, Assessor, handle_min
from muster.core.build.kit import WAYS, Joint, Way

FIXED_HABIT_MIN = 5.0
"""Under the habit to fix first, leaving apart must save so many minutes a model."""

MOST_NODES = 40_000
"""Of one search; beyond them the best found stands, with its gap."""

Ways = Mapping[str, Way]


@dataclass(frozen=True)
class Chosen:
    """A way for each joint, where each is closed, the minutes a model, and what is proven: no
    other choice takes less than ``bound_min``."""

    ways: dict[str, Way]
    slots: dict[str, int]
    minutes: float
    bound_min: float

    @property
    def gap_min(self) -> float:
        """Minutes a model between the choice and what is proven; 0: it is the best."""
        return max(0.0, self.minutes - self.bound_min)


def ways_of(joint: Joint) -> tuple[Way, ...]:
    """The ways that a joint has: it lifts off as one only with a neighbour."""
    return tuple(way for way in WAYS if way != "lift" or joint.lifts is not None)


@dataclass
class Chooser:
    """Chooses for one build."""

    assessor: Assessor
    fixed_habit: bool = False
    order: list[str] = field(default_factory=list)
    _late: dict[str, int] = field(default_factory=dict)
    _said: dict[str, int] = field(default_factory=dict)
    """Where the user has put joints."""
    _below: dict[str, list[str]] = field(default_factory=dict)
    _inside: dict[str, tuple[str, ...]] = field(default_factory=dict)
    _runs: dict[str, list[str]] = field(default_factory=dict)
    """By joint, those whose part may be lifted off as one with its own."""

    def __post_init__(self) -> None:
        """Look once at what does not change."""
        joints = self.assessor.joints
        places = {stage.one.key: stage.index for stage in self.assessor.stages}
        for joint in joints.values():
            carrier = self.assessor.carriers.get(joint.lifts or "")
            if carrier is not None:
                self._runs.setdefault(carrier, []).append(joint.id)
        for joint in joints.values():
            self._late[joint.id] = self.assessor.late(joint)
            before = self.assessor.build.choice(joint.id).before
            if before == "end":
                self._said[joint.id] = len(self.assessor.stages)
            elif before in places:
                self._said[joint.id] = places[before]
            self._inside[joint.id] = self.assessor.inside(joint)
            parts = self.assessor.below(joint.part) - {joint.part}
            carriers = self.assessor.carriers
            self._below[joint.id] = [
                carriers[part] for part in sorted(parts) if carriers.get(part, joint.id) != joint.id
            ] if carriers.get(joint.part) == joint.id else []  # fmt: skip
        self.order = self._ordered(joints)

    def _ordered(self, joints: Iterable[str]) -> list[str]:
        """What hangs on a joint, and what it closes in, before it."""
        sorter: TopologicalSorter[str] = TopologicalSorter()
        for name in joints:
            sorter.add(name, *self._below[name])
        nodes = {
            name: {*self._below[name], *self._inside[name], *self._runs.get(name, ())}
            for name in joints
        }
        try:
            return list(TopologicalSorter(nodes).static_order())
        except CycleError:
            return list(sorter.static_order())

    def open_ways(self, joint_id: str) -> tuple[Way, ...]:
        """The user's way, else all that there are."""
        said = self.assessor.build.choice(joint_id).way
        mine = ways_of(self.assessor.joints[joint_id])
        return (said,) if said in mine else mine

    def slot(self, joint_id: str, way: Way, slots: Mapping[str, int], ways: Ways) -> int | None:
        """Where it is closed, given where those before it in ``order`` are; None: it would close
        them out, or fix what is to be lifted off."""
        run = [name for name in self._runs.get(joint_id, ()) if ways.get(name) == "lift"]
        after = max((slots.get(name, 0) for name in self._inside[joint_id]), default=0)
        if joint_id in self._said:
            return self._said[joint_id]
        if way in ("fix", "mask"):
            said = self.assessor.build.choice(joint_id).way == way
            return 0 if said or (after == 0 and not run) else None
        return max([self._late[joint_id], after, *(slots.get(name, 0) for name in run)])

    def evaluate(self, ways: Ways) -> Chosen | None:
        """The minutes of a choice; None where it closes out what must go in first."""
        slots: dict[str, int] = {}
        total = 0.0
        for name in self.order:
            slot = self.slot(name, ways[name], slots, ways)
            if slot is None:
                return None
            slots[name] = slot
            total += self._cost(name, ways[name], slots)
        return Chosen(dict(ways), slots, total, 0.0)

    def _cost(self, name: str, way: Way, slots: Mapping[str, int]) -> float:
        return (
            self.assessor.of(name, way, slots[name]).minutes
            + self.carried_min(name, way, slots)
            + (FIXED_HABIT_MIN if self.fixed_habit and way in ("apart", "lift") else 0.0)
        )

    def carried_min(self, name: str, way: Way, slots: Mapping[str, int]) -> float:
        """Handling a part in passes that only work what hangs on it already."""
        below = self._below[name]
        if not below:
            return 0.0
        joint, found = self.assessor.joints[name], 0.0
        for stage in self.assessor.stages[: slots[name]]:
            if joint.part in stage.shares:
                continue
            if any(
                self.assessor.joints[each].part in stage.shares and self._hangs(each, name, stage.
                                                                               index, slots)
                for each in below
            ):  # fmt: skip
                found += handle_min(stage)
        return found * (0.5 if way == "lift" else 1.0)

    def _hangs(self, name: str, top: str, index: int, slots: Mapping[str, int]) -> bool:
        """Whether every joint from one up to the part of ``top`` is closed by a pass."""
        goal = self.assessor.joints[top].part
        while True:
            if slots.get(name, 0) > index:
                return False
            onto = self.assessor.joints[name].onto
            if onto == goal:
                return True
            if onto not in self.assessor.carriers:
                return False
            name = self.assessor.carriers[onto]

    def choose(self) -> Chosen:
        """The best choice. What does not hang together is searched by itself."""
        ways: dict[str, Way] = {}
        slots: dict[str, int] = {}
        total = bound = 0.0
        for group in self._groups():
            found = _Search(self, group).run()
            ways |= found.ways
            slots |= found.slots
            total += found.minutes
            bound += found.bound_min
        extra = FIXED_HABIT_MIN if self.fixed_habit else 0.0
        held = extra * sum(way in ("apart", "lift") for way in ways.values())
        return Chosen(ways, slots, total - held, bound - held)

    def _groups(self) -> list[list[str]]:
        """Joints that bear on one another, each group in order."""
        root = {name: name for name in self.order}

        def top(name: str) -> str:
            while root[name] != name:
                name = root[name]
            return name

        for name in self.order:
            touched = {s.index for s in self.assessor.stages
                       if self.assessor.joints[name].part in s.shares}  # fmt: skip
            for other in (*self._inside[name], *self._runs.get(name, ())):
                root[top(other)] = top(name)
            for other in self._below[name]:
                part = self.assessor.joints[other].part
                theirs = {s.index for s in self.assessor.stages if part in s.shares}
                if not theirs <= touched:
                    root[top(other)] = top(name)
        groups: dict[str, list[str]] = {}
        for name in self.order:
            groups.setdefault(top(name), []).append(name)
        return list(groups.values())

    def assessments(self, chosen: Chosen) -> dict[str, Assessment]:
        """By joint, what the choice costs."""
        return {
            name: self.assessor.of(name, way, chosen.slots[name])
            for name, way in chosen.ways.items()
        }


@dataclass
class _Search:
    """Depth first, the cheaper way first, cut off where the rest cannot make it better."""

    chooser: Chooser
    group: list[str]
    nodes: int = 0
    best: float = float("inf")
    ways: dict[str, Way] = field(default_factory=dict)
    slots: dict[str, int] = field(default_factory=dict)
    best_ways: dict[str, Way] = field(default_factory=dict)
    best_slots: dict[str, int] = field(default_factory=dict)
    least: list[float] = field(default_factory=list)

    def run(self) -> Chosen:
        # Later closing never makes a joint cheaper that its own passes have left, so its cost in
        # the earliest place that it can have is a floor.
        floors = [self._floor(name) for name in self.group]
        self.least = [sum(floors[at:]) for at in range(len(floors) + 1)]
        self._from(0, 0.0)
        proven = self.best if self.nodes < MOST_NODES else min(self.best, self.least[0])
        return Chosen(self.best_ways, self.best_slots, self.best, proven)

    def _floor(self, name: str) -> float:
        return min(self._own(name, way) for way in self.chooser.open_ways(name))

    def _own(self, name: str, way: Way) -> float:
        chooser = self.chooser
        slot = chooser.slot(name, way, {}, {})
        habit = FIXED_HABIT_MIN if chooser.fixed_habit and way in ("apart", "lift") else 0.0
        return chooser.assessor.of(name, way, slot or 0).minutes + habit

    def _from(self, at: int, spent: float) -> None:
        self.nodes += 1
        if spent + self.least[at] >= self.best or (self.nodes >= MOST_NODES and self.best_ways):
            return
        if at == len(self.group):
            self.best, self.best_ways, self.best_slots = spent, dict(self.ways), dict(self.slots)
            return
        name = self.group[at]
        for way in sorted(self.chooser.open_ways(name), key=lambda way: self._own(name, way)):
            slot = self.chooser.slot(name, way, self.slots, self.ways)
            if slot is None:
                continue
            self.ways[name], self.slots[name] = way, slot
            self._from(at + 1, spent + self.chooser._cost(name, way, self.slots))
            del self.ways[name], self.slots[name]

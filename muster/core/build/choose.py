"""Which way for each joint: the fewest minutes over the batch, proven, or with the gap to what is
proven."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from graphlib import CycleError, TopologicalSorter

from muster.core.build.assess import Assessment, Assessor, handle_min
from muster.core.build.kit import WAYS, Joint, Way
from muster.core.build.stages import Stage

FIXED_HABIT_MIN = 5.0
"""Under the habit to fix first, leaving apart must save so many minutes a model."""

MOST_NODES = 8_000
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
    _carries: dict[str, list[tuple[Stage, list[str]]]] = field(default_factory=dict)
    """By joint, passes that do not work its own part but some that hang on it: which joints."""
    _beside: dict[str, str] = field(default_factory=dict)
    """By joint, the one of the neighbour with which its part may be lifted off as one."""

    def __post_init__(self) -> None:
        """Look once at what does not change."""
        joints = self.assessor.joints
        places = {stage.one.key: stage.index for stage in self.assessor.stages}
        late = {name: self.assessor.late(joint) for name, joint in joints.items()}
        for name, joint in joints.items():
            carrier = self.assessor.carriers.get(joint.lifts or "")
            if carrier is not None and carrier != name:
                self._beside[name] = carrier
                # What may be lifted off as one goes back when both are done.
                late[carrier] = max(late[carrier], late[name])
        self._late = late
        for joint in joints.values():
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
        for joint in joints.values():
            self._carries[joint.id] = [
                (stage, mine) for stage in self.assessor.stages if joint.part not in stage.shares
                and (mine := [
                    name for name in self._below[joint.id] if joints[name].part in stage.shares
                ])
            ]  # fmt: skip
        self.order = self._ordered(joints)

    def _ordered(self, joints: Iterable[str]) -> list[str]:
        """What hangs on a joint, and what it closes in, before it."""
        sorter: TopologicalSorter[str] = TopologicalSorter()
        for name in joints:
            sorter.add(name, *sorted(self._below[name]))
        nodes = {
            name: sorted(
                {*self._below[name], *self._inside[name], *filter(None, [self._beside.get(name)])}
            )
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

    def slot(self, joint_id: str, way: Way, slots: Mapping[str, int]) -> int | None:
        """Where it is closed, given where those before it in ``order`` are; None: it would close
        them out, or be lifted off with what is glued on."""
        said = self.assessor.build.choice(joint_id)
        after = max((slots.get(name, 0) for name in self._inside[joint_id]), default=0)
        if joint_id in self._said:
            return self._said[joint_id]
        if way in ("fix", "mask"):
            return 0 if after == 0 or said.way == way else None
        beside = self._beside.get(joint_id)
        if way == "lift" and beside is not None and beside in slots:
            if slots[beside] == 0 and said.way != way:
                return None
            return max(slots[beside], after)
        return max(self._late[joint_id], after)

    def evaluate(self, ways: Ways) -> Chosen | None:
        """The minutes of a choice; None where it closes out what must go in first."""
        slots: dict[str, int] = {}
        total = 0.0
        for name in self.order:
            slot = self.slot(name, ways[name], slots)
            if slot is None:
                return None
            slots[name] = slot
            total += self.cost(name, ways[name], slots)
        return Chosen(dict(ways), slots, total, 0.0)

    def cost(self, name: str, way: Way, slots: Mapping[str, int]) -> float:
        """Minutes of one joint in its way and place, the habit of the house included."""
        return (
            self.assessor.of(name, way, slots[name]).minutes
            + self.carried_min(name, way, slots)
            + (FIXED_HABIT_MIN if self.fixed_habit and way in ("apart", "lift") else 0.0)
        )

    def carried_min(self, name: str, way: Way, slots: Mapping[str, int]) -> float:
        """Handling a part in passes that only work what hangs on it already."""
        found, slot = 0.0, slots[name]
        for stage, mine in self._carries[name]:
            if stage.index < slot and any(
                self._hangs(each, name, stage.index, slots) for each in mine
            ):
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
            for other in (*self._inside[name], *filter(None, [self._beside.get(name)])):
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
    cheapest: dict[str, list[Way]] = field(default_factory=dict)

    def run(self) -> Chosen:
        """Search; beyond the limit of nodes what was found is improved joint by joint."""
        # Later closing never makes a joint cheaper that its own passes have left, so its cost in
        # the earliest place that it can have is a floor.
        self.cheapest = {
            name: sorted(self.chooser.open_ways(name), key=lambda way: self._own(name, way))
            for name in self.group
        }
        floors = [self._own(name, self.cheapest[name][0]) for name in self.group]
        self.least = [sum(floors[at:]) for at in range(len(floors) + 1)]
        self._from(0, 0.0)
        if self.nodes < MOST_NODES:
            return Chosen(self.best_ways, self.best_slots, self.best, self.best)
        self._improve()
        return Chosen(
            self.best_ways, self.best_slots, self.best, min(self.best, self.least[0])
        )  # fmt: skip

    def _improve(self) -> None:
        """Another way for one joint after the other, while that saves anything."""
        better = True
        while better:
            better = False
            for name in self.group:
                for way in self.cheapest[name]:
                    ways = {**self.best_ways, name: way}
                    cost, slots = self._cost_of(ways)
                    if cost < self.best - 1e-9:
                        self.best, self.best_ways, self.best_slots = cost, ways, slots
                        better = True

    def _cost_of(self, ways: dict[str, Way]) -> tuple[float, dict[str, int]]:
        slots: dict[str, int] = {}
        total = 0.0
        for name in self.group:
            slot = self.chooser.slot(name, ways[name], slots)
            if slot is None:
                return float("inf"), slots
            slots[name] = slot
            total += self.chooser.cost(name, ways[name], slots)
        return total, slots

    def _own(self, name: str, way: Way) -> float:
        chooser = self.chooser
        slot = chooser.slot(name, way, {})
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
        for way in self.cheapest[name]:
            slot = self.chooser.slot(name, way, self.slots)
            if slot is None:
                continue
            self.ways[name], self.slots[name] = way, slot
            self._from(at + 1, spent + self.chooser.cost(name, way, self.slots))
            del self.ways[name], self.slots[name]

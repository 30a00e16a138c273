"""What finds no place, and why, as data.

The reasons are read off the problem in the order in which they bind: what no sitting could ever
hold, what it waits for being left itself, what must follow it in time, and last that the bench is
full. ``words`` of the rooms turn them into sentences with names, days and hours.
"""

from __future__ import annotations

from collections.abc import Mapping
from graphlib import TopologicalSorter
from typing import Protocol

from muster.core.plan.calendar import slots
from muster.core.plan.clocks import rates_of
from muster.core.plan.plan import Left
from muster.core.plan.problem import CUT_S, Break, Link, Problem, Task


class Relaxation(Protocol):
    """Asks the planner what finds a place where something does not bind."""

    def pair_fits(self, link: Link) -> bool:
        """Whether a link's two tasks find a place where nothing else is to be done."""

    def only_its_window_is_short(self, link: Link) -> bool:
        """Whether a later sitting would not do for what comes before, but a longer window would."""

    def place_lacking(self, task: Task) -> str | None:
        """The place that is full for ever for a task; None where a later sitting would do."""

    def lacks_together(self, task: Task) -> str | None:
        """``window`` or ``place`` where several of them bind together; else None."""


def left_of(problem: Problem, worked: Mapping[str, int], relaxed: Relaxation) -> tuple[Left, ...]:
    """The tasks not planned to their end, in an order in which reasons come before what follows.

    ``worked``: by task, the second at which its pieces stop.
    """
    open_ = {name for name, task in problem.tasks.items() if worked[name] < task.work_s}
    if not open_:
        return ()
    order: TopologicalSorter[str] = TopologicalSorter(dict.fromkeys(problem.tasks, ()))
    for link in problem.links:
        order.add(link.after, link.before)
    reasons = _Reasons(problem, worked, open_, relaxed)
    return tuple(reasons.of(problem.tasks[name]) for name in order.static_order() if name in open_)


def smallest_s(task: Task, begun: int) -> int:
    """Seconds of the smallest piece that may come next of a task worked up to ``begun``."""
    if task.break_ is Break.NONE:
        return task.work_s - begun
    step = CUT_S if task.break_ is Break.ANY else task.per_item_s
    return min(task.work_s, (begun // step + 1) * step) - begun


class _Reasons:
    def __init__(
        self, problem: Problem, worked: Mapping[str, int],
        open_: set[str], relaxed: Relaxation,
    ) -> None:  # fmt: skip
        self.problem, self.worked, self.open, self.relaxed = problem, worked, open_, relaxed
        self.into: dict[str, list[Link]] = {}
        self.out_of: dict[str, list[Link]] = {}
        for link in problem.links:
            self.into.setdefault(link.after, []).append(link)
            self.out_of.setdefault(link.before, []).append(link)
        self.room = _room_kept(problem, worked)
        self.longest: dict[tuple[tuple[str, ...], int], int] = {}

    def of(self, task: Task) -> Left:
        begun = self.worked[task.id]
        never = self._never(task, begun)
        if never is not None:
            return never
        for link in self.into.get(task.id, ()):
            if link.before in self.open and self._meet(link):
                return Left(task.id, begun, "follows", link.before)
        hangs = [
            link
            for link in self.out_of.get(task.id, ())
            if link.window_s is not None and link.after in self.open and self._meet(link)
        ]
        for link in hangs:
            if not self.relaxed.pair_fits(link) or self.relaxed.only_its_window_is_short(link):
                return Left(task.id, begun, "window", link.after)
        lacking = self.relaxed.place_lacking(task)
        if lacking is not None:
            return Left(task.id, begun, "place", lacking)
        together = self.relaxed.lacks_together(task)
        follower = self._in_time_after(task) if together == "window" else None
        if follower is not None:
            return Left(task.id, begun, "window", follower)
        if together is not None:
            return Left(task.id, begun, "place", self._fullest(task))
        return Left(task.id, begun, "no_time", task.work_s - begun + self._setting_up(task))

    def _meet(self, link: Link) -> bool:
        """Whether an item left by one side of a link is left by the other."""
        one, two = self.problem.tasks[link.before], self.problem.tasks[link.after]
        first = self.worked[one.id] // one.per_item_s
        second = self.worked[two.id] // two.per_item_s
        pairs = self.problem.pairs(one.id, two.id)
        return not pairs or any(i >= first and j >= second for i, j in pairs)

    def _setting_up(self, task: Task) -> int:
        family = self.problem.families[task.family] if task.family else None
        if family is None:
            return 0
        tool = self.problem.tools[family.tool] if family.tool else None
        both = family.setup_s + family.cleanup_s
        return both + (tool.setup_s + tool.cleanup_s if tool else 0)

    def _never(self, task: Task, begun: int) -> Left | None:
        """What no sitting could hold, whatever else were done."""
        piece = smallest_s(task, begun)
        if self._longest(task.needs, 0) == 0 and self._longest((), 0) > 0:
            alone = [tag for tag in task.needs if self._longest((tag,), 0) == 0]
            return Left(task.id, begun, "no_tag", (alone or list(task.needs))[-1])
        longest = self._longest(task.needs, 0)
        if 0 < longest < piece + (self._setting_up(task) if not task.needs else 0):
            return Left(task.id, begun, "too_long", longest)
        family = self.problem.families[task.family] if task.family else None
        if family is not None and family.life_s is not None and piece > family.life_s:
            return Left(task.id, begun, "life", family.life_s)
        for place, amount in self._taken(task, piece).items():
            if amount > self.room[place]:
                return Left(task.id, begun, "place", place)
        return None

    def _in_time_after(self, task: Task) -> str | None:
        """What must follow soonest in time: after a task, else after the nearest one behind it."""
        nearest, seen = [task.id], {task.id}
        while nearest:
            links = [link for name in nearest for link in self.out_of.get(name, ())]
            hangs = [link for link in links if link.window_s is not None]
            if hangs:
                return min(hangs, key=lambda link: link.window_s or 0).after
            nearest = [link.after for link in links if link.after not in seen]
            seen.update(nearest)
        return None

    def _fullest(self, task: Task) -> str:
        """The place of which a task takes the most; of what follows it where it takes none."""
        links = self.out_of.get(task.id, ())
        after = [self.problem.tasks[link.after].places for link in links]
        for taken in (task.places, *after, dict.fromkeys(self.problem.places, 1)):
            if taken:
                return max(taken, key=lambda place: taken[place] / max(1, self.room[place]))
        raise AssertionError("no place lacks where there is none")

    def _taken(self, task: Task, piece_s: int) -> dict[str, int]:
        """What a piece takes of each place at least, where nothing else stands there."""
        items = max(1, piece_s // task.per_item_s)
        fastest = max(rate.milli for rate in rates_of(self.problem, task.clock))
        dry_s = task.dry_s * 1000 // fastest
        wet = min(items, 1 + max(0, dry_s - 1) // task.per_item_s) if task.dry_s else 0
        taken = {place: amount * wet for place, amount in task.places.items()}
        for hold in self.problem.holds:
            if hold.from_ == task.id and self.problem.pairs(hold.from_, hold.to):
                for place, amount in hold.places.items():
                    taken[place] = taken.get(place, 0) + amount * items
        return taken

    def _longest(self, tags: tuple[str, ...], after: int) -> int:
        """The longest stretch still to come in which all of ``tags`` hold; 0 where none."""
        key = (tags, after)
        if key not in self.longest:
            spans = slots(self.problem, tags)
            self.longest[key] = max((s.end - max(s.start, after) for s in spans), default=0)
        return self.longest[key]


def _room_kept(problem: Problem, worked: Mapping[str, int]) -> dict[str, int]:
    """What each place holds beside what stands in it to the end: items whose hold has begun and
    whose ``to`` is left."""
    room = dict(problem.places)
    for hold in problem.holds:
        one, two = problem.tasks[hold.from_], problem.tasks[hold.to]
        begun = -(-worked[one.id] // one.per_item_s)
        ended = worked[two.id] // two.per_item_s
        kept = {i for i, j in problem.pairs(one.id, two.id) if i < begun and j >= ended}
        for place, amount in hold.places.items():
            room[place] -= amount * len(kept)
    return room

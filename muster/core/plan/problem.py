"""The planning problem: one painter, many matching models, passes with waits between them.

Plain frozen data, exactly as the file ``crisp-muster/plan-problem`` says it. All times are whole
seconds from ``origin``; intervals are half-open. ``reading.py`` is the only way in from a file and
promises that everything here fits together.
"""

from __future__ import annotations

from bisect import bisect_right
from dataclasses import dataclass, field
from enum import StrEnum
from fractions import Fraction
from functools import lru_cache

WALL = "wall"
"""The clock that always runs at rate 1."""

CUT_S = 300
"""Long work that may be cut anywhere is cut at multiples of this many seconds of its work."""

DAY_S = 86_400

DAY_WORTH_S, ITEM_DAY_WORTH_S = 1800, 15
"""What a day sooner is worth in seconds of bench work, of the whole and of each item, where a
problem does not say."""


class Break(StrEnum):
    """How a task's work may be cut into pieces."""

    NONE = "none"
    ITEM = "item"
    ANY = "any"


@dataclass(frozen=True, slots=True)
class Sitting:
    """A stretch at the bench, [start, end)."""

    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Condition:
    """A stretch, [start, end), in which a tag such as ``daylight`` holds."""

    tag: str
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Rate:
    """From ``start`` on the clock runs ``milli`` thousandths of a second each second."""

    start: int
    milli: int


@dataclass(frozen=True, slots=True)
class Tool:
    """Got out and put away once per sitting that uses it; holds ``open_families`` at once."""

    setup_s: int
    cleanup_s: int
    open_families: int


@dataclass(frozen=True, slots=True)
class Family:
    """A mix on a tool. Open for ``open_s`` between uses, ``life_s`` in all (None: no limit)."""

    tool: str | None
    setup_s: int
    cleanup_s: int
    open_s: int | None
    life_s: int | None


@dataclass(frozen=True, slots=True)
class Item:
    """One model, or a part of one that is painted apart."""

    id: str
    unit: str | None
    weight: Fraction
    due: int | None


@dataclass(frozen=True, slots=True)
class Task:
    """One pass on some items, worked in this order, ``per_item_s`` seconds each."""

    id: str
    items: tuple[str, ...]
    per_item_s: int
    family: str | None
    break_: Break
    dry_s: int
    clock: str
    places: dict[str, int]
    needs: tuple[str, ...]
    not_before: int | None
    wants: dict[str, int] = field(default_factory=dict)
    """By tag: what a piece outside one of its stretches costs, in seconds of bench work."""

    @property
    def work_s(self) -> int:
        """Seconds of work in all."""
        return self.per_item_s * len(self.items)


@dataclass(frozen=True, slots=True)
class Link:
    """``after`` waits ``stand_s`` to ``window_s`` for ``before``, by ``clock``."""

    before: str
    after: str
    stand_s: int
    window_s: int | None
    clock: str


@dataclass(frozen=True, slots=True)
class Hold:
    """Each item of ``from_`` keeps a place from its start to the end of its pairs in ``to``."""

    from_: str
    to: str
    places: dict[str, int]


@dataclass(frozen=True, slots=True)
class Pin:
    """The task's next piece starts at ``start`` or up to ``slack_s`` later."""

    task: str
    start: int
    slack_s: int


@dataclass(frozen=True, slots=True)
class Done:
    """A piece that was worked: seconds [from_s, to_s) of the task, from ``start`` to ``end``."""

    task: str
    from_s: int
    to_s: int
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Open:
    """A family left open at ``now``: its first piece's start and its last piece's end."""

    family: str
    first_start: int
    last_end: int


@dataclass(frozen=True, slots=True)
class Problem:
    """Everything a plan is made from."""

    origin: str
    now: int
    day_s: int
    item_day_s: int
    sittings: tuple[Sitting, ...]  # in order of time
    conditions: tuple[Condition, ...]
    clocks: dict[str, tuple[Rate, ...]]
    places: dict[str, int]
    tools: dict[str, Tool]
    families: dict[str, Family]
    items: dict[str, Item]
    tasks: dict[str, Task]
    links: tuple[Link, ...]
    holds: tuple[Hold, ...]
    pins: tuple[Pin, ...]
    done: tuple[Done, ...]
    open: tuple[Open, ...]
    out: tuple[str, ...]

    def sitting_at(self, moment: int) -> int | None:
        """The index of the sitting that holds ``moment``, or None between sittings."""
        index = bisect_right(self.sittings, moment, key=lambda sitting: sitting.start) - 1
        return index if index >= 0 and moment < self.sittings[index].end else None

    def last_end(self) -> int:
        """When the last sitting ends, or ``now`` where that is later: what is left counts as done
        then."""
        return max([self.now, *(sitting.end for sitting in self.sittings[-1:])])

    def model_weights(self) -> dict[str, Fraction]:
        """By model (an id before its first ``/``): its weight, or its heaviest part's where it has
        no item of its own."""
        found: dict[str, Fraction] = {}
        for name, item in self.items.items():
            model = name.partition("/")[0]
            if name == model:
                found[model] = item.weight
            elif model not in self.items:
                found[model] = max(found.get(model, Fraction(0)), item.weight)
        return found

    def done_s(self) -> dict[str, int]:
        """How many seconds of each task's work are fact."""
        done = dict.fromkeys(self.tasks, 0)
        for piece in self.done:
            done[piece.task] = max(done[piece.task], piece.to_s)
        return done

    def pairs(self, before: str, after: str) -> list[tuple[int, int]]:
        """Positions (i, j) whose items are equal or part of one another; empty: none exist."""
        return _pairs(self.tasks[before].items, self.tasks[after].items)


@lru_cache(maxsize=8192)
def _pairs(before: tuple[str, ...], after: tuple[str, ...]) -> list[tuple[int, int]]:
    """Trays repeat: the same two lists of items meet at every link between their passes."""
    position: dict[str, list[int]] = {}
    for j, item in enumerate(after):
        for name in whole_names(item):
            position.setdefault(name, []).append(j)
    exact = {item: j for j, item in enumerate(after)}
    found: list[tuple[int, int]] = []
    for i, item in enumerate(before):
        matches = set(position.get(item, ()))
        matches.update(exact[name] for name in whole_names(item) if name in exact)
        found.extend((i, j) for j in sorted(matches))
    return found


def whole_names(item: str) -> list[str]:
    """The item's own id and those of the wholes it is part of: a/b/c → a/b/c, a/b, a."""
    names = [item]
    while "/" in names[-1]:
        names.append(names[-1].rsplit("/", 1)[0])
    return names

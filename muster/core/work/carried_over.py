"""What stands open and out now: told by facts, and by what was planned up to now.

A painter who works to plan ticks models, not bottles. So while he works in a sitting, what the plan
had him get out, open, close and put away up to now counts as done, but for what was planned while
he was at work; and a call that is begun has its tool out and its mix open.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace

from muster.core.plan.problem import Family, Open, Tool


@dataclass(frozen=True, slots=True)
class Use:
    """A family in use, [start, end) in seconds of the problem: a piece of work, or a call that has
    begun and has no tick yet."""

    family: str
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Planned:
    """A chore that was planned, [start, end): ``what`` names a tool or a family."""

    do: str
    what: str
    start: int
    end: int


@dataclass
class _Now:
    open: dict[str, Open] = field(default_factory=dict)
    out: set[str] = field(default_factory=set)


def carried(
    uses: Iterable[Use],
    planned: Iterable[Planned],
    families: Mapping[str, Family],
    tools: Mapping[str, Tool],
    now: int,
) -> tuple[tuple[Open, ...], tuple[str, ...]]:
    """Families open and tools out at ``now``, from one sitting's uses and chores.

    Chores count from the first use on, and those before it, which it implies, by the use itself.
    """
    uses = sorted(uses, key=lambda use: (use.start, use.end))
    if not uses:
        return (), ()
    begun = uses[0].start
    # One painter: what was planned while he worked at something else was not done then.
    chores = [
        one
        for one in planned
        if begun <= one.start and one.end <= now
        and not any(use.start < one.end and one.start < use.end for use in uses)
    ]  # fmt: skip
    told: list[tuple[int, int, Use | Planned]] = [
        *((use.start, 1, use) for use in uses),
        *((one.end, 0, one) for one in chores),
    ]
    at = _Now()
    for _, _, event in sorted(told, key=lambda row: row[:2]):
        if isinstance(event, Use):
            _use(at, event, families, tools)
        else:
            _chore(at, event, families)
    return tuple(at.open.values()), tuple(sorted(at.out))


def _use(
    at: _Now, use: Use, families: Mapping[str, Family],
    tools: Mapping[str, Tool],
) -> None:  # fmt: skip
    tool = families[use.family].tool
    if tool:
        at.out.add(tool)
        # A tool that holds so many families at once has had the one used longest ago closed.
        others = [name for name in at.open if name != use.family and families[name].tool == tool]
        while len(others) >= tools[tool].open_families:
            oldest = min(others, key=lambda name: at.open[name].last_end)
            others.remove(oldest)
            del at.open[oldest]
    row = at.open.get(use.family, Open(use.family, use.start, use.end))
    at.open[use.family] = replace(row, last_end=max(row.last_end, use.end))


def _chore(at: _Now, chore: Planned, families: Mapping[str, Family]) -> None:
    if chore.do in ("open", "close") and chore.what not in families:
        return
    if chore.do == "get_out":
        at.out.add(chore.what)
    elif chore.do == "open":
        tool = families[chore.what].tool
        if tool:
            at.out.add(tool)
        at.open.setdefault(chore.what, Open(chore.what, chore.end, chore.end))
    elif chore.do == "close":
        at.open.pop(chore.what, None)
    elif not any(families[name].tool == chore.what for name in at.open):
        at.out.discard(chore.what)

"""The checker's rules 3, 4 and 9: openings of families, outings of tools, and what was left out."""

from __future__ import annotations

from bisect import bisect_left
from collections.abc import Iterator
from dataclasses import dataclass, field

from muster.core.plan.checking_facts import Story
from muster.core.plan.plan import Block
from muster.core.plan.problem import Family, Open, Problem


@dataclass
class Opening:
    """One stretch in which a family stands open, from its open block to its close block."""

    family: str
    opened: Block | None = None
    pieces: list[Block] = field(default_factory=list)
    closed: Block | None = None
    first_start: int | None = None
    last_end: int | None = None

    @property
    def carried(self) -> bool:
        """Left open by facts."""
        return self.first_start is not None

    def begin(self, now: int) -> int:
        """When it takes up its tool."""
        if self.carried:
            return now
        return self.opened.start if self.opened else self.pieces[0].start

    def finish(self, now: int) -> int:
        """When it leaves its tool free."""
        if self.closed:
            return self.closed.end
        return self.pieces[-1].end if self.pieces else now


def families_and_tools(story: Story) -> Iterator[str]:
    """Rules 3, 4 and 9, sitting by sitting."""
    problem = story.problem
    now_in = problem.sitting_at(problem.now)
    blocks = sorted(story.plan.blocks, key=lambda block: block.start)
    starts = [block.start for block in blocks]
    carried = {left.family: left for left in problem.open}
    for index, sitting in enumerate(problem.sittings):
        current = index == now_in
        inside = blocks[bisect_left(starts, sitting.start) : bisect_left(starts, sitting.end)]
        if not inside and not current:
            continue
        mine: dict[str, list[Block]] = {name: [] for name in carried} if current else {}
        for block in inside:
            name = problem.tasks[block.ref].family if block.do == "work" else block.ref
            if name is not None and block.do in ("work", "open", "close"):
                mine.setdefault(name, []).append(block)
        openings: list[Opening] = []
        for name, used in mine.items():
            left = carried.get(name) if current else None
            yield from _openings(problem, name, used, left, openings)
        yield from _tools(problem, inside, openings, current)


def _openings(
    problem: Problem, name: str, mine: list[Block], left: Open | None, openings: list[Opening]
) -> Iterator[str]:
    """Split a family's blocks of one sitting into openings, and judge each."""
    family = problem.families[name]
    found: list[Opening] = []
    opening: Opening | None = None
    if left is not None:
        opening = Opening(name, first_start=left.first_start, last_end=left.last_end)
        found.append(opening)
    for block in mine:
        if block.do == "open":
            if opening is not None and family.cleanup_s:
                yield f"3: {block} opens '{name}' while it is open"
            opening = Opening(name, opened=block)
            found.append(opening)
        elif block.do == "close":
            if opening is None:
                yield f"3: {block} closes '{name}', which is not open"
            else:
                opening.closed = block
            opening = None
        else:
            alone = not family.setup_s and not family.cleanup_s
            if opening is None or alone:
                if family.setup_s:
                    yield f"3: {block} is worked while '{name}' is not open"
                opening = Opening(name)
                found.append(opening)
            opening.pieces.append(block)
    for one in found:
        yield from _judge(family, one)
    openings.extend(found)


def _judge(family: Family, opening: Opening) -> Iterator[str]:
    name = opening.family
    if family.cleanup_s and opening.closed is None:
        yield f"3: '{name}' is opened and not closed in its sitting"
    if not opening.pieces and not opening.carried:
        yield f"3: '{name}' is opened and nothing is worked with it"
    moments: list[tuple[int, int]] = []
    last = opening.opened.end if opening.opened else opening.last_end
    for piece in opening.pieces:
        if last is not None:
            moments.append((last, piece.start))
        last = piece.end
    if opening.closed is not None and last is not None and opening.pieces:
        moments.append((last, opening.closed.start))
    for earlier, later in moments:
        if family.open_s is not None and later - earlier > family.open_s:
            yield f"3: '{name}' stands open from {earlier} to {later}, more than {family.open_s} s"
    if opening.pieces and family.life_s is not None:
        first = opening.first_start
        if first is None:
            first = opening.pieces[0].start
        if opening.pieces[-1].end - first > family.life_s:
            yield f"3: '{name}' lasts {opening.pieces[-1].end - first} s, over {family.life_s} s"


def _tools(
    problem: Problem, inside: list[Block], openings: list[Opening], current: bool
) -> Iterator[str]:
    """Judge each tool's one outing in a sitting, and how many families it holds at once."""
    for name, tool in problem.tools.items():
        mine = [o for o in openings if problem.families[o.family].tool == name]
        out = current and (name in problem.out or any(o.carried for o in mine))
        got = [b for b in inside if b.do == "get_out" and b.ref == name]
        put = [b for b in inside if b.do == "put_away" and b.ref == name]
        used = bool(mine)
        if len(got) != (1 if used and not out and tool.setup_s else 0):
            yield f"4: '{name}' is got out {len(got)} times in a sitting"
        if len(put) != (1 if (used or out) and tool.cleanup_s else 0):
            yield f"4: '{name}' is put away {len(put)} times in a sitting"
        begins = [o.begin(problem.now) for o in mine]
        ends = [o.finish(problem.now) for o in mine]
        if got and begins and got[0].end > min(begins):
            yield f"4: {got[0]} ends after its first opening starts"
        if put and ends and put[0].start < max(ends):
            yield f"4: {put[0]} starts before its last opening has ended"
        for opening, begin in zip(mine, begins, strict=True):
            if opening.carried:
                continue
            at_once = sum(b <= begin < e for b, e in zip(begins, ends, strict=True))
            if at_once > tool.open_families:
                yield f"3: '{name}' holds {at_once} families at {begin}"

"""The best plan of a tiny problem by trying everything, second by second.

Independent of the planner: it knows only the problem's data, builds every sequence of blocks with
every idle second, whole or stopped anywhere, keeps what the checker accepts, and remembers the best
score.
"""

from __future__ import annotations

from fractions import Fraction
from typing import Literal

from muster.core.plan.checking import check
from muster.core.plan.checking_facts import Story
from muster.core.plan.plan import Block, Bounds, Left, Plan, Score
from muster.core.plan.problem import Break, Problem
from muster.core.plan.scoring import measure

NOTHING = Bounds(Fraction(0), 0, 0, 0)


def best_score(problem: Problem) -> Score:
    """The best score of any plan, whole or partial. For problems without tools."""
    first = judged(problem, [])
    assert first is not None
    best: Score = first
    work_left = {name: task.work_s for name, task in problem.tasks.items()}
    last_end = max((s.end for s in problem.sittings), default=0)

    def pieces(name: str, begun: int) -> list[int]:
        task = problem.tasks[name]
        if task.break_ is Break.NONE:
            return [task.work_s]
        per = task.per_item_s
        return [to for to in range(per, task.work_s + 1, per) if to > begun]

    def go(now: int, begun: dict[str, int], open_: frozenset[str], blocks: list[Block]) -> None:
        nonlocal best
        if best.left_s == 0:
            hands_on = sum(b.end - b.start for b in blocks)
            hands_on += sum(work_left[n] - begun[n] for n in begun)
            if (0, hands_on) > (best.late_weight, best.cost_s):
                return
        shut = all(not problem.families[name].cleanup_s for name in open_)
        whole = all(begun[name] == work_left[name] for name in begun)
        if shut and blocks and (whole or best.left_s):
            score = judged(problem, blocks)
            if score is not None and score.rank() < best.rank():
                best = score
        if whole and shut:
            return
        for start in range(now, last_end):
            for family in sorted(open_):
                if problem.families[family].cleanup_s:
                    end = start + problem.families[family].cleanup_s
                    go(end, begun, open_ - {family}, [*blocks, Block("close", family, start, end)])
            for name, done in begun.items():
                if done == work_left[name]:
                    continue
                for more, now_open in openings(problem.tasks[name].family, start, open_):
                    at = more[-1].end if more else start
                    for to in pieces(name, done):
                        piece = Block("work", name, at, at + to - done, done, to)
                        tried = [*blocks, *more, piece]
                        if fits(problem, tried):
                            go(piece.end, {**begun, name: to}, now_open, tried)

    def openings(
        family: str | None, start: int, open_: frozenset[str]
    ) -> list[tuple[list[Block], frozenset[str]]]:
        """Going on with what is open, or opening it (anew where closing costs nothing)."""
        if family is None:
            return [([], open_)]
        made = problem.families[family]
        if not made.setup_s:
            return [([], open_ | {family} if made.cleanup_s else open_)]
        found: list[tuple[list[Block], frozenset[str]]] = []
        if family in open_:
            found.append(([], open_))
        if family not in open_ or not made.cleanup_s:
            opened = [Block("open", family, start, start + made.setup_s)]
            found.append((opened, open_ | {family}))
        return found

    go(problem.now, dict.fromkeys(problem.tasks, 0), frozenset(), [])
    return best


def fits(problem: Problem, blocks: list[Block]) -> bool:
    """Whether the newest blocks lie in a sitting and touch nothing wet or too early."""
    new = blocks[-1]
    if not any(s.start <= blocks[-1].start and new.end <= s.end for s in problem.sittings):
        return False
    task = problem.tasks[new.ref]
    for link in problem.links:
        if link.after != new.ref:
            continue
        before = problem.tasks[link.before]
        done = max((b.to_s for b in blocks if b.do == "work" and b.ref == link.before), default=0)
        if problem.pairs(link.before, link.after):
            worked = set(before.items[: done // before.per_item_s])
            first, last = new.from_s // task.per_item_s, new.to_s // task.per_item_s
            shared = set(task.items[first:last]) & set(before.items)
            if not shared <= worked:
                return False
        elif done < before.work_s:
            return False
    return True


def judged(problem: Problem, blocks: list[Block]) -> Score | None:
    """The score of a plan that keeps the rules; None where it does not."""
    reached = dict.fromkeys(problem.tasks, 0)
    for block in blocks:
        if block.do == "work":
            reached[block.ref] = block.to_s
    left = tuple(
        Left(name, reached[name], "no_time", 0)
        for name, task in problem.tasks.items()
        if reached[name] < task.work_s
    )
    status: Literal["planned", "partial"] = "partial" if left else "planned"
    nothing = measure(problem, blocks, {}, 0, left)
    plan = Plan(status, tuple(blocks), nothing, NOTHING, (), 1, 1, left)
    done_at: dict[str, int] = {}
    gone: set[str] = set()
    for course in Story.of(problem, plan).courses.values():
        for item, ready, end in zip(course.task.items, course.ready, course.ends, strict=True):
            done_at[item] = max(done_at.get(item, 0), ready)
            if end is None:
                gone.add(item)
    done_at.update(dict.fromkeys(gone, problem.last_end()))
    score = measure(problem, blocks, done_at, 0, left)
    plan = Plan(status, tuple(blocks), score, NOTHING, (), 1, 1, left)
    return score if not check(problem, plan) else None

"""A known plan at a later moment, at which what was planned has been worked as planned: what is
still to come of it, without planning anew."""

from __future__ import annotations

from dataclasses import replace

from muster.core.plan.checking import check
from muster.core.plan.plan import Block, Bounds, Plan, Score
from muster.core.plan.problem import Open, Problem
from muster.core.plan.replanning import AS_PLANNED_S
from muster.core.plan.scoring import dry_after, items_of, measure


def carry_on(problem: Problem, plan: Plan, late_s: int = AS_PLANNED_S) -> Plan | None:
    """What of ``plan`` is still to come at ``problem.now``; None where it must be mended.

    ``problem`` knows by its facts what was worked. It went as planned where each piece was worked
    within ``AS_PLANNED_S`` of its time; what was to begin and did not may be ``late_s`` late. What
    comes answers to the checker, so it is as good as a plan made anew.
    """
    problem = _got_ready(_before_chore(problem, plan), plan)
    blocks = _to_come(problem, plan, late_s)
    if blocks is None:
        return None
    pushed = _pushed(blocks, problem.now)
    late = max([_late(problem, plan), *(pushed[0].start - one.start for one in blocks[:1])])
    for later in (pushed, _all_later(problem, blocks, late)):
        found = _whole(problem, plan, later) if _as_planned(blocks, later) else None
        if found is not None:
            return found
    return None


def is_later(known: Plan, carried: Plan) -> bool:
    """Whether something still to come was put off by what came late, a piece under way apart."""
    blocks = set(known.blocks)
    return any(
        block not in blocks
        for index, block in enumerate(carried.blocks)
        if index or block.do != "work"
    )


def _before_chore(problem: Problem, plan: Plan) -> Problem:
    """The problem at the beginning of the chore that is under way as planned: it has no parts."""
    worked = max((piece.end for piece in problem.done), default=0)
    for block in plan.blocks:
        if block.do != "work" and worked <= block.start < problem.now < block.end:
            return replace(problem, now=block.start)
    return problem


def _got_ready(problem: Problem, plan: Plan) -> Problem:
    """The problem in which, until a sitting's first work is begun, what was to be got out and
    opened by now is taken to be: no fact tells of it."""
    current = problem.sitting_at(problem.now)
    if current is None or problem.open or problem.out:
        return problem
    begins = problem.sittings[current].start
    if any(piece.start >= begins for piece in problem.done):
        return problem
    out: list[str] = []
    opened: list[Open] = []
    for block in plan.blocks:
        if block.start < begins or block.end > problem.now:
            continue
        if block.do == "get_out":
            out.append(block.ref)
        elif block.do == "open":
            opened.append(Open(block.ref, block.end, block.end))
    return replace(problem, out=tuple(out), open=tuple(opened))


def _to_come(problem: Problem, plan: Plan, late_s: int) -> list[Block] | None:
    """The blocks that are not over, a piece under way from where it is; None where one went or
    goes otherwise than planned."""
    done = problem.done_s()
    if any(b.do == "work" and b.ref not in done for b in plan.blocks):
        return None
    now = problem.now
    found = []
    for block in plan.blocks:
        if block.do != "work":
            if block.end > now:
                found.append(block)
        elif block.to_s <= done[block.ref]:
            if block.end > now + AS_PLANNED_S:
                return None
        elif block.from_s >= done[block.ref]:
            if block.start < now - late_s:
                return None
            found.append(block)
        else:
            end = now + block.to_s - done[block.ref]
            if abs(end - block.end) > AS_PLANNED_S:
                return None
            found.append(replace(block, from_s=done[block.ref], start=now, end=end))
    return found


def _late(problem: Problem, plan: Plan) -> int:
    """By how much what is over, or under way, ends later than planned, at most."""
    ends = {(piece.task, piece.to_s): piece.end for piece in problem.done}
    done = problem.done_s()
    late = 0
    for block in plan.blocks:
        if block.do != "work":
            continue
        ended = ends.get((block.ref, block.to_s), 0)
        if block.from_s < done[block.ref] < block.to_s:
            ended = problem.now + block.to_s - done[block.ref]
        late = max(late, ended - block.end)
    return late


def _pushed(blocks: list[Block], now: int) -> list[Block]:
    """The blocks, none before now or before the one ahead of it has ended; gaps take delays up."""
    free, found = now, []
    for block in blocks:
        start = max(block.start, free)
        free = start + block.end - block.start
        found.append(replace(block, start=start, end=free))
    return found


def _all_later(problem: Problem, blocks: list[Block], late: int) -> list[Block]:
    """The blocks of the sitting under way so much later, gaps and all: they are waits."""
    current = problem.sitting_at(problem.now)
    until = problem.sittings[current].end if current is not None else problem.now
    later = [
        replace(block, start=block.start + late, end=block.end + late)
        if problem.now < block.start < until
        else block
        for block in blocks
    ]
    return _pushed(later, problem.now)


def _as_planned(blocks: list[Block], later: list[Block]) -> bool:
    return all(
        new.start - old.start <= AS_PLANNED_S for old, new in zip(blocks, later, strict=True)
    )


def _whole(problem: Problem, plan: Plan, blocks: list[Block]) -> Plan | None:
    """The plan of these blocks with its own figures, where it keeps every rule."""
    binding = {pin.task for pin in problem.pins if problem.now <= pin.start + pin.slack_s}
    dropped = tuple(task for task in plan.dropped_pins if task in binding)
    done_at = dry_after(problem, blocks)
    done_at |= dict.fromkeys(items_of(problem, plan.left), problem.last_end())
    score = measure(problem, blocks, done_at, len(plan.missed), plan.left)
    found = replace(
        plan,
        blocks=tuple(blocks),
        score=score,
        bounds=_bounds(plan, score),
        dropped_pins=dropped,
    )
    return None if check(problem, found) else found


def _bounds(plan: Plan, score: Score) -> Bounds:
    """What was proven of the whole plan, for what is left of it.

    A cheaper rest would, with what was worked as planned, have made a whole cheaper than was proven
    possible. As planned is to within ``AS_PLANNED_S``, so as much is taken off.
    """
    known, bounds = plan.score, plan.bounds
    spared = AS_PLANNED_S + known.cost_s - bounds.cost_s
    hands_on = score.hands_on_s - (known.hands_on_s - bounds.hands_on_s) - AS_PLANNED_S
    return replace(
        bounds,
        late_weight=min(bounds.late_weight, score.late_weight),
        hands_on_s=max(0, hands_on),
        finish=min(bounds.finish, score.finish),
        cost_s=max(0, score.cost_s - spared),
        left_weight=min(bounds.left_weight, score.left_weight),
    )

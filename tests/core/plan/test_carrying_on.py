"""A plan that is worked as planned is carried on as it is; one that is not is mended."""

from __future__ import annotations

from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from muster.core.plan.carrying_on import carry_on
from muster.core.plan.checking import check
from muster.core.plan.plan import Block, Plan
from muster.core.plan.problem import Done, Open, Problem
from muster.core.plan.reading import problem_from
from tests.bench.instances import force
from tests.core.plan.making import problems
from tests.core.plan.test_planner import planned, read_or_skip

TIGHT = problem_from(force(4, wants=True, handles=20))
PLAN = planned(TIGHT, 30)
PROBLEM = replace(
    TIGHT, sittings=tuple(replace(one, end=one.end + 300) for one in TIGHT.sittings)
)  # A few minutes that the plan leaves free.
WORK = [block for block in PLAN.blocks if block.do == "work"]


def worked(problem: Problem, plan: Plan, until: int, late: int = 0) -> Problem:
    """The problem at ``until``, when all was worked that begins before, as planned or so late."""
    done, uses = [], dict[str, Open]()
    out: list[str] = []
    sitting = problem.sitting_at(until - late)
    for block in plan.blocks:
        if block.start + late >= until or problem.sitting_at(block.start) != sitting:
            if block.do == "work" and block.start + late < until:
                done.append(_piece(block, until, late))
            continue
        over = block.end + late <= until
        if block.do == "get_out" and over:
            out.append(block.ref)
        elif block.do == "put_away" and over:
            out.remove(block.ref)
        elif block.do in ("open", "close") and over:
            # Opened again, where its life was over, it is a new mix.
            uses.pop(block.ref, None)
        elif block.do == "work":
            piece = _piece(block, until, late)
            done.append(piece)
            family = problem.tasks[block.ref].family
            if family is not None:
                first = uses.get(family)
                begun = first.first_start if first else piece.start
                uses[family] = Open(family, begun, piece.end)
    return replace(problem, now=until, done=(*problem.done, *done), open=tuple(uses.values()),
                   out=tuple(out))  # fmt: skip


def _piece(block: Block, until: int, late: int) -> Done:
    end = min(block.end + late, until)
    start = block.start + late
    return Done(block.ref, block.from_s, block.from_s + end - start, start, end)


@given(problems(), st.integers(0, 30))
def test_whatever_is_worked_to_plan_is_carried_on_block_for_block(raw: dict, which: int) -> None:
    problem = read_or_skip(raw)
    plan = planned(problem)
    pieces = [block for block in plan.blocks if block.do == "work"]
    assume(pieces)
    until = pieces[which % len(pieces)].end
    later = worked(problem, plan, until)
    carried = carry_on(later, plan)
    to_come = tuple(block for block in plan.blocks if block.start >= until)
    if carried is None:
        # Only where the rest is nothing that stands by itself: all is over.
        assert not any(block.do == "work" for block in to_come) or check(later, plan_of(later))
    else:
        assert carried.blocks == to_come
        assert check(later, carried) == []


def plan_of(problem: Problem) -> Plan:
    """A plan made anew."""
    return planned(problem, 5)


@pytest.mark.parametrize("which", range(0, len(WORK), 7))
def test_in_the_middle_of_a_piece_the_rest_of_it_comes_first(which: int) -> None:
    block = WORK[which]
    until = (block.start + block.end) // 2
    later = worked(PROBLEM, PLAN, until)
    carried = carry_on(later, PLAN)
    assert carried is not None
    first = carried.blocks[0]
    assert (first.ref, first.start, first.end) == (block.ref, until, block.end)
    assert carried.blocks[1:] == tuple(one for one in PLAN.blocks if one.start >= block.end)
    assert carried.score.hands_on_s == sum(one.end - one.start for one in carried.blocks)
    assert carried.score.cost_s < PLAN.score.cost_s
    assert carried.bounds.cost_s <= carried.score.cost_s


@pytest.mark.parametrize("late", [1, 45, 119])
@pytest.mark.parametrize("which", [0, 5])
def test_a_minute_late_the_rest_of_the_sitting_comes_as_much_later_at_most(
    late: int, which: int
) -> None:
    """Also where a wait is kept to the second, which no gap may take up."""
    block = WORK[which]
    later = worked(PROBLEM, PLAN, block.end + late, late)
    carried = carry_on(later, PLAN)
    assert carried is not None
    rest = [one for one in PLAN.blocks if one.start >= block.end]
    shifts = [new.start - old.start for new, old in zip(carried.blocks, rest, strict=True)]
    assert shifts[0] == late and shifts[-1] == 0
    assert shifts == sorted(shifts, reverse=True)


def test_three_minutes_late_or_where_the_sitting_is_full_the_plan_is_mended() -> None:
    assert carry_on(worked(PROBLEM, PLAN, WORK[0].end + 180, 180), PLAN) is None
    assert carry_on(worked(TIGHT, PLAN, WORK[0].end + 119, 119), PLAN) is None


def test_three_minutes_early_it_is_mended_and_a_minute_early_it_is_not() -> None:
    """What was won is used, but not for a minute of it."""
    block = WORK[2]
    later = worked(PROBLEM, PLAN, block.end)
    for early, is_kept in ((60, True), (180, False)):
        sooner = replace(
            later,
            now=block.end - early,
            done=(*later.done[:-1], replace(later.done[-1], end=block.end - early)),
            open=tuple(replace(one, last_end=min(one.last_end, block.end - early))
                       for one in later.open),
        )  # fmt: skip
        assert (carry_on(sooner, PLAN) is not None) == is_kept


def test_until_the_first_call_is_late_what_was_to_be_got_out_is_taken_to_be() -> None:
    """Nothing is told of getting ready; who begins on time moves nothing."""
    begins, first = PLAN.blocks[0].start, WORK[0].start
    assert first > begins + 60
    for now in (begins + 30, first - 1, first, first + 60):
        idle = carry_on(replace(PROBLEM, now=now), PLAN, 60)
        assert idle is not None
        assert next(b for b in idle.blocks if b.do == "work").start - first in range(61)
    assert carry_on(replace(PROBLEM, now=first + 61), PLAN, 60) is None


def test_work_that_was_not_planned_mends_it() -> None:
    other = WORK[-1]
    task = PROBLEM.tasks[other.ref]
    now = WORK[0].start
    done = (Done(other.ref, 0, task.per_item_s, now - task.per_item_s, now),)
    assert carry_on(replace(PROBLEM, now=now, done=done), PLAN) is None


def test_a_task_that_is_gone_or_new_mends_it() -> None:
    gone = {name: task for name, task in PROBLEM.tasks.items() if name != WORK[0].ref}
    assert carry_on(replace(PROBLEM, tasks=gone, links=()), PLAN) is None
    first = PROBLEM.tasks[WORK[0].ref]
    new = {**PROBLEM.tasks, "new": replace(first, id="new")}
    assert carry_on(replace(PROBLEM, tasks=new), PLAN) is None


def test_what_is_left_stays_left_with_its_own_figures() -> None:
    """A task that no sitting has the light for."""
    name = WORK[-1].ref
    unlit = replace(PROBLEM.tasks[name], needs=("moonlight",))
    dark = replace(PROBLEM, tasks={**PROBLEM.tasks, name: unlit})
    plan = planned(dark, 10)
    assert plan.left
    first = next(block for block in plan.blocks if block.do == "work")
    carried = carry_on(worked(dark, plan, first.end), plan)
    assert carried is not None
    assert (carried.left, carried.status) == (plan.left, "partial")
    assert carried.score.left_weight == plan.score.left_weight


def test_nothing_is_carried_on_that_breaks_a_rule_by_now() -> None:
    """A sitting was taken away under it."""
    assert carry_on(replace(PROBLEM, sittings=PROBLEM.sittings[1:]), PLAN) is None


def test_the_figures_of_the_rest_are_its_own() -> None:
    last = worked(PROBLEM, PLAN, WORK[-1].start + 5)
    carried = carry_on(last, PLAN)
    assert carried is not None
    assert carried.score.missed == 0 and carried.score.left_weight == Fraction(0)
    assert carried.score.finish == PLAN.score.finish

"""Whatever the problem, a plan keeps every rule, states true figures, and is repeatable."""

from __future__ import annotations

import json
import os
from typing import Any

from hypothesis import HealthCheck, assume, given, settings
from hypothesis import strategies as st

from muster.core.errors import DomainError
from muster.core.plan.checking import check
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.plan.problem import Problem
from muster.core.plan.reading import problem_from
from muster.core.plan.vetting import all_left
from tests.core.plan.making import problems

EXAMPLES = int(os.environ.get("CRISP_EXAMPLES", "30"))

slow = settings(
    max_examples=150,
    deadline=None,
    suppress_health_check=[HealthCheck.too_slow, HealthCheck.filter_too_much],
)


def read_or_skip(raw: dict[str, Any]) -> Problem:
    try:
        return problem_from(raw)
    except DomainError:
        assume(False)
        raise


def planned(problem: Problem, steps: int = 30, seed: int = 1) -> Plan:
    planner = Planner(problem, seed)
    planner.first()
    return planner.improve(steps, lambda: 1.0)


@given(problems())
@slow
def test_every_plan_keeps_every_rule_and_states_true_figures(raw: dict[str, Any]) -> None:
    problem = read_or_skip(raw)
    plan = planned(problem)
    assert check(problem, plan) == []


@given(problems(), st.data())
@slow
def test_a_plan_made_half_way_keeps_every_rule_against_facts(
    raw: dict[str, Any], data: st.DataObject
) -> None:
    problem = read_or_skip(raw)
    plan = planned(problem, 5)
    assume(plan.blocks)
    now = data.draw(st.integers(0, plan.score.finish))
    later = read_or_skip(carried_out(raw, plan, now, data.draw(st.integers(0, 40))))
    mended = Planner(later, 1).first(guide=plan)
    assert check(later, mended) == []


def carried_out(raw: dict[str, Any], plan: Plan, now: int, late: int) -> dict[str, Any]:
    """The problem at ``now + late``, when all was done as planned up to ``now``."""
    done, out, last, first = [], set(), {}, {}
    tasks = {task["id"]: task for task in raw["tasks"]}
    sitting = next((s for s in raw["sittings"] if s["start"] <= now + late < s["end"]), None)
    for block in plan.blocks:
        if block.start >= now:
            break
        here = sitting is not None and block.start >= sitting["start"]
        if block.do == "work":
            cut = min(block.end, now)
            to = block.from_s + cut - block.start
            done.append({"task": block.ref, "from_s": block.from_s, "to_s": to,
                         "start": block.start, "end": cut})  # fmt: skip
            family = tasks[block.ref]["family"]
            if here and family:
                first.setdefault(family, block.start)
                last[family] = cut
        if block.do == "close":
            first.pop(block.ref, None)
            last.pop(block.ref, None)
        if here and block.do == "get_out":
            out.add(block.ref)
        if block.do == "put_away":
            out.discard(block.ref)
    left = [{"family": f, "first_start": first[f], "last_end": last[f]} for f in last]
    return {**raw, "now": now + late, "done": done, "open": left, "out": sorted(out)}


@given(problems(most_trays=4, most_items=4))
@settings(slow, max_examples=EXAMPLES)
def test_a_long_search_keeps_every_rule_too(raw: dict[str, Any]) -> None:
    """What is first placed well may be moved where several places are short at once."""
    problem = read_or_skip(raw)
    planner = Planner(problem, 3)
    planner.first()
    for steps in (150, 300):
        assert check(problem, planner.improve(steps, lambda: 1.0)) == []


@given(problems(), st.data())
@slow
def test_leaving_everything_is_a_valid_plan_of_every_problem(
    raw: dict[str, Any], data: st.DataObject
) -> None:
    problem = read_or_skip(raw)
    assert check(problem, all_left(problem)) == []
    plan = planned(problem, 5)
    now = data.draw(st.integers(0, plan.score.finish))
    later = read_or_skip(carried_out(raw, plan, now, data.draw(st.integers(0, 40))))
    assert check(later, all_left(later)) == []


@given(problems(), st.integers(0, 5))
@settings(slow, max_examples=25)
def test_same_seed_and_steps_give_the_same_plan(raw: dict[str, Any], seed: int) -> None:
    problem = read_or_skip(raw)
    one, two = planned(problem, 12, seed), planned(problem, 12, seed)
    assert json.dumps(one.to_json()) == json.dumps(two.to_json())


@given(problems())
@settings(slow, max_examples=25)
def test_a_plan_written_and_read_back_is_the_same(raw: dict[str, Any]) -> None:
    plan = planned(read_or_skip(raw), 3)
    assert Plan.from_json(json.loads(json.dumps(plan.to_json()))) == plan


def test_more_steps_are_never_worse() -> None:
    from tests.core.plan.test_validation import EXAMPLE

    problem = problem_from(EXAMPLE)
    assert planned(problem, 40).score.rank() <= planned(problem, 1).score.rank()

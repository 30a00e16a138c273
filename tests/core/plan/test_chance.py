"""Chance: what becomes of a plan when minutes are not as planned."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from muster.core.plan.chance import chance_of
from muster.core.plan.plan import Plan
from muster.core.plan.planner import Planner
from muster.core.plan.problem import Problem, Sitting
from muster.core.plan.reading import problem_from
from tests.bench.instances import force
from tests.core.plan.making import items, problem_json, task


def case(due: int | None, minutes: int = 50, **more: Any) -> tuple[Problem, Plan]:
    """One job in one long sitting."""
    raw = problem_json(
        sittings=[{"start": 0, "end": 20_000}, {"start": 90_000, "end": 99_000}],
        items=items("m-1", due=due), tasks=[task("base", ["m-1"], minutes * 60)], **more,
    )  # fmt: skip
    problem = problem_from(raw)
    return problem, Planner(problem).first()


def test_without_spread_everything_happens_as_planned() -> None:
    problem, plan = case(due=3000)
    sure = chance_of(problem, plan, 20, spread={"base": 0.0})
    assert sure.all_in_time == 1
    assert sure.finish_early == sure.finish_late == plan.score.finish
    assert sure.matters_most is None


def test_due_at_the_planned_end_is_kept_about_every_other_time() -> None:
    """Log-normal with mean as planned: the median lies a little below it."""
    problem, plan = case(due=3000)
    assert 0.5 < chance_of(problem, plan, 1500).all_in_time < 0.6


def test_a_later_due_is_kept_more_often() -> None:
    shares = [chance_of(*case(due=due), futures=300).all_in_time for due in (2000, 3000, 4500)]
    assert shares == sorted(shares)
    assert shares[0] < 0.1
    assert shares[2] > 0.9


def test_a_wider_spread_makes_both_ends_wider() -> None:
    problem, plan = case(due=None)
    narrow = chance_of(problem, plan, 300, spread={"base": 0.1})
    wide = chance_of(problem, plan, 300, spread={"base": 0.5})
    assert wide.finish_late - wide.finish_early > narrow.finish_late - narrow.finish_early


def test_the_same_seed_sees_the_same_futures() -> None:
    problem, plan = case(due=3000)
    assert chance_of(problem, plan, 50, seed=4) == chance_of(problem, plan, 50, seed=4)


def test_the_long_call_matters_most() -> None:
    raw = problem_json(
        sittings=[{"start": 0, "end": 40_000}], items=items("m-1", "m-2"),
        tasks=[task("short", ["m-1"], 300), task("long", ["m-2"], 9000)],
    )  # fmt: skip
    problem = problem_from(raw)
    assert chance_of(problem, Planner(problem).first(), 400).matters_most == "long"


def test_every_unit_has_a_chance_and_none_is_below_that_of_all() -> None:
    problem = problem_from(force(8, due_share=1.0))
    planner = Planner(problem)
    planner.first()
    plan = planner.improve(100, lambda: 1.0)
    seen = chance_of(problem, plan, 200)
    assert set(seen.by_unit) == {"u0", "u1", "u2"}
    assert all(seen.all_in_time <= share <= 1 for share in seen.by_unit.values())


def test_what_has_begun_is_fact_and_has_no_spread() -> None:
    raw = problem_json(
        sittings=[{"start": 0, "end": 20_000}], items=items("m-1", "m-2"), now=100,
        tasks=[task("base", ["m-1", "m-2"], 100)],
        done=[{"task": "base", "from_s": 0, "to_s": 100, "start": 0, "end": 100}],
    )  # fmt: skip
    problem = problem_from(raw)
    seen = chance_of(problem, Planner(problem).first(), 20)
    assert seen.finish_early == seen.finish_late


def test_what_is_left_is_never_in_time() -> None:
    problem, plan = case(due=15_000)
    cut = replace(problem, sittings=(Sitting(0, 250),), conditions=())
    part = Planner(cut).first()
    assert part.status == "partial"
    last = cut.last_end()
    late = replace(cut, items={n: replace(i, due=last - 1) for n, i in cut.items.items()})
    assert chance_of(late, part, 20).all_in_time == 0
    assert plan.status == "planned"

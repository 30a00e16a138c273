"""Small problems against exhaustive search: bounds are never above the optimum, plans near it."""

from __future__ import annotations

import os
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from muster.core.plan.bounds import bounds_of
from muster.core.plan.bounds_lp import proven
from muster.core.plan.reading import problem_from
from tests.core.plan.making import items, problem_json, task
from tests.core.plan.oracle import best_score
from tests.core.plan.test_planner import planned

EXAMPLES = int(os.environ.get("CRISP_EXAMPLES", "30"))


@st.composite
def tiny(draw: st.DrawFn) -> dict[str, Any]:
    """Two or three tasks of one or two items in a minute or so of bench time."""
    first = draw(st.integers(0, 3))
    sittings = [{"start": first, "end": first + draw(st.integers(8, 14))}]
    if draw(st.booleans()):
        gap = draw(st.integers(2, 6))
        sittings.append({"start": sittings[0]["end"] + gap, "end": sittings[0]["end"] + gap + 9})
    families = {
        "black": {"tool": None, "setup_s": draw(st.integers(0, 2)), "cleanup_s": 0,
                  "open_s": draw(st.sampled_from([None, 2])), "life_s": None},
    }  # fmt: skip
    names = ["a-1", "a-2"][: draw(st.integers(1, 2))]
    rows = [
        task(f"t{n}", names, draw(st.integers(1, 2)), dry_s=draw(st.integers(0, 3)),
             family=draw(st.sampled_from([None, "black"])))
        for n in range(draw(st.integers(1, 2)))
    ]  # fmt: skip
    links = []
    if len(rows) == 2 and draw(st.booleans()):
        stand = draw(st.integers(0, 4))
        window = draw(st.sampled_from([None, 6]))
        links.append({"before": "t0", "after": "t1", "stand_s": stand, "window_s": window})
    due = draw(st.sampled_from([None, 9]))
    # A day is worth so much that finishing sooner can outweigh an opening.
    return problem_json(
        sittings=sittings, families=families, items=items(*names, due=due), tasks=rows, links=links,
        day_s=86_400, item_day_s=43_200,
    )  # fmt: skip


@given(tiny())
@settings(
    max_examples=25, deadline=None,
    suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large],
)  # fmt: skip
def test_bounds_hold_and_plans_reach_the_optimum_or_stay_near(raw: dict[str, Any]) -> None:
    problem = problem_from(raw)
    best = best_score(problem)
    plan = planned(problem, 60)
    assert (plan.score.left_weight, plan.score.left_s) == (best.left_weight, best.left_s)
    assert plan.bounds.left_weight <= best.left_weight
    if best.left_s:
        return
    bounds = bounds_of(problem)
    assert bounds.late_weight <= best.late_weight
    if best.late_weight == 0:
        assert bounds.hands_on_s <= best.hands_on_s
        assert bounds.cost_s <= proven(problem, bounds).cost_s <= best.cost_s
    assert bounds.finish <= best.finish
    assert plan.score.rank() >= best.rank()
    assert plan.score.cost_s <= best.cost_s + 6 or plan.score.late_weight > best.late_weight


@st.composite
def too_much(draw: st.DrawFn) -> dict[str, Any]:
    """Two models of different weight, and less bench time than their passes take."""
    sittings = [{"start": 0, "end": draw(st.integers(2, 8))}]
    if draw(st.booleans()):
        at = sittings[0]["end"] + draw(st.integers(1, 4))
        sittings.append({"start": at, "end": at + draw(st.integers(1, 5))})
    rows = []
    links = []
    for name in ("a-1", "b-1"):
        rows.append(task(f"{name}/wash", [name], draw(st.integers(1, 4))))
        if draw(st.booleans()):
            rows.append(task(f"{name}/wipe", [name], draw(st.integers(1, 3))))
            stand = draw(st.integers(0, 2))
            window = draw(st.sampled_from([None, None, 0, 3]))
            links.append({"before": f"{name}/wash", "after": f"{name}/wipe", "stand_s": stand,
                          "window_s": None if window is None else stand + window})  # fmt: skip
    models = [{"id": name, "weight": draw(st.integers(1, 3))} for name in ("a-1", "b-1")]
    return problem_json(sittings=sittings, items=models, tasks=rows, links=links)


@given(too_much())
@settings(
    max_examples=EXAMPLES, deadline=None,
    suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large],
)  # fmt: skip
def test_what_is_left_is_the_least_that_can_be(raw: dict[str, Any]) -> None:
    problem = problem_from(raw)
    best = best_score(problem)
    plan = planned(problem, 3000)
    assert (plan.score.left_weight, plan.score.left_s) == (best.left_weight, best.left_s)
    assert plan.bounds.left_weight <= best.left_weight


def one_machine(rows: list[tuple[int, int, int]]) -> dict[str, Any]:
    """Jobs (minutes, due, weight) in one unbroken sitting without waits or set-ups."""
    return problem_json(
        sittings=[{"start": 0, "end": 100_000}],
        items=[{"id": f"job-{n}", "weight": w, "due": due} for n, (_, due, w) in enumerate(rows)],
        tasks=[task(f"t-job-{n}", [f"job-{n}"], row[0], **{"break": "none"})
               for n, row in enumerate(rows)],
        day_s=0, item_day_s=86_400,
    )  # fmt: skip


def test_on_one_machine_shortest_weighted_time_first_is_best() -> None:
    """Smith 1956: the weighted sum of completions is least in the order of time over weight."""
    rows = [(50, 10**6, 1), (10, 10**6, 4), (30, 10**6, 1), (20, 10**6, 2), (90, 10**6, 9)]
    plan = planned(problem_from(one_machine(rows)), 400)
    order = [int(block.ref.rsplit("-", 1)[1]) for block in plan.blocks]
    at, smith = 0, 0
    for per, _, weight in sorted(rows, key=lambda row: row[0] / row[2]):
        at += per
        smith += weight * at
    assert plan.score.cost_s == sum(row[0] for row in rows) + smith
    ratios = [rows[n][0] / rows[n][2] for n in order]
    assert ratios == sorted(ratios)


def test_on_one_machine_where_earliest_due_date_is_in_time_so_is_the_plan() -> None:
    """Jackson 1955: earliest due date first minimises the greatest lateness."""
    rows = [(50, 200, 1), (10, 15, 1), (30, 100, 1), (20, 45, 1), (60, 170, 1)]
    at = 0
    for per, due, _ in sorted(rows, key=lambda row: row[1]):
        at += per
        assert at <= due
    plan = planned(problem_from(one_machine(rows)), 600)
    assert plan.score.late_weight == 0


@pytest.mark.parametrize("seed", range(4))
def test_a_general_scheduling_library_agrees_on_small_one_machine_problems(seed: int) -> None:
    """PyJobShop (PyPI) proves the least weighted completion on one machine with time lags."""
    import random

    from pyjobshop import Model, SolveStatus

    chance = random.Random(seed)
    jobs, lag = 4, 25
    times = [(chance.randint(5, 40), chance.randint(5, 40)) for _ in range(jobs)]
    model = Model()
    machine = model.add_machine()
    ends = []
    for first, second in times:
        job = model.add_job(weight=1)
        one, two = model.add_task(job=job), model.add_task(job=job)
        model.add_mode(one, machine, duration=first)
        model.add_mode(two, machine, duration=second)
        model.add_end_before_start(one, two, delay=lag)
        ends.append(two)
    model.set_objective(weight_total_flow_time=1)
    result = model.solve(solver="ortools", time_limit=20, display=False)
    assert result.status == SolveStatus.OPTIMAL
    names = [f"m-{n}" for n in range(jobs)]
    rows, links = [], []
    for name, (first, second) in zip(names, times, strict=True):
        rows += [task(f"{name}-a", [name], first), task(f"{name}-b", [name], second)]
        links.append({"before": f"{name}-a", "after": f"{name}-b", "stand_s": lag})
    raw = problem_json(
        sittings=[{"start": 0, "end": 10_000}], items=items(*names), tasks=rows, links=links,
        day_s=0, item_day_s=86_400,
    )  # fmt: skip
    work = sum(map(sum, times))
    best = work + int(result.objective)
    plan = planned(problem_from(raw), 4000)
    assert plan.bounds.cost_s <= best <= plan.score.cost_s
    assert plan.score.cost_s == best


few = settings(
    max_examples=12, deadline=None,
    suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large],
)  # fmt: skip


@given(tiny(), st.integers(3, 6))
@settings(few, max_examples=8)
def test_an_added_sitting_never_worsens_the_optimal_lateness(
    raw: dict[str, Any], length: int
) -> None:
    best = best_score(problem_from(raw))
    last = raw["sittings"][-1]["end"]
    more = {**raw, "sittings": [*raw["sittings"], {"start": last + 2, "end": last + 2 + length}]}
    wider = best_score(problem_from(more))
    assert wider.rank()[:5] <= best.rank()[:5]


@given(tiny(), st.integers(3, 6))
@settings(few, max_examples=5)
def test_an_added_sitting_never_worsens_the_earliest_finish(
    raw: dict[str, Any], length: int
) -> None:
    """Where a day counts for nearly all, the optimum is the earliest finish."""
    raw = {**raw, "day_s": 86_400 * 20, "item_day_s": 0}
    raw["items"] = [{**item, "due": None} for item in raw["items"]]
    best = best_score(problem_from(raw))
    last = raw["sittings"][-1]["end"]
    more = {**raw, "sittings": [*raw["sittings"], {"start": last + 2, "end": last + 2 + length}]}
    wider = best_score(problem_from(more))
    if not best.left_s:
        assert wider.finish <= best.finish


@given(tiny(), st.integers(1, 3))
@few
def test_a_longer_stand_never_improves_the_optimum(raw: dict[str, Any], longer: int) -> None:
    if not raw["links"]:
        return
    link = raw["links"][0]
    if link["window_s"] is not None and link["stand_s"] + longer > link["window_s"]:
        return
    best = best_score(problem_from(raw))
    held = best_score(
        problem_from({**raw, "links": [{**link, "stand_s": link["stand_s"] + longer}]})
    )
    assert best.rank() <= held.rank()

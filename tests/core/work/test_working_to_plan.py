"""Working to plan moves nothing; running late moves only what it must."""

from __future__ import annotations

import uuid
from dataclasses import dataclass, field, replace
from datetime import datetime, time, timedelta
from typing import Any

import pytest

from muster.core.choices import Choices
from muster.core.commands.rhythm import rhythm_of
from muster.core.facts.fact import Fact
from muster.core.kept_plan import carried_on, chores_so_far, shifted
from muster.core.pipeline import Derived, derive, plan_first
from muster.core.plan.carrying_on import is_later
from muster.core.plan.plan import Block, Plan
from muster.core.plan.planner import Planner
from muster.core.snapshot import Chore, Snapshot
from muster.core.views.moved import moved_between, moved_words
from muster.core.views.roll import head_of, roll_of
from tests.core.making import BASE, NOW, UNDERCOAT, WASH, a_pass, choices, recipe, unit

GREEN = a_pass("green", 1.5, tool="airbrush", setup_min=1, cleanup_min=2, open_min=15, life_min=90,
               dry_min=15, stand_min=20)  # fmt: skip
LIGHTS = a_pass("lights", 1, tool="brush", setup_min=1, cleanup_min=1, open_min=30)
RECIPE = recipe(UNDERCOAT, GREEN, BASE, LIGHTS, WASH)
FORCE = choices(
    unit(8, tray_size=4),
    unit(6, id="crews", name="Crews"),
    evenings=(),
    rhythm=rhythm_of({1: (time(19, 30), time(22)), 3: (time(19, 30), time(22)),
                      5: (time(10), time(12))}, NOW.date()),
)  # fmt: skip


@dataclass
class Evening:
    """A painter and the application: facts go in, the plan mends as the application mends it."""

    chosen: Choices = FORCE
    now: datetime = NOW
    facts: list[Fact] = field(default_factory=list)
    plan: Plan | None = None
    origin: datetime = NOW
    past: tuple[Chore, ...] = ()
    seen: int = 0
    mended: int = 0
    derived: Derived | None = None

    def look(self) -> Plan:
        """The plan that holds now."""
        chores = chores_so_far(self.past, self.plan, self.origin, self.now) if self.plan else ()
        known = {(RECIPE.id, RECIPE.version): RECIPE}
        made = derive(Snapshot(self.chosen, tuple(self.facts), known, self.now, chores=chores))
        guide = None
        if self.plan is not None:
            guide = shifted(self.plan, made.instance.seconds(self.origin))
            carried = carried_on(guide, made, self.seen)
            if carried is not None:
                self.derived = made
                if self.seen != len(self.facts) and is_later(guide, carried):
                    self.keep(carried, chores)
                return carried
        made, plan = plan_first(made, guide, steady=True)
        if guide is None:
            planner = Planner(made.instance.problem)
            planner.first()
            plan = planner.improve(400, lambda: 1.0)
        self.mended += 1
        self.derived = made
        self.keep(plan, chores)
        return plan

    def keep(self, plan: Plan, chores: tuple[Chore, ...]) -> None:
        assert self.derived is not None
        self.past, self.plan, self.seen = chores, plan, len(self.facts)
        self.origin = self.derived.instance.origin

    def tell(self, kind: str, block: Block, at: datetime, **more: Any) -> None:
        assert self.derived is not None
        call = self.derived.calls[block.ref]
        self.facts.append(
            Fact(id=uuid.uuid4(), kind=kind, at=at, unit=call.unit.id,
                 pass_keys=call.keys, tray=call.tray, **more)
        )  # fmt: skip

    def bench_s(self) -> int:
        plan = self.look()
        assert self.derived is not None
        return head_of(self.derived, plan, roll_of(self.derived)).bench_s

    def starts(self) -> dict[tuple[str, int], datetime]:
        """When each piece still to come starts, by call and where in it."""
        return {
            (b.ref, b.from_s): self.origin + timedelta(seconds=b.start)
            for b in self.look().blocks
            if b.do == "work" and self.origin + timedelta(seconds=b.start) > self.now
        }

    def work(self, block: Block, late: timedelta = timedelta(0), look_each: int = 60) -> None:
        """Work one piece as planned, looking at the screen each minute of it and before it."""
        assert self.derived is not None
        begins = self.origin + timedelta(seconds=block.start) + late
        self.now = max(self.now, begins - timedelta(minutes=12))
        while late == timedelta(0) and self.now + timedelta(seconds=look_each) < begins:
            self.now += timedelta(seconds=look_each)
            self.look()
        task = self.derived.instance.problem.tasks[block.ref]
        call = self.derived.calls[block.ref]
        self.now = begins
        self.tell("begin", block, begins)
        self.look()
        per = task.per_item_s
        for place in range(block.from_s // per, block.to_s // per):
            start = begins + timedelta(seconds=place * per - block.from_s)
            end = start + timedelta(seconds=per)
            while self.now + timedelta(seconds=look_each) < end:
                self.now += timedelta(seconds=look_each)
                self.look()
            self.now = end
            self.tell("tick", block, end, model=call.models[place], start=start)
            self.look()
        self.tell("end", block, self.now)
        self.look()


def pieces_of(evening: Evening, plan: Plan, sittings: int) -> list[Block]:
    """The pieces of the first sittings that hold any."""
    assert evening.derived is not None
    problem = evening.derived.instance.problem
    used = sorted({problem.sitting_at(b.start) or 0 for b in plan.blocks})[:sittings]
    return [b for b in plan.blocks if b.do == "work" and problem.sitting_at(b.start) in used]


def test_three_sittings_worked_to_plan_move_no_call_and_bench_time_falls_by_what_was_worked() -> (
    None
):
    evening = Evening()
    plan = evening.look()
    planned = {
        (b.ref, b.from_s): evening.origin + timedelta(seconds=b.start)
        for b in plan.blocks
        if b.do == "work"
    }
    blocks = [
        (evening.origin + timedelta(seconds=b.start), evening.origin + timedelta(seconds=b.end))
        for b in plan.blocks
    ]
    todo = pieces_of(evening, plan, 3)
    assert len(todo) > 12
    for block in todo:
        evening.work(replace(block))
        coming = evening.starts()
        assert coming == {key: at for key, at in planned.items() if at > evening.now}
        left = sum(max(0.0, (end - max(start, evening.now)).total_seconds())
                   for start, end in blocks)  # fmt: skip
        assert evening.bench_s() == pytest.approx(left, abs=2)
    assert evening.mended == 1, "the plan was made once, and never mended"


def test_a_minute_late_and_a_minute_early_mends_nothing_and_moves_calls_by_no_more() -> None:
    """No one ticks to the second, and what dries to the second is waited for all the same."""
    hours = {day: (time(10), time(20)) for day in range(7)}
    evening = Evening(replace(FORCE, rhythm=rhythm_of(hours, NOW.date())))
    plan = evening.look()
    planned = {
        (b.ref, b.from_s): evening.origin + timedelta(seconds=b.start)
        for b in plan.blocks
        if b.do == "work"
    }
    for number, block in enumerate(pieces_of(evening, plan, 1)):
        late = (25, 60, 0, 41, 7)[number % 5]
        evening.now = max(evening.now, evening.origin + timedelta(seconds=block.start))
        now_planned = next(b for b in evening.look().blocks if b.ref == block.ref)
        evening.work(now_planned, late=timedelta(seconds=late))
        for key, at in evening.starts().items():
            assert abs((at - planned[key]).total_seconds()) <= 120
    assert evening.mended == 1


def test_a_start_makes_the_bench_time_no_longer() -> None:
    """A begun call has its tool out and its mix open."""
    evening = Evening()
    plan = evening.look()
    first = next(b for b in plan.blocks if b.do == "work")
    before = evening.bench_s()
    set_up = sum(b.end - b.start for b in plan.blocks if b.end <= first.start)
    evening.now = evening.origin + timedelta(seconds=first.start)
    evening.tell("begin", first, evening.now)
    assert evening.bench_s() == before - set_up


def test_ten_minutes_late_the_order_stays_and_all_that_moves_is_one_sentence() -> None:
    evening = Evening()
    plan = evening.look()
    order = [b.ref for b in plan.blocks if b.do == "work"]
    first = next(b for b in plan.blocks if b.do == "work")
    old, old_origin = plan, evening.origin
    evening.work(first, late=timedelta(minutes=10))
    mended = evening.look()
    assert evening.derived is not None
    # What no longer fits in the evening goes on in the next one; the order is the same.
    after = list(dict.fromkeys(b.ref for b in mended.blocks if b.do == "work"))
    assert after == [name for name in dict.fromkeys(order) if name != first.ref]
    was = shifted(old, evening.derived.instance.seconds(old_origin))
    said = moved_words(moved_between(evening.derived, was, mended), "Europe/London")
    assert len(said) <= 2


def test_an_evening_that_nobody_came_to_leaves_no_tool_out() -> None:
    evening = Evening()
    plan = evening.look()
    first = next(b for b in plan.blocks if b.do == "work")
    evening.now = evening.origin + timedelta(seconds=first.start, minutes=40)
    evening.look()
    assert evening.derived is not None
    problem = evening.derived.instance.problem
    assert (problem.open, problem.out) == ((), ())


def test_forty_minutes_on_all_of_the_rest_is_one_sentence() -> None:
    evening = Evening()
    plan = evening.look()
    assert evening.derived is not None
    later = replace(
        plan,
        blocks=tuple(replace(b, start=b.start + 2400, end=b.end + 2400) for b in plan.blocks),
    )
    moved = moved_between(evening.derived, plan, later)
    assert len(moved) > 6
    said = moved_words(moved, "Europe/London")
    assert len([words for words in said if "about 40 min later" in words]) == 1

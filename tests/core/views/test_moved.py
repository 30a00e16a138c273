"""What moved is told as a painter would tell it: one sentence for all that moved alike."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta

from muster.core.pipeline import plan_first
from muster.core.views.moved import NOTICED_S, Moved, moved_between, moved_words
from tests.core.making import NOW, choices, derived, evenings, fact
from tests.core.making import unit as a_unit

ZONE = "Europe/London"


def moved(name: str, *, days: float = 0, minutes: float | None = 0) -> Moved:
    before = NOW + timedelta(days=days)
    after = None if minutes is None else before + timedelta(minutes=minutes)
    return Moved(name, name, before, after)


def test_calls_that_move_alike_are_one_sentence() -> None:
    rows = [moved(f"c{n}", days=n, minutes=38 + n % 5) for n in range(68)]
    assert moved_words(rows, ZONE) == ["All of the rest about 40 min later."]
    back = [moved(f"c{n}", days=n, minutes=-180) for n in range(9)]
    assert moved_words(back, ZONE) == ["All of the rest about 3 h sooner."]


def test_a_lost_evening_is_told_in_days() -> None:
    rows = [moved(f"c{n}", days=n, minutes=2 * 1440) for n in range(5)]
    assert moved_words(rows, ZONE) == ["All of the rest about 2 days later."]


def test_what_moves_otherwise_is_named_beside_the_rest() -> None:
    rows = [moved(f"c{n}", days=n, minutes=40) for n in range(5)]
    rows += [moved("Varnish, Pikes", minutes=5 * 1440), moved("Wash, Guns", minutes=None)]
    assert moved_words(rows, ZONE) == [
        "5 calls about 40 min later.",
        "Varnish, Pikes: Tue 19:30 to Sun 7 March 19:30.",
        "Wash, Guns: has no place now.",
    ]


def test_few_calls_are_named_and_many_that_scatter_are_counted() -> None:
    few = [moved(f"c{n}", minutes=40) for n in range(3)]
    assert len(moved_words(few, ZONE)) == 3
    scattered = [moved(f"c{n}", minutes=1440 * 3**n) for n in range(9)]
    said = moved_words(scattered, ZONE)
    assert said[-1].startswith("And ") and said[-1].endswith(" more.")
    assert moved_words([], ZONE) == []


def test_a_call_minutes_later_in_its_sitting_has_not_moved_and_one_in_another_has() -> None:
    made, plan = plan_first(derived(choices(a_unit(12), evenings=evenings(8))))
    sittings = made.instance.problem.sittings
    first = next(block for block in plan.blocks if block.do == "work")

    def with_first_at(start: int) -> list[Moved]:
        later = replace(first, start=start)
        blocks = tuple(later if block is first else block for block in plan.blocks)
        return moved_between(made, plan, replace(plan, blocks=blocks))

    assert with_first_at(first.start) == []
    assert with_first_at(first.start + NOTICED_S - 60) == []
    assert len(with_first_at(first.start + NOTICED_S)) == 1
    assert len(with_first_at(sittings[1].start)) == 1


def test_a_call_that_has_begun_has_not_moved() -> None:
    chosen = choices(a_unit(12), evenings=evenings(8))
    _, plan = plan_first(derived(chosen))
    begun, then = plan_first(derived(chosen, fact("begin", 45), minutes=50))
    assert "pikes.1/undercoat" not in {one.call for one in moved_between(begun, plan, then)}

"""What stands open and out is told by facts, and by what was planned up to now."""

from __future__ import annotations

from muster.core.plan.problem import Family, Open, Tool
from muster.core.work.carried_over import Planned, Use, carried

TOOLS = {"airbrush": Tool(0, 0, 1), "brush": Tool(0, 0, 3)}
FAMILIES = {
    name: Family(tool, 0, 0, None, None)
    for name, tool in (("black", "airbrush"), ("green", "airbrush"), ("brass", "brush"))
}


def at(now: int, uses: list[Use], planned: list[Planned]) -> tuple[list[str], list[str]]:
    open_, out = carried(uses, planned, FAMILIES, TOOLS, now)
    return [row.family for row in open_], list(out)


def test_a_call_that_is_begun_has_its_tool_out_and_its_mix_open() -> None:
    assert at(100, [Use("black", 100, 100)], []) == (["black"], ["airbrush"])


def test_what_was_to_be_closed_by_now_is_closed_and_put_away() -> None:
    uses = [Use("black", 0, 100)]
    done = [Planned("close", "black", 100, 120), Planned("put_away", "airbrush", 120, 160)]
    assert at(130, uses, done) == ([], ["airbrush"])
    assert at(160, uses, done) == ([], [])


def test_what_was_to_be_opened_by_now_is_open_from_then() -> None:
    done = [Planned("close", "black", 100, 120), Planned("open", "green", 120, 140)]
    open_, out = carried([Use("black", 0, 100)], done, FAMILIES, TOOLS, 150)
    assert (open_, out) == (
        (Open("green", 140, 140),), ("airbrush",),
    )  # fmt: skip


def test_a_chore_planned_while_he_was_still_at_work_was_not_done() -> None:
    late = [Planned("close", "black", 100, 120)]
    assert at(200, [Use("black", 0, 180)], late) == (["black"], ["airbrush"])


def test_nobody_at_the_bench_has_got_nothing_out() -> None:
    assert at(900, [], [Planned("get_out", "airbrush", 0, 300)]) == ([], [])


def test_a_tool_that_holds_one_mix_has_had_the_one_before_closed() -> None:
    uses = [Use("black", 0, 50), Use("green", 80, 90)]
    assert at(100, uses, []) == (["green"], ["airbrush"])
    both = [Use("black", 0, 50), Use("brass", 80, 90)]
    assert at(100, both, []) == (["black", "brass"], ["airbrush", "brush"])

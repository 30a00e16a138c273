"""What is left is said in names, days and hours, with remedies that were planned."""

from __future__ import annotations

import re
from dataclasses import replace
from datetime import date, time

from muster.core.choices import Choices, Evening, Order, Weekly
from muster.core.commands.verbs.add_evening import AddEvening
from muster.core.house import Air, House
from muster.core.pipeline import Derived, derive, plan_first
from muster.core.plan.plan import Plan
from muster.core.recipes.recipe import Recipe
from muster.core.snapshot import Snapshot
from muster.core.views.board import board_of
from muster.core.views.left import LeftRow, hours, left_rows
from muster.core.views.left_remedies import left_remedies
from muster.core.views.roll import head_of, roll_of
from tests.core.making import BASE, NOW, UNDERCOAT, WASH, a_pass, choices, recipe, unit

EVENINGS = (Weekly("tue", 1, time(19, 30), time(22), date(2027, 3, 2)),)
SPRAY = replace(UNDERCOAT, needs=("daylight",))


def rows(one: Recipe, **more: object) -> tuple[Derived, Plan, list[LeftRow]]:
    chosen: Choices = choices(unit(6, tray_size=6), evenings=(), rhythm=EVENINGS,
                              parade_day=None, **more)  # fmt: skip
    known = {(one.id, one.version): one}
    made, plan = plan_first(derive(Snapshot(chosen, (), known, NOW)))
    return made, plan, left_rows(made, plan)


def test_a_need_that_no_sitting_has_is_said_once_with_what_waits_for_it() -> None:
    _, _, found = rows(recipe(SPRAY, BASE, WASH))
    assert [(row.title, row.sentence, row.waiting) for row in found] == [
        ("Undercoat, Pikes", "needs daylight, and no sitting has any", ["base", "wash"])
    ]
    assert found[0].models == [1, 2, 3, 4, 5, 6]


def test_air_too_damp_for_ever_is_said_as_that() -> None:
    varnish = a_pass("matt", 1, technique="varnish", tool="airbrush")
    one = recipe(BASE, varnish)
    chosen = choices(unit(6), evenings=(), rhythm=EVENINGS, parade_day=None)
    damp = House(air=Air(12, 90))
    made, plan = plan_first(derive(Snapshot(chosen, (), {(one.id, 1): one}, NOW, damp)))
    assert left_rows(made, plan)[0].sentence.startswith("it fogs in this room's air")


def test_a_pass_too_long_for_every_sitting_names_both_lengths() -> None:
    _, _, found = rows(recipe(a_pass("sculpt", 40, cut="none")))
    assert found[0].sentence == "takes 4 h in one piece; the longest sitting for it is 2 h 30"


def test_a_model_that_the_rack_cannot_hold_names_its_places() -> None:
    chosen = choices(unit(2, kind="building", recipe="hut"), evenings=(), rhythm=EVENINGS,
                     parade_day=None, rack=4)  # fmt: skip
    one = replace(recipe(BASE, name="hut"), kind="building")
    made, plan = plan_first(derive(Snapshot(chosen, (), {("hut", 1): one}, NOW)))
    row = left_rows(made, plan)[0]
    assert row.sentence == "takes 6 places of the rack a model, which holds 4"
    ways = left_remedies(made, plan, row)
    assert ways[0].words == "a rack of 6 places"


def test_no_sentence_speaks_in_seconds_or_from_an_origin() -> None:
    tiny = (Evening("e", date(2027, 3, 2), time(19, 30), time(19, 50)),)
    chosen = choices(unit(6), evenings=tiny)
    made, plan = plan_first(derive(Snapshot(chosen, (), {("infantry", 1): recipe()}, NOW)))
    for row in left_rows(made, plan):
        assert not re.search(r"\d{4,}|\d s\b", row.sentence), row.sentence


def test_where_only_bench_time_is_lacking_it_says_how_much_and_until_when() -> None:
    tiny = (Evening("e", date(2027, 3, 2), time(19, 30), time(19, 45)),)
    chosen = choices(unit(6), evenings=tiny)
    one = recipe(replace(BASE, minutes=5, coats=1))
    made, plan = plan_first(derive(Snapshot(chosen, (), {("infantry", 1): one}, NOW)))
    row = left_rows(made, plan)[0]
    assert row.sentence == "20 min at the bench are lacking up to Tue 2 March, 19:45"


def test_remedies_place_what_they_promise_and_the_cheapest_comes_first() -> None:
    made, plan, found = rows(recipe(SPRAY, BASE, WASH))
    ways = left_remedies(made, plan, found[0])
    kinds = [way.command.changes[0].do for way in ways]
    assert kinds[-1] == "leave_out"
    assert {"waive_need", "add_evening"} <= set(kinds)
    costs = [(way.left_models, way.late_models, way.cost_s) for way in ways[:-1]]
    assert costs == sorted(costs)
    for way in ways:
        chosen = way.command.apply(made.snapshot.choices, NOW)[0]
        other, then = plan_first(derive(replace(made.snapshot, choices=chosen)))
        left = {row.title for row in left_rows(other, then)}
        assert "Undercoat, Pikes" not in left
        head = head_of(other, then, roll_of(other))
        assert head.left_models == way.left_models


def test_a_sitting_by_day_lies_where_the_tag_holds_and_nothing_else_does() -> None:
    made, plan, found = rows(recipe(SPRAY))
    way = next(
        way for way in left_remedies(made, plan, found[0])
        if way.command.changes[0].do == "add_evening"
    )  # fmt: skip
    sitting = way.command.changes[0]
    assert isinstance(sitting, AddEvening)
    assert sitting.day.weekday() >= 5
    assert time(8) <= sitting.start < sitting.end <= time(18)


def test_long_work_in_one_piece_is_offered_to_be_put_down() -> None:
    made, plan, found = rows(recipe(a_pass("sculpt", 40, cut="none")))
    words = [way.words for way in left_remedies(made, plan, found[0])]
    assert "let it be put down half done" in words[:2]
    assert words[-1] == "leave it out"


def test_what_is_left_leaves_the_head_and_the_board_whole() -> None:
    made, plan, _ = rows(recipe(SPRAY, BASE))
    roll = roll_of(made)
    head, board = head_of(made, plan, roll), board_of(made, plan, roll)
    assert (head.left_models, head.bench_s, head.done_by) == (6, 0, None)
    assert board.status == "partial" and [row.id for row in board.rows]


def test_a_unit_that_waits_for_another_is_marked_on_the_board_and_comes_after_it() -> None:
    chosen = choices(
        unit(4, id="crew", name="Crew"), unit(2, id="cab", name="Cabs"),
        evenings=(), rhythm=EVENINGS, parade_day=None, order=(Order("crew", "cab"),),
    )  # fmt: skip
    made, plan = plan_first(derive(Snapshot(chosen, (), {("infantry", 1): recipe()}, NOW)))
    board = board_of(made, plan, roll_of(made))
    assert [(mark.before, mark.after) for mark in board.orders] == [
        ("crew.1/wash", "cab.1/undercoat")
    ]
    ends = max(p.end for p in board.pieces if p.call == "crew.1/wash")
    assert min(p.start for p in board.pieces if p.call.startswith("cab")) >= ends


def test_hours_are_said_as_a_painter_says_them() -> None:
    assert [hours(s) for s in (600, 3600, 9000, 12_000)] == ["10 min", "1 h", "2 h 30", "3 h 20"]

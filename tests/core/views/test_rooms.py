"""What the rooms show follows from the plan and the facts."""

from __future__ import annotations

from datetime import date, timedelta

from muster.core.choices import Evening
from muster.core.pipeline import plan_first
from muster.core.views.bench import bench_view
from muster.core.views.board import board_of
from muster.core.views.moved import moved_between
from muster.core.views.roll import head_of, roll_of
from tests.core.making import (
    NOW,
    UNDERCOAT,
    a_pass,
    choices,
    derived,
    evenings,
    fact,
    recipe,
    ticks,
)
from tests.core.making import unit as a_unit


def rooms(*args, **more):
    made, plan = plan_first(derived(*args, **more))
    rows = roll_of(made)
    board = board_of(made, plan, rows)
    return made, plan, rows, board, bench_view(made, board)


def test_a_pip_is_filled_by_the_passes_done_and_wet_until_dry() -> None:
    _, _, rows, _, _ = rooms(None, *ticks(range(1, 3)), minutes=10)
    pips = rows[0].trays[0].pips
    assert [(pip.done, pip.of, pip.wet) for pip in pips[:3]] == [
        (1, 3, True), (1, 3, True), (0, 3, False),
    ]  # fmt: skip
    _, _, rows, _, _ = rooms(None, *ticks(range(1, 3)), minutes=40)
    assert not any(pip.wet for pip in rows[0].trays[0].pips)


def test_the_hours_left_fall_with_every_tick() -> None:
    before = rooms()[2][0].hours_left
    after = rooms(None, *ticks(range(1, 7)), minutes=9)[2][0].hours_left
    assert after < before


def test_the_head_counts_models_sittings_in_hand_and_what_is_late() -> None:
    made, plan, rows, _, _ = rooms()
    head = head_of(made, plan, rows)
    assert (head.models, head.models_left, head.late_models, head.left_models) == (6, 6, 0, 0)
    used = {made.instance.problem.sitting_at(b.start) for b in plan.blocks}
    assert head.sittings_in_hand == 6 - len(used)
    soon = choices(a_unit(60), parade_day=date(2027, 3, 3))
    made, plan, rows, _, _ = rooms(soon)
    assert head_of(made, plan, rows).late_models > 0


def test_what_does_not_fit_is_said_with_calls_named_as_a_painter_names_them() -> None:
    tiny = (Evening("e", date(2027, 3, 2), NOW.time(), (NOW + timedelta(minutes=20)).time()),)
    _, _, _, board, _ = rooms(choices(evenings=tiny))
    assert board.status == "partial"
    said = [(row.title, row.sentence) for row in board.left]
    assert said == [
        ("Base, Pikes", "can begin Tue 2 March, 20:30 at the earliest, when what it waits for is "
                        "dry; the last sitting ends Tue 2 March, 19:50")
    ]  # fmt: skip
    assert board.left[0].waiting == ["wash"]
    assert "pikes.1/" not in str(said)


def test_the_bench_shows_the_first_call_and_what_comes_next() -> None:
    _, _, _, board, bench = rooms(choices(a_unit(6), a_unit(4, id="crews", name="Crews")))
    assert bench.call is not None
    assert bench.call.id == board.pieces[0].call
    assert len(bench.next) == 3
    assert not bench.running


def test_what_is_wet_of_a_call_that_was_ended_early_is_said_with_how_many() -> None:
    done = (*ticks(range(1, 3)), fact("end", 3))
    bench = rooms(None, *done, minutes=10)[4]
    assert [one.tray_name for one in bench.drying] == ["Pikes, 2 of 6"]
    # Twenty minutes after the second of them.
    assert bench.drying[0].last_dry == NOW + timedelta(minutes=22)
    assert rooms(None, *done, minutes=23)[4].drying == []


def test_the_head_counts_passes_done_of_all_models() -> None:
    made, plan, rows, _, _ = rooms(None, *ticks(range(1, 3)), minutes=10)
    head = head_of(made, plan, rows)
    # Three of the four passes are seen across the table and in the hand.
    assert (head.passes, head.passes_done) == (18, 2)
    assert head.models_left == 6


def test_the_call_under_way_stays_on_the_bench() -> None:
    chosen = choices(a_unit(6), a_unit(4, id="crews", name="Crews"))
    _, _, _, _, bench = rooms(chosen, fact("begin", 0, unit="crews"), minutes=2)
    assert bench.running
    assert bench.call is not None and bench.call.unit == "crews"
    assert bench.since == NOW


def test_clean_up_must_start_in_time_to_end_with_the_sitting() -> None:
    _, _, _, _, bench = rooms(None, fact("begin", 0), minutes=2)
    assert bench.sitting_end is not None and bench.clean_up_from is not None
    left = bench.sitting_end - bench.clean_up_from
    assert left >= timedelta(minutes=UNDERCOAT.cleanup_min)


def test_a_call_left_running_asks_when_it_was_finished() -> None:
    begin = fact("begin", 0)
    assert not rooms(None, begin, minutes=20)[4].forgotten
    forgotten = rooms(None, begin, minutes=400)[4]
    assert forgotten.forgotten
    assert forgotten.finished_about == NOW + timedelta(minutes=3)


def test_a_paused_call_is_not_forgotten() -> None:
    assert not rooms(None, fact("begin", 0), fact("pause", 1), minutes=400)[4].forgotten


def test_a_missed_window_says_on_whom_and_how_to_do_it_again() -> None:
    fluid = a_pass("fluid", 1, stand_min=10, window_min=40)
    scratch = a_pass("scratch", 1)
    done = ticks(range(1, 7), "fluid")
    late = 60 * 24 * 2 + 5
    _, plan, _, board, _ = rooms(None, *done, minutes=late, recipes=(recipe(fluid, scratch),))
    assert len(plan.missed) == 1
    missed = board.missed[0]
    assert missed.models == [1, 2, 3, 4, 5, 6]
    assert missed.facts == [str(one.id) for one in done]
    assert "6 models" in missed.sentence


def test_a_window_that_can_still_be_kept_is_not_missed() -> None:
    fluid = a_pass("fluid", 1, stand_min=10, window_min=40)
    done = ticks(range(1, 7), "fluid")
    _, plan, _, board, _ = rooms(
        None, *done, minutes=12, recipes=(recipe(fluid, a_pass("scratch", 1)),)
    )
    assert plan.missed == ()
    assert board.pieces[0].call == "pikes.1/scratch"


def test_nothing_has_moved_where_all_goes_as_planned() -> None:
    _made, plan = plan_first(derived())
    again, mended = plan_first(derived(minutes=1), plan)
    assert moved_between(again, plan, mended) == []


def test_a_lost_sitting_moves_what_was_planned_in_it() -> None:
    _, plan = plan_first(derived())
    later, mended = plan_first(derived(minutes=300), plan)
    moved = moved_between(later, plan, mended)
    assert next(one.call for one in moved) == "pikes.1/undercoat"
    assert all(one.after is not None and one.after > one.before for one in moved)


def test_calls_that_share_an_opening_are_joined() -> None:
    chosen = choices(a_unit(4), a_unit(4, id="crews", name="Crews"), evenings=evenings(3))
    _, _plan, _, board, _ = rooms(chosen)
    joined = {(join.first, join.second) for join in board.joins}
    assert any({"pikes.1/undercoat", "crews.1/undercoat"} == set(pair) for pair in joined)


def test_a_touch_up_shows_as_a_notch() -> None:
    mark = fact("touch_up", 9, model=2)
    pips = rooms(None, *ticks(range(1, 7)), mark, minutes=10)[2][0].trays[0].pips
    assert [pip.touch_up for pip in pips] == [False, True, False, False, False, False]

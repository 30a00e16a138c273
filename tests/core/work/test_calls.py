"""Calls: passes on trays, what is left out, touched up or worked as one."""

from __future__ import annotations

from muster.core.choices import LeaveOut
from muster.core.facts.replay import replay
from muster.core.work.calls import TOUCH_UP_SHARE, calls_of, chain_of, groups_of, handful
from muster.core.work.handfuls import Handful
from tests.core.making import BASE, UNDERCOAT, WASH, a_pass, choices, fact, recipe, ticks, unit


def names(calls: list) -> list[str]:
    return [call.id for call in calls]


def made(chosen=None, *facts, passes=()):
    known = {("infantry", 1): recipe(*passes)}
    return calls_of(chosen or choices(), known, replay(facts))


def test_the_tier_drops_passes_that_would_not_be_seen() -> None:
    for tier, wanted in (
        ("table", ["undercoat", "base"]),
        ("hand", ["undercoat", "base", "wash"]),
        ("close", ["undercoat", "base", "wash", "eyes"]),
    ):
        calls = made(choices(unit(tier=tier)))
        assert [call.keys[0] for call in calls] == wanted


def test_models_ticked_out_of_order_come_first_in_their_tray() -> None:
    calls = made(None, *ticks(range(5, 6)), *ticks(range(3, 4), first=4))
    assert calls[0].models == (5, 3, 1, 2, 4, 6)


def test_a_pass_left_out_on_some_models_is_worked_on_the_others() -> None:
    chosen = choices(left_out=(LeaveOut("pikes", "wash", (2, 4)),))
    wash = next(call for call in made(chosen) if call.keys == ("wash",))
    assert wash.models == (1, 3, 5, 6)


def test_a_pass_left_out_on_all_models_is_no_call() -> None:
    chosen = choices(left_out=(LeaveOut("pikes", "wash", tuple(range(1, 7))),))
    assert "pikes.1/wash" not in names(made(chosen))


def test_what_was_done_before_it_was_left_out_stays() -> None:
    chosen = choices(left_out=(LeaveOut("pikes", "undercoat", (1, 2)),))
    call = made(chosen, *ticks(range(1, 2)))[0]
    assert call.models == (1, 3, 4, 5, 6)


def test_a_short_window_joins_two_passes_to_one_call_worked_in_handfuls() -> None:
    spray = a_pass("salt", 2, window_min=5, stand_min=1)
    assert groups_of((spray, BASE), 6) == [(spray, BASE)]
    assert handful((spray, BASE), 6) == Handful(2, 0)
    call = made(choices(unit(tray_size=6)), passes=(spray, BASE))[0]
    assert call.name == "salt and base"
    assert call.per_item_s == 5 * 60


def test_a_long_window_leaves_two_calls() -> None:
    fluid = a_pass("fluid", 2, window_min=90, stand_min=20)
    assert groups_of((fluid, BASE), 6) == [(fluid,), (BASE,)]
    assert handful((fluid,), 6) == Handful(0, 0)


def test_passes_of_different_parts_are_not_joined() -> None:
    one = a_pass("wheels", 2, part="wheels", window_min=5)
    assert groups_of((one, BASE), 6) == [(one,), (BASE,)]


def test_a_touch_up_is_a_short_call_after_the_colour_on_the_marked_models_only() -> None:
    marks = [fact("touch_up", 9, ("base",), model=m) for m in (2, 5)]
    calls = made(None, *ticks(range(1, 7), "base"), *marks)
    touch = next(call for call in calls if call.id == "pikes.1/base-touch")
    assert touch.models == (2, 5)
    assert abs(touch.per_item_s - 3 * 60 * TOUCH_UP_SHARE) <= 6
    assert touch.first.family == BASE.family
    assert names(calls).index("pikes.1/base-touch") == names(calls).index("pikes.1/base") + 1


def test_a_touch_up_that_was_done_is_gone() -> None:
    mark = fact("touch_up", 9, ("base",), model=2)
    done = fact("tick", 12, ("base-touch",), model=2)
    assert "pikes.1/base-touch" not in names(made(None, mark, done))


def test_passes_of_a_tray_follow_one_another() -> None:
    pairs = [(one.id, two.id) for one, two in chain_of(made())]
    assert pairs == [("pikes.1/undercoat", "pikes.1/base"), ("pikes.1/base", "pikes.1/wash")]


def test_parts_run_side_by_side_and_meet_where_the_whole_is_worked() -> None:
    passes = (UNDERCOAT, a_pass("wheels", part="wheels"), a_pass("hull", part="hull"),
              a_pass("tyres", part="wheels"), WASH)  # fmt: skip
    pairs = {(one.keys[0], two.keys[0]) for one, two in chain_of(made(passes=passes))}
    assert pairs == {
        ("undercoat", "wheels"), ("undercoat", "hull"), ("wheels", "tyres"),
        ("hull", "wash"), ("tyres", "wash"),
    }  # fmt: skip


def test_an_item_of_a_part_names_its_whole() -> None:
    call = made(passes=(a_pass("wheels", part="wheels"),))[0]
    assert call.item(3) == "pikes-3/wheels"

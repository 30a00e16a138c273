"""What is wiped, blended, scratched or pulled away follows its pass in time, and is always planned;
coats are calls with the wait between two of them."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from muster.core.choices import CutWork, LeaveOut, Waived
from muster.core.craft.media import MEDIA
from muster.core.craft.techniques import TECHNIQUES
from muster.core.pipeline import Derived, plan_first
from muster.core.plan.checking import check
from muster.core.plan.plan import Plan
from muster.core.recipes.recipe import MixPart, Pass, Recipe
from muster.core.recipes.starters_vehicles import STARTERS
from muster.core.work.coats import coat_key
from muster.core.work.handfuls import Handful, handful_of, whole_tray_fits
from tests.core.making import choices, derived, fact, recipe, ticks, unit

WETTABLE = [name for name, medium in MEDIA.items() if medium.window is not None]
WORKS = [name for name, one in TECHNIQUES.items() if one.act == "work" and name != "scratch"]
LAID_BY = {"putty": "texture", "acrylic mud": "texture", "bound pigment": "splash"}


def a_brush(key: str, technique: str, minutes: float, **more: object) -> Pass:
    return Pass(
        key=key, name=key, technique=technique, minutes=minutes, tool="brush",
        mix=(MixPart(f"{key} mix"),), setup_min=1, cleanup_min=1, **more,  # type: ignore[arg-type]
    )  # fmt: skip


def planned(one: Recipe, **more: object) -> tuple[Derived, Plan]:
    unit_of = unit(6, recipe=one.id, kind=one.kind, **more)
    return plan_first(derived(choices(unit_of, parade_day=None), recipes=(one,)))


@pytest.mark.parametrize("medium", WETTABLE)
@pytest.mark.parametrize("technique", WORKS)
def test_every_wettable_medium_is_planned_with_every_technique_that_works_it(
    medium: str, technique: str
) -> None:
    carrier = MEDIA[medium].carrier
    apply_pass = a_brush("laid", LAID_BY.get(medium, "wash"), 1, medium=medium)
    worked = a_brush("worked", technique, 2, carrier=carrier)
    base = a_brush("base", "brush", 2, medium="acrylic")
    seal = Pass(key="seal", name="seal", technique="varnish", minutes=0.5, tool="airbrush")
    made, plan = planned(recipe(base, apply_pass, worked, seal))
    assert plan.left == ()
    assert check(made.instance.problem, plan) == []
    both = [call for call in made.calls.values() if "laid" in call.keys]
    window = MEDIA[medium].window
    assert window is not None
    if both[0].keys == ("laid", "worked"):
        assert both[0].handful >= 1
    else:
        link = next(k for k in made.instance.problem.links if k.before.endswith("/laid"))
        assert made.instance.problem.tasks[link.before].dry_s == 0
        assert link.window_s is None or link.window_s <= window[1] * 60


@pytest.mark.parametrize("starter", STARTERS, ids=lambda one: one.id)
def test_every_starter_is_planned_by_evenings_alone(starter: Recipe) -> None:
    made, plan = planned(starter)
    assert plan.left == ()
    assert check(made.instance.problem, plan) == []


def test_an_oil_wash_wiped_back_is_not_waited_dry_and_dries_after_the_wiping() -> None:
    wash = a_brush("wash", "wash", 1, medium="oil")
    wipe = a_brush("wipe", "wipe back", 2, carrier="white spirit")
    seal = Pass(key="seal", name="seal", technique="varnish", minutes=0.5, tool="airbrush")
    made, plan = planned(recipe(a_brush("base", "brush", 2, medium="acrylic"), wash, wipe, seal))
    tasks = made.instance.problem.tasks
    assert tasks["pikes.1/wash"].dry_s == 0
    assert tasks["pikes.1/wipe"].dry_s == MEDIA["oil"].touch * 60
    assert tasks["pikes.1/wipe"].clock == "cure"
    assert plan.left == ()


def test_a_window_that_the_tray_outgrows_makes_one_call_in_handfuls() -> None:
    wash = a_brush("wash", "wash", 1, medium="acrylic wash", window_min=5, stand_min=0)
    wipe = a_brush("wipe", "wipe back", 2, carrier="water")
    assert not whole_tray_fits(6, wash, wipe)
    assert handful_of(6, wash, wipe) == Handful(3, 0)
    made, _ = planned(recipe(wash, wipe), tray_size=6)
    assert [call.keys for call in made.calls.values()] == [("wash", "wipe")]


@given(
    st.integers(1, 12), st.floats(0.2, 10), st.floats(0.2, 10), st.floats(0, 20), st.floats(0, 60)
)
@settings(max_examples=200, deadline=None)
def test_a_handful_keeps_the_window_of_each_of_its_models(
    models: int, lay: float, work: float, stand: float, more: float
) -> None:
    one = a_brush("lay", "wash", lay, stand_min=stand, window_min=stand + more)
    two = a_brush("work", "wipe back", work)
    hand = handful_of(models, one, two)
    assert 1 <= hand.models <= models
    begins = hand.models * lay * 60 + hand.idle_s
    for place in range(hand.models):
        apply_pass, worked = (place + 1) * lay * 60, begins + place * work * 60
        assert worked - apply_pass >= stand * 60 - 1e-6
        assert worked - apply_pass <= (stand + more) * 60 + 1e-6 or hand.models == 1


COATED = recipe(a_brush("base", "brush", 3, coats=3, medium="acrylic"), a_brush("eyes", "brush", 1))


def test_coats_are_calls_with_recoat_between() -> None:
    made, plan = planned(COATED)
    names = [call.name for call in made.calls.values() if call.tray == 1]
    assert names == ["base, coat 1 of 3", "base, coat 2 of 3", "base, coat 3 of 3", "eyes"]
    assert {call.per_item_s for call in made.calls.values() if "base" in call.name} == {60}
    recoat = MEDIA["acrylic"].recoat * 60
    links = {(k.before, k.after): k.stand_s for k in made.instance.problem.links}
    assert links["pikes.1/base-coat-1", "pikes.1/base-coat-2"] == recoat
    assert plan.left == ()


def test_coats_misted_on_are_one_call() -> None:
    mist = Pass(key="light", name="light", technique="spray", minutes=1, tool="airbrush", coats=3)
    made, _ = planned(recipe(mist))
    assert [call.name for call in made.calls.values() if call.tray == 1] == ["light"]


def test_a_pass_ticked_as_a_whole_has_all_its_coats() -> None:
    made = derived(choices(unit(6)), *ticks(range(1, 7), "base"), recipes=(COATED,), minutes=8)
    done = made.instance.problem.done_s()
    for number in (1, 2, 3):
        task = made.instance.problem.tasks[f"pikes.1/{coat_key('base', number)}"]
        assert done[task.id] == task.work_s


def test_one_coat_or_all_of_them_are_left_out() -> None:
    models = tuple(range(1, 7))
    one = derived(choices(left_out=(LeaveOut("pikes", "base-coat-3", models),)), recipes=(COATED,))
    assert [c.keys[0] for c in one.calls.values()] == ["base-coat-1", "base-coat-2", "eyes"]
    none = derived(choices(left_out=(LeaveOut("pikes", "base", models),)), recipes=(COATED,))
    assert [c.keys[0] for c in none.calls.values()] == ["eyes"]


def test_a_coat_ticked_is_a_coat_done() -> None:
    begun = fact("begin", 0, ("base-coat-1",))
    made = derived(None, begun, *ticks(range(1, 7), "base-coat-1"), recipes=(COATED,), minutes=7)
    done = made.instance.problem.done_s()
    assert done["pikes.1/base-coat-1"] > 0 and done["pikes.1/base-coat-2"] == 0


def test_long_work_on_a_model_may_be_put_down_and_short_work_between_models() -> None:
    long, short = a_brush("build", "assemble", 50), a_brush("dab", "brush", 5)
    made = derived(recipes=(recipe(long, short),))
    breaks = {task.id: task.break_.value for task in made.instance.problem.tasks.values()}
    assert (breaks["pikes.1/build"], breaks["pikes.1/dab"]) == ("any", "item")


def test_daylight_is_a_wish_with_its_price_until_it_is_said_to_be_a_need() -> None:
    spray = a_brush("spray", "spray can", 1, wants=("daylight",))
    made, plan = planned(recipe(spray))
    task = made.instance.problem.tasks["pikes.1/spray"]
    assert (task.needs, task.wants) == (("dry air",), {"daylight": 900})
    assert plan.left == () and plan.score.wants_s == 900
    hard, left = planned(recipe(replace(spray, wants=(), needs=("daylight",))))
    assert {(one.why, one.detail) for one in left.left} == {("no_tag", "daylight")}
    lamp = choices(unit(6), waived=(Waived("pikes", "spray", "daylight"),), parade_day=None)
    made, plan = plan_first(derived(lamp, recipes=(recipe(replace(spray, needs=("daylight",))),)))
    assert plan.left == ()
    assert hard.instance.problem.tasks["pikes.1/spray"].needs == ("daylight", "dry air")


def test_a_pass_may_be_put_down_where_the_muster_says_so() -> None:
    long = recipe(a_brush("sculpt", "brush", 200, cut="none"))
    _, plan = planned(long)
    assert {one.why for one in plan.left} == {"too_long"}
    cut = choices(unit(6), cuts=(CutWork("pikes", "sculpt"),), parade_day=None)
    made, _ = plan_first(derived(cut, recipes=(long,)))
    assert {t.break_.value for t in made.instance.problem.tasks.values()} == {"any"}

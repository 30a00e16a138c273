"""What it would take: each remedy that promises to be in time was planned and is."""

from __future__ import annotations

from dataclasses import replace
from datetime import date
from typing import TypeVar

from muster.core.commands.command import Command
from muster.core.commands.verbs.edit_unit import EditUnit
from muster.core.pipeline import derive, plan_first
from muster.core.plan.planner import Planner
from muster.core.views.remedies import Remedy, lifts_of, remedies_of
from muster.core.views.roll import head_of, roll_of
from tests.core.making import BASE, UNDERCOAT, a_pass, choices, derived, evenings, recipe
from tests.core.making import unit as a_unit

CROWDED = choices(
    a_unit(40, tier="close"), a_unit(20, id="crews", name="Crews", priority=1),
    evenings=evenings(2), parade_day=date(2027, 3, 9),
)  # fmt: skip


Change = TypeVar("Change", bound=Command)


def changes(found: Remedy, kind: type[Change]) -> list[Change]:
    """What a remedy changes, of that kind."""
    return [change for change in found.command.changes if isinstance(change, kind)]


def remedies(chosen=CROWDED):
    made, plan = plan_first(derived(chosen))
    return made, remedies_of(made, plan)


def test_where_all_is_in_time_nothing_is_proposed() -> None:
    assert remedies(choices())[1] == []


def test_where_no_day_is_set_nothing_is_proposed() -> None:
    assert remedies(choices(parade_day=None))[1] == []


def test_sittings_passes_and_units_are_each_tried() -> None:
    kinds = {one.command.changes[0].do for one in remedies()[1]}
    assert kinds == {"add_evening", "edit_unit", "leave_out", "remove_unit"}


def test_what_promises_to_be_in_time_is_when_it_is_done() -> None:
    made, found = remedies()
    promised = [one for one in found if not one.left_models and not one.late_models]
    assert promised
    for one in promised:
        chosen = one.command.apply(made.snapshot.choices, made.snapshot.now)[0]
        other = derive(replace(made.snapshot, choices=chosen))
        planner = Planner(other.instance.problem)
        planner.first()
        plan = planner.improve(200, lambda: 1.0)
        assert head_of(other, plan, roll_of(other)).late_models == 0


def test_added_sittings_lie_before_the_parade_on_free_days() -> None:
    _, found = remedies()
    added = next(one for one in found if one.command.changes[0].do == "add_evening")
    days = [command.day for command in added.command.changes]
    assert all(day < date(2027, 3, 9) for day in days)
    assert not {one.day for one in CROWDED.evenings} & set(days)


def test_the_least_important_unit_goes_after_the_day_first() -> None:
    _, found = remedies()
    gone = next(one for one in found if one.command.changes[0].do == "remove_unit")
    assert gone.command.changes[0].unit == "crews"


def test_what_does_the_job_stands_first() -> None:
    found = remedies()[1]
    late = [(one.left_models, one.late_models) for one in found]
    assert late == sorted(late)


def test_a_quicker_recipe_is_proposed_where_one_is_handed_in() -> None:
    made, plan = plan_first(derived(CROWDED))
    quick = recipe(UNDERCOAT, BASE, name="dipped")
    found = remedies_of(made, plan, [quick])
    swapped = [one for one in found if "by 'dipped'" in one.words]
    assert swapped
    assert {change.recipe for change in changes(swapped[0], EditUnit)} == {"dipped"}


def test_an_effect_made_to_be_held_or_another_kinds_recipe_is_never_proposed() -> None:
    made, plan = plan_first(derived(CROWDED))
    streaks = a_pass("streaks", 1, technique="streak", tool="brush")
    effect = recipe(streaks, name="rust")
    other = replace(recipe(UNDERCOAT, BASE, name="hull"), kind="vehicle")
    found = remedies_of(made, plan, [effect, other])
    assert not [one for one in found if "by 'rust'" in one.words or "by 'hull'" in one.words]


def test_a_pass_left_out_is_one_not_seen_across_the_table() -> None:
    _, found = remedies()
    out = next(one for one in found if one.command.changes[0].do == "leave_out")
    keys = {key for change in out.command.changes for key in change.pass_keys}
    assert keys <= {"wash", "eyes"}


def test_time_to_spare_lifts_what_most_models_gain_by_and_all_stay_in_time() -> None:
    calm = choices(
        a_unit(6), a_unit(4, id="crews", name="Crews", priority=5), evenings=evenings(10)
    )
    made, plan = plan_first(derived(calm))
    lifts = lifts_of(made, plan)
    assert [changes(one, EditUnit)[0].unit for one in lifts] == ["crews", "pikes"]
    assert all(not one.left_models and not one.late_models and one.in_hand for one in lifts)
    crowded, late = plan_first(derived(CROWDED))
    assert lifts_of(crowded, late) == []

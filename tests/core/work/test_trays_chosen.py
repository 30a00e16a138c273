"""Trays that differ, minutes left free, a unit that comes first, and what the ticks teach."""

from __future__ import annotations

import pytest

from muster.core.commands.verbs.edit_unit import EditUnit
from muster.core.commands.verbs.finish_first import FinishFirst
from muster.core.commands.verbs.remove_unit import RemoveUnit
from muster.core.commands.verbs.set_spare import SetSpare
from muster.core.errors import DomainError
from muster.core.plan.chance import SPREAD
from muster.core.plan.planner import Planner
from muster.core.views.roll import done_at
from muster.core.views.tray_choice import chosen_trays, cost_in, splits_of
from muster.core.work.consumption import spreads_of
from muster.core.work.trays import trays_of
from tests.core.making import (
    EYES,
    NOW,
    UNDERCOAT,
    WASH,
    a_pass,
    choices,
    derived,
    evenings,
    fact,
    recipe,
    ticks,
)
from tests.core.making import unit as a_unit


def changed(chosen, command):
    return command.apply(chosen, NOW)[0]


def test_a_unit_can_be_shared_out_in_trays_that_differ() -> None:
    chosen = changed(choices(a_unit(10)), EditUnit("edit_unit", "pikes", split=(4, 4, 2)))
    assert splits_of(derived(chosen)) == {"pikes": (4, 4, 2)}
    even = changed(chosen, EditUnit("edit_unit", "pikes", tray_size=5))
    assert splits_of(derived(even)) == {"pikes": (5, 5)}


def test_trays_that_do_not_hold_the_unit_are_refused() -> None:
    with pytest.raises(DomainError, match="Pikes"):
        changed(choices(a_unit(10)), EditUnit("edit_unit", "pikes", split=(4, 4)))
    with pytest.raises(DomainError):
        changed(choices(a_unit(10)), EditUnit("edit_unit", "pikes", split=(11, -1)))


def test_more_models_than_the_trays_held_are_shared_out_as_proposed() -> None:
    chosen = changed(choices(a_unit(10)), EditUnit("edit_unit", "pikes", split=(4, 4, 2)))
    more = changed(chosen, EditUnit("edit_unit", "pikes", count=12)).units[0]
    recipe = derived(chosen).snapshot.recipes[more.recipe, more.recipe_version]
    trays = trays_of(more, recipe.for_tier(more.tier), 40)
    assert sum(map(len, trays)) == 12


def test_minutes_left_free_shorten_each_sitting_that_has_not_come_so_far() -> None:
    chosen = choices(a_unit(6), evenings=evenings(3))
    free = derived(changed(chosen, SetSpare("set_spare", 20))).instance.problem.sittings
    whole = derived(chosen).instance.problem.sittings
    assert [a.end - b.end for a, b in zip(whole, free, strict=True)] == [1200] * 3
    late = (whole[0].end - whole[0].start) // 60 - 10
    inside = derived(changed(chosen, SetSpare("set_spare", 20)), minutes=late)
    assert inside.instance.problem.sittings[0].end == whole[0].end
    with pytest.raises(DomainError):
        changed(chosen, SetSpare("set_spare", 500))


def test_a_unit_that_comes_first_stands_finished_before_the_other() -> None:
    chosen = choices(
        a_unit(12), a_unit(12, id="crews", name="Crews", priority=4), evenings=evenings(12)
    )

    def finished(choice, unit):
        made = derived(choice)
        planner = Planner(made.instance.problem)
        planner.first()
        plan = planner.improve(200, lambda: 1.0)
        return max(done for item, done in done_at(made, plan).items() if item.startswith(unit))

    for first, other in (("pikes", "crews"), ("crews", "pikes")):
        told = changed(chosen, FinishFirst("finish_first", first))
        assert finished(told, first) < finished(told, other)
    gone = changed(changed(chosen, FinishFirst("finish_first", "crews")),
                   RemoveUnit("remove_unit", "crews"))  # fmt: skip
    assert gone.finish_first is None


@pytest.mark.parametrize("size", [1, 24])
def test_chosen_trays_hold_every_model_and_serve_the_whole_plan_no_worse(size: int) -> None:
    base = a_pass("base", 6, tool="brush", setup_min=1, cleanup_min=1, dry_min=15, stand_min=30,
                  window_min=90)  # fmt: skip
    chosen = choices(
        a_unit(24, tray_size=size), a_unit(6, id="crews", name="Crews"),
        rack=120, evenings=evenings(12),
    )  # fmt: skip
    made = derived(chosen, recipes=(recipe(UNDERCOAT, base, WASH, EYES),))
    now = splits_of(made)
    found = chosen_trays(made, now, {"pikes": 12, "crews": 6})
    assert {unit: sum(trays) for unit, trays in found.items()} == {"pikes": 24, "crews": 6}
    assert found == now or max(found["pikes"]) <= 12
    before, after = cost_in(made, now), cost_in(made, found)
    assert before is not None and after is not None
    assert after <= before


def test_what_was_logged_often_and_evenly_is_surer() -> None:
    fresh = derived(choices(a_unit(12, tray_size=3), evenings=evenings(8)))
    even = derived(choices(a_unit(12, tray_size=3), evenings=evenings(8)),
                   fact("begin", 0), *ticks(range(1, 7)), minutes=20)  # fmt: skip
    first = next(iter(fresh.calls))
    before = spreads_of(fresh.calls.values(), fresh.state)[first]
    after = spreads_of(even.calls.values(), even.state)[first]
    assert before == SPREAD
    assert after < before

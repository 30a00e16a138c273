"""A plan beside the plan: what an offer promises is what is seen when it is looked at."""

from __future__ import annotations

from dataclasses import replace
from datetime import date

import pytest

from muster.core.commands.any_command import Together
from muster.core.commands.verbs.edit_unit import EditUnit
from muster.core.commands.verbs.remove_unit import RemoveUnit
from muster.core.errors import DomainError
from muster.core.pipeline import derive, plan_first
from muster.core.views.alternative_plan import alternative_plan
from muster.core.views.board import board_of
from muster.core.views.outlook import TraySizes, outlook_of
from muster.core.views.remedies import Remedy, others_of
from muster.core.views.roll import roll_of
from tests.core.making import choices, derived, evenings
from tests.core.making import unit as a_unit

TWO = choices(
    a_unit(12, tray_size=6), a_unit(6, id="crews", name="Crews", priority=1),
    evenings=evenings(8), parade_day=date(2027, 3, 27),
)  # fmt: skip


def test_each_offer_shows_the_same_figures_when_it_is_looked_at() -> None:
    made, plan = plan_first(derived(TWO))
    found = outlook_of(made, plan)
    sizes = [row for row in found.sizes if not row.this_plan]
    offers: list[TraySizes | Remedy] = [*sizes, *found.others]
    assert offers
    for row in offers:
        seen = alternative_plan(made, plan, row.command)
        assert seen.board.hands_on_s == row.bench_s
        assert seen.openings == row.openings
        assert seen.board.finish == row.finish
        assert seen.head.sittings_in_hand == row.in_hand


def test_looking_changes_nothing_and_taking_it_gives_what_was_seen() -> None:
    made, plan = plan_first(derived(TWO))
    before = board_of(made, plan, roll_of(made))
    change = Together("together", (RemoveUnit("remove_unit", "crews"),))
    seen = alternative_plan(made, plan, change)
    assert board_of(made, plan, roll_of(made)) == before
    assert {row.name for row in seen.board.rows} == {"Pikes 1", "Pikes 2"}
    taken = change.apply(made.snapshot.choices, made.snapshot.now)[0]
    other = derive(replace(made.snapshot, choices=taken))
    assert [row.name for row in roll_of(other)[0].trays] == [one.name for one in seen.board.rows]


def test_where_all_is_in_time_it_is_said_what_else_could_be() -> None:
    made, plan = plan_first(derived(TWO))
    words = [one.words for one in others_of(made, plan)]
    assert words[0].startswith("1 more sitting") and "Crews off the roll until after" in words
    # The least important first.
    assert words.index("Crews off the roll until after") == 1


def test_a_unit_left_out_costs_less_work() -> None:
    made, plan = plan_first(derived(TWO))
    (without,) = [one for one in others_of(made, plan) if one.words.startswith("Crews")]
    assert without.bench_s < plan.score.hands_on_s


def test_the_only_unit_is_never_offered_to_be_left_out() -> None:
    made, plan = plan_first(derived(choices(parade_day=date(2027, 3, 27))))
    assert not any("off the roll" in one.words for one in others_of(made, plan))


def test_what_cannot_be_is_refused_and_not_tried() -> None:
    made, plan = plan_first(derived(TWO))
    with pytest.raises(DomainError, match="no longer on the roll"):
        alternative_plan(made, plan, EditUnit("edit_unit", "gone", tray_size=3))

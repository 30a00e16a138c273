"""Cautions stand on the call that needs them, and serious ones are marked to be asked about."""

from __future__ import annotations

from muster.core.pipeline import plan_first
from muster.core.views.board import board_of
from muster.core.views.roll import roll_of
from tests.core.making import BASE, UNDERCOAT, a_pass, choices, derived, recipe


def cards(*passes):
    made, plan = plan_first(derived(choices(), recipes=(recipe(*passes),)))
    return {one.pass_keys[0]: one for one in board_of(made, plan, roll_of(made)).calls}


def test_a_solvent_wash_is_asked_about_before_it_starts() -> None:
    pin = a_pass("pin", technique="pin wash", tool="brush", dry_min=180)
    found = cards(UNDERCOAT, BASE, pin)
    assert found["pin"].serious
    assert "gloves" in " ".join(found["pin"].cautions)


def test_brushed_water_paint_needs_no_caution() -> None:
    base = cards(UNDERCOAT, BASE)["base"]
    assert not base.serious
    assert base.cautions == []

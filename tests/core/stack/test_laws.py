"""Laws of a walk and of what it shows, each found missing by taking its line away."""

from __future__ import annotations

from typing import Any

import pytest

from muster.core.craft.climate import Climate
from muster.core.recipes.recipe import Pass
from muster.core.stack.appearance import bare, laid_over, paint_of
from muster.core.stack.attack import workable
from muster.core.stack.check import check
from muster.core.stack.resolve_waits import resolve_waits, with_resolved_waits
from muster.core.stack.walk import walk
from tests.core.stack.making import BASE, GREEN, MATT, OIL, UNDER, p, recipe


@pytest.mark.parametrize("between", [1, 20, 45])
def test_a_wet_film_that_is_worked_dries_from_then_on(between: float) -> None:
    laid = {**OIL, "stand_min": between}
    wiped = p("wipe back", "wipe", carrier="white spirit")
    waits = with_resolved_waits(recipe(UNDER, BASE, laid, wiped, MATT)).passes
    alone = with_resolved_waits(recipe(UNDER, BASE, OIL, MATT)).passes
    assert waits[3].stand_min == alone[2].stand_min


def test_brushed_coats_wait_for_one_another_and_misted_ones_do_not() -> None:
    brushed = resolve_waits(recipe(UNDER, p("brush", "base", coats=2, tool="brush")))
    misted = resolve_waits(recipe(UNDER, p("spray", "base", coats=2, tool="airbrush")))
    assert list(brushed.recoats) == [brushed.recipe.passes[1].key]
    assert brushed.recoats[brushed.recipe.passes[1].key] > 0
    assert misted.recoats == {}


def test_a_slow_room_keeps_a_wash_workable_for_longer() -> None:
    made = recipe(UNDER, BASE, OIL)
    usual, cold = (walk(made, Climate(celsius)).steps[2].layer for celsius in (20, 10))
    assert workable(cold)[0] >= workable(usual)[0]
    assert workable(cold)[1] > workable(usual)[1]
    assert workable(cold)[1] / workable(usual)[1] == pytest.approx(cold.slow / usual.slow)


def shown(**more: Any) -> float:
    """How light a flat of pale plastic is under one pass of dark green."""
    one = Pass("a", "a", "brush", 5, colour="#1c2a1d", **more)
    paint = paint_of(one)
    assert paint is not None
    return float(laid_over(bare("polystyrene"), one, paint).lab()[1][0])


def test_what_is_laid_thicker_hides_more() -> None:
    assert shown(thick=3) < shown(thick=1.5) < shown()
    assert shown(coats=2) == pytest.approx(shown(thick=2))
    assert shown(tool="airbrush") != pytest.approx(shown(tool="brush"))


@pytest.mark.parametrize(
    ("carrier", "medium", "lifts"),
    [("lacquer thinner", "oil", False), ("lacquer thinner", "acrylic", True)],
)
def test_hot_thinner_over_oily_paint_is_told_by_its_own_rule(
    carrier: str, medium: str, lifts: bool
) -> None:
    below = p("brush", "below", medium=medium, colour=GREEN)
    over = p("brush", "over", medium="lacquer", carrier=carrier, cover=0.4)
    report = check(recipe(UNDER, below, over))
    codes = {
        one.code for one in report.findings if one.key == report.walked.steps[2].layer.pass_.key
    }
    assert ("lifts" in codes) == lifts
    assert lifts or codes

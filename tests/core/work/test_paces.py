"""Minutes that were logged stand for those of the table."""

from __future__ import annotations

import pytest

from muster.core.stack.minutes import minutes_for
from muster.core.typed.bundles import About
from muster.core.typed.pass_line import typed
from muster.core.work.consumption import paces_of
from tests.core.making import derived, ticks

USUAL = minutes_for("brush", "figure")


def paces(models: range, each: float) -> dict[str, float]:
    made = derived(None, *ticks(models, "base", first=each, each=each), minutes=200)
    return paces_of(made.calls.values(), made.state)


def test_a_technique_takes_as_long_as_it_was_logged() -> None:
    assert paces(range(1, 5), 2 * USUAL)["brush"] == pytest.approx(2, rel=0.01)


def test_two_models_or_a_slip_of_the_finger_teach_nothing() -> None:
    assert "brush" not in paces(range(1, 3), 2 * USUAL)
    assert "brush" not in paces(range(1, 5), USUAL / 60)


def test_what_is_typed_is_proposed_with_the_minutes_logged() -> None:
    slow = About("figure", paces={"brush": 2.0})
    usual, logged = (typed("brush Peat", about)[0].minutes for about in (About("figure"), slow))
    assert logged == pytest.approx(2 * usual)
    assert typed("wash", slow) == typed("wash", About("figure"))

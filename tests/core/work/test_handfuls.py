"""Wet work on a tray, against every moment at which it could be begun."""

from __future__ import annotations

from hypothesis import given
from hypothesis import strategies as st

from muster.core.recipes.recipe import Pass
from muster.core.work.handfuls import handful_of, whole_tray_fits
from muster.core.work.tools import TOOLS

SECONDS = st.integers(6, 25)


def passes(a: int, b: int, stand: int, window: int, **more: object) -> tuple[Pass, Pass]:
    one = Pass("one", "one", "wash", a / 60, stand_min=stand / 60, window_min=window / 60)
    return one, Pass("two", "two", "wipe back", b / 60, **more)  # type: ignore[arg-type]


def some_start_keeps_every_window(
    models: int, a: int, b: int, stand: int, window: int, not_before: int
) -> bool:
    """Tried second by second: model ``i`` is laid until (i + 1)·a and worked from start + i·b."""
    return any(
        all(stand <= start + i * b - (i + 1) * a <= window for i in range(models))
        for start in range(models * a + not_before, models * a + not_before + stand + window + 1)
    )


@given(st.integers(1, 6), SECONDS, SECONDS, st.integers(0, 30), st.integers(0, 120))
def test_a_whole_tray_fits_exactly_where_some_start_keeps_every_window(
    models: int, a: int, b: int, stand: int, window: int
) -> None:
    one, two = passes(a, b, stand, window)
    fits = some_start_keeps_every_window(models, a, b, stand, window, 0)
    assert whole_tray_fits(models, one, two) == fits


@given(st.integers(1, 6), SECONDS, SECONDS, st.integers(0, 30), st.integers(0, 400))
def test_getting_another_tool_out_counts_against_the_window(
    models: int, a: int, b: int, stand: int, window: int
) -> None:
    one, two = passes(a, b, stand, window, tool="airbrush", setup_min=0.5)
    setting_up = 30 + TOOLS["airbrush"].setup_s
    fits = some_start_keeps_every_window(models, a, b, stand, window, setting_up)
    assert whole_tray_fits(models, one, two) == fits


@given(st.integers(1, 8), SECONDS, SECONDS, st.integers(0, 30), st.integers(0, 120))
def test_a_handful_is_the_most_models_that_fit_and_says_how_long_is_idled(
    models: int, a: int, b: int, stand: int, window: int
) -> None:
    one, two = passes(a, b, stand, window)
    handful = handful_of(models, one, two)
    fitting = [
        many for many in range(2, models + 1)
        if some_start_keeps_every_window(many, a, b, stand, window, 0)
    ]  # fmt: skip
    assert handful.models == max(fitting, default=1)
    if handful.models > 1:
        start = round(handful.models * a + handful.idle_s)
        assert all(stand <= start + i * b - (i + 1) * a <= window for i in range(handful.models))

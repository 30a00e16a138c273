"""Wet work on a tray: whether all of it can be laid before the first must be worked, and else how
many models make a handful."""

from __future__ import annotations

from dataclasses import dataclass

from muster.core.recipes.recipe import Pass
from muster.core.work.tools import TOOLS, UNKNOWN


@dataclass(frozen=True)
class Handful:
    """So many models are laid, then worked; ``idle_s`` is waited in each handful until they can
    be."""

    models: int
    idle_s: float


def whole_tray_fits(models: int, one: Pass, two: Pass) -> bool:
    """Whether ``two`` can be worked on a whole tray of so many models within ``one``'s window.

    For a then b on the same n models in the same order: B - A ≥ stand + max(a, n·a - (n - 1)·b),
    B - A ≥ n·a and the set-up of b, B - A ≤ window + min(a, n·a - (n - 1)·b).
    """
    if one.window_min is None:
        return True
    a, b = one.minutes * 60, two.minutes * 60
    stand, window = (one.stand_min or 0) * 60, one.window_min * 60
    lag = models * a - (models - 1) * b
    earliest = max(stand + max(a, lag), models * a + _setting_up_s(one, two))
    return earliest <= window + min(a, lag)


def handful_of(models: int, one: Pass, two: Pass) -> Handful:
    """The most models that can be laid one after another and then worked one after another, each
    within its window; one at least."""
    a, b = one.minutes * 60, two.minutes * 60
    stand, window = (one.stand_min or 0) * 60, (one.window_min or 0) * 60
    for many in range(models, 1, -1):
        begins = max(many * a, stand + max(a, many * a - (many - 1) * b))
        if begins + max(-a, (many - 1) * b - many * a) <= window:
            return Handful(many, begins - many * a)
    return Handful(1, stand)


def _setting_up_s(one: Pass, two: Pass) -> float:
    """Seconds between the end of one pass and the start of the next: another tool, another mix."""
    if two.family is None or two.family == one.family:
        return 0.0
    seconds = two.setup_min * 60
    if two.tool and two.tool != one.tool:
        seconds += TOOLS.get(two.tool, UNKNOWN).setup_s
    return seconds

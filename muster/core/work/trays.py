"""Trays: how many models are worked together, and which."""

from __future__ import annotations

import math
from itertools import accumulate, pairwise
from statistics import median

from muster.core.choices import Unit
from muster.core.recipes.recipe import Pass
from muster.core.vocabulary import Kind

SPACE: dict[Kind, int] = {
    "figure": 1, "mounted": 2, "gun": 2, "vehicle": 3, "aircraft": 4, "building": 6, "base": 2,
}  # fmt: skip
"""Rack places that a drying model takes. Common practice at 1/72, no source."""

SHORT_WAIT_MIN = 180
"""Waits longer than this are slept over, not worked along."""

SHORT_WINDOW_MIN = 30
"""Windows below this are worked in handfuls rather than with a smaller tray. Common practice."""

MOST_IN_HAND = 12
"""More than a dozen handles at once is more than a hobby bench holds. Common practice."""


def proposed_size(unit: Unit, passes: tuple[Pass, ...], rack: int) -> int:
    """The smallest tray that dries while one works along it, in even trays.

    The first model is ready when the last is done where (n - 1) * minutes >= wait. A window limits
    the tray: (n - 1) * |difference of minutes| <= window - stand.
    """
    wanted = []
    most = min(MOST_IN_HAND, max(1, rack // SPACE[unit.kind]))
    for one, two in pairwise(passes):
        wait = max(one.stand_min or 0, one.dry_min or 0)
        if 0 < wait <= SHORT_WAIT_MIN:
            wanted.append(1 + math.ceil(wait / one.minutes))
        # Where a window is shorter, the two are worked in handfuls and do not limit the tray.
        windowed = one.window_min is not None and one.window_min >= SHORT_WINDOW_MIN
        if one.window_min is not None and windowed and one.minutes != two.minutes:
            spare = (one.window_min - (one.stand_min or 0)) / abs(one.minutes - two.minutes)
            most = min(most, 1 + int(spare))
    size = max(1, min(most, round(median(wanted)) if wanted else most, unit.count))
    trays = math.ceil(unit.count / size)
    return math.ceil(unit.count / trays)


def trays_of(unit: Unit, passes: tuple[Pass, ...], rack: int) -> list[list[int]]:
    """The models' numbers, tray by tray."""
    models = list(range(1, unit.count + 1))
    if sum(unit.split) == unit.count:
        ends = list(accumulate(unit.split))
        return [models[end - size : end] for size, end in zip(unit.split, ends, strict=True)]
    size = unit.tray_size or proposed_size(unit, passes, rack)
    return [models[at : at + size] for at in range(0, unit.count, size)]


def tray_name(unit: Unit, tray: int, trays: int) -> str:
    """What a tray is called: by its unit alone where that is one tray."""
    return unit.name if trays == 1 else f"{unit.name} {tray}"

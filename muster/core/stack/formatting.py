"""Minutes and lists as a painter says them, and the passes that repairs put in."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Literal

from muster.core.craft.media import DAY, HOUR
from muster.core.recipes.recipe import Pass
from muster.core.stack.walk import Step

Finish = Literal["matt", "satin", "gloss"]


def duration(minutes: float) -> str:
    """25 min, 2 h, 3 d."""
    if minutes == float("inf"):
        return "for ever"
    if minutes < 2 * HOUR:
        return f"{round(minutes)} min"
    if minutes < 2 * DAY:
        return f"{minutes / HOUR:.0f} h"
    return f"{minutes / DAY:.0f} d"


def join_words(words: Iterable[str]) -> str:
    """a, b and c."""
    names = list(dict.fromkeys(words))
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"


def varnish(key: str, name: str, finish: Finish, zones: tuple[str, ...] = ()) -> Pass:
    """A thin acrylic varnish from the airbrush."""
    return Pass(
        key=key, name=name, technique="varnish", minutes=0.5, tool="airbrush",
        medium="acrylic varnish", finish=finish, zones=zones, setup_min=2, cleanup_min=3,
        open_min=15,
    )  # fmt: skip


def seal_before(step: Step) -> Pass:
    """A satin seal on the zones of a pass."""
    return varnish("seal", "seal", "satin", step.layer.pass_.zones)

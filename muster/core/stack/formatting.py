"""Minutes and lists as a painter says them, and the passes that repairs put in."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace
from typing import Literal

from muster.core.craft.media import DAY, HOUR
from muster.core.recipes.recipe import Pass
from muster.core.stack.walk import Step, Walk

Finish = Literal["matt", "satin", "gloss"]


def duration(minutes: float) -> str:
    """30 s, 25 min, 2 h, 60 h, 3½ d."""
    if minutes == float("inf"):
        return "for ever"
    if 0 < minutes < 0.95:
        return f"{max(1, round(minutes * 60))} s"
    if minutes < 2 * HOUR:
        return f"{round(minutes)} min"
    if minutes < 3 * DAY:
        return f"{minutes / HOUR:.0f} h"
    halves = round(minutes / DAY * 2)
    return f"{halves // 2}{'½' if halves % 2 else ''} d"


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
    one = step.layer.pass_
    return replace(varnish("seal", "seal", "satin", one.zones), part=one.part, all_but=one.all_but)


def key_behind(walked: Walk, step: Step) -> str | None:
    """The key of the pass after one; None where it is the last."""
    behind = walked.after(step)
    return behind[0].layer.pass_.key if behind else None


def own_wait_before(walked: Walk, step: Step) -> str | None:
    """The key of the pass whose stated wait lies before one; None where the films say it."""
    before = walked.before(step)
    if not before or before[-1].layer.pass_.stand_min is None:
        return None
    return before[-1].layer.pass_.key

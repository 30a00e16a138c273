"""Thin rails and masts snap in the hand."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Finding, Move, rule
from muster.core.stack.walk import Walk

FRAGILE = ("railing", "rail", "aerial", "mast", "antenna", "strut", "lamp", "mirror", "fragile")
MUCH = 2
"""Passes with much handling from which the part does not stay whole. Common practice."""


@rule(22, "fragile early", "a fragile part is fitted before passes with much handling")
def findings(walked: Walk) -> Iterator[Finding]:
    """A part is fragile by its name or the note."""
    for step in walked.steps:
        film = step.layer
        said = f"{film.pass_.name} {film.pass_.note}".lower()
        if film.technique.act != "build" or not any(word in said for word in FRAGILE):
            continue
        rough = [one for one in walked.after(step) if one.layer.does(TechniqueTrait.HANDLES)]
        if len(rough) >= MUCH:
            words = (
                f"'{film.name}' comes before {len(rough)} passes with much handling "
                f"('{rough[0].layer.name}' first): it snaps off"
            )
            behind = walked.steps[rough[-1].layer.index + 1 :]
            to = behind[0].layer.pass_.key if behind else None
            yield Finding(
                "fragile early",
                "warning",
                words,
                film.pass_.key,
                (Move(f"after '{rough[-1].layer.name}'", film.pass_.key, to),),
            )

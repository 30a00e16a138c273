"""Thin rails and masts snap in the hand."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Finding, Insert, Move, Repair, Several, rule
from muster.core.stack.formatting import key_behind
from muster.core.stack.joints import SCRAPE
from muster.core.stack.walk import Step, Walk

MUCH = 2
"""Passes with much handling from which the part does not stay whole. Common practice."""


@rule(22, "fragile early", "a fragile part is fitted before passes with much handling")
def findings(walked: Walk) -> Iterator[Finding]:
    """A part is fragile where the recipe or the pass that fits it says so; a pinned one holds."""
    for step in walked.steps:
        film = step.layer
        fragile = film.pass_.fragile or film.pass_.part in walked.recipe.fragile
        if not fragile or not film.does(TechniqueTrait.JOINS) or _pinned(walked, step):
            continue
        rough = [
            one
            for one in walked.after(step)
            if one.layer.does(TechniqueTrait.HANDLES)
            and (one.layer.pass_.part in (None, film.pass_.part))
        ]
        if len(rough) >= MUCH:
            words = (
                f"'{film.name}' comes before {len(rough)} passes with much handling "
                f"('{rough[0].layer.name}' first): it snaps off"
            )
            to = key_behind(walked, rough[-1])
            words_of = f"after '{rough[-1].layer.name}'"
            move = Move(words_of, film.pass_.key, to)
            scrape = replace(SCRAPE, part=film.pass_.part)
            bare = Insert("scrape its faces", scrape, film.pass_.key)
            repairs: tuple[Repair, ...] = (
                move, Several(f"{words_of}, on scraped faces", (move, bare)),
            )  # fmt: skip
            yield Finding("fragile early", "warning", words, film.pass_.key, repairs)


def _pinned(walked: Walk, step: Step) -> bool:
    return any(
        one.layer.does(TechniqueTrait.STRENGTHENS) and one.layer.pass_.part == step.layer.pass_.part
        for one in walked.before(step)
    )

"""Pigment vanishes under varnish, and rubs off without."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import MediumTrait
from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Pass
from muster.core.stack.finding import Finding, Insert, Move, Repair, Several, rule
from muster.core.stack.walk import Walk

FIX = Pass(
    key="fix",
    name="fix the pigment",
    technique="fix",
    minutes=1,
    tool="brush",
    medium="fixed pigment",
    carrier="white spirit",
)


@rule(11, "dulled pigment", "varnish lies over pigment, or pigment is left loose")
def findings(walked: Walk) -> Iterator[Finding]:
    """A warning for the varnish; an error for loose pigment on a model that is handled."""
    for step in walked.steps:
        film = step.layer
        if not film.does(TechniqueTrait.DRY) or film.medium is None:
            continue
        if not film.medium.has(MediumTrait.LOOSE):
            continue
        later = [one for one in walked.after(step) if set(one.layer.zones) & set(film.zones)]
        fixed = any(one.layer.technique.act == "fix" for one in later)
        over = [one for one in later if one.layer.seals]
        if over:
            words = (
                f"'{over[0].layer.name}' over '{film.name}' dulls the pigment or makes it vanish: "
                "put it on after, and fix it"
            )
            to = _after(walked, over[-1])
            move = Move("after the varnish", film.pass_.key, to)
            fix = Insert("fix it", FIX, to)
            repair: Repair = (
                move if fixed else Several("after the varnish, and fix it", (move, fix))
            )
            yield Finding("dulled pigment", "warning", words, film.pass_.key, (repair,))
        elif not fixed:
            words = f"'{film.name}' lies loose and rubs off in play"
            behind = walked.steps[film.index + 1 :]
            before = behind[0].layer.pass_.key if behind else None
            yield Finding(
                "loose pigment",
                "error",
                words,
                film.pass_.key,
                (Insert("fix it", FIX, before),),
            )


def _after(walked: Walk, step) -> str | None:  # type: ignore[no-untyped-def]
    behind = walked.steps[step.layer.index + 1 :]
    return behind[0].layer.pass_.key if behind else None

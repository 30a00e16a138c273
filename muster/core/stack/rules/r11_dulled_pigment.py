"""Pigment vanishes under varnish, and rubs off without."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.craft.media import MediumTrait, State
from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Pass
from muster.core.stack.finding import Finding, Insert, Move, Repair, SetUse, Several, rule
from muster.core.stack.formatting import key_behind
from muster.core.stack.walk import Step, Walk

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
        if not film.does(TechniqueTrait.DRY) or not film.medium_has(MediumTrait.LOOSE):
            continue
        later = [one for one in walked.after(step) if set(one.layer.zones) & set(film.zones)]
        fixes = [one for one in later if one.layer.technique.act == "fix"]
        fixed = bool(fixes) or _into_wet(step)
        over = [one for one in later if one.layer.seals]
        if over:
            words = (
                f"'{over[0].layer.name}' over '{film.name}' dulls the pigment or makes it vanish: "
                "put it on after, and fix it"
            )
            to = key_behind(walked, over[-1])
            move = Move("after the varnish", film.pass_.key, to)
            fix = Insert("fix it", _fix(step), to)
            soon = [one for one in fixes if one.layer.index < over[-1].layer.index]
            repair: Repair = move
            if soon:
                again = Move("its fixing", soon[0].layer.pass_.key, to)
                repair = Several("after the varnish, with its fixing", (move, again))
            elif not fixed:
                repair = Several("after the varnish, and fix it", (move, fix))
            yield Finding("dulled pigment", "warning", words, film.pass_.key, (repair,))
        elif not fixed and walked.recipe.use == "played":
            words = f"'{film.name}' lies loose and rubs off in play"
            shown = SetUse("they are shown, not played with", "shown")
            fix = Insert("fix it", _fix(step), key_behind(walked, step))
            yield Finding("loose pigment", "error", words, film.pass_.key, (fix, shown))


def _into_wet(step: Step) -> bool:
    """Whether it is laid into fixer, binder or mud that is still wet, which holds it."""
    return any(
        not met.sealed and met.layer.medium_has(MediumTrait.FIXES) and met.state == State.WET
        for met in step.exposed
    )


def _fix(step: Step) -> Pass:
    """Fixing the pigment where it lies."""
    one = step.layer.pass_
    return replace(FIX, zones=one.zones, part=one.part, all_but=one.all_but)

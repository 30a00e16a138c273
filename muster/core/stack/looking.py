"""Looking at a walk by every rule, and which repairs are worth offering."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator
from dataclasses import replace

from muster.core.craft.media import Grade
from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Recipe
from muster.core.stack.finding import (
    RULES,
    SEVERITIES,
    Change,
    Finding,
    Remove,
    Repair,
    Several,
    mended,
)
from muster.core.stack.layer import WHOLE
from muster.core.stack.walk import Walk, walk_again
from muster.core.vocabulary import MOST_MINUTES

ONE_CAUSE = (
    "mask on soluble", "mask on soft paint", "hot over soft", "unprotected paint", "bare decal",
    "sealed too soon", "lifts", "local first",
)  # fmt: skip
"""What these say of one pass is one thing: it comes too soon, or over the wrong film. The most
telling first."""

SILENCED = (
    "lifts", "unprotected paint", "hot over soft", "bare decal", "silvering", "gloss pools",
    "dulled pigment", "will not show", "too stark", "too small", "too big", "shows through",
    "no headroom", "one-way", "mask on soft paint", "local first", "thirsty",
)  # fmt: skip
"""What a good trial of a pass answers better than a rule."""


def look(walked: Walk) -> list[Finding]:
    """What every rule says of a walk: one finding a cause, and nothing of what was tried and went
    well."""
    tried = {step.layer.pass_.key for step in walked.steps if step.layer.pass_.tried == "good"}
    found = [
        finding
        for rule in RULES.values()
        for finding in rule.findings(walked)
        if not (finding.key in tried and finding.code in SILENCED)
    ]
    return _one_a_cause(found)


def _one_a_cause(found: list[Finding]) -> list[Finding]:
    gravest: dict[str, Finding] = {}
    for one in found:
        if one.code not in ONE_CAUSE:
            continue
        known = gravest.get(one.key)
        if known is None or _rank(one) < _rank(known):
            gravest[one.key] = one
    return [one for one in found if one.code not in ONE_CAUSE or gravest[one.key] is one]


def _rank(one: Finding) -> tuple[int, int]:
    return SEVERITIES.index(one.severity), ONE_CAUSE.index(one.code)


def with_good_repairs(recipe: Recipe, walked: Walk) -> list[Finding]:
    """What every rule says, each with those of its repairs that are worth offering.

    ``recipe``: as it was given, before the house changed it.
    """
    found = sorted(look(walked), key=lambda one: SEVERITIES.index(one.severity))
    before, buried = Counter(_mark(one) for one in found), _buried(walked)
    left = MOST_TRIED
    for number, one in enumerate(found):
        tried = one.repairs[: max(0, left)]
        left -= len(tried)
        good = tuple(_good(recipe, walked, replace(one, repairs=tried), before, buried))
        found[number] = replace(one, repairs=good)
    return found


MOST_TRIED = 20
"""Repairs that are tried of one recipe, the gravest first: who has so much to mend begins there."""


def _good(
    recipe: Recipe,
    walked: Walk,
    finding: Finding,
    before: Counter[tuple[str, str]],
    buried: set[str],
) -> Iterator[Repair]:
    """The repairs that take the finding away, wake none, and leave every later effect seen."""
    for repair in finding.repairs:
        if not _can_be(repair) or (len(recipe.passes) == 1 and isinstance(repair, Remove)):
            continue
        try:
            after_recipe, habits = mended(recipe, walked.habits, repair)
        except KeyError:
            continue
        after = walk_again(walked, after_recipe, habits)
        found = Counter(_mark(one) for one in look(after))
        fewer = found[_mark(finding)] < before[_mark(finding)]
        woken = found - before
        if fewer and not woken and not _buried(after) - buried:
            yield repair


def _mark(one: Finding) -> tuple[str, str]:
    return one.code, one.key


def _buried(walked: Walk) -> set[str]:
    """The keys of effects, markings and lights that a later colour hides altogether."""
    found = set()
    for step in walked.steps:
        film = step.layer
        seen = film.paints or film.does(TechniqueTrait.DECALS)
        coat = film.does(TechniqueTrait.HIDES) and film.purpose in ("hide", "ground")
        if not seen or coat or film.does(TechniqueTrait.THICK):
            continue
        open_ = set(film.zones)
        for after in walked.after(step):
            layer = after.layer
            if layer.paints and layer.does(TechniqueTrait.HIDES) and layer.cover >= WHOLE:
                if layer.grade >= Grade.MIST and layer.purpose in ("hide", "ground"):
                    open_ -= set(layer.zones)
        if film.zones and not open_:
            found.add(film.pass_.key)
    return found


def _can_be(repair: Repair) -> bool:
    """Whether what a repair states is a value that a pass can have: no wait is longer than that."""
    steps = repair.steps if isinstance(repair, Several) else (repair,)
    waits = [
        value
        for step in steps
        if isinstance(step, Change)
        for name, value in step.values
        if name == "stand_min"
    ]
    return all(not isinstance(wait, int | float) or wait <= MOST_MINUTES for wait in waits)

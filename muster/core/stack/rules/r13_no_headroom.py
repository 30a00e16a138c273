"""Lights need room above the base."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, Move, Remove, Repair, rule
from muster.core.stack.layer import SMALL, AppliedLayer
from muster.core.stack.tones import hue_apart, lightness, mixed_toward
from muster.core.stack.walk import Step, Walk

STEP = 4.0
"""L* by which a light must differ to be seen as one. Common practice."""

WHITE = 96.0
"""L* above which nothing is left. Common practice."""

SAME_RAMP = 40.0
"""Degrees of hue within which two lights are of one ramp. Common practice."""


@rule(13, "no headroom", "lights on a base that is too light already, or that do not climb")
def findings(walked: Walk) -> Iterator[Finding]:
    """An error where nothing lighter is left; a warning where a light is darker than its base, or a
    ramp falls back unshaded."""
    for step in walked.steps:
        film = step.layer
        if film.purpose != "light" or film.pass_.colour is None or not film.paints:
            continue
        if not film.does(TechniqueTrait.LIGHTS):
            continue
        under = [one.layer for one in walked.before(step) if _is_base(one.layer, step)]
        base = _base_of(under)
        if base is not None and base.pass_.colour is not None:
            found = _against_base(film, base)
            if found is not None:
                yield found
                continue
        last = under[-1] if under else None
        if last is not None and last.does(TechniqueTrait.LIGHTS):
            yield from _fallen(walked, step, last)


def _is_base(layer: AppliedLayer, step: Step) -> bool:
    """Whether a light lies on it: no dot, no numeral, no other part."""
    return (
        layer.paints
        and layer.pass_.colour is not None
        and layer.cover >= SMALL
        and layer.purpose not in ("mark", "spot", "clean up", "wear", "tone down")
        and bool(set(layer.zones) & set(step.layer.zones))
        and (layer.does(TechniqueTrait.HIDES) or layer.does(TechniqueTrait.LIGHTS))
        and layer.pass_.part == step.layer.pass_.part
    )


def _base_of(under: list[AppliedLayer]) -> AppliedLayer | None:
    hides = [layer for layer in under if layer.does(TechniqueTrait.HIDES)]
    return hides[-1] if hides else None


def _against_base(film: AppliedLayer, base: AppliedLayer) -> Finding | None:
    assert film.pass_.colour is not None and base.pass_.colour is not None
    mine, below = lightness(film.pass_.colour), lightness(base.pass_.colour)
    if below > WHITE - STEP and mine <= below + STEP:
        words = (
            f"'{base.name}' has L* {below:.0f}: nothing is left for '{film.name}' (L* {mine:.0f}) "
            "to be lighter than; begin off-white"
        )
        darker = mixed_toward(base.pass_.colour, 84.0)
        repair = Change("base it off-white", base.pass_.key, (("colour", darker),))
        return Finding("no headroom", "error", words, film.pass_.key, (repair,))
    edges = film.does(TechniqueTrait.LINE)
    if edges and mine < below - STEP:
        words = (
            f"the light '{film.name}' (L* {mine:.0f}) is darker than its base '{base.name}' "
            f"(L* {below:.0f})"
        )
        lighter = mixed_toward(base.pass_.colour, min(95.0, below + 14))
        repairs: tuple[Repair, ...] = (
            Change("a lighter mix of the base", film.pass_.key, (("colour", lighter),)),
            Remove("leave it out", film.pass_.key),
        )
        return Finding("no headroom", "warning", words, film.pass_.key, repairs)
    return None


def _fallen(walked: Walk, step: Step, last: AppliedLayer) -> Iterator[Finding]:
    film = step.layer
    assert film.pass_.colour is not None and last.pass_.colour is not None
    mine, before = lightness(film.pass_.colour), lightness(last.pass_.colour)
    if mine >= before - STEP or hue_apart(film.pass_.colour, last.pass_.colour) > SAME_RAMP:
        return
    if any(one.layer.does(TechniqueTrait.TINTS) for one in walked.after(step)):
        return
    words = (
        f"'{film.name}' (L* {mine:.0f}) comes after the lighter '{last.name}' (L* {before:.0f}): "
        "lights climb"
    )
    move = Move("before it", film.pass_.key, last.pass_.key)
    dust = Change("it tones down", film.pass_.key, (("purpose", "tone down"),))
    yield Finding("no headroom", "warning", words, film.pass_.key, (move, dust))

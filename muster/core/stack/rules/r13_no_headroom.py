"""Lights need room above the base."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, Move, rule
from muster.core.stack.tones import lightness, mixed_toward
from muster.core.stack.walk import Walk

STEP = 4.0
"""L* by which a light must differ to be seen as one. Common practice."""
WHITE = 96.0


@rule(13, "no headroom", "lights on a base that is too light already, or that do not climb")
def findings(walked: Walk) -> Iterator[Finding]:
    """An error where nothing lighter is left; a warning where a ramp falls back unshaded."""
    for step in walked.steps:
        film = step.layer
        if not film.does(TechniqueTrait.LIGHTS) or film.pass_.colour is None:
            continue
        mine = lightness(film.pass_.colour)
        under = [
            one
            for one in walked.before(step)
            if one.layer.pass_.colour is not None
            and set(one.layer.zones) & set(film.zones)
            and one.layer.lays
            and (one.layer.does(TechniqueTrait.HIDES) or one.layer.does(TechniqueTrait.LIGHTS))
            and not one.layer.pass_.part
        ]
        if not under:
            continue
        last = under[-1].layer
        assert last.pass_.colour is not None
        base = lightness(last.pass_.colour)
        if last.does(TechniqueTrait.HIDES) and base > WHITE - STEP and mine <= base + STEP:
            words = (
                f"'{last.name}' has L* {base:.0f}: nothing is left for '{film.name}' "
                f"(L* {mine:.0f}) to be lighter than; begin off-white"
            )
            darker = mixed_toward(last.pass_.colour, 84.0)
            yield Finding(
                "no headroom",
                "error",
                words,
                film.pass_.key,
                (Change("base it off-white", last.pass_.key, (("colour", darker),)),),
            )
        elif last.does(TechniqueTrait.LIGHTS) and mine < base - STEP:
            shaded = any(one.layer.does(TechniqueTrait.TINTS) for one in walked.after(step))
            if not shaded:
                words = (
                    f"'{film.name}' (L* {mine:.0f}) comes after the lighter '{last.name}' "
                    f"(L* {base:.0f}): lights climb"
                )

                yield Finding(
                    "no headroom",
                    "warning",
                    words,
                    film.pass_.key,
                    (Move("before it", film.pass_.key, last.pass_.key),),
                )

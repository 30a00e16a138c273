"""Air under a decal on a matt ground shines like silver."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.craft.media import MediumTrait
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, Insert, rule
from muster.core.stack.formatting import varnish
from muster.core.stack.layer import AppliedLayer
from muster.core.stack.walk import ExposedLayer, Step, Walk


@rule(7, "silvering", "decals go on a matt ground")
def findings(walked: Walk) -> Iterator[Finding]:
    """By the house's school: gloss first is asked for, or only remembered; where the recipe sets
    them with fluids, all is said."""
    for step in walked.steps:
        film = step.layer
        if not film.does(TechniqueTrait.DECALS):
            continue
        grounds = [ground for zone in step.by_zone.values() if (ground := _ground(zone))]
        if _lies_well(film, grounds) or _set_with_fluid(walked, step):
            continue
        if walked.habits.decal_ground == "fluids":
            words = (
                f"'{film.name}' go on a matt ground: set them with setting fluid and soften them, "
                "or they silver"
            )
            yield Finding("silvering", "note", words, film.pass_.key)
            continue
        one = film.pass_
        gloss = replace(
            varnish("gloss", "gloss coat", "gloss", one.zones), part=one.part, all_but=one.all_but
        )
        words = f"'{film.name}' go on a ground that is not gloss: air under the film shines silver"
        repairs = (
            Insert("a gloss coat first", gloss, film.pass_.key),
            Change(
                "set them with setting and softening fluids", one.key, (("carrier", "softener"),)
            ),
        )
        yield Finding("silvering", "error", words, film.pass_.key, repairs)


def _ground(open_: tuple[ExposedLayer, ...]) -> AppliedLayer | None:
    """What a decal lies on: further decals beside the first lie on the same ground."""
    layers = (one.layer for one in open_)
    return next((one for one in layers if not one.medium_has(MediumTrait.DECAL)), None)


def _lies_well(film: AppliedLayer, grounds: list[AppliedLayer]) -> bool:
    """Whether it lies on gloss; of a decal whose place is not said, whether there is a gloss patch
    for it."""
    if not grounds:
        return False
    smooth = [_smooth(one) for one in grounds]
    return all(smooth) if film.pass_.zones else any(smooth)


def _smooth(layer: AppliedLayer) -> bool:
    glue = layer.medium_has(MediumTrait.SMOOTH)
    return glue or (layer.pass_.finish in ("gloss", "satin", "metallic") and layer.lays)


def _set_with_fluid(walked: Walk, step: Step) -> bool:
    """Whether setting or softening fluid is used on them."""
    fluid = step.layer.carrier == "softener"
    return fluid or any(
        one.layer.does(TechniqueTrait.SOFTENS_DECALS)
        and set(one.layer.zones) & set(step.layer.zones)
        for one in walked.after(step)
    )

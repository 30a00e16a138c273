"""Air under a decal on a matt ground shines like silver."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import MediumTrait
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Finding, Insert, SetHabit, rule
from muster.core.stack.formatting import varnish
from muster.core.stack.walk import Walk


@rule(7, "silvering", "decals go on a matt ground")
def findings(walked: Walk) -> Iterator[Finding]:
    """By the house's school: gloss first is asked for, or only remembered."""
    for step in walked.steps:
        film = step.layer
        if not film.does(TechniqueTrait.DECALS):
            continue
        tops = [zone[0].layer for zone in step.by_zone.values() if zone]
        if tops and all(_smooth(layer) for layer in tops):
            continue
        way = walked.habits.decal_ground
        gloss = varnish("gloss", "gloss coat", "gloss", film.pass_.zones)
        if way == "fluids":
            words = (
                f"'{film.name}' go on a matt ground: set them with setting fluid and soften them, "
                "or they silver"
            )
            if "softener" not in film.pass_.note and "fluid" not in film.pass_.note:
                yield Finding("silvering", "note", words, film.pass_.key)
            continue
        words = f"'{film.name}' go on a ground that is not gloss: air under the film shines silver"
        repairs = (
            Insert("a gloss coat first", gloss, film.pass_.key),
            SetHabit("rely on setting and softening fluids", "decal_ground", "fluids"),
        )
        yield Finding("silvering", "error", words, film.pass_.key, repairs)


def _smooth(layer) -> bool:  # type: ignore[no-untyped-def]
    glue = layer.medium_has(MediumTrait.SMOOTH)
    return glue or (layer.pass_.finish in ("gloss", "satin") and layer.lays)

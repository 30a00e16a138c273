"""A water wash all over gloss draws into pools."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.walk import Walk


@rule(10, "gloss pools", "an all-over water wash lies on gloss")
def findings(walked: Walk) -> Iterator[Finding]:
    """The gloss coat is made satin, where it serves no decals."""
    known = walked.zones
    for step in walked.steps:
        film = step.layer
        if not film.does(TechniqueTrait.FLOWS) or film.carrier != "water" or film.cover < 0.5:
            continue
        # What lies within another zone counts with that.
        outer = [
            open_
            for name, open_ in step.by_zone.items()
            if name not in known or known[name].within not in step.by_zone
        ]
        tops = [open_[0].layer for open_ in outer if open_]
        glossy = [layer for layer in tops if layer.pass_.finish == "gloss"]
        if glossy and len(glossy) * 2 > len(tops):
            words = f"'{film.name}' draws into pools on the gloss of '{glossy[0].name}'"
            values = (("finish", "satin"),)
            yield Finding(
                "gloss pools",
                "warning",
                words,
                film.pass_.key,
                (Change("make that coat satin", glossy[0].pass_.key, values),),
            )

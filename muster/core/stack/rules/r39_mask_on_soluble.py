"""Tape takes off what water would."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import MediumTrait
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Finding, Insert, rule
from muster.core.stack.formatting import varnish
from muster.core.stack.walk import Walk


@rule(39, "mask on soluble", "tape or masking fluid lies on an unsealed clay wash or pigment")
def findings(walked: Walk) -> Iterator[Finding]:
    """It comes off with the mask, whatever one waits."""
    for step in walked.steps:
        film = step.layer
        if not film.does(TechniqueTrait.COVERS_UP):
            continue
        for met in step.exposed:
            loose = met.layer.medium_has(MediumTrait.LOOSE)
            if met.sealed or not (loose or met.layer.medium_has(MediumTrait.REWETS)):
                continue
            words = (
                f"'{film.name}' lies on the unsealed '{met.layer.name}', which comes off with it"
            )
            seal = Insert("seal it first", varnish("seal", "seal", "satin"), film.pass_.key)
            yield Finding("mask on soluble", "error", words, film.pass_.key, (seal,))
            break

"""A decal that is not sealed is dissolved by what comes over it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import Grade, MediumTrait
from muster.core.stack.finding import Finding, Insert, rule
from muster.core.stack.formatting import seal_before
from muster.core.stack.walk import Walk


@rule(8, "bare decal", "lacquer thinner, or scrubbing with white spirit, meets a bare decal")
def findings(walked: Walk) -> Iterator[Finding]:
    """One finding a pass."""
    for step in walked.steps:
        film = step.layer
        hot = film.carrier == "lacquer thinner" and film.grade >= Grade.MIST
        scrubbed = film.carrier == "white spirit" and film.grade >= Grade.SCRUB
        if not hot and not scrubbed:
            continue
        bare = [
            met.layer.name
            for met in step.exposed
            if not met.sealed and met.layer.medium_has(MediumTrait.DECAL)
        ]
        if bare:
            misted = hot and film.grade == Grade.MIST
            words = f"{film.carrier} of '{film.name}' attacks '{bare[0]}', which nothing seals"
            yield Finding(
                "bare decal",
                "warning" if misted else "error",
                words,
                film.pass_.key,
                (Insert("seal the decals first", seal_before(step), film.pass_.key),),
            )

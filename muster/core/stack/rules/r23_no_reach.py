"""A zone that a part covers can no longer be painted."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.stack.finding import Finding, Move, rule
from muster.core.stack.walk import Walk


@rule(23, "no reach", "a zone is covered by a part before its pass")
def findings(walked: Walk) -> Iterator[Finding]:
    """A building pass covers the zones that it names, from then on."""
    covered: dict[str, str] = {}
    keys: dict[str, str] = {}
    for step in walked.steps:
        film = step.layer
        if film.technique.act == "build":
            for zone in film.pass_.zones:
                covered[zone], keys[zone] = film.name, film.pass_.key
            continue
        shut = [zone for zone in film.pass_.zones if zone in covered]
        if shut and film.technique.act != "mask":
            words = f"'{film.name}' cannot reach {shut[0]}: '{covered[shut[0]]}' has closed it"
            yield Finding(
                "no reach",
                "error",
                words,
                film.pass_.key,
                (Move(f"before '{covered[shut[0]]}'", film.pass_.key, keys[shut[0]]),),
            )

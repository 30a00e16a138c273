"""A zone that a part covers can no longer be painted."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Finding, Move, rule
from muster.core.stack.walk import Walk


@rule(23, "no reach", "a zone is covered by a part before its pass")
def findings(walked: Walk) -> Iterator[Finding]:
    """A part that is glued in closes the hidden zones that it names, from then on."""
    known = walked.zones
    covered: dict[str, str] = {}
    keys: dict[str, str] = {}
    for step in walked.steps:
        film = step.layer
        if film.technique.act == "build":
            closed = film.pass_.zones if film.does(TechniqueTrait.JOINS) else ()
            for zone in (zone for zone in closed if zone in known and known[zone].hidden):
                covered[zone], keys[zone] = film.name, film.pass_.key
            continue
        shut = [zone for zone in film.pass_.zones if zone in covered]
        if shut and film.technique.act not in ("mask", "bare"):
            words = f"'{film.name}' cannot reach {shut[0]}: '{covered[shut[0]]}' has closed it"
            yield Finding(
                "no reach",
                "error",
                words,
                film.pass_.key,
                (Move(f"before '{covered[shut[0]]}'", film.pass_.key, keys[shut[0]]),),
            )

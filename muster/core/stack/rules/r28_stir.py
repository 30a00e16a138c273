"""Matt varnish is thick at the bottom of its pot."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.layer import BRUSHES
from muster.core.stack.walk import Walk


@rule(28, "stir and thin", "matt varnish is laid thick, or by brush, where it pools")
def findings(walked: Walk) -> Iterator[Finding]:
    """Said once: stirred well and thin it does not dry white in recesses."""
    for step in walked.steps:
        film = step.layer
        if not film.seals or film.pass_.finish != "matt":
            continue
        if film.pass_.tool in BRUSHES or film.pass_.thick > 1.5 or film.pass_.coats > 2:
            words = f"'{film.name}' pools in recesses and dries white there: stir well, thin coats"
            values = (("tool", "airbrush"), ("thick", 1), ("coats", 1))
            yield Finding(
                "stir and thin",
                "note",
                words,
                film.pass_.key,
                (Change("one thin coat from the airbrush", film.pass_.key, values),),
            )
            return

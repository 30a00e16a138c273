"""Varnish, primer and cans fog in damp or cold air."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.stack.finding import Finding, rule
from muster.core.stack.room import may_spray
from muster.core.stack.spraying import fogs
from muster.core.stack.walk import Walk


@rule(27, "fog", "varnish, primer or a can is sprayed outside its climate")
def look(walked: Walk) -> Iterator[Finding]:
    """Said once, of the first such pass; the plan holds each of them to dry enough air."""
    air = may_spray(walked.room)
    if air is None:
        return
    for step in walked.steps:
        film = step.laid
        hot = walked.room.celsius > 25 and walked.room.humidity <= 65
        if fogs(film):
            what = "dries before it lands" if hot else "fogs or turns grainy"
            words = (
                f"'{film.name}' sprayed at {walked.room.celsius:g} °C and {walked.room.humidity:g} "
                f"% humidity {what}: it wants 15 to 25 °C and below 65 %; brush it, or wait for a "
                "better day"
            )
            yield Finding("fog", "error" if air == "refuse" else "warning", words, film.one.key)
            return

"""Varnish, primer and cans fog in damp or cold air."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.climate import spray_limit
from muster.core.stack.finding import Finding, rule
from muster.core.stack.spraying import fogs
from muster.core.stack.walk import Walk


@rule(27, "fog", "varnish, primer or a can is sprayed outside its climate")
def findings(walked: Walk) -> Iterator[Finding]:
    """Said once, of the first such pass; the plan holds each of them to dry enough air."""
    air = spray_limit(walked.climate)
    if air is None:
        return
    for step in walked.steps:
        film = step.layer
        hot = walked.climate.celsius > 25 and walked.climate.humidity <= 65
        if fogs(film):
            what = "dries before it lands" if hot else "fogs or turns grainy"
            words = (
                f"'{film.name}' sprayed at {walked.climate.celsius:g} °C and "
                f"{walked.climate.humidity:g} % humidity {what}: it wants 15 to 25 °C and "
                "below 65 %; brush it, or wait for a better day"
            )
            yield Finding("fog", "error" if air == "refuse" else "warning", words, film.pass_.key)
            return

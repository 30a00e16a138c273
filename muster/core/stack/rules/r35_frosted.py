"""Fumes and solvents frost clear parts."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.stack.finding import Change, Finding, Repair, rule
from muster.core.stack.walk import Walk

FROSTS = ("superglue", "solvent cement", "accelerator")


@rule(35, "frosted glass", "superglue, cement or lacquer comes near clear parts")
def findings(walked: Walk) -> Iterator[Finding]:
    """Passes that name a clear zone; masking it is no harm."""
    zones = walked.zones
    for step in walked.steps:
        film = step.layer
        if not any(zone in zones and zones[zone].clear for zone in film.pass_.zones):
            continue
        glue = film.pass_.adhesive
        hot = film.lays and film.carrier == "lacquer thinner"
        if glue in FROSTS or hot:
            what = glue or "lacquer"
            words = f"{what} of '{film.name}' frosts clear parts"
            repair: Repair = Change("use white glue", film.pass_.key, (("adhesive", "white glue"),))
            if hot:
                values = (("medium", "acrylic varnish"), ("carrier", None))
                repair = Change("use acrylic instead", film.pass_.key, values)
            yield Finding("frosted glass", "warning", words, film.pass_.key, (repair,))

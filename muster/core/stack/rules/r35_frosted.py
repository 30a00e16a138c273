"""Fumes and solvents frost clear parts."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, Repair, rule
from muster.core.stack.joints import sides
from muster.core.stack.masks import masked
from muster.core.stack.walk import Walk

FROSTS = ("superglue", "solvent cement", "accelerator", "hot glue")


@rule(35, "frosted glass", "superglue, cement or lacquer comes near clear parts")
def findings(walked: Walk) -> Iterator[Finding]:
    """Passes that name a clear zone or join a clear part; masking it is no harm."""
    for step in walked.steps:
        film = step.layer
        near = any(walked.is_clear(zone) for zone in film.pass_.zones) or film.material == "clear"
        joined = film.does(TechniqueTrait.JOINS) and (near or "clear" in sides(walked, step))
        glue = film.pass_.adhesive if joined and film.pass_.adhesive in FROSTS else None
        glass = {zone for zone in film.zones if walked.is_clear(zone)}
        hot = film.lays and film.carrier == "lacquer thinner" and near
        hot = hot and not (glass and masked(walked, step, glass))
        if glue is None and not hot:
            continue
        words = f"{glue or 'lacquer'} of '{film.name}' frosts clear parts"
        repairs: tuple[Repair, ...] = tuple(
            Change(f"use {name}", film.pass_.key, (("adhesive", name),))
            for name in ("clear-parts glue", "white glue")
        )
        if hot:
            seals = film.medium is not None and film.medium.seals
            values = (("medium", "acrylic varnish" if seals else "acrylic"), ("carrier", None),
                      ("technique", "varnish" if seals else "brush"))  # fmt: skip
            repairs = (Change("use acrylic instead", film.pass_.key, values),)
        yield Finding("frosted glass", "warning", words, film.pass_.key, repairs)

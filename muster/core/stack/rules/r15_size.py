"""An effect finer than the eye resolves is wasted; one larger than life looks like a mistake."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, Remove, Repair, rule
from muster.core.stack.walk import Walk
from muster.core.vocabulary import Tier

RESOLVED: dict[Tier, float] = {"table": 0.29, "hand": 0.087, "close": 0.044}
"""One minute of arc at 1 m, 30 cm and 15 cm, in millimetres."""


@rule(15, "too small", "an effect is finer than the eye resolves, or larger than in life")
def findings(walked: Walk) -> Iterator[Finding]:
    """Only where the size of the mark is stated; edges and lining are judged by contrast."""
    for step in walked.steps:
        film = step.layer
        if film.pass_.size_mm is None or film.does(TechniqueTrait.LINE):
            continue
        scale = walked.scale
        least = RESOLVED[film.pass_.tier]
        most = film.technique.mark_mm
        if film.pass_.size_mm < least:
            words = (
                f"marks of {film.pass_.size_mm:g} mm in '{film.name}' cannot be seen: the eye "
                f"resolves {least:g} mm from there"
            )
            larger = round(least * 1.5, 2)
            repairs: tuple[Repair, ...] = (
                Change(f"marks of {larger:g} mm", film.pass_.key, (("size_mm", larger),)),
                Remove("leave it out", film.pass_.key),
            )
            yield Finding("too small", "warning", words, film.pass_.key, repairs)
        elif most is not None and film.pass_.size_mm > most / scale:
            right = round(most / scale * 0.8, 2)
            words = (
                f"marks of {film.pass_.size_mm:g} mm in '{film.name}' are "
                f"{film.pass_.size_mm * scale:.0f} mm in life: {most / scale:.1f} mm is the most"
            )
            yield Finding(
                "too big",
                "warning",
                words,
                film.pass_.key,
                (Change(f"marks of {right:g} mm", film.pass_.key, (("size_mm", right),)),),
            )

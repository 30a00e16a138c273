"""Solvents eat foam."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.recipes.recipe import Pass
from muster.core.stack.finding import Change, Finding, Insert, Repair, rule
from muster.core.stack.walk import Walk

EATS = ("lacquer thinner", "white spirit")
SKIN = Pass(
    key="skin",
    name="seal the foam",
    technique="texture",
    minutes=6,
    medium="texture",
    note="Two coats of white glue and filler, no gap left.",
)


@rule(32, "eats the ground", "solvent spray, cement or accelerator meets bare foam")
def findings(walked: Walk) -> Iterator[Finding]:
    """Foam is bare until a water-borne film covers it whole."""
    if walked.material != "foam":
        return
    covered = False
    for step in walked.steps:
        film = step.layer
        glue = film.pass_.adhesive in ("superglue", "solvent cement", "accelerator")
        if glue:
            words = f"{film.pass_.adhesive} of '{film.name}' eats foam"
            yield Finding(
                "eats the ground",
                "error",
                words,
                film.pass_.key,
                (Change("use white glue", film.pass_.key, (("adhesive", "white glue"),)),),
            )
        elif film.lays and film.carrier in EATS and not covered:
            words = f"{film.carrier} of '{film.name}' eats the bare foam under it"
            water = (("medium", "acrylic"), ("carrier", None), ("technique", "brush"))
            repairs: tuple[Repair, ...] = (
                Insert("close the foam first", SKIN, film.pass_.key),
                Change("brush water acrylic instead", film.pass_.key, water),
            )
            yield Finding("eats the ground", "error", words, film.pass_.key, repairs)
            return
        elif film.lays and film.carrier == "water" and film.cover >= 0.9:
            covered = True

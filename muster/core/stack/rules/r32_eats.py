"""Solvents eat foam."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Pass
from muster.core.stack.finding import Change, Finding, Insert, Repair, rule
from muster.core.stack.joints import sides
from muster.core.stack.layer import WHOLE
from muster.core.stack.walk import Step, Walk

EATS = ("lacquer thinner", "white spirit")
EATING_GLUES = ("superglue", "solvent cement", "accelerator")
SKIN = Pass(
    key="skin",
    name="close the foam",
    technique="texture",
    minutes=6,
    medium="texture",
    note="Two coats of white glue and filler, no gap left.",
)


@rule(32, "eats the ground", "solvent spray, cement or accelerator meets bare foam")
def findings(walked: Walk) -> Iterator[Finding]:
    """Foam is bare until a water-borne film covers it whole; said once."""
    covered: set[str] = set()
    for step in walked.steps:
        film = step.layer
        if _glued(walked, step):
            words = f"{film.pass_.adhesive} of '{film.name}' eats bare foam"
            glue = (("adhesive", "white glue"),)
            foam = (("adhesive", "foam glue"),)
            repairs: tuple[Repair, ...] = (
                Change("use white glue", film.pass_.key, glue),
                Change("use foam glue", film.pass_.key, foam),
            )
            yield Finding("eats the ground", "error", words, film.pass_.key, repairs)
        if film.material != "foam" or not film.lays:
            continue
        bare = set(film.zones) - covered
        if film.carrier in EATS and bare:
            words = f"{film.carrier} of '{film.name}' eats the bare foam under it"
            water = (("medium", "acrylic"), ("carrier", None), ("technique", "brush"),
                     ("tool", "brush"))  # fmt: skip
            repairs = (
                Insert("close the foam first", SKIN, film.pass_.key),
                Change("brush water acrylic instead", film.pass_.key, water),
            )
            yield Finding("eats the ground", "error", words, film.pass_.key, repairs)
            return
        if film.carrier == "water" and film.cover >= WHOLE:
            covered |= set(film.zones)


def _glued(walked: Walk, step: Step) -> bool:
    if not step.layer.does(TechniqueTrait.JOINS):
        return False
    return step.layer.pass_.adhesive in EATING_GLUES and "foam" in sides(walked, step)

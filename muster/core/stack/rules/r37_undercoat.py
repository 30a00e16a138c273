"""Paint needs something to hold on to."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import Grade, MediumTrait
from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Pass
from muster.core.stack.finding import Change, Finding, Insert, SetHabit, rule
from muster.core.stack.layer import AppliedLayer
from muster.core.stack.walk import Walk

SLIPS = ("metal", "photo-etch", "resin", "print", "polystyrene", "vinyl", "clear")
"""What water acrylic does not grip."""

CRAZES = ("polystyrene", "clear")
"""What lacquer thinner melts where it lies wet."""

PRIMER = Pass(
    key="undercoat",
    name="undercoat",
    technique="spray",
    minutes=1,
    tool="airbrush",
    medium="primer",
    purpose="ground",
    setup_min=2,
    cleanup_min=3,
    open_min=15,
)


@rule(37, "no undercoat", "paint lies straight on bare metal, resin, print or plastic")
def findings(walked: Walk) -> Iterator[Finding]:
    """Once for water acrylic without a ground; each lacquer that is brushed on bare plastic."""
    if walked.effects_only:
        return
    covered: set[str] = set()
    told = False
    for step in walked.steps:
        film = step.layer
        if not film.lays:
            continue
        bare = {zone for zone in film.zones if not _unseen(walked, zone)} - covered
        if bare and film.material in CRAZES and _melts(film):
            words = (
                f"lacquer brushed wet by '{film.name}' crazes bare {film.material}: spray it thin, "
                "or undercoat first"
            )
            thin = (("technique", "spray"), ("tool", "airbrush"), ("thick", 1), ("coats", 2))
            repairs = (
                Change("spray it in two thin coats", film.pass_.key, thin),
                Insert("an undercoat first", PRIMER, film.pass_.key),
            )
            yield Finding("no undercoat", "error", words, film.pass_.key, repairs)
        elif bare and film.material in SLIPS and not told and _slips(walked, film):
            told = True
            words = (
                f"'{film.name}' lies straight on bare {film.material}, and no undercoat is in the "
                "recipe: water acrylic rubs off it"
            )
            habit = SetHabit("paint without undercoat", "undercoat", "none")
            first = Insert("an undercoat first", PRIMER, film.pass_.key)
            yield Finding("no undercoat", "warning", words, film.pass_.key, (first, habit))
        covered |= set(film.zones)


def _unseen(walked: Walk, zone: str) -> bool:
    """Whether an undercoat over the model passes it by: a crew, a rim, an inside, glass."""
    known = walked.zones
    return zone in known and (known[zone].hidden or known[zone].clear)


def _melts(film: AppliedLayer) -> bool:
    return film.carrier == "lacquer thinner" and film.grade >= Grade.BRUSH


def _slips(walked: Walk, film: AppliedLayer) -> bool:
    """Whether it is water acrylic that is no undercoat and has none under it."""
    if walked.habits.undercoat == "none" or film.clear or not film.paints:
        return False
    if film.purpose == "ground" or film.medium is None or film.carrier != "water":
        return False
    small = film.cover < 0.5 and not film.does(TechniqueTrait.HIDES)
    keeps = film.medium.has(MediumTrait.GRIPS) or film.medium.has(MediumTrait.STAYS_PROUD)
    return not keeps and not small

"""Paint flakes off soft plastic that bends."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Pass
from muster.core.stack.finding import Finding, Insert, SetHabit, rule
from muster.core.stack.walk import Walk

DIP = Pass(
    key="dip",
    name="white-glue dip",
    technique="dip",
    minutes=1,
    medium="white glue",
    stand_min=1440,
    note="Thin white glue, shaken off; a day to harden.",
)


@rule(19, "soft plastic", "polythene is painted without a flexible ground")
def findings(walked: Walk) -> Iterator[Finding]:
    """Once; silent where the house paints it straight."""
    if walked.habits.soft_plastic == "straight":
        return
    skinned: set[str] = set()
    for step in walked.steps:
        film = step.layer
        if film.material != "polythene" or not film.lays:
            continue
        if film.does(TechniqueTrait.SKINS) or film.seals:
            skinned |= set(film.zones)
        elif not set(film.zones) <= skinned:
            words = f"'{film.name}' lies on soft polythene, which bends: paint flakes off"
            repairs = (
                Insert(
                    "a thin white-glue dip first",
                    replace(DIP, part=film.pass_.part),
                    film.pass_.key,
                ),
                SetHabit("paint it straight", "soft_plastic", "straight"),
            )
            yield Finding("soft plastic", "warning", words, film.pass_.key, repairs)
            return

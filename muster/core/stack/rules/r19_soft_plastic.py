"""Paint flakes off soft plastic that bends."""

from __future__ import annotations

from collections.abc import Iterator

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
    """Silent where the house paints it straight."""
    if walked.material != "polythene" or walked.habits.soft_plastic == "straight":
        return
    first = next((one for one in walked.steps if one.layer.lays), None)
    if first is None or first.layer.does(TechniqueTrait.SKINS):
        return
    words = f"'{first.layer.name}' lies on soft polythene, which bends: paint flakes off"
    repairs = (
        Insert("a thin white-glue dip first", DIP, first.layer.pass_.key),
        SetHabit("paint it straight", "soft_plastic", "straight"),
    )
    yield Finding("soft plastic", "warning", words, first.layer.pass_.key, repairs)

"""A house changes passes and times, not only what is said; drafts are tried under another coat."""

from __future__ import annotations

import pytest

from muster.core.craft.climate import Climate, contours
from muster.core.craft.clocks import drying_factor
from muster.core.craft.media import MEDIA
from muster.core.recipes.recipe import MixPart, Pass
from muster.core.recipes.starters_vehicles import STARTERS
from muster.core.stack.check import check
from muster.core.stack.finding import Change, Insert, Remove
from muster.core.stack.habits.house import Habits, apply_house_habits
from muster.core.stack.layer import apply_pass
from muster.core.stack.repair_cost import cost_of, minutes_of
from muster.core.stack.spraying import fogs
from muster.core.stack.undercoat import COLOURS, with_undercoat
from muster.core.stack.walk import walk
from tests.core.stack.making import BASE, MATT, SATIN, UNDER, p, recipe

INSTEAD = {one.name: one.acrylic for one in MEDIA.values() if one.acrylic}
ACRYLIC = Habits(weathering="all-acrylic")


@pytest.mark.parametrize("medium", sorted(INSTEAD))
def test_every_oily_medium_has_a_water_borne_one_instead(medium: str) -> None:
    assert MEDIA[medium].carrier == "white spirit"
    assert MEDIA[INSTEAD[medium]].carrier == "water"
    # Mud and fixed dust dry alike in water and spirit; all else is ready sooner.
    sooner = MEDIA[medium].recoat - MEDIA[INSTEAD[medium]].recoat
    assert sooner == 0 if MEDIA[medium].kind == "pigment effect" else sooner > 0


@pytest.mark.parametrize("one", STARTERS, ids=lambda one: one.id)
def test_no_starter_keeps_spirits_in_an_all_acrylic_house(one: object) -> None:
    walked = walk(one, habits=ACRYLIC)  # type: ignore[arg-type]
    assert all(step.layer.carrier != "white spirit" for step in walked.steps)
    spirits = {part.name for step in walked.steps for part in step.layer.pass_.mix}
    assert "white spirit" not in spirits
    usual = walk(one)  # type: ignore[arg-type]
    assert minutes_of(walked) <= minutes_of(usual)


def test_a_solvent_house_leaves_a_recipe_as_it_is() -> None:
    made = recipe(UNDER, BASE, p("pin wash"), MATT)
    assert apply_house_habits(made, Habits()) is made
    watery = recipe(UNDER, BASE, p("wash"), MATT)
    assert apply_house_habits(watery, ACRYLIC) is watery


def test_spirits_in_a_mix_become_water_in_the_same_parts() -> None:
    mixed = [{"name": "Peat", "parts": 1}, {"name": "white spirit", "parts": 6}]
    wash = apply_house_habits(recipe(p("pin wash", mix=mixed)), ACRYLIC).passes[0]
    assert wash.mix == (MixPart("Peat", 1), MixPart("water", 6))


@pytest.mark.parametrize("undercoat", sorted(COLOURS))
def test_another_undercoat_takes_the_place_of_the_first_sprayed_coat(undercoat: str) -> None:
    made = recipe(UNDER, BASE, MATT)
    tried = with_undercoat(made, undercoat)  # type: ignore[arg-type]
    assert tried.passes[0].colour == COLOURS[undercoat]
    assert tried.passes[1:] == made.passes[1:]


def test_no_undercoat_and_a_recipe_that_has_none() -> None:
    made = recipe(UNDER, BASE, MATT)
    assert [one.name for one in with_undercoat(made, "none").passes] == ["base", "matt coat"]
    assert with_undercoat(made, "as it is") is made
    brushed = recipe(p("brush", "base"), MATT)
    assert with_undercoat(brushed, "black") == brushed
    alone = recipe(UNDER)
    assert with_undercoat(alone, "none") == alone


def test_a_repair_costs_what_it_adds_in_this_room() -> None:
    made = recipe(UNDER, BASE, p("decal", "numbers"), SATIN)
    gloss = Insert(
        "a gloss coat", Pass("gloss", "gloss", "varnish", 0.5, finish="gloss"), "numbers"
    )
    usual = cost_of(walk(made), gloss, made)
    assert usual == "adds 2 h"
    damp = cost_of(walk(made, Climate(16, 70)), gloss, made)
    assert damp.startswith("adds") and damp != usual
    assert cost_of(walk(made), Remove("leave it", "numbers"), made).startswith("saves")
    assert cost_of(walk(made), Change("finish", "satin-coat", (("finish", "matt"),)), made) == ""
    with pytest.raises(KeyError):
        cost_of(walk(made), Remove("leave it", "nothing"), made)


def test_along_a_line_of_the_dial_drying_takes_as_many_times_as_long() -> None:
    for line in contours():
        for celsius, humidity in zip(line.celsius, line.humidity, strict=True):
            found = drying_factor("water", Climate(celsius, humidity))
            assert found == pytest.approx(line.factor, rel=0.02)


@pytest.mark.parametrize(
    ("one", "fog"),
    [
        (p("spray can", "undercoat"), True), (p("varnish", finish="matt"), True),
        (p("spray", "primer", medium="primer"), True), (p("spray", "base"), False),
        (p("varnish", finish="matt", tool="brush"), False), (p("brush", "base"), False),
        (p("seal"), True),
    ],
)  # fmt: skip
def test_varnish_primer_and_cans_fog_and_nothing_else(one: dict[str, object], fog: bool) -> None:
    made = recipe(one)
    assert fogs(apply_pass(made, 0, Climate())) is fog
    damp = {finding.code for finding in check(made, Climate(20, 90)).findings}
    assert ("fog" in damp) is fog

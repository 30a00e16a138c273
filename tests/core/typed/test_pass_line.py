"""A few letters are a pass, as this house would do it."""

from __future__ import annotations

from dataclasses import replace

import pytest

from muster.core.recipes.recipe import MixPart, Pass
from muster.core.stack.habits.house import Habits
from muster.core.stack.minutes import minutes_for
from muster.core.typed.pass_line import About, typed

HOUSE = About("vehicle")


def one(text: str, about: About = HOUSE) -> Pass:
    found = typed(text, about)
    assert len(found) == 1, found
    return found[0]


def by(**habits: str) -> About:
    return replace(HOUSE, habits=Habits(**habits))


@pytest.mark.parametrize(
    ("text", "technique"),
    [("pinw", "pin wash"), ("pw", "pin wash"), ("dryb", "dry-brush"), ("sp can", "spray can"),
     ("w", "wash"), ("wipe", "wipe back"), ("PIN WASH", "pin wash")],
)  # fmt: skip
def test_letters_find_the_technique(text: str, technique: str) -> None:
    assert one(text).technique == technique


def test_the_rest_is_mix_zones_minutes_and_coats() -> None:
    found = one("pinw 1 Peat 4 water, running gear, 6 min, x2, oil")
    assert found.mix == (MixPart("Peat", 1), MixPart("water", 4))
    assert (found.zones, found.minutes, found.coats) == (("running gear",), 6, 2)
    assert found.medium == "oil"


@pytest.mark.parametrize("text", ["", "   ", "qqq", ", ,", "7"])
def test_what_is_unclear_is_no_pass(text: str) -> None:
    assert typed(text, HOUSE) == []


def test_chips_are_sponge_brush_or_fluid_as_the_house_does_them() -> None:
    ways = {way: [x.technique for x in typed("chips", by(chipping=way))]
            for way in ("sponge", "brush", "fluid")}  # fmt: skip
    assert ways["sponge"] == ["sponge"] and ways["brush"] == ["brush", "brush"]
    assert ways["fluid"] == ["varnish", "fluid", "spray", "scratch", "varnish"]


def test_decals_lie_on_gloss_fluids_or_glue_and_soak_as_the_house_soaks() -> None:
    gloss, fluids, glue = (
        typed("decals", by(decal_ground=way, soak="45 s")) for way in ("gloss", "fluids", "glue")
    )
    assert gloss[0].finish == "gloss" and glue[0].technique == "dip"
    assert [x.technique for x in fluids] == ["decal", "varnish"]
    assert fluids[0].minutes > gloss[1].minutes
    assert all(
        "soak 45 s" in x.note
        for way in (gloss, fluids, glue)
        for x in way
        if x.technique == "decal"
    )


def test_undercoat_eyes_varnish_and_parts_follow_the_house() -> None:
    assert one("undercoat").medium == "primer"
    assert one("undercoat", by(undercoat="none")).technique == "varnish"
    figure = replace(HOUSE, kind="figure")
    assert one("eyes", figure).tier == "close" and one("eyes", figure).zones == ("skin",)
    assert len(typed("sealed wash", HOUSE)) == 2
    assert len(typed("sealed wash", by(varnish="end"))) == 1
    assert one("brush Tarn black, running gear").part == "running-gear"
    assert one("brush Tarn black, running gear", by(parts="fixed")).part is None


def test_an_all_acrylic_house_proposes_no_solvent() -> None:
    assert one("pinw", by(weathering="all-acrylic")).medium == "acrylic wash"


def test_minutes_grow_with_size_and_nearness_but_a_sprayed_coat_hardly_with_nearness() -> None:
    assert minutes_for("brush", "vehicle") > minutes_for("brush", "figure")
    assert minutes_for("brush", "figure", scale=56) > minutes_for("brush", "figure")
    assert minutes_for("brush", "figure", "close") > minutes_for("brush", "figure", "table")
    assert minutes_for("spray", "figure", "close") == minutes_for("spray", "figure", "table")

"""A few letters are a pass, as this house would do it."""

from __future__ import annotations

from dataclasses import replace

import pytest

from muster.core.recipes.recipe import MixPart, Pass, ZoneCover
from muster.core.stack.habits.house import Habits
from muster.core.stack.minutes import minutes_for
from muster.core.typed.bundles import About
from muster.core.typed.pass_line import read_line, typed
from muster.core.typed.pass_words import in_words

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
    assert ways["sponge"] == ["sponge"] and ways["brush"] == ["chip", "chip"]
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
    assert one("eyes", figure).tier == "close" and one("eyes", figure).zones == ("eyes",)
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


AS_PEOPLE_TALK = [
    ("oil wash", "wash", {"medium": "oil"}),
    ("primer", "spray", {"medium": "primer", "purpose": "ground"}),
    ("undercoat can", "spray", {"tool": "spray can", "purpose": "ground"}),
    ("putty gaps", "fill", {"name": "fill gaps"}),
    ("zenithal Lime white", "spray", {"cover": 0.5, "purpose": "light"}),
    ("preshade", "spray", {"purpose": "shade"}),
    ("matt", "varnish", {"finish": "matt"}),
    ("satin", "varnish", {"finish": "satin"}),
    ("airbrush Reed green", "spray", {"tool": "airbrush"}),
    ("clay wash", "wash", {"medium": "clay wash"}),
    ("chalk", "pastel", {}),
    ("tufts", "grass", {}),
    ("stencil, markings", "spray", {"purpose": "mark", "zones": ("markings",)}),
    ("touch up", "brush", {"purpose": "clean up"}),
    ("drill the hull", "drill", {"name": "drill the hull"}),
    ("file the bores", "file", {"name": "file the bores"}),
    ("glue superglue", "glue", {"adhesive": "superglue"}),
    ("sponge Peat, 0.5 mm, 30 %", "sponge", {"size_mm": 0.5, "cover": 0.3}),
    ("brush Peat, x2", "brush", {"coats": 2}),
    ("spray Dust 1:3", "spray", {"dilution": 3.0}),
    ("wash, all but tracks", "wash", {"all_but": ("tracks",)}),
    ("pin wash, overnight", "pin wash", {"stand_min": 720.0}),
    ("glue grille, photo-etch to resin, epoxy", "glue",
     {"materials": ("photo-etch", "resin"), "adhesive": "epoxy"}),
    ("brush Reed green, 20 % satin", "brush", {"varnish_share": 0.2, "finish": "satin"}),
    ("spray Dust, rear 50 %, front 10 %", "spray",
     {"cover_by": (ZoneCover("front", 0.1), ZoneCover("rear", 0.5)), "cover": None}),
]  # fmt: skip


@pytest.mark.parametrize(("text", "technique", "said"), AS_PEOPLE_TALK, ids=lambda x: str(x)[:30])
def test_a_line_is_read_as_painters_talk(
    text: str, technique: str, said: dict[str, object]
) -> None:
    line = read_line(text, HOUSE)
    assert [x.technique for x in line.passes] == [technique] and not line.unread
    assert {name: getattr(line.passes[0], name) for name in said} == said


def test_a_number_in_a_paints_name_stays_in_it() -> None:
    assert one("brush Green 117").mix == (MixPart("Green 117", 1),)
    mixed = one("airbrush 2 Green 117, 1 Sand").mix
    assert mixed == (MixPart("Green 117", 2), MixPart("Sand", 1))
    assert one("brush 2 Green 117 1 Sand").mix == mixed


def test_what_is_not_understood_is_said_and_kept_and_becomes_nothing_else() -> None:
    line = read_line("brush Reed green, behind the hatch", HOUSE)
    assert line.unread == ("behind the hatch",)
    assert line.passes[0].note == "behind the hatch" and line.passes[0].zones == ()
    nothing = read_line("polish the brass", HOUSE)
    assert nothing.passes == () and nothing.unread == ("polish the brass",)


def test_a_pass_is_said_back_in_words() -> None:
    said = in_words(one("pinw 1 Peat 4 white spirit, lower, x2, wait 2 h"))
    assert said == (
        "pin wash · 1 Peat : 4 white spirit · lower · ×2 · then wait 2 h · 10 min a model"
    )

"""Kinds of paint, what paints are called, and mixes as they are written."""

from __future__ import annotations

from dataclasses import replace

import pytest

from muster.core.colour.kinds import KINDS, ROWS, in_words, kind_from, proposed
from muster.core.colour.match import match
from muster.core.colour.names import by_name, called, in_full
from muster.core.colour.owned import OwnedPaint, shelf_from
from muster.core.colour.spaces import lab_of, xyz_of_hex
from muster.core.colour.stated_mix import stated_mix
from muster.core.errors import DomainError
from muster.core.formats.shelf import read_csv, write_csv
from muster.core.stack.mix_look import look_over

RED, BLACK = OwnedPaint("Post red", "#b3231f"), OwnedPaint("Tarn black", "#1b1b1d")
WHITE, WATER = OwnedPaint("Bone white", "#f4f3ee"), "2 water"
STEEL = OwnedPaint("Steel", "#8e9296", kind="flake")
WASH = OwnedPaint("Brown wash", "#4a2f1c", kind="wash")
VARNISH = OwnedPaint("Gloss", "#ffffff", medium="acrylic varnish")


@pytest.mark.parametrize(
    ("name", "kind"),
    [
        ("Bright Steel", "flake"), ("Old copper", "flake"), ("Green shade", "wash"),
        ("Black ink", "ink"), ("Pearl blue", "mica"), ("Gloss varnish", "varnish"),
        ("Sepia Wash", "wash"), ("Reed green", None), ("Washed linen", None), ("Marigold", None),
        ("Inkwell", None), ("Silt", None),
    ],
)  # fmt: skip
def test_a_name_proposes_a_kind_by_whole_words(name: str, kind: str | None) -> None:
    assert proposed(name) == kind


def test_a_name_only_proposes_until_it_is_confirmed_or_refused() -> None:
    said = OwnedPaint("Bright steel", "#8f9498")
    assert (said.seen_kind, said.sounds_like) == ("opaque", "flake")
    assert replace(said, kind="flake").sounds_like is None
    assert replace(said, kind="opaque").sounds_like is None
    assert OwnedPaint("Black ink", "#1b1b1d", medium="ink").sounds_like is None


def test_a_kind_follows_from_medium_and_opacity_where_it_is_not_stated() -> None:
    assert kind_from(None, "acrylic", None) == "opaque"
    assert kind_from(None, "acrylic", "semi-opaque") == "semi"
    assert kind_from(None, "acrylic wash", None) == "wash" == kind_from(None, "enamel wash", None)
    assert kind_from(None, "acrylic varnish", None) == "varnish"
    assert kind_from("mica", "acrylic", "opaque") == "mica"
    assert all(ROWS[kind].kind == kind and in_words(kind) for kind in KINDS)


def test_kinds_are_read_from_csv_by_the_words_that_files_use_and_written() -> None:
    rows = "name,colour,kind\nA,#8f9498,Metallic\nB,#8f9498,one-coat transparent\nC,#8f9498,\n"
    paints = read_csv(rows)
    assert [one.kind for one in paints] == ["flake", "one-coat", None]
    assert read_csv(write_csv(paints)) == paints
    with pytest.raises(DomainError, match="row 2, kind: 'shiny'"):
        read_csv("name,colour,kind\nA,#8f9498,shiny\n")


def test_metal_washes_and_inks_are_left_out_of_a_plain_mix_unless_asked_for() -> None:
    khaki = lab_of(xyz_of_hex(["#8f8258"]))[0]
    ochre = OwnedPaint("Ochre", "#b5852f")
    shelf = shelf_from([STEEL, WASH, ochre, BLACK, WHITE])
    plain = {index for mix in match(shelf, khaki) for index, _ in mix.drops}
    assert plain <= {2, 3, 4}
    asked = {i for m in match(shelf, khaki, groups=("plain", "metallic")) for i, _ in m.drops}
    assert 0 in asked and 1 not in asked
    grey = lab_of(xyz_of_hex(["#90949a"]))[0]
    assert match(shelf, grey, groups=("metallic",))[0].drops == ((0, 1),)
    only = shelf_from([STEEL, WASH])
    assert match(only, khaki), "where nothing plain is there, what there is is mixed from"
    with pytest.raises(ValueError, match="no kind of paint is called 'puce'"):
        match(shelf, khaki, groups=("puce",))


def test_two_paints_of_one_name_are_told_apart_and_pots_of_one_paint_are_not() -> None:
    fen, salt = (OwnedPaint("Ash", colour, range=name, code=code) for colour, name, code in
                 (("#c4c3bd", "Fen", "12"), ("#8a8d8f", "Salt", "S1")))  # fmt: skip
    again = replace(fen, left_ml=3.0)
    assert called([fen, salt, again]) == ["Ash", "Ash (Salt S1)", "Ash"]
    assert by_name([fen, salt])["ash"] is fen and by_name([fen, salt])["Ash (salt s1)"] is salt
    assert by_name([fen, salt])["Ash (Fen 12)"] is fen
    assert len(in_full(replace(fen, name="A" * 60, range="R" * 40))) <= 60


def test_two_paints_of_one_name_are_never_named_in_one_mix() -> None:
    light, dark = OwnedPaint("Ash", "#e0e0dc", range="Fen"), OwnedPaint("Ash", "#404244")
    goal = lab_of(xyz_of_hex(["#8c8e8e"]))[0]
    found = match(shelf_from([light, dark, RED]), goal, by="difference")
    assert all({0, 1} - {index for index, _ in mix.drops} for mix in found)
    named = match(shelf_from([light, replace(dark, name="Coal"), RED]), goal, by="difference")
    assert named[0].off < found[0].off


def test_of_two_pots_of_one_paint_the_one_in_stock_is_proposed() -> None:
    gone, full = replace(RED, left_ml=0.0), replace(RED, left_ml=9.0)
    goal = lab_of(xyz_of_hex([RED.colour]))[0]
    found = match(shelf_from([gone, full, BLACK]), goal)
    assert found[0].drops == ((1, 1),)
    assert all(index != 0 for mix in found for index, _ in mix.drops)


def test_a_mix_is_read_as_it_is_written() -> None:
    mix = stated_mix("3 Post red, 1 x tarn black, 2 water", [RED, BLACK])
    assert [(paint.name, many) for paint, many in mix.parts] == [("Post red", 3), ("Tarn black", 1)]
    assert mix.thinner == 2 and mix.dilution == pytest.approx(0.5)
    assert stated_mix("Post red + 2 drops of Gloss", [RED, VARNISH]).optics.hex() == RED.colour


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("3 Post rd", "did you mean Post red"), ("0 Post red", "use 1 to 99"),
        ("100 Post red", "use 1 to 99"), ("2 Gloss", "has no colour"), ("", "has no colour"),
        ("2 water", "has no colour"),
    ],
)  # fmt: skip
def test_a_mix_that_cannot_be_is_refused_with_what_to_do(text: str, words: str) -> None:
    with pytest.raises(DomainError, match=words):
        stated_mix(text, [RED, BLACK, VARNISH])


def test_a_mix_is_seen_over_its_ground() -> None:
    mix = stated_mix("1 Brown wash", [WASH]).optics
    sand = look_over(mix, "#c9b083", "wash")
    assert sand.flat != sand.recess != "#c9b083"
    assert look_over(mix, "#1c1d1f", "wash", coats=2).flat == "#1c1d1f", "black stays black"
    white = stated_mix("1 Bone white", [WHITE]).optics
    coats = [look_over(white, "#1c1d1f", "brush", n).flat for n in (1, 2, 3)]
    assert coats == sorted(coats)
    pearl = stated_mix("Pearl", [OwnedPaint("Pearl", "#3f7fa8", kind="mica")]).optics
    labs = lab_of(
        xyz_of_hex([look_over(pearl, g, "brush", 2).flat for g in ("#1c1d1f", "#f4f3ee")])
    )
    chroma = (labs[:, 1] ** 2 + labs[:, 2] ** 2) ** 0.5
    assert chroma[0] > chroma[1] and labs[0][0] > 25, "mica shows over black, is lost over white"
    with pytest.raises(DomainError, match="no technique that lays paint"):
        look_over(mix, "#1c1d1f", "drill")
    with pytest.raises(DomainError, match="use 1 to 9"):
        look_over(mix, "#1c1d1f", "wash", 0)

"""crisp mix: a shelf and a target in, ranked mixes out."""

from __future__ import annotations

import json
from pathlib import Path

import pytest

from muster.cli.mix import FOUND, REFUSED, main
from muster.core.colour.owned import OwnedPaint, shelf_from
from muster.core.colour.spaces import lab_of, xyz_of_hex

SHELF = "name;colour;medium;left_ml\nReed green;66703F;acrylic;5\nSilt;#8a7a59;acrylic;0\n" \
        "Pale linen;#ece8dc;acrylic;\nTarn black;#1c1d1f;acrylic;3\nUmber;#4f3624;oil;9\n" \
        "Matt;#ffffff;acrylic varnish;9\n"  # fmt: skip


@pytest.fixture
def shelf(tmp_path: Path) -> Path:
    file = tmp_path / "shelf.csv"
    file.write_text(SHELF)
    return file


def answered(capsys: pytest.CaptureFixture[str], *words: str) -> dict[str, object]:
    assert main([*words, "--json"]) == FOUND
    return json.loads(capsys.readouterr().out)


def test_mixes_are_ranked_whole_and_true(shelf: Path, capsys: pytest.CaptureFixture[str]) -> None:
    found = answered(capsys, str(shelf), "--target", "#98a06c")
    mixes = found["mixes"]
    assert isinstance(mixes, list) and mixes
    owned = {"Reed green": "#66703f", "Silt": "#8a7a59", "Pale linen": "#ece8dc",
             "Tarn black": "#1c1d1f", "Umber": "#4f3624"}  # fmt: skip
    goal = lab_of(xyz_of_hex(["#98a06c"]))[0]
    for one in mixes:
        drops = {each["paint"]: each["drops"] for each in one["drops"]}
        assert 1 <= len(drops) <= 3 and sum(drops.values()) == one["total_drops"] <= 12
        assert "Matt" not in drops and ("Umber" not in drops or len(drops) == 1)
        again = shelf_from(OwnedPaint(name, owned[name]) for name in drops).mix(
            tuple(enumerate(drops.values())), goal
        )
        assert again.hex == one["colour"] and round(again.off, 2) == one["difference"]
        assert one["in_stock"] == ("Silt" not in drops)
    least = min(one["difference"] for one in mixes)
    near = [one for one in mixes if one["difference"] <= least + 1]
    sizes = [(len(one["drops"]), one["total_drops"]) for one in near]
    assert mixes[0] == near[0] and sizes[:-1] == sorted(sizes[:-1])
    closest = answered(capsys, str(shelf), "--target", "#98a06c", "--closest")["mixes"]
    off = [one["difference"] for one in closest]  # type: ignore[attr-defined]
    assert off == sorted(off) and off[0] == pytest.approx(least)
    assert found["nearest_single"]["total_drops"] == 1  # type: ignore[index]


def test_fewer_paints_and_drops_are_kept_to(
    shelf: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    found = answered(capsys, str(shelf), "--target", "98a06c", "--paints", "2", "--drops", "5")
    for one in found["mixes"]:  # type: ignore[attr-defined]
        assert len(one["drops"]) <= 2 and one["total_drops"] <= 5


def test_text_names_drops_difference_and_the_single_paint(
    shelf: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    assert main([str(shelf), "--target", "lab 50 -10 25"]) == FOUND
    said = capsys.readouterr().out
    assert "ΔE00" in said and "Reed green" in said and "Nearest single paint" in said


@pytest.mark.parametrize(
    ("target", "words"),
    [("green", 'use "#6b7a3a"'), ("lab 150 0 0", "L* is 0 to 100"), ("#12345", "use")],
)
def test_an_odd_target_is_refused(
    shelf: Path, capsys: pytest.CaptureFixture[str], target: str, words: str
) -> None:
    assert main([str(shelf), "--target", target]) == REFUSED
    assert words in capsys.readouterr().err


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("name,colour\nA,#12\n,#123456\n", "row 2, colour: '#12' is no colour"),
        ("name,colour\nA,#12\n,#123456\n", "row 3: name is empty"),
        ("name,colour,medium\nMatt,#ffffff,acrylic varnish\n", "add a colour"),
        ("", "holds no paint"),
        ('name,colour\n"A,#123456\n', "colour is empty"),
    ],
)
def test_odd_shelves_are_refused_row_by_row(
    tmp_path: Path, capsys: pytest.CaptureFixture[str], text: str, words: str
) -> None:
    file = tmp_path / "odd.csv"
    file.write_text(text)
    assert main([str(file), "--target", "#808080"]) == REFUSED
    assert words in capsys.readouterr().err


def test_what_is_not_there_and_odd_counts_are_refused(
    shelf: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    assert main(["nowhere.csv", "--target", "#808080"]) == REFUSED
    assert "name a file that can be read" in capsys.readouterr().err
    assert main([str(shelf), "--target", "#808080", "--paints", "9"]) == REFUSED
    assert "use 1 to 4" in capsys.readouterr().err


def test_a_stated_mix_says_what_it_dries_to(
    shelf: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    alone = answered(capsys, str(shelf), "--parts", "3 Reed green, 1 Tarn black")
    lightness = [lab_of(xyz_of_hex([str(one)]))[0][0] for one in (alone["dries_to"], "#66703f")]
    assert 15 < lightness[0] < lightness[1] - 5
    assert alone["parts"] == [
        {"paint": "Reed green", "parts": 3}, {"paint": "Tarn black", "parts": 1},
    ]  # fmt: skip
    assert answered(capsys, str(shelf), "--parts", "Reed green")["dries_to"] == "#66703f"
    washed = answered(
        capsys,
        str(shelf),
        "--parts",
        "1 Umber",
        "--over",
        "#1c1d1f",
        "--by",
        "wash",
        "--coats",
        "2",
    )
    assert washed["dries_to"] == washed["flat"] == "#1c1d1f" and washed["alone"] != "#1c1d1f"
    assert main([str(shelf), "--parts", "1 Reed green, 1 Pale linen", "--over", "#000000"]) == FOUND
    assert "1 coat by brush over #000000 dries to #" in capsys.readouterr().out


@pytest.mark.parametrize(
    ("words", "said"),
    [
        (["--parts", "2 Reed gren"], "did you mean Reed green"),
        (["--parts", "2 Matt"], "has no colour"),
        (["--parts", "Umber", "--over", "black"], "--over black: use"),
        (["--parts", "Umber", "--by", "wash"], "need a ground"),
        (["--parts", "Umber", "--over", "#000000", "--by", "drill"], "no technique that lays"),
        (["--parts", "Umber", "--over", "#000000", "--coats", "0"], "use 1 to 9"),
        (["--parts", "Umber", "--target", "#000000"], "say either"),
        ([], "say either"),
        (["--target", "#000000", "--kinds", "shiny"], "use plain"),
    ],
)
def test_a_mix_that_cannot_be_judged_is_refused(
    shelf: Path, capsys: pytest.CaptureFixture[str], words: list[str], said: str
) -> None:
    assert main([str(shelf), *words]) == REFUSED
    assert said in capsys.readouterr().err

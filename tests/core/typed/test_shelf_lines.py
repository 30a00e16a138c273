"""Many paints, swatches and weights at once, a line each."""

from __future__ import annotations

import pytest

from muster.core.errors import DomainError
from muster.core.formats.shelf import is_document
from muster.core.typed.shelf_lines import read_paints, read_swatches, read_weighings

NAMES = ("Reed green", "Reed green (Causeway C02)", "Silt", "Tarn black")


def test_thirty_paints_are_read_a_line_each() -> None:
    lines = "\n".join(f"Paint {n} #5a5a2c acrylic {n} ml" for n in range(1, 31))
    found = read_paints(f"\n{lines}\n\n")
    assert [one.name for one in found] == [f"Paint {n}" for n in range(1, 31)]
    assert found[-1].size_ml == 30 and found[0].medium == "acrylic"


def test_every_odd_line_is_named_and_none_is_taken() -> None:
    with pytest.raises(DomainError) as told:
        read_paints("Reed green #66703f\nSilt\n#112233\nTarn black #1c1d1f shiny")
    assert [one.split(":")[0] for one in told.value.complaints] == ["line 2", "line 3", "line 4"]
    with pytest.raises(DomainError, match="no paint: type one"):
        read_paints("  \n ")
    with pytest.raises(DomainError, match="301 lines"):
        read_paints("Silt #112233\n" * 301)


def test_swatches_go_to_the_paint_with_the_longest_name_that_fits() -> None:
    found = read_swatches(
        "reed  green #66703F\nReed green (Causeway C02): over black #39421f\n"
        "Silt tint 10 % #d8cdb4 wet\nTarn black over white: #202020",
        NAMES,
    )
    assert [(name, one.kind, one.colour) for name, one in found] == [
        ("Reed green", "masstone", "#66703f"),
        ("Reed green (Causeway C02)", "over black", "#39421f"),
        ("Silt", "tint", "#d8cdb4"),
        ("Tarn black", "over white", "#202020"),
    ]
    assert found[2][1].share == 0.1 and found[2][1].wet and not found[0][1].wet
    assert found[1][1].share == 1


@pytest.mark.parametrize(
    ("line", "said"),
    [
        ("Slit #66703f", "did you mean Silt"),
        ("Silt over black", "needs its colour"),
        ("Silt tint 100 % #66703f", "use 1 to 99 %"),
        ("Silt shiny #66703f", "no kind of swatch"),
    ],
)
def test_an_odd_swatch_says_how_to_mend_it(line: str, said: str) -> None:
    with pytest.raises(DomainError, match=said):
        read_swatches(line, NAMES)


def test_pots_are_weighed_by_name_in_grams() -> None:
    found = read_weighings("Reed green 23.4\nsilt: 18,2 g\nTarn black\t30", NAMES)
    assert found == [("Reed green", 23.4), ("Silt", 18.2), ("Tarn black", 30.0)]
    for line in ("Silt", "Silt much", "Silt 9000", "Silt -3"):
        with pytest.raises(DomainError):
            read_weighings(line, NAMES)


@pytest.mark.parametrize(
    ("text", "document"),
    [
        ('{"format": "x"}', True),
        ("GIMP Palette\nName: x", True),
        ("name,colour\nSilt,#112233", True),
        ("paint;hex;ml\nSilt;#112233;17", True),
        ("Silt #112233 17 ml", False),
        ("Name of it #112233, colour", False),
        ("", False),
    ],
)
def test_a_pasted_table_is_told_from_typed_lines(text: str, document: bool) -> None:
    assert is_document(text) is document

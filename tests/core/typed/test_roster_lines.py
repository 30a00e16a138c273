"""A roster as painters have it: lines, or a spreadsheet's CSV; every line told as it is read."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from muster.core.choices import MOST_UNITS
from muster.core.errors import DomainError
from muster.core.typed.roster_lines import MOST_TEXT, read_roster


def told(text: str) -> list[tuple[int, str, str | None, int | None]]:
    return [
        (one.typed.count, one.typed.name, one.typed.kind, one.typed.scale)
        for one in read_roster(text)
        if one.typed is not None
    ]


def test_lines_are_read_as_a_single_one_is() -> None:
    text = "24 pikes foot 1/72\n\n  8 lancers mounted\n4 guns 28 mm\n"
    assert told(text) == [
        (24, "Pikes", "figure", 72), (8, "Lancers", "mounted", None), (4, "Guns", "gun", 56),
    ]  # fmt: skip
    assert [one.number for one in read_roster(text)] == [1, 3, 4]


@pytest.mark.parametrize("between", [",", ";", "\t"])
def test_a_csv_may_have_its_columns_in_any_order_and_by_ordinary_names(between: str) -> None:
    rows = [["Unit", "Qty", "Scale", "Type"], ["Reed archers", "12", "1/72", "foot"],
            ["Steam hauler", "3", "28mm", "vehicle"]]  # fmt: skip
    text = "\ufeff" + "\r\n".join(between.join(row) for row in rows)
    assert told(text) == [(12, "Reed archers", "figure", 72), (3, "Steam hauler", "vehicle", 56)]


def test_a_line_with_commas_is_no_csv() -> None:
    assert told("24 pikes, militia foot\n8 lancers mounted")[0][0] == 24


def test_the_kind_column_counts_more_than_a_word_of_the_name() -> None:
    (one,) = read_roster("count,name,kind\n4,House guards,figure")
    assert one.typed is not None and one.typed.kind == "figure"


def test_a_recipe_is_handed_on_as_it_is_named() -> None:
    (one,) = read_roster("count,name,recipe\n4,Guards,Infantry in six colours")
    assert one.recipe == "Infantry in six colours"


def test_each_odd_line_says_what_is_wrong_and_the_others_are_read() -> None:
    found = read_roster("lancers\n24 pikes foot\n9999 archers")
    assert [bool(one.wrong) for one in found] == [True, False, True]
    assert "how many" in found[0].wrong and "1 to" in found[2].wrong


def test_a_kind_that_is_none_is_said_with_those_there_are() -> None:
    (one,) = read_roster("count,name,kind\n4,Guards,gizmo")
    assert "'gizmo' is no kind" in one.wrong and "figure" in one.wrong


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("", "no unit"),
        (" \n\t\n", "no unit"),
        ("count,kind\n3,figure", "needs a column 'name'"),
        ("count,name", "below the names"),
        ("1 guard\n" * (MOST_UNITS + 1), "holds"),
        ("x" * (MOST_TEXT + 1), "in parts"),
    ],
)
def test_what_is_no_roster_is_refused(text: str, said: str) -> None:
    with pytest.raises(DomainError, match=said):
        read_roster(text)


@given(st.text(max_size=200))
def test_any_text_is_read_or_refused_in_words(text: str) -> None:
    try:
        found = read_roster(text)
    except DomainError as error:
        assert error.complaints
        return
    for one in found:
        assert (one.typed is None) == bool(one.wrong)

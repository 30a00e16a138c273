"""A unit as one types it."""

from __future__ import annotations

import pytest

from muster.core.errors import DomainError
from muster.core.typed.unit_line import read_line


@pytest.mark.parametrize(
    ("line", "count", "name", "kind", "scale"),
    [
        ("24 pikes foot 1/72", 24, "Pikes", "figure", 72),
        ("8 lancers mounted", 8, "Lancers", "mounted", None),
        ("4 guns", 4, "Guns", "gun", None),
        ("1/100 3 steam haulers", 3, "Steam haulers", "vehicle", 100),
        ("2 tethered balloons 28mm", 2, "Tethered balloons", "aircraft", 56),
        ("4 stilt houses", 4, "Stilt houses", "building", None),
        ("6 causeway sections", 6, "Causeway sections", "base", None),
        ("12 widgets", 12, "Widgets", None, None),
        ("5 gun crews", 5, "Gun crews", "gun", None),
        ("12 crew", 12, "Crew", "figure", None),
        ("5 farmhouses 28 mm", 5, "Farmhouses", "building", 56),
        ("12 soldiers 1-100", 12, "Soldiers", "figure", 100),
        ("1 marsh warden 120mm", 1, "Marsh warden", None, 16),
        ("4 shops 15mm", 4, "Shops", "building", 100),
        ("3 half-tracks 1:48", 3, "Half-tracks", "vehicle", 48),
        ("2 trucks", 2, "Trucks", "vehicle", None),
        ("2 horse carts 100 mm", 2, "Horse carts", "vehicle", 18),
        ("3 norman towers", 3, "Norman towers", "building", None),
        ("6 swordsmen of the mill", 6, "Swordsmen of the mill", "figure", None),
    ],
)
def test_a_line_is_read_as_it_is_typed(
    line: str, count: int, name: str, kind: str | None, scale: int | None
) -> None:
    said = read_line(line)
    assert (said.count, said.name, said.kind, said.scale) == (count, name, kind, scale)


@pytest.mark.parametrize(
    ("line", "words"),
    [
        ("pikes", "how many"), ("", "how many"), ("0 pikes", "1 to 500"),
        ("10000 pikes", "1 to 500"),
        ("24", "what they are"), ("3 guns 1/5000", "1/1 to 1/1000"), ("3 guns 0mm", "from 2mm on"),
        ("\u00b2 pikes", "how many"), ("9" * 5000 + " pikes", "1 to 500"),
        ("3 " + "x" * 90, "shorten"),
    ],
)  # fmt: skip
def test_a_line_that_says_too_little_is_refused(line: str, words: str) -> None:
    with pytest.raises(DomainError, match=words):
        read_line(line)


def test_a_base_is_as_large_as_it_is_typed() -> None:
    small, oblong, usual = (read_line(f"12 bases {size}") for size in ("25mm", "60x40 mm", ""))
    assert small.area_cm2 == pytest.approx((25 * 25 + 4 * 25 * 3) / 100)
    assert oblong.area_cm2 == pytest.approx((60 * 40 + 2 * 100 * 3) / 100)
    assert usual.area_cm2 is None and small.scale is None and oblong.name == "Bases"
    assert read_line("24 pikes foot 28mm").area_cm2 is None
    board, hill = (read_line(f"2 {what}") for what in ("bases 24 × 15 cm", "hills 30 x 20 x 4 cm"))
    assert board.area_cm2 == pytest.approx(24 * 15 + 2 * 39 * 0.3)
    assert hill.area_cm2 == pytest.approx(30 * 20 + 2 * 50 * 4)
    assert (board.name, hill.name, board.count) == ("Bases", "Hills", 2)
    assert read_line("3 terrain tiles 30 cm").area_cm2 == pytest.approx(900 + 120 * 0.3)

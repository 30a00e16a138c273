"""Labels for the tape: what stands on them, and that their codes are read by another program."""

from __future__ import annotations

import re
from itertools import pairwise
from xml.etree import ElementTree as Xml

import pytest
import zxingcpp
from PIL import Image, ImageDraw

from muster.apps.devices.label_printer import TAPE_MM, SimulatedPrinter
from muster.core.colour.owned import OwnedPaint
from muster.core.drawn.labels import draw_code, shelf_labels, tray_tickets
from muster.core.drawn.page import Page
from muster.core.pipeline import plan_first
from muster.core.views.board import board_of
from muster.core.views.roll import roll_of
from tests.core.making import choices, derived, unit

SVG = "{http://www.w3.org/2000/svg}"
ADDRESS = "https://bench.example/12/bench?tray="


def words(page: Page) -> list[str]:
    return [one.text or "" for one in Xml.fromstring(page.text()).iter(f"{SVG}text")]


def code_of(page: Page, dots_a_mm: int = 12) -> str:
    """What ZXing (an independent reader of ISO/IEC 18004) reads off the label as it is drawn."""
    picture = Image.new("L", (int(page.width * dots_a_mm), int(page.height * dots_a_mm)), 255)
    pen = ImageDraw.Draw(picture)
    for path in Xml.fromstring(page.text()).iter(f"{SVG}path"):
        if path.get("fill") != "#000000":
            continue
        for x, y, w, h in re.findall(r"M([\d.]+) ([\d.]+)h([\d.]+)v([\d.]+)", path.get("d") or ""):
            left, top = float(x) * dots_a_mm, float(y) * dots_a_mm
            right, bottom = left + float(w) * dots_a_mm, top + float(h) * dots_a_mm
            pen.rectangle((left, top, right - 1, bottom - 1), fill=0)
    (found,) = zxingcpp.read_barcodes(picture)
    return found.text


def tickets() -> list[Page]:
    made, plan = plan_first(derived(choices(unit(13, tray_size=6))))
    return tray_tickets(made, board_of(made, plan, roll_of(made)), ADDRESS)


def test_each_tray_has_a_ticket_whose_code_opens_its_call() -> None:
    found = tickets()
    assert [words(page)[0] for page in found] == ["Pikes 1", "Pikes 2", "Pikes 3"]
    assert [code_of(page) for page in found] == [f"{ADDRESS}pikes.{n}" for n in (1, 2, 3)]


def test_a_ticket_numbers_its_models_and_names_what_comes_first() -> None:
    said = words(tickets()[1])
    assert {"7", "12", "13"} & set(said) == {"7", "12"}
    assert "first undercoat" in said and "13 Pikes, 1/72" in said


def test_a_shelf_label_says_the_paint_and_opens_its_card() -> None:
    paint = OwnedPaint("Reed green", "#66703f", range="Causeway", code="C02")
    (page,) = shelf_labels([(41, paint, "#66703f")], "https://bench.example/paint/")
    assert words(page)[:2] == ["Reed green", "Causeway C02"]
    assert code_of(page, 20) == "https://bench.example/paint/41"
    assert 'fill="#66703f"' in page.text()


def test_a_clear_coat_has_its_texture_and_no_colour() -> None:
    paint = OwnedPaint("Gloss varnish", "#ffffff", kind="varnish", finish="gloss")
    (page,) = shelf_labels([(1, paint, paint.dry)], "https://bench.example/paint/")
    assert "url(#gloss)" in page.text()


def test_a_long_name_never_reaches_the_code() -> None:
    paint = OwnedPaint("The very long name of a paint that somebody typed in full", "#66703f")
    (page,) = shelf_labels([(1, paint, paint.dry)], "https://bench.example/paint/")
    assert words(page)[0].endswith("…")


def test_more_than_a_code_holds_is_refused() -> None:
    with pytest.raises(ValueError, match="large"):
        draw_code(Page(20, 20), "x" * 4000, 0, 0, 20)


def test_the_printer_puts_all_labels_out_one_after_the_other() -> None:
    strip = SimulatedPrinter(3).put_out(tickets())
    inner = Xml.fromstring(strip.svg).findall(f"{SVG}svg")
    tops = [float(one.get("y") or 0) for one in inner]
    assert strip.labels == 3 == len(inner) and tops == sorted(tops)
    # Its feed is never quite right, and never so wrong that labels overlap.
    assert all(b - a > 34 for a, b in pairwise(tops))
    assert SimulatedPrinter(3).put_out(tickets()) == strip


def test_a_label_wider_than_the_tape_is_refused() -> None:
    with pytest.raises(ValueError, match="wider than the tape"):
        SimulatedPrinter(1).put_out([Page(TAPE_MM + 1, 10)])

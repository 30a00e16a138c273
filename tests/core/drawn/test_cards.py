"""Cards to print: what stands on them, and that it fits."""

from __future__ import annotations

import re
from typing import Any
from xml.etree import ElementTree as Xml

import pytest

from muster.core.craft.climate import Climate
from muster.core.craft.tables import DEFAULTS
from muster.core.drawn.core_sample import sample_page
from muster.core.drawn.page import Page, fitted, width_of
from muster.core.drawn.recipe_card import card_pages, stacked
from muster.core.stack.habits.house import OURS
from muster.core.views.draft_report import Draft
from muster.core.views.section import bare_section
from tests.core.stack.making import BASE, DECALS, ENAMEL, GLOSS, MATT, UNDER, p, recipe

SVG = "{http://www.w3.org/2000/svg}"


def draft(*passes: dict[str, Any], **more: Any) -> Draft:
    return Draft(recipe(*passes, **more), Climate(), OURS, DEFAULTS, {}, {})


def words(text: str) -> list[str]:
    return [one.text or "" for one in Xml.fromstring(text).iter(f"{SVG}text")]


def test_a_card_says_each_pass_in_order_with_its_wait_and_the_cautions() -> None:
    made = draft(UNDER, BASE, GLOSS, DECALS, {**ENAMEL, "colour": "#3a2a20"}, MATT)
    (page,) = card_pages(made.recipe, made.seen())
    said = words(page.text())
    names = [one.name for one in made.recipe.passes]
    assert [one for one in said if one in names] == names
    assert "then 12 h" in said and any("no flame" in one for one in said)
    assert any("label" in one for one in said)


def test_a_long_recipe_runs_over_several_cards_and_loses_no_pass() -> None:
    made = draft(*[p("brush", f"pass {n}", zones=["lower"]) for n in range(40)])
    pages = card_pages(made.recipe, made.seen())
    said = [one for page in pages for one in words(page.text())]
    assert len(pages) > 1 and f"1 of {len(pages)}" in said
    assert [one for one in said if one.startswith("pass ")] == [f"pass {n}" for n in range(40)]
    whole = Xml.fromstring(stacked(pages))
    assert float(whole.attrib["viewBox"].split()[3]) == pytest.approx(210 * len(pages))
    # Laying them under each other leaves the single cards as they are.
    assert pages[0].root.attrib["height"] == "210mm"


def test_a_name_cannot_break_the_drawing() -> None:
    made = draft(p("brush", "<b>&'\"", zones=["lower"]))
    assert "<b>&'\"" in words(card_pages(made.recipe, made.seen())[0].text())


def test_a_core_sample_names_its_layers_from_the_top_with_a_true_scale_bar() -> None:
    made = draft(UNDER, {**BASE, "coats": 4, "colour": "#556633"}, MATT)
    found = made.seen()
    assert found.section is not None
    text = sample_page(found.section, "Hauler", "polystyrene").text()
    said = words(text)
    assert [one for one in said if one in ("undercoat", "base", "matt coat")] == [
        "matt coat", "base", "undercoat",
    ]  # fmt: skip
    bar = next(int(one.split()[0]) for one in said if "µm of film" in one)
    # The bar against the thickest layer, both measured in the drawing.
    paths = [one.attrib["d"] for one in Xml.fromstring(text).iter(f"{SVG}path")]
    length = float(re.findall(r"H([\d.]+)", next(d for d in paths if d.startswith("M8 ")))[0]) - 8
    base = next(one for one in Xml.fromstring(text).iter(f"{SVG}path")
                if one.attrib.get("fill") == "#556633")  # fmt: skip
    points = re.findall(r"([\d.]+) ([\d.]+)", base.attrib["d"])
    left = [float(y) for x, y in points if x == points[0][0]]
    assert (max(left) - min(left)) / length == pytest.approx(30 / bar, rel=0.02)


def test_a_recipe_whose_layers_cannot_be_looked_at_is_printed_as_it_is_stated() -> None:
    made = recipe(UNDER, {**BASE, "colour": "#556633"}, p("glue", "fit", adhesive="plastic cement"))
    (page,) = card_pages(made, None, "no glue is called 'plastic cement'")
    said = words(page.text())
    assert [one for one in said if one in ("undercoat", "base", "fit")] == [
        "undercoat", "base", "fit",
    ]  # fmt: skip
    assert any("cannot be looked at: no glue" in one for one in said)
    assert not any(one.startswith("then ") for one in said)
    bare = sample_page(bare_section("upper"), "Hauler", "polystyrene").text()
    assert "bare polystyrene" in words(bare)


def test_text_is_cut_off_where_it_would_run_out() -> None:
    assert fitted("short", 9, 50) == "short"
    cut = fitted("a very long name of a very long pass", 9, 20)
    assert cut.endswith("…") and width_of(cut, 9) <= 20
    page = Page(10, 10)
    page.words(1, 5, "x" * 80, 9, most=8)
    assert len(words(page.text())[0]) < 10


def test_nothing_stacked_is_refused() -> None:
    with pytest.raises(ValueError, match="no page"):
        stacked([])

"""What the room of recipes asks for: sections, drafts side by side, cards to print."""

from __future__ import annotations

import io
from collections.abc import Callable
from typing import Any
from xml.etree import ElementTree as Xml

import pytest
from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext
from pypdf import PdfReader

from muster.core.craft.zones import ZONES
from tests.apps.test_recipes import keep, recipe
from tests.conftest import post

POINT_MM = 25.4 / 72


def draft(one: dict[str, Any], **more: Any) -> dict[str, Any]:
    return {"code": one["id"], "kind": one["kind"], "passes": one["passes"], **more}


def beside(client: Client, one: dict[str, Any], **more: Any) -> Any:
    return post(client, "draft-beside", draft(one, **more))


def test_a_draft_comes_with_the_section_of_the_zone_that_is_asked_for(ada: Client) -> None:
    one = recipe(ada, "vehicle-solvent")
    usual = post(ada, "draft-check", draft(one)).body["section"]
    metal = post(ada, "draft-check", draft(one, zone="metal")).body["section"]
    assert usual["zone"] == "upper" and metal["zone"] == "metal"
    assert "brass" in [film["name"] for film in metal["films"]]
    assert "brass" not in [film["name"] for film in usual["films"]]
    assert {len(film["laid"]) for film in usual["films"]} == {len(usual["relief"])}


def test_a_long_draft_is_looked_over_first_and_mended_after(ada: Client) -> None:
    one = recipe(ada, "vehicle-solvent")
    bare = {**one, "passes": [each for each in one["passes"] if each["key"] != "gloss"]}
    quick = post(ada, "draft-check", draft(bare, mend=False)).body["findings"]
    whole = post(ada, "draft-check", draft(bare)).body["findings"]
    assert [each["words"] for each in quick] == [each["words"] for each in whole]
    assert not any(each["repairs"] for each in quick) and any(each["repairs"] for each in whole)


def test_a_repair_sends_what_changes_and_the_order_not_the_recipe_again(ada: Client) -> None:
    one = recipe(ada, "vehicle-solvent")
    bare = {**one, "passes": [each for each in one["passes"] if each["key"] != "gloss"]}
    found = post(ada, "draft-check", draft(bare)).body["findings"]
    way = next(way for each in found for way in each["repairs"] if "gloss" in way["words"])
    assert len(way["changed"]) == 1
    kept = [each["key"] for each in bare["passes"]]
    assert [key for key in way["order"] if key in kept] == kept
    assert way["changed"][0]["key"] in way["order"]


def test_a_draft_stands_beside_an_older_version_another_recipe_and_another_undercoat(
    ada: Client,
) -> None:
    one = recipe(ada, "infantry-six")
    passes = [{**each, "minutes": 9} if each["key"] == "base" else each for each in one["passes"]]
    assert keep(ada, one, passes).status_code == 200
    now = recipe(ada, "infantry-six")
    old = beside(ada, now, recipe="infantry-six", version=1).body
    apart = {row["one"]["key"]: row["apart"] for row in old["rows"]}
    assert apart["base"] == ["6 min less"] and apart["wash"] == []
    assert old["one"]["minutes"] == old["other"]["minutes"] + 6
    over = beside(ada, now, over="white").body
    assert not over["same"] and over["rows"][0]["other"]["look"]["flat"] > "#c"
    other = beside(ada, now, recipe="mounted", version=1).body
    assert any(row["one"] is None for row in other["rows"])
    assert beside(ada, now).body["same"]


def test_nothing_is_laid_beside_what_is_anothers_or_is_not_there(
    ada: Client, user_of: Callable[[str], Client]
) -> None:
    post(ada, "recipes/rust/copy", {})
    one = recipe(ada, "rust-2")
    assert beside(ada, one, recipe="rust-2", version=7).status_code == 404
    assert beside(user_of("bob"), one, recipe="rust-2", version=1).status_code == 404
    empty = beside(ada, {**one, "passes": []})
    assert empty.status_code == 422 and "type a pass" in empty.body["complaints"][0]


@pytest.mark.parametrize(
    ("path", "size"), [("card", (148, 210)), ("core-sample", (148, 105))]
)  # fmt: skip
def test_what_is_printed_is_of_its_size_with_its_words_and_its_own_font(
    ada: Client, path: str, size: tuple[float, float]
) -> None:
    """The PDF read back by another library: A5 standing, A6 lying (ISO 216)."""
    answer = ada.get(f"/api/recipes/vehicle-solvent/{path}")
    assert answer["Content-Type"] == "application/pdf"
    read = PdfReader(io.BytesIO(answer.content))
    box = read.pages[0].mediabox
    assert (float(box.width) * POINT_MM, float(box.height) * POINT_MM) == pytest.approx(size, abs=1)
    text = read.pages[0].extract_text()
    assert "Vehicle with solvent wash" in text and "undercoat" in text
    # A font that is embedded is called by its own name, with a subset's letters before it.
    fonts: Any = read.pages[0]["/Resources"]
    names = [str(one.get_object()["/BaseFont"]) for one in fonts["/Font"].values()]
    assert names and all("Archivo" in name for name in names), names


def test_the_same_sheets_as_drawings(ada: Client) -> None:
    for path in ("card", "core-sample"):
        answer = ada.get(f"/api/recipes/vehicle-solvent/{path}", {"form": "svg", "zone": "metal"})
        assert (
            answer["Content-Type"] == "image/svg+xml"
            and "attachment" in answer["Content-Disposition"]
        )
        Xml.fromstring(answer.content)
    # A zone that no pass meets is bare, and drawn so.
    glass = ada.get("/api/recipes/vehicle-solvent/core-sample", {"form": "svg", "zone": "glass"})
    assert glass.status_code == 200 and b"bare polystyrene" in glass.content


def test_nobody_prints_anothers_recipe(ada: Client, user_of: Callable[[str], Client]) -> None:
    post(ada, "recipes/rust/copy", {})
    bob = user_of("bob")
    assert bob.get("/api/recipes/rust-2/card").status_code == 404
    assert bob.get("/api/recipes/rust-2/core-sample").status_code == 404


def test_the_schematics_hold_every_zone_of_every_kind(ada: Client) -> None:
    found = ada.get("/api/schematics").json()
    for kind, shapes in found["drawings"].items():
        assert {one["zone"] for one in shapes} == set(ZONES[kind])
    assert found["clear"]["vehicle"] == ["glass"]


def test_two_drafts_take_a_fixed_number_of_queries(ada: Client) -> None:
    counts = []
    for one in (recipe(ada, "rust"), recipe(ada, "vehicle-solvent")):
        with CaptureQueriesContext(connection) as asked:
            assert beside(ada, one, over="grey").status_code == 200
        counts.append(len(asked))
    assert counts[0] == counts[1] <= 16, counts

"""Many paints, swatches and weights at once; and how a pot dried."""

from __future__ import annotations

from django.test import Client

from tests.apps.test_colour import shelf
from tests.conftest import post

__all__ = ["shelf"]


def test_a_pasted_list_is_shown_first_and_taken_as_a_whole_or_not_at_all(
    ada: Client, shelf: dict[str, int]
) -> None:
    lines = "Ochre #c9a227 17 ml\nReed green #66703f\nUmber #4a3526 acrylic"
    seen = post(ada, "shelf/lines/preview", {"lines": lines}).body
    assert seen["new"] == ["Ochre", "Umber"] and seen["known"] == ["Reed green"]
    odd = post(ada, "shelf/lines", {"lines": lines + "\nSlate\nTar #12"})
    assert odd.status_code == 422 and len(odd.body["complaints"]) == 2
    before = len(ada.get("/api/shelf").json())
    assert len(post(ada, "shelf/lines", {"lines": lines}).body) == before + 2
    table = "name,colour,ml\nSlate,#46586b,17"
    assert post(ada, "shelf/lines/preview", {"lines": table}).body["new"] == ["Slate"]


def test_swatches_and_weights_of_many_paints_are_taken_by_their_names(
    ada: Client, shelf: dict[str, int]
) -> None:
    lines = "reed green #5f6a3b\nLime white over black #d9d8d0"
    read = post(ada, "shelf/swatches", {"lines": lines}).body
    by_name = {one["called"]: one for one in read}
    assert by_name["Reed green"]["dry"] == "#5f6a3b"
    assert by_name["Lime white"]["swatches"][0]["reading"]["kind"] == "over black"
    odd = post(ada, "shelf/swatches", {"lines": "Reed green #112233\nReedgrene #112233"})
    assert odd.status_code == 422 and "did you mean" in odd.body["complaints"][0]
    assert {one["called"]: one["dry"] for one in ada.get("/api/shelf").json()}[
        "Reed green"
    ] == "#5f6a3b"
    weighed = post(ada, "shelf/weighings", {"lines": "Reed green 20.5\nLime white 18"}).body
    # 8 g of pot and 1.2 g a ml, where a label says nothing.
    assert {one["called"]: one["paint"]["left_ml"] for one in weighed}["Reed green"] == 10.4
    light = post(ada, "shelf/weighings", {"lines": "Reed green 21\nLime white 2"})
    assert light.status_code == 422 and "Lime white" in light.body["complaints"][0]
    assert {one["called"]: one["paint"]["left_ml"] for one in ada.get("/api/shelf").json()}[
        "Reed green"
    ] == 10.4


def test_a_pot_says_how_far_it_dried_from_what_was_predicted(
    ada: Client, shelf: dict[str, int]
) -> None:
    body = {"name": "hull", "drops": [{"paint": shelf["Reed green"], "drops": 4}]}
    made = post(ada, "pots", {**body, "target": "#66703f"}).body[0]
    assert made["off"] is None and made["lighter"] is None
    dried = post(ada, f"pots/{made['id']}/dried", {"colour": "#4a522d"}).body["pots"][0]
    assert dried["off"] > 3 and dried["lighter"] < -5

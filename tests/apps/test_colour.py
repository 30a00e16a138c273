"""Shelf, mixing bench and pots through the API."""

from __future__ import annotations

import io
from collections.abc import Callable
from typing import Any

import pytest
import trimesh
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from pytest_django import DjangoAssertNumQueries

from tests.conftest import Clock, post

SHELF = """name,colour,medium,opacity,size_ml,left_ml,price
Lime white,#f4f3ee,acrylic,opaque,17,17,3.00
Tarn black,#1c1d1f,acrylic,opaque,17,17,3.00
Reed green,#66703f,acrylic,opaque,17,17,3.00
Lamp ochre,#c9a227,acrylic,semi-opaque,17,0,3.00
Matt varnish,#ffffff,acrylic varnish,,30,20,5.00
"""


def upload(client: Client, path: str, data: bytes, **more: Any) -> Any:
    file = SimpleUploadedFile("file", data)
    return client.post(f"/api/{path}", {"file": file, **more})


@pytest.fixture
def shelf(ada: Client, held: Clock) -> dict[str, int]:
    """Five paints; their ids by name."""
    answer = upload(ada, "shelf-file", SHELF.encode())
    assert answer.status_code == 200, answer.content
    return {one["paint"]["name"]: one["id"] for one in answer.json()}


def paint(client: Client, name: str) -> dict[str, Any]:
    return next(one for one in client.get("/api/shelf").json() if one["paint"]["name"] == name)


def drops(shelf: dict[str, int], **named: int) -> list[dict[str, int]]:
    return [{"paint": shelf[name.replace("_", " ")], "drops": n} for name, n in named.items()]


def test_a_paint_is_added_by_typing(ada: Client, held: Clock) -> None:
    line = {"line": "Sedge yellow #C9B24A acrylic semi-opaque matt 17 ml 3,20"}
    added = post(ada, "shelf/typed", line).body[0]["paint"]
    assert (added["name"], added["colour"], added["opacity"]) == (
        "Sedge yellow", "#c9b24a", "semi-opaque"
    )  # fmt: skip
    assert (added["size_ml"], added["left_ml"], added["price"]) == (17, 17, 3.2)
    for bad, words in (("Sedge yellow", "label's colour"), ("#c9b24a", "needs a name"),
                       ("Sedge #c9b24a lovely", "'lovely' is no medium")):  # fmt: skip
        refused = post(ada, "shelf/typed", {"line": bad})
        assert refused.status_code == 422 and words in refused.body["complaints"][0]


def test_a_file_is_shown_first_and_paints_that_stand_there_are_not_taken_twice(
    ada: Client, shelf: dict[str, int]
) -> None:
    more = SHELF + "Fen clay,#bf8a66,acrylic,opaque,17,17,3.00\n"
    seen = upload(ada, "shelf-file/preview", more.encode()).json()
    assert seen["new"] == ["Fen clay"] and len(seen["known"]) == 5
    assert len(upload(ada, "shelf-file", more.encode()).json()) == 6


def test_odd_rows_are_said_one_by_one_and_nothing_is_taken(ada: Client, held: Clock) -> None:
    odd = "".join(f"Paint {n},#12345{'g' if n % 2 else n % 10}\n" for n in range(40))
    refused = upload(ada, "shelf-file", b"name,colour\n" + odd.encode())
    complaints = refused.json()["complaints"]
    assert refused.status_code == 422 and len(complaints) == 20
    assert complaints[0].startswith("row 3, colour: '#12345g' is no colour")
    assert ada.get("/api/shelf").json() == []


@pytest.mark.parametrize(
    ("data", "words"),
    [
        (b"name,colour,smell\nA,#123456,fresh\n", "no column is called 'smell'"),
        (b"colour\n#123456\n", "no column 'name'"),
        (b"name,colour\n,#123456\nB,\n", "name is empty"),
        (b"name,colour,medium\nA,#123456,honey\n", "'honey' is unknown"),
        (b"name,colour,left_ml\nA,#123456,half\n", "'half' is no number"),
        (b"\xff\xfe\x00", "no UTF-8"),
        (b"name,colour\n", "holds no paint"),
        (b"GIMP Palette\n300 0 0 Red\n", "0 to 255"),
        (b"GIMP Palette\n" + b"1 2 3 x\n" * 5000, "more than 300 paints"),
        (b'{"format": "crisp-muster/shelf", "version": 2, "paints": []}', "version"),
    ],
)
def test_bad_files_are_refused_with_what_and_where(
    ada: Client, held: Clock, data: bytes, words: str
) -> None:
    refused = upload(ada, "shelf-file", data)
    assert refused.status_code == 422
    assert words in " ".join(refused.json()["complaints"])
    assert ada.get("/api/shelf").json() == []


@pytest.mark.parametrize("kind", ["csv", "json", "gpl"])
def test_what_goes_out_comes_in_again(
    ada: Client, shelf: dict[str, int], kind: str, user_of: Callable[[str], Client]
) -> None:
    post(ada, f"shelf/{shelf['Reed green']}/read", {"kind": "masstone", "colour": "#606a3c"})
    data = ada.get(f"/api/shelf-file?kind={kind}").content
    bob = user_of("bob")
    assert upload(bob, "shelf-file", data).status_code == 200
    mine, his = paint(ada, "Reed green"), paint(bob, "Reed green")
    if kind == "csv":
        assert his["paint"] == {**mine["paint"], "swatches": []}
    elif kind == "json":
        assert his["paint"] == mine["paint"] and his["dry"] == "#606a3c"
    else:
        assert his["paint"]["colour"] == "#606a3c"


def test_a_file_holds_no_formula_for_a_spreadsheet(ada: Client, held: Clock) -> None:
    post(ada, "shelf", {"paint": {"name": "=1+1", "colour": "#123456"}})
    assert b"'=1+1" in ada.get("/api/shelf-file?kind=csv").content


def test_twins_are_found(ada: Client, shelf: dict[str, int]) -> None:
    post(ada, "shelf", {"paint": {"name": "reed green", "colour": "#66703f", "range": "Other"}})
    first, second = (one for one in ada.get("/api/shelf").json()
                     if one["paint"]["name"].lower() == "reed green")  # fmt: skip
    assert first["twins"] == [second["id"]] and second["twins"] == [first["id"]]
    assert paint(ada, "Tarn black")["twins"] == []
    assert (first["called"], second["called"]) == ("Reed green", "reed green (Other)")
    found = post(ada, "mix", {"target": "#66703f", "paints": 3}).body
    named = [[one["name"].lower() for one in mix["drops"]] for mix in found]
    assert any("reed green" in mix for mix in named)
    assert all(sum(name.startswith("reed green") for name in mix) <= 1 for mix in named)


def test_a_pot_of_three_paints_teaches_them_and_a_paint_can_forget(
    ada: Client, shelf: dict[str, int]
) -> None:
    body = {"name": "khaki", "target": "#6a6440",
            "drops": drops(shelf, Reed_green=3, Lamp_ochre=2, Tarn_black=1)}  # fmt: skip
    pot = post(ada, "pots", body).body[0]
    done = post(ada, f"pots/{pot['id']}/dried", {"colour": "#4f5a30"}).body
    assert done["learnt"] >= 2 and done["before"] == pot["predicted"] != done["after"]
    learnt = paint(ada, "Reed green")["swatches"]
    assert learnt and all(one["reading"]["inferred"] for one in learnt)
    now = post(ada, "predict", {"drops": body["drops"], "target": "#4f5a30"}).body
    assert now["colour"] == done["after"] and now["difference"] < 1.5
    post(ada, f"shelf/{shelf['Reed green']}/forget", {})
    assert paint(ada, "Reed green")["swatches"] == []
    post(ada, f"pots/{pot['id']}/dried", {"colour": pot["predicted"]})
    assert paint(ada, "Lamp ochre")["swatches"] == [], "taken back with what it dried to before"


def test_a_kind_is_stated_or_confirmed_and_metal_is_mixed_only_where_it_is_asked_for(
    ada: Client, shelf: dict[str, int]
) -> None:
    rows = b"name,colour,kind\nBright steel,#8f8a60,\nOld pewter,#8a8a88,metallic\n"
    told = upload(ada, "shelf-file/preview", rows).json()
    assert told["sounds_like"] == [{"name": "Bright steel", "kind": "flake"}]
    upload(ada, "shelf-file", rows)
    steel = paint(ada, "Bright steel")
    assert (steel["kind"], steel["sounds_like"]) == ("opaque", "flake")
    wanted = {"target": "#8f8a60", "paints": 2}
    assert post(ada, "mix", wanted).body[0]["drops"][0]["name"] == "Bright steel"
    post(ada, f"shelf/{steel['id']}", {"paint": {**steel["paint"], "kind": "flake"}})
    assert paint(ada, "Bright steel")["sounds_like"] is None
    plain = {one["name"] for mix in post(ada, "mix", wanted).body for one in mix["drops"]}
    assert not plain & {"Bright steel", "Old pewter"}
    metal = post(ada, "mix", {**wanted, "kinds": ["metallic"]}).body
    assert {one["name"] for one in metal[0]["drops"]} <= {"Bright steel", "Old pewter"}
    refused = post(ada, "mix", {**wanted, "kinds": ["shiny"]})
    assert refused.status_code == 422 and "use plain" in refused.body["complaints"][0]
    assert b"metallic" not in ada.get("/api/shelf-file?kind=csv").content
    assert b",flake," in ada.get("/api/shelf-file?kind=csv").content


def test_out_of_reach_is_said_with_what_is_left_and_what_to_buy(
    ada: Client, shelf: dict[str, int]
) -> None:
    near = post(ada, "mix/limits", {"target": "#66703f"}).body
    assert near["inside"] and not near["out_of_reach"] and len(near["boundary"]) > 2
    far = post(ada, "mix/limits", {"target": "#c8201c"}).body
    assert far["out_of_reach"] and not far["inside"] and far["buy"] == []
    post(ada, "shelf", {"paint": {"name": "Rowan", "colour": "#cc1f1a", "left_ml": 0}})
    assert [one["name"] for one in post(ada, "mix/limits", {"target": "#c8201c"}).body["buy"]] == [
        "Rowan"
    ]
    assert post(ada, "mix/limits", {"target": "#c8201c", "kinds": ["puce"]}).status_code == 422


def test_a_pot_is_weighed_by_tare_and_density(ada: Client, shelf: dict[str, int]) -> None:
    one = shelf["Reed green"]
    weighed = post(ada, f"shelf/{one}/weigh", {"grams": 20.0}).body
    left = next(each for each in weighed if each["id"] == one)["paint"]["left_ml"]
    assert left == pytest.approx((20 - 8) / 1.2, abs=0.06)
    by_scale = post(ada, f"shelf/{one}/weigh", {}).body
    now = next(each for each in by_scale if each["id"] == one)["paint"]["left_ml"]
    assert left * 0.9 < now <= left + 0.2
    refused = post(ada, f"shelf/{one}/weigh", {"grams": 2})
    assert refused.status_code == 422 and "less than half of the empty pot" in str(refused.body)


def test_several_readings_are_nearer_each_other_than_single_ones(
    ada: Client, shelf: dict[str, int]
) -> None:
    from muster.apps.devices.colour_reader import SimulatedReader, really
    from muster.core.colour.owned import OwnedPaint
    from muster.core.colour.spaces import difference, lab_of, xyz_of, xyz_of_hex

    green = OwnedPaint("Reed green", "#66703f")
    true = lab_of(xyz_of(really(green).masstone))

    def off(times: int) -> float:
        read = [SimulatedReader(n).read(green, "masstone", 1, 1, times) for n in range(30)]
        return float(difference(lab_of(xyz_of_hex(read)), true).mean())

    assert off(10) < off(1)


def test_a_swatch_teaches_and_can_be_taken_back(ada: Client, shelf: dict[str, int]) -> None:
    one = shelf["Reed green"]
    read = post(ada, f"shelf/{one}/read", {"kind": "masstone", "times": 5}).body
    taught = next(each for each in read if each["id"] == one)
    assert taught["dry"] != taught["paint"]["colour"]
    wet = post(
        ada, f"shelf/{one}/read", {"kind": "masstone", "colour": "#ffffff", "wet": True}
    ).body
    assert next(each for each in wet if each["id"] == one)["dry"] == taught["dry"]
    fact = taught["swatches"][0]["fact"]
    back = post(ada, f"shelf/facts/{fact}/take-back", {}).body
    assert next(each for each in back if each["id"] == one)["dry"] == "#66703f"


def test_a_mix_is_found_from_what_is_in_stock(ada: Client, shelf: dict[str, int]) -> None:
    wanted = {"target": "#98873a", "paints": 3}
    all_ = post(ada, "mix", wanted).body[0]
    assert "Lamp ochre" in {one["name"] for one in all_["drops"]} and not all_["in_stock"]
    own = post(ada, "mix", {**wanted, "in_stock": True}).body
    assert all(mix["in_stock"] for mix in own)
    assert all("varnish" not in one["name"] for mix in own for one in mix["drops"])


def test_a_prediction_takes_a_fixed_number_of_queries(
    ada: Client, shelf: dict[str, int], django_assert_num_queries: DjangoAssertNumQueries
) -> None:
    body = {"drops": drops(shelf, Reed_green=5, Lime_white=2), "target": "#98a06c", "varnish": 0.2}
    with django_assert_num_queries(4):  # session, user, paints, facts
        found = post(ada, "predict", body).body
    assert {one["ground"] for one in found["ladders"]} == {"black", "grey", "white", "oxide"}
    assert found["varnish_drops"] == 2


def test_a_pot_in_hand_is_brought_nearer(ada: Client, shelf: dict[str, int]) -> None:
    body = {"pot": drops(shelf, Reed_green=6), "target": "#8c9470"}
    before = post(ada, "predict", {"drops": body["pot"], "target": body["target"]}).body
    best = post(ada, "mix/reach", body).body[0]
    assert best["difference"] < before["difference"]
    # A drop more of its own paint may balance what is added.
    added = {one["name"] for one in best["drops"]}
    assert "Lime white" in added and "Matt varnish" not in added


def test_a_pot_is_saved_poured_from_the_shelf_and_teaches_when_dry(
    ada: Client, shelf: dict[str, int]
) -> None:
    body = {"name": "reed light", "target": "#98a06c", "note": "",
            "drops": drops(shelf, Reed_green=4, Lime_white=16)}  # fmt: skip
    saved = post(ada, "pots", body).body[0]
    assert saved["name"] == "reed light" and saved["dried"] == ""
    assert paint(ada, "Lime white")["paint"]["left_ml"] == pytest.approx(17 - 16 * 0.05)
    dried = post(ada, f"pots/{saved['id']}/dried", {"colour": "#b9bea4"}).body
    assert dried["pots"][0]["dried"] == "#b9bea4" and dried["learnt"] == 1
    learnt = paint(ada, "Reed green")["swatches"][0]["reading"]
    assert learnt["kind"] == "tint" and learnt["share"] == pytest.approx(0.2)
    again = post(ada, f"pots/{saved['id']}/again", {}).body
    assert again[0]["difference"] < 3
    assert post(ada, f"pots/{saved['id']}/empty", {}).body == []


def test_a_ramp_climbs(ada: Client, shelf: dict[str, int]) -> None:
    found = post(ada, "colour/ramp", {"base": "#66703f", "shades": 1, "lights": 2}).body
    assert len(found["mixes"]) == 4 and found["base"] == 1
    low = post(ada, "colour/ramp", {"base": "#f4f3ee", "lights": 2}).body
    assert "base it at" in low["warning"]


def test_nobody_touches_anothers_shelf_or_pots(
    ada: Client, shelf: dict[str, int], user_of: Callable[[str], Client]
) -> None:
    body = {"name": "mine", "target": "#98a06c", "drops": drops(shelf, Reed_green=1)}
    pot = post(ada, "pots", body).body[0]["id"]
    bob = user_of("bob")
    one = shelf["Reed green"]
    upload(bob, "shelf-file", SHELF.encode())
    assert bob.get("/api/pots").json() == []
    for path, asked in (
        (f"shelf/{one}/weigh", {}), (f"shelf/{one}/gone", {}), (f"shelf/{one}/bought", {"ml": 1}),
        (f"shelf/{one}/read", {}), (f"pots/{pot}/empty", {}), (f"pots/{pot}/again", {}),
        (f"pots/{pot}/dried", {"colour": "#123456"}),
        ("predict", {"drops": drops(shelf, Reed_green=1)}),
    ):  # fmt: skip
        assert post(bob, path, asked).status_code == 404, path
    assert Client().get("/api/shelf").status_code == 401


def test_a_paint_taken_off_can_be_put_back(ada: Client, shelf: dict[str, int]) -> None:
    one = shelf["Reed green"]
    assert len(post(ada, f"shelf/{one}/gone", {}).body) == 4
    assert len(post(ada, f"shelf/{one}/gone?back=true", {}).body) == 5


def supplies(client: Client, muster: dict[str, Any]) -> dict[str, Any]:
    found = client.get(f"/api/musters/{muster['id']}/supplies").json()
    return {**found, "by": {row["need"]["paint"]: row for row in found["rows"]}}


def test_needs_stock_and_cost_of_a_muster(
    ada: Client, muster: dict[str, Any], shelf: dict[str, int]
) -> None:
    found = supplies(ada, muster)
    green = found["by"]["Reed green"]["need"]
    assert green["left_ml"] == 17 and green["owned"] and green["short_ml"] == 0
    peat = found["by"]["Peat"]["need"]
    assert not peat["owned"] and peat["short_ml"] > 0 and peat["pots"] is None
    assert "water" not in found["by"]
    listed = ada.get(f"/api/musters/{muster['id']}/supplies/file").content.decode()
    assert listed.startswith("paint,short_ml,pots,cost") and "Peat" in listed
    assert "Reed green" not in listed


def test_ticks_at_the_bench_lower_the_stock_and_the_need(
    ada: Client, muster: dict[str, Any], shelf: dict[str, int], held: Clock
) -> None:
    import uuid

    before = supplies(ada, muster)["by"]["Reed green"]["need"]
    call = next(one for one in muster["board"]["calls"] if "Reed green" in one["mix"])
    held.move(minutes=40)
    ticks = [
        {"id": str(uuid.uuid4()), "kind": "tick", "at": held.now.isoformat(), "unit": call["unit"],
         "pass_keys": call["pass_keys"], "model": model, "tray": 1,
         "start": held.now.isoformat(), "of": None}
        for model in call["models"][:4]
    ]  # fmt: skip
    assert post(ada, f"musters/{muster['id']}/facts", {"facts": ticks}).status_code == 200
    after = supplies(ada, muster)["by"]["Reed green"]["need"]
    assert after["ml"] < before["ml"] and after["left_ml"] < before["left_ml"]
    assert paint(ada, "Reed green")["paint"]["left_ml"] == pytest.approx(after["left_ml"])


def test_a_paint_that_comes_later_holds_its_calls_back(
    ada: Client, muster: dict[str, Any], shelf: dict[str, int]
) -> None:
    def first() -> str:
        view = ada.get(f"/api/musters/{muster['id']}").json()
        return min(c["start"] for c in view["board"]["calls"] if "Reed green" in c["mix"])

    seen = supplies(ada, muster)["house"]
    assert first() < "2027-03-09"
    body = {"seen": seen, "paint": "Reed green", "day": "2027-03-09"}
    told = post(ada, f"musters/{muster['id']}/supplies/await", body)
    assert told.status_code == 200 and first() >= "2027-03-09"
    post(ada, f"musters/{muster['id']}/supplies/await",
         {**body, "seen": told.body["house"], "day": None})  # fmt: skip
    assert first() < "2027-03-09"


def test_a_pot_used_in_a_recipe_changes_plan_and_shopping_list(
    ada: Client, muster: dict[str, Any], shelf: dict[str, int]
) -> None:
    body = {"name": "cloth", "target": "#98a06c", "drops": drops(shelf, Reed_green=4, Lime_white=2)}
    pot = post(ada, "pots", body).body[0]
    asked = {"recipe": "infantry-six", "key": "cloth", "seen": 1}
    used = post(ada, f"pots/{pot['id']}/use", asked)
    assert used.status_code == 200 and used.body["units"] == ["Pikes"]
    view = ada.get(f"/api/musters/{muster['id']}").json()
    card = next(one for one in view["board"]["calls"] if one["id"] == "pikes.1/cloth-coat-1")
    assert card["mix"] == "2 Reed green, 1 Lime white" and card["colour"] == pot["predicted"]
    assert sum(card["drops"]) * 0.05 >= card["ml"] > 0
    assert card["drops"][0] == 2 * card["drops"][1]
    assert "Lime white" in supplies(ada, muster)["by"]
    assert post(ada, f"pots/{pot['id']}/use", asked).status_code == 422


def test_recipes_show_what_the_owned_paint_dries_to(
    ada: Client, muster: dict[str, Any], shelf: dict[str, int]
) -> None:
    post(ada, f"shelf/{shelf['Tarn black']}/read", {"kind": "masstone", "colour": "#2a2b2e"})
    view = ada.get(f"/api/musters/{muster['id']}").json()
    card = next(one for one in view["board"]["calls"] if one["mix"] == "Tarn black")
    assert card["colour"] == "#2a2b2e" and card["wet"] not in (None, "#2a2b2e")


def test_a_mesh_measures_a_unit_and_a_bad_one_is_refused(
    ada: Client, muster: dict[str, Any]
) -> None:
    out = io.BytesIO()
    trimesh.creation.box((20, 20, 20)).export(out, file_type="stl")
    found = upload(ada, "mesh", out.getvalue(), file_scale=1, scale=1, unit="mm").json()
    assert found["area_cm2"] == 24 and found["warnings"] == []
    assert upload(ada, "mesh", b"rubbish").status_code == 422
    command = {"do": "edit_unit", "unit": "guns", "area_cm2": 24}
    post(ada, f"musters/{muster['id']}/command", {"version": muster["version"], "command": command})
    area = next(one for one in supplies(ada, muster)["areas"] if one["unit"] == "guns")
    assert area == {"unit": "guns", "name": "Guns", "area_cm2": 24.0, "measured": True}


def test_a_mix_in_tone_with_a_pot_is_near_and_comes_again_by_its_throw(
    ada: Client, shelf: dict[str, int]
) -> None:
    body = {"name": "reed", "target": "#66703f", "drops": drops(shelf, Reed_green=4, Lime_white=1)}
    pot = post(ada, "pots", body).body[0]["id"]
    first = post(ada, f"pots/{pot}/tone", {"spread": 3, "seed": 5}).body
    assert first["difference"] <= 3
    assert first == post(ada, f"pots/{pot}/tone", {"spread": 3, "seed": 5}).body
    refused = post(ada, f"pots/{pot}/dried", {"colour": "#ff00ff"})
    assert refused.status_code == 200
    far = post(ada, f"pots/{pot}/tone", {"spread": 1, "seed": 5})
    assert far.status_code == 422 and "allow that" in far.body["complaints"][0]


def test_a_paint_says_how_well_it_hides_and_how_far_it_goes(
    ada: Client, shelf: dict[str, int]
) -> None:
    black, white, ochre = (paint(ada, name) for name in ("Tarn black", "Lime white", "Lamp ochre"))
    assert black["hides"] > 99 > white["hides"] > 60
    assert ochre["covers_cm2"] == 0
    # 17 ml at 60 µm wet, nine tenths of it on the model.
    assert white["covers_cm2"] == pytest.approx(17 / 60e-4 * 0.9, abs=1)


def test_patches_filters_and_accents_are_judged(
    ada: Client, muster: dict[str, Any], shelf: dict[str, int]
) -> None:
    body = {"patches": ["#5a6238", "#b8a67e"], "paints": [shelf["Lamp ochre"]], "tier": "table"}
    found = post(ada, "colour/patches", body).body
    assert {one["patch"] for one in found["filters"]} == set(body["patches"])
    assert found["apart"][0]["difference"] > 10 and 0 < found["mist"] < 1
    assert ada.get("/api/colour/scaled?colour=%23242424&scale=72").json()["colour"] > "#242424"
    assert ada.get("/api/colour/scaled?colour=green&scale=72").status_code == 422
    accents = ada.get(f"/api/musters/{muster['id']}/accents").json()
    assert [one["difference"] for one in accents] == sorted(
        (one["difference"] for one in accents), reverse=True
    )


def test_variants_of_a_mix_differ_within_what_is_asked(ada: Client, shelf: dict[str, int]) -> None:
    body = {"drops": drops(shelf, Reed_green=5, Lime_white=3), "models": 4, "spread": 3, "seed": 2}
    found = post(ada, "colour/variants", body).body
    assert len({str(one["drops"]) for one in found}) == 4
    assert all(one["difference"] >= 0 for one in found)
    refused = post(ada, "colour/variants", {**body, "spread": 0.01})
    assert refused.status_code == 422 and "the nearest is" in refused.body["complaints"][0]


def test_a_surface_by_the_box_of_the_real_thing(ada: Client) -> None:
    """ISO 668: a 20 ft container, 73.6 m² by its six faces."""
    box = {"kind": "building", "scale": 72, "length": 6.058, "width": 2.438, "height": 2.591}
    area = post(ada, "area", box).body["area_cm2"]
    assert area == pytest.approx(73.56e4 / 72**2 * 0.9, rel=0.001)


def test_recipes_are_seen_in_recess_flat_and_edge(ada: Client, shelf: dict[str, int]) -> None:
    one = next(
        row["recipe"] for row in ada.get("/api/recipes").json()
        if row["recipe"]["id"] == "infantry-six"
    )  # fmt: skip
    asked = {"code": one["id"], "kind": one["kind"], "passes": one["passes"]}
    seams = {seam["key"]: seam for seam in post(ada, "draft-check", asked).body["seams"]}
    before, washed = seams["base"]["appearances"]["gear"], seams["wash"]["appearances"]["gear"]
    assert before["flat"] == before["edge"] and washed["recess"] < washed["edge"]
    assert "from 30 cm" in seams["lights"]["shows"] or seams["lights"]["shows"] == ""


def test_of_very_many_swatches_the_newest_count(ada: Client, shelf: dict[str, int]) -> None:
    one = shelf["Reed green"]
    for n in range(45):
        post(ada, f"shelf/{one}/read", {"kind": "masstone", "colour": f"#60{n:02x}3c"})
    swatches = paint(ada, "Reed green")["swatches"]
    assert [each["reading"]["colour"] for each in swatches] == [
        f"#60{n:02x}3c" for n in range(5, 45)
    ]


def test_a_pot_that_is_read_again_and_again_spoils_no_shelf(
    ada: Client, shelf: dict[str, int]
) -> None:
    body = {"name": "reed", "target": "#66703f", "drops": drops(shelf, Reed_green=4, Lime_white=1)}
    pot = post(ada, "pots", body).body[0]["id"]
    for n in range(42):
        assert post(ada, f"pots/{pot}/dried", {"colour": f"#7a8{n % 10}54"}).status_code == 200
    assert ada.get("/api/shelf").status_code == 200
    # What it dried to last is what it teaches.
    assert len(paint(ada, "Reed green")["swatches"]) == 1

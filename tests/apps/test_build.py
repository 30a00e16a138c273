"""Build through the API: a kit is taken, its joints are said, the plan follows, kits are known."""

from __future__ import annotations

import io
from collections.abc import Callable
from typing import Any

import pytest
import trimesh
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from muster.core.build.kit import KIT
from muster.core.build.templates.all import kit_from
from tests.conftest import post

FIGURE = kit_from("figure-on-base", "Figure on a base")
assert FIGURE is not None
BASED = KIT.dump_python(FIGURE, mode="json")


@pytest.fixture
def path(muster: dict[str, Any]) -> str:
    return f"musters/{muster['id']}"


def get(client: Client, path: str, **query: str) -> Any:
    answer = client.get(f"/api/{path}", query)
    assert answer.status_code == 200, (path, answer.content[:300])
    return answer.json()


def command(client: Client, path: str, wanted: dict[str, Any]) -> dict[str, Any]:
    version = get(client, path)["version"]
    answer = post(client, f"{path}/command", {"version": version, "command": wanted})
    assert answer.status_code == 200, answer.body
    found: dict[str, Any] = answer.body
    return found


@pytest.fixture
def built(ada: Client, path: str) -> dict[str, Any]:
    """Pikes, built of a kit of their own."""
    return command(ada, path, {
        "do": "set_kit", "unit": "pikes", "kit": {**BASED, "name": "Pike 3"},
    })  # fmt: skip


def test_a_unit_is_of_one_piece_until_it_has_a_kit(ada: Client, path: str) -> None:
    rows = get(ada, f"{path}/build")
    assert {row["kit"] for row in rows} == {None}
    assert get(ada, f"{path}/build/pikes")["view"] is None
    assert ada.get(f"/api/{path}/build/pikes/apart").status_code == 404
    assert ada.get(f"/api/{path}/build/gone").status_code == 404


def test_with_a_kit_the_plan_has_its_jobs_and_joints_and_undo_takes_them_away(
    ada: Client, path: str, built: dict[str, Any]
) -> None:
    names = {card["name"] for card in built["board"]["calls"]}
    assert {"clean figure", "drill weapon", "join the base"} <= names
    assert "build" not in built["roll"][0]["unit"] or built["roll"][0]["unit"]["build"] is None
    row = next(one for one in get(ada, f"{path}/build") if one["unit"] == "pikes")
    assert (row["kit"], row["joints"]) == ("Pike 3", 2)
    back = post(ada, f"{path}/undo", {"version": get(ada, path)["version"]})
    assert back.status_code == 200
    assert "drill weapon" not in {card["name"] for card in back.body["board"]["calls"]}


def test_a_joint_that_is_said_moves_in_the_plan_and_what_is_tried_does_not(
    ada: Client, path: str, built: dict[str, Any]
) -> None:
    said = {"do": "set_joint", "unit": "pikes", "joint": "on-base", "way": "apart", "before": "end"}
    before = get(ada, f"{path}/build/pikes")["view"]
    tried = post(ada, f"{path}/build/pikes/try", {"command": said}).body["view"]
    mouth = next(one for one in tried["mouths"] if one["joint"] == "on-base")
    assert (mouth["way"], mouth["column"], mouth["moved"]) == (
        "apart", len(tried["columns"]), True,
    )  # fmt: skip
    assert get(ada, f"{path}/build/pikes")["view"] == before
    command(ada, path, said)
    after = get(ada, f"{path}/build/pikes")["view"]
    assert {**after, "evenings_least": 0} == {**tried, "evenings_least": 0}
    assert [step["name"] for step in after["order"]][-1] == "fit the base"


@pytest.mark.parametrize("door", ["build/pikes/try", "plan/try", "command"])
def test_a_change_that_would_leave_no_document_is_told_wherever_it_is_asked(
    ada: Client, path: str, door: str
) -> None:
    said = {"do": "drop_order", "before": "No such id", "after": ""}
    answer = post(ada, f"{path}/{door}", {"version": 1, "command": said})
    assert answer.status_code == 422, answer.body
    assert len(answer.body["complaints"]) == 2


def test_the_ways_of_a_joint_are_planned_each(
    ada: Client, path: str, built: dict[str, Any]
) -> None:
    rows = get(ada, f"{path}/build/pikes/ways", joint="on-weapon")
    assert [row["way"] for row in rows] == ["fix", "apart", "mask"]
    assert all(row["evenings"] >= 1 and row["hands_on_s"] > 0 for row in rows)
    view = get(ada, f"{path}/build/pikes")["view"]
    mouth = next(one for one in view["mouths"] if one["joint"] == "on-weapon")
    planned = {row["way"]: row["evenings"] for row in rows}
    assert planned[mouth["way"]] >= view["evenings_least"] >= 1
    # What is said at once is no more than what comes of it.
    assert all(planned[row["way"]] >= row["evenings_least"] for row in mouth["ways"])
    assert ada.get(f"/api/{path}/build/pikes/ways", {"joint": "gone"}).status_code == 404
    both = get(ada, f"{path}/build/pikes/apart")
    assert both["hands_on_s"] <= both["fixed_hands_on_s"] * 1.2


def test_a_kit_is_remembered_with_what_was_learnt_and_is_his_alone(
    ada: Client, path: str, built: dict[str, Any], user_of: Callable[[str], Client]
) -> None:
    command(ada, path, {
        "do": "note_mishap", "unit": "pikes", "what": "came off", "part": "weapon",
        "models": [1], "minutes": 4,
    })  # fmt: skip
    known = get(ada, "build/kits", of="figure")
    kit = next(one for one in known["known"] if one["name"] == "Pike 3")
    assert next(one for one in kit["joints"] if one["part"] == "weapon")["weak"]
    assert known["templates"][0]["kinds"] == ["figure"]
    assert get(user_of("bea"), "build/kits")["known"] == []
    # A template that nobody has named is no kit of his.
    command(ada, path, {"do": "set_kit", "unit": "pikes", "kit": BASED})
    assert [one["name"] for one in get(ada, "build/kits")["known"]] == ["Pike 3"]


def test_a_kit_that_cannot_hold_is_refused_and_changes_nothing(ada: Client, path: str) -> None:
    bad = {**BASED, "joints": [{**BASED["joints"][0], "onto": "moon"}]}
    version = get(ada, path)["version"]
    wanted = {"do": "set_kit", "unit": "pikes", "kit": bad}
    answer = post(ada, f"{path}/command", {"version": version, "command": wanted})
    assert answer.status_code == 422
    assert "the kit has no part 'moon'" in answer.body["complaints"][0]
    assert get(ada, path)["version"] == version


def test_the_muster_file_carries_the_build_out_and_in(
    ada: Client, path: str, built: dict[str, Any], user_of: Callable[[str], Client]
) -> None:
    text = ada.get(f"/api/{path}/file").content
    bea = user_of("bea")
    file = SimpleUploadedFile("muster.json", text, "application/json")
    made = bea.post("/api/import", {"file": file}).json()
    row = next(
        one for one in get(bea, f"musters/{made['id']}/build") if one["unit"] == "pikes"
    )  # fmt: skip
    assert row["kit"] == "Pike 3"


def test_offers_are_taken_as_they_are_offered(
    ada: Client, path: str, built: dict[str, Any]
) -> None:
    command(ada, path, {
        "do": "set_joint", "unit": "pikes", "joint": "on-weapon", "way": "fix", "before": None,
    })  # fmt: skip
    view = get(ada, f"{path}/build/pikes")["view"]
    kit = view["build"]["kit"]
    loose = {**kit, "joints": [one for one in kit["joints"] if one["part"] != "base"]}
    command(ada, path, {
        "do": "set_build", "unit": "pikes", "words": "x", "build": {**view["build"], "kit": loose},
    })  # fmt: skip
    found = get(ada, f"{path}/build/pikes")["view"]["findings"]
    lost = next(one for one in found if one["code"] == "goes nowhere")
    command(ada, path, {
        "do": "set_build", "unit": "pikes", "words": lost["offers"][0]["words"],
        "build": lost["offers"][0]["build"],
    })  # fmt: skip
    after = get(ada, f"{path}/build/pikes")["view"]
    assert "goes nowhere" not in [one["code"] for one in after["findings"]]


def test_a_print_is_rescaled(ada: Client) -> None:
    body = {
        "file_scale": 30, "scale": 72, "printer": "filament", "plate": "filament",
        "members": [{"name": "rail", "member": "rod", "mm": 1.2}], "size_mm": [96, 48, 60],
        "rods_mm": [100], "face_mm": [7, 4],
    }  # fmt: skip
    answer = post(ada, "build/rescale", body).body
    assert (answer["percent"], answer["members"][0]["in_file_mm"]) == (41.7, 2.88)
    assert answer["size_mm"] == [40.0, 20.0, 25.0]
    assert answer["on_plate"] == 45
    assert answer["rods"][0]["rod_mm"] == 1.5
    refused = post(ada, "build/rescale", {**body, "plate": "huge"})
    assert refused.status_code == 422 and "no plate is called" in refused.body["complaints"][0]


def test_the_thin_places_of_a_mesh_are_listed_and_what_is_none_is_refused(ada: Client) -> None:
    plate = trimesh.creation.box((40, 30, 1)).export(file_type="stl")
    sent = {"file": io.BytesIO(plate), "file_scale": "30", "scale": "72", "printer": "resin"}
    answer = ada.post("/api/build/rescale/mesh", sent)
    assert answer.status_code == 200, answer.content
    assert answer.json()["least_mm"] == pytest.approx(1 * 30 / 72, rel=1e-3)
    assert answer.json()["places"] == []
    bad = ada.post("/api/build/rescale/mesh", {**sent, "file": io.BytesIO(b"no mesh")})
    assert bad.status_code == 422
    assert "STL" in bad.json()["complaints"][0]

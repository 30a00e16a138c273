"""The house: habits, room and rows of one's own; every plan and recipe of its user follows."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client

from muster.apps.devices.room_sensor import SimulatedRoom
from tests.conftest import TUESDAY, Clock, post

DAMP = {"celsius": 14, "humidity": 88}


def house(client: Client) -> dict[str, Any]:
    return client.get("/api/house").json()


def test_a_new_user_has_our_defaults_with_reasons_on_both_sides(ada: Client) -> None:
    found = house(ada)
    assert found["version"] == 0 and found["house"]["air"] == {"celsius": 20, "humidity": 50}
    assert len(found["habits"]) == 10
    for habit in found["habits"]:
        assert len(habit["ways"]) >= 2 and all(way["reason"] for way in habit["ways"])
        assert sum(way["ours"] for way in habit["ways"]) == 1


def test_damp_air_on_the_day_moves_the_plan_and_taking_it_back_restores_it(
    ada: Client, muster: dict[str, Any]
) -> None:
    def calls() -> dict[str, str]:
        view = ada.get(f"/api/musters/{muster['id']}").json()
        return {card["id"]: card["start"] for card in view["board"]["calls"]}

    before = calls()
    said = post(ada, "house/air", {"seen": 0, "day": "2027-03-02", "air": DAMP})
    assert said.status_code == 200 and said.body["undo"].startswith("The room on 2027-03-02")
    damp = calls()
    assert damp != before
    back = post(ada, "house/undo", {"seen": said.body["version"]})
    assert back.body["house"]["days"] == [] and back.body["undo"] == ""


def test_a_house_changed_elsewhere_meanwhile_is_not_overwritten(ada: Client) -> None:
    assert post(ada, "house/air", {"seen": 0, "air": DAMP}).status_code == 200
    late = post(ada, "house/air", {"seen": 0, "air": {"celsius": 20, "humidity": 40}})
    assert late.status_code == 409
    assert house(ada)["house"]["air"] == DAMP


def test_rows_that_cannot_hold_change_nothing(ada: Client) -> None:
    now = house(ada)["house"]
    now["own"]["media"] = [{"name": "Mine", "like": "nothing"}]
    refused = post(ada, "house", {"seen": 0, "house": now})
    assert refused.status_code == 422 and "like 'nothing'" in refused.body["complaints"][0]
    assert house(ada)["version"] == 0


def test_an_own_paint_is_known_in_recipes(ada: Client) -> None:
    now = house(ada)["house"]
    now["own"]["media"] = [{"name": "Harbour wash", "like": "acrylic wash", "touch_min": 45}]
    assert post(ada, "house", {"seen": 0, "house": now}).status_code == 200
    known = {one["name"]: one for one in house(ada)["known"]["media"]}
    assert known["Harbour wash"]["own"] and known["Harbour wash"]["touch"] == 45
    passes = [
        {"key": "a", "name": "a", "technique": "wash", "minutes": 1, "medium": "Harbour wash"}
    ]
    assert post(ada, "draft-check", {"kind": "figure", "passes": passes}).status_code == 200


def test_nobody_sees_anothers_house(ada: Client, user_of: Callable[[str], Client]) -> None:
    post(ada, "house/air", {"seen": 0, "air": DAMP})
    bob = user_of("bob")
    assert house(bob)["version"] == 0
    assert Client().get("/api/house").status_code == 401


def test_the_sensor_reads_believably_and_keeps_nothing(ada: Client, held: Clock) -> None:
    read = [ada.get("/api/devices/room").json() for _ in range(2)]
    assert read[0] == read[1] and 14 < read[0]["celsius"] < 25
    held.move(seconds=7)
    assert ada.get("/api/devices/room").json() != read[0]
    assert house(ada)["version"] == 0


def test_the_sensors_noise_is_small_beside_the_day() -> None:
    sensor = SimulatedRoom()
    close = [sensor.read(TUESDAY.replace(second=n)).celsius for n in range(60)]
    assert max(close) - min(close) < 1.6
    assert (
        sensor.read(TUESDAY.replace(hour=4)).celsius < sensor.read(TUESDAY.replace(hour=16)).celsius
    )


@pytest.mark.parametrize(
    ("air", "spraying"),
    [("20&humidity=50", "fine"), ("20&humidity=70", "warn"), ("8&humidity=50", "refuse")],
)
def test_the_dial_says_what_the_air_does(ada: Client, air: str, spraying: str) -> None:
    found = ada.get(f"/api/dial?celsius={air}").json()
    assert found["spraying"] == spraying
    assert {line["factor"] for line in found["contours"]} >= {1.0, 2.5}

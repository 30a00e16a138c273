"""A colour from a photograph: taken in without metadata, private, judged, kept by unit."""

from __future__ import annotations

import io
from collections.abc import Callable
from typing import Any

import numpy as np
import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from PIL import Image

from muster.apps.colour import targets as services
from muster.core.colour.spaces import difference, lab_of, xyz_of_hex
from tests.conftest import Clock, post
from tests.core.colour.test_photo import photograph

pytestmark = pytest.mark.django_db


def taken(colour: str = "#5a5a2c", turned: bool = False, **light: Any) -> bytes:
    """A photograph as a camera writes it, with place and date in it."""
    picture = Image.fromarray(photograph(colour, **light))
    exif = Image.Exif()
    exif[0x010F] = "A camera"
    exif[0x0132] = "2026:11:27 20:00:00"
    if turned:
        picture, exif[0x0112] = picture.rotate(90, expand=True), 6
    out = io.BytesIO()
    picture.save(out, "JPEG", quality=97, exif=exif)
    return out.getvalue()


def put_in(client: Client, data: bytes) -> Any:
    return client.post("/api/pictures", {"file": SimpleUploadedFile("model.jpg", data)})


PLACES = {"greys": [[0.25, 0.5]], "place": [0.6, 0.5]}


@pytest.mark.parametrize("turned", [False, True])
def test_a_place_is_judged_by_the_white_beside_it(ada: Client, held: Clock, turned: bool) -> None:
    kept = put_in(ada, taken(light=(0.95, 0.75, 0.5), turned=turned)).json()
    assert (kept["width"], kept["height"]) == (720, 480)
    seen = post(ada, f"pictures/{kept['id']}/colour", PLACES).body
    labs = lab_of(xyz_of_hex([seen["colour"], "#5a5a2c"]))
    assert float(difference(labs[0], labs[1])) < 3 and seen["warnings"] == []


def test_a_picture_is_kept_without_its_metadata_and_no_larger_than_it_need_be(
    ada: Client, held: Clock
) -> None:
    large = Image.fromarray(np.full((2000, 3000, 3), 128, np.uint8))
    out = io.BytesIO()
    large.save(out, "PNG")
    kept = put_in(ada, out.getvalue()).json()
    assert max(kept["width"], kept["height"]) == services.LONGEST_SIDE
    again = ada.get(f"/api/pictures/{put_in(ada, taken()).json()['id']}")
    assert again["Content-Type"] == "image/jpeg" and again["Cache-Control"] == "no-store"
    with Image.open(io.BytesIO(again.content)) as picture:
        assert not picture.getexif() and "exif" not in picture.info


def test_uneven_light_is_refused_with_what_to_do(ada: Client, held: Clock) -> None:
    kept = put_in(ada, taken(fall=0.6)).json()
    refused = post(ada, f"pictures/{kept['id']}/colour", PLACES)
    assert refused.status_code == 422
    assert "press a grey on either side" in refused.body["complaints"][0]


def test_a_target_is_kept_with_its_picture_by_unit_and_put_away_and_brought_back(
    ada: Client, held: Clock
) -> None:
    picture = put_in(ada, taken()).json()["id"]
    body = {"name": "last year's hull", "colour": "#5a5a2c", "unit": "Guns", "picture": picture}
    (kept,) = post(ada, "targets", body).body
    assert {key: kept[key] for key in body} == body
    assert post(ada, f"targets/{kept['id']}/gone", {}).body == []
    assert post(ada, f"targets/{kept['id']}/gone?back=true", {}).body == [kept]


def test_pictures_and_targets_are_their_owners_alone(
    ada: Client, held: Clock, user_of: Callable[[str], Client]
) -> None:
    picture = put_in(ada, taken()).json()["id"]
    target = post(ada, "targets", {"name": "hull", "colour": "#5a5a2c"}).body[0]["id"]
    bob = user_of("bob")
    assert bob.get(f"/api/pictures/{picture}").status_code == 404
    assert post(bob, f"pictures/{picture}/colour", PLACES).status_code == 404
    assert post(bob, f"targets/{target}/gone", {}).status_code == 404
    stolen = {"name": "mine", "colour": "#5a5a2c", "picture": picture}
    assert post(bob, "targets", stolen).status_code == 404
    assert bob.get("/api/targets").json() == []
    assert Client().get(f"/api/pictures/{picture}").status_code == 401


@pytest.mark.parametrize(
    "data", [b"", b"GIF89a" + bytes(99), b"\x89PNG\r\n\x1a\n" + bytes(50), taken()[:900]]
)
def test_what_is_no_picture_is_refused(ada: Client, held: Clock, data: bytes) -> None:
    refused = put_in(ada, data)
    assert refused.status_code == 422 and "picture" in refused.json()["complaints"][0]


def test_old_pictures_without_a_target_make_room(
    ada: Client, held: Clock, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(services, "MOST_PICTURES", 2)
    first, second = (put_in(ada, taken()).json()["id"] for _ in range(2))
    body = {"name": "hull", "colour": "#5a5a2c", "picture": first}
    assert post(ada, "targets", body).status_code == 200
    third = put_in(ada, taken()).json()["id"]
    assert ada.get(f"/api/pictures/{second}").status_code == 404
    assert ada.get(f"/api/pictures/{first}").status_code == 200
    post(ada, "targets", {**body, "picture": third})
    assert put_in(ada, taken()).status_code == 422


def test_ground_is_reckoned_by_its_sides_and_parts(ada: Client, held: Clock) -> None:
    found = post(ada, "ground", {"area_cm2": 360, "depth_mm": 2, "grass": 0.5}).body
    assert found["paste_ml"] == pytest.approx(72) and found["grass_g"] > 1
    assert post(ada, "ground", {"area_cm2": 360, "parts": {"plaster": 0}}).status_code == 422
    assert post(ada, "ground", {"area_cm2": 0}).status_code == 422

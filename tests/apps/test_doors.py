"""Who may come in, from where, how often, and with what."""

from __future__ import annotations

import json
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import pytest
from django.contrib.auth.models import User
from django.core.cache import cache
from django.core.management import call_command
from django.test import Client

from muster.api import accounts
from muster.apps.accounts.demo import demo_account
from muster.apps.recipes import services as recipes
from muster.core.formats.cells import guarded, unguarded
from tests.apps.test_musters import fact, record
from tests.conftest import NEW, Clock, post

ADA = {"name": "ada", "password": "reeds and silt"}
DOORS = [("sign-up", ADA), ("sign-in", ADA), ("open-demo", {})]


@pytest.fixture(autouse=True)
def uncounted() -> Iterator[None]:
    cache.clear()
    yield
    cache.clear()


@pytest.mark.parametrize(("door", "body"), DOORS)
def test_no_door_opens_to_a_page_of_somebody_elses(db: None, door: str, body: Any) -> None:
    """Signing a visitor in to an account that is not his is an attack too."""
    strict = Client(enforce_csrf_checks=True)
    assert post(strict, door, body).status_code == 403
    strict.get("/")
    token = strict.cookies["csrftoken"].value
    foreign = {"X-CSRFToken": token, "Origin": "https://reeds.example"}
    path = f"/api/{door}"
    answer = strict.post(path, body, content_type="application/json", headers=foreign)
    assert answer.status_code == 403
    assert "own page" in answer.json()["complaints"][0]
    own = {"X-CSRFToken": token}
    answer = strict.post(path, body, content_type="application/json", headers=own)
    assert answer.status_code == (200 if door == "sign-up" else 422)


@pytest.mark.parametrize("kind", ["text/plain", "application/x-www-form-urlencoded", ""])
def test_what_any_page_can_send_unasked_is_not_read(db: None, kind: str) -> None:
    answer = Client().post("/api/sign-in", json.dumps(ADA), content_type=kind)
    assert answer.status_code == 415
    assert answer.json()["complaints"] == ["this cannot be read: send JSON, or a file as a form"]


def test_new_accounts_from_one_address_are_counted_whatever_it_says_of_itself(
    db: None, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(accounts.SIGN_UPS, "num_requests", 3)
    codes = []
    for number in range(5):
        body = {**ADA, "name": f"ada {number}"}
        answer = Client().post("/api/sign-up", body, content_type="application/json",
                               headers={"X-Forwarded-For": f"10.0.0.{number}"})  # fmt: skip
        codes.append(answer.status_code)
    assert codes == [200, 200, 200, 429, 429]
    assert "wait" in answer.json()["complaints"][0]
    assert User.objects.count() == 3


def test_guessing_the_password_that_deletes_an_account_is_counted(ada: Client) -> None:
    codes = [post(ada, "me/delete", {"password": "silt"}).status_code for _ in range(9)]
    assert codes == [422] * 8 + [429]
    assert User.objects.filter(username="ada").exists()


def test_what_computes_for_long_is_counted_by_user(
    ada: Client, user_of: Callable[[str], Client]
) -> None:
    body = {"colour": "#6b7a3a"}
    codes = {post(ada, "mix", body).status_code for _ in range(121)}
    assert 429 in codes
    assert post(user_of("bea"), "mix", body).status_code != 429


@pytest.mark.parametrize(
    "password",
    ["        ", "\t\t\t\t\t\t\t\t", "aaaaaaaaaa", "password", "12345678", "qwertyuiop",
     "sunshine1", "iloveyou", "reedwader", "short"],
)  # fmt: skip
def test_a_password_that_anybody_guesses_is_none(db: None, password: str) -> None:
    answer = post(Client(), "sign-up", {"name": "reedwader", "password": password})
    assert answer.status_code == 422
    assert answer.body["complaints"][0].startswith("password: ")
    assert not User.objects.exists()


def test_somebody_called_demo_keeps_his_account_to_himself(db: None) -> None:
    own = Client()
    assert post(own, "sign-up", {**ADA, "name": "demo"}).status_code == 200
    call_command("load_demo")
    account = demo_account()
    assert account is not None and account.username == "demo 2"
    visitor = Client()
    assert post(visitor, "open-demo", {}).body["name"] == "demo 2"
    assert post(own, "sign-in", {**ADA, "name": "demo"}).status_code == 200
    call_command("load_demo", "--fresh")
    assert User.objects.filter(username="demo").exists()


def test_answers_are_not_stored_and_pages_may_ask_the_browser_for_nothing(ada: Client) -> None:
    answer = ada.get("/api/musters")
    assert answer["Cache-Control"] == "no-store"
    assert "camera=()" in answer["Permissions-Policy"]
    assert "geolocation=()" in ada.get("/")["Permissions-Policy"]


def test_an_account_holds_so_many_recipes_and_so_many_versions(
    ada: Client, monkeypatch: pytest.MonkeyPatch
) -> None:
    have = len(ada.get("/api/recipes").json())
    monkeypatch.setattr(recipes, "MOST_RECIPES", have + 1)
    codes = [post(ada, "recipes/infantry-six/copy", {}).status_code for _ in range(2)]
    assert codes == [200, 422]
    monkeypatch.setattr(recipes, "MOST_VERSIONS", 1)
    one = next(row["recipe"] for row in ada.get("/api/recipes").json()
               if row["recipe"]["id"] == "infantry-six")  # fmt: skip
    body = {"name": "Six", "seen": 1, "passes": one["passes"], "follow": []}
    answer = post(ada, "recipes/infantry-six", body)
    assert answer.status_code == 422 and "copy" in answer.body["complaints"][0]


@pytest.mark.parametrize("text", ["=1+1", "+1", "-1", "@sum", "\tx", "\rx"])
def test_no_cell_begins_a_formula_and_reading_it_again_gives_what_it_was(text: str) -> None:
    assert guarded(text) == f"'{text}"
    assert unguarded(guarded(text)) == text
    assert unguarded("'tis silt") == "'tis silt"


def test_a_paint_called_like_a_formula_is_text_on_the_shopping_list(
    ada: Client, muster: dict[str, Any]
) -> None:
    one = next(row["recipe"] for row in ada.get("/api/recipes").json()
               if row["recipe"]["id"] == "infantry-six")  # fmt: skip
    passes = one["passes"]
    passes[1]["mix"] = [{"name": "=HYPERLINK(1)", "parts": 1}]
    body = {"name": "Six", "seen": 1, "passes": passes,
            "follow": [f"{muster['id']}:{muster['roll'][0]['unit']['id']}"]}  # fmt: skip
    answer = post(ada, "recipes/infantry-six", body)
    assert answer.status_code == 200, answer.body
    text = ada.get(f"/api/musters/{muster['id']}/supplies/file").content.decode()
    assert "\r\n'=HYPERLINK(1)," in text


def test_a_friends_muster_stands_beside_ones_own_with_ids_of_its_own(
    ada: Client,
    user_of: Callable[[str], Client],
    muster: dict[str, Any],
    held: Clock,
    tmp_path: Path,
) -> None:
    held.move(minutes=37)
    view = record(ada, muster, fact(muster, "begin", held.now))
    tick = fact(view, "tick", held.now, model=view["bench"]["call"]["models"][0])
    view = record(ada, view, tick)
    record(ada, view, fact(view, "take_back", held.now, of=tick["id"]))
    file = tmp_path / "muster.json"
    file.write_bytes(ada.get(f"/api/musters/{muster['id']}/file").content)
    bea = user_of("bea")
    with file.open("rb") as sent:
        made = bea.post("/api/import", {"file": sent})
    assert made.status_code == 200, made.content
    shown = bea.get(f"/api/musters/{made.json()['id']}").json()
    own = ada.get(f"/api/musters/{muster['id']}").json()
    assert shown["bench"]["pips"] and [pip["state"] for pip in shown["bench"]["pips"]] == [
        pip["state"] for pip in own["bench"]["pips"]
    ]
    with file.open("rb") as sent:
        again = ada.post("/api/import", {"file": sent})
    assert again.status_code == 422 and "imported before" in again.json()["complaints"][0]


def test_a_new_muster_is_worth_the_three_questions_only(ada: Client) -> None:
    assert post(ada, "musters", NEW).status_code == 200

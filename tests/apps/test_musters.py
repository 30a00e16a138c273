"""The way through the application: choices, facts, plan, undo, files, and who may see what."""

from __future__ import annotations

import json
import re
import uuid
from collections.abc import Callable
from datetime import datetime, timedelta
from pathlib import Path
from typing import Any

import jsonschema
import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from pytest_django.fixtures import DjangoAssertNumQueries

from muster.api.root import api
from muster.apps.plan.models import PlanRun
from muster.apps.plan.tasks import improve, reap, take
from tests.conftest import NEW, Clock, post

ROOT = Path(__file__).resolve().parents[2]


def command(client: Client, view: dict[str, Any], **wanted: Any) -> Any:
    return post(
        client, f"musters/{view['id']}/command", {"version": view["version"], "command": wanted}
    )


def fact(view: dict[str, Any], kind: str, at: datetime, **more: Any) -> dict[str, Any]:
    call = view["bench"]["call"]
    return {
        "id": str(uuid.uuid4()), "kind": kind, "at": at.isoformat(), "unit": call["unit"],
        "pass_keys": call["pass_keys"], "tray": int(call["tray"].rsplit(".", 1)[1]), **more,
    }  # fmt: skip


def record(client: Client, view: dict[str, Any], *facts: dict[str, Any]) -> dict[str, Any]:
    answer = post(client, f"musters/{view['id']}/facts", {"facts": list(facts)})
    assert answer.status_code == 200, answer.content
    assert answer.body["refused"] == []
    return client.get(f"/api/musters/{view['id']}").json()


def test_three_answers_give_a_whole_plan(muster: dict[str, Any]) -> None:
    assert muster["head"]["models"] == 18
    assert muster["board"]["status"] == "planned"
    assert muster["board"]["pieces"]
    assert 0 <= muster["board"]["gap"] < 1
    # The sitting begins at 19:30: five minutes to get the airbrush out, two to open the black.
    assert muster["bench"]["call"]["start"] == "2027-03-02T19:37:00Z"


def test_the_day_begins_when_it_begins_where_the_painter_lives(ada: Client, held: Clock) -> None:
    view = post(ada, "musters", {**NEW, "zone": "Pacific/Auckland", "parade_day": "2027-04-10"})
    run = PlanRun.objects.get(muster=view.body["id"]) if PlanRun.objects.exists() else None
    shown = ada.get(f"/api/musters/{view.body['id']}").json()
    run = PlanRun.objects.filter(muster=shown["id"]).latest("id")
    origin = run.origin
    assert run.problem is not None
    due = origin + timedelta(seconds=run.problem["items"][0]["due"])
    # The tenth of April begins at noon UTC of the ninth, after the change from summer time.
    assert due.isoformat() == "2027-04-09T12:00:00+00:00"


def test_a_sitting_stays_at_its_local_time_across_the_change_to_summer_time(
    ada: Client, held: Clock
) -> None:
    made = post(ada, "musters", {**NEW, "parade_day": "2027-04-10"})
    view = ada.get(f"/api/musters/{made.body['id']}").json()
    starts = [row["start"] for row in view["board"]["sittings"]]
    assert "2027-03-25T19:30:00Z" in starts
    assert "2027-03-30T18:30:00Z" in starts


def test_a_tick_is_kept_once_however_often_it_is_sent(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    held.move(minutes=30)
    view = record(ada, muster, fact(muster, "begin", held.now))
    held.move(minutes=4)
    tick = fact(view, "tick", held.now, model=view["bench"]["pips"][0]["model"])
    once = record(ada, view, tick)
    twice = record(ada, view, tick)
    assert once["bench"]["pips"] == twice["bench"]["pips"]
    assert [pip["state"] for pip in once["bench"]["pips"]].count("open") == len(
        once["bench"]["pips"]
    ) - 1


def test_starting_late_mends_the_plan_and_what_has_begun_goes_on(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    planned = muster["bench"]["call"]
    held.move(minutes=55)
    late = ada.get(f"/api/musters/{muster['id']}").json()
    assert late["bench"]["call"]["start"] >= held.now.isoformat()[:16]
    assert late["bench"]["call"]["start"] > planned["start"]
    view = record(ada, late, fact(late, "begin", held.now))
    held.move(minutes=2)
    view = ada.get(f"/api/musters/{muster['id']}").json()
    assert view["bench"]["running"]
    assert view["bench"]["call"]["id"] == late["bench"]["call"]["id"]


def test_a_lost_sitting_moves_its_calls_and_loses_none(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    held.move(days=1)
    view = ada.get(f"/api/musters/{muster['id']}").json()
    assert view["board"]["status"] == "planned"
    before = {piece["call"] for piece in muster["board"]["pieces"]}
    assert {piece["call"] for piece in view["board"]["pieces"]} == before
    assert min(piece["start"] for piece in view["board"]["pieces"]) >= "2027-03-04T19:30"


def test_taking_a_tick_back_is_a_fact_of_its_own(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    held.move(minutes=31)
    view = record(ada, muster, fact(muster, "begin", held.now))
    model = view["bench"]["pips"][0]["model"]
    tick = fact(view, "tick", held.move(minutes=1), model=model)
    record(ada, view, tick)
    back = record(ada, view, fact(view, "take_back", held.now, of=tick["id"]))
    assert all(pip["state"] == "open" for pip in back["bench"]["pips"])
    text = ada.get(f"/api/musters/{muster['id']}/file").json()
    assert [one["kind"] for one in text["facts"]].count("tick") == 1


def test_a_touch_up_adds_its_minutes(ada: Client, muster: dict[str, Any], held: Clock) -> None:
    model = muster["bench"]["pips"][0]["model"]
    held.move(minutes=30)
    view = record(ada, muster, fact(muster, "touch_up", held.now, model=model))
    call = muster["bench"]["call"]["id"]
    calls = {one["id"]: one for one in view["board"]["calls"]}
    # A third of the undercoat's half minute, to the tenth of a minute.
    assert calls[f"{call}-touch"]["per_item_s"] == 12
    before, after = (
        sum(
            o["per_item_s"] * (len(o["models"]) - len(o["done_models"]))
            for o in v["board"]["calls"]
        )
        for v in (muster, view)
    )
    assert after == before + 12


def test_models_ticked_out_of_order_come_first(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    held.move(minutes=30)
    view = record(ada, muster, fact(muster, "begin", held.now))
    last = view["bench"]["call"]["models"][-1]
    view = record(ada, view, fact(view, "tick", held.move(minutes=1), model=last))
    assert view["bench"]["call"]["models"][0] == last


def test_a_command_on_an_old_version_is_told_what_changed(
    ada: Client, muster: dict[str, Any]
) -> None:
    assert command(ada, muster, do="edit_unit", unit="pikes", tray_size=4).status_code == 200
    answer = command(ada, muster, do="edit_unit", unit="pikes", tray_size=3)
    assert answer.status_code == 409
    assert "Pikes changed" in answer.body["complaints"][0]


def test_undo_goes_back_command_by_command(ada: Client, muster: dict[str, Any]) -> None:
    one = command(ada, muster, do="edit_unit", unit="pikes", tray_size=4).body
    two = command(ada, one, do="remove_unit", unit="guns").body
    assert len(two["roll"]) == 2
    back = post(ada, f"musters/{two['id']}/undo", {"version": two["version"]}).body
    assert len(back["roll"]) == 3
    assert back["roll"][0]["tray_size"] == 4
    first = post(ada, f"musters/{two['id']}/undo", {"version": back["version"]}).body
    assert first["roll"] == muster["roll"]
    assert first["undo"] is None


def test_a_pinned_call_stands_where_it_is_pinned(ada: Client, muster: dict[str, Any]) -> None:
    call = muster["bench"]["call"]["id"]
    places = ada.get(f"/api/musters/{muster['id']}/plan/alternative-starts", {"call": call}).json()
    assert places[0]["as_planned"]
    other = places[2]
    view = command(
        ada, muster, do="pin_call", call=call, start=other["pin"], slack_s=other["slack_s"]
    ).body
    card = next(one for one in view["board"]["calls"] if one["id"] == call)
    assert card["pinned"]
    assert other["pin"] <= card["start"]
    assert any("pinned" in why for why in card["why"])
    freed = command(ada, view, do="pin_call", call=call).body
    assert not any(one["pinned"] for one in freed["board"]["calls"])


def test_put_off_and_left_out(ada: Client, muster: dict[str, Any]) -> None:
    call = muster["bench"]["call"]
    until = "2027-03-06T00:00:00Z"
    view = command(ada, muster, do="put_off", call=call["id"], until=until).body
    assert next(c for c in view["board"]["calls"] if c["id"] == call["id"])["start"] >= until
    view = command(
        ada, view, do="leave_out", unit=call["unit"], pass_keys=call["pass_keys"],
        models=call["models"],
    ).body  # fmt: skip
    assert call["id"] not in {one["id"] for one in view["board"]["calls"]}


def test_sit_down_now_makes_a_sitting_and_the_bench_has_work(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    held.move(days=1)
    seen = ada.get(f"/api/musters/{muster['id']}").json()
    assert seen["bench"]["sitting_end"] is None
    body = {"version": seen["version"], "minutes": 60}
    view = post(ada, f"musters/{seen['id']}/sit-down", body).body
    assert view["bench"]["sitting_end"] == "2027-03-03T20:00:00Z"
    assert view["bench"]["call"]["start"] < "2027-03-03T20:00:00Z"


BAD: list[tuple[dict[str, Any], str]] = [
    ({"units": [{"line": "0 pikes foot", "recipe": "infantry-six"}]}, "1 to 500"),
    ({"units": [{"line": "10000 pikes foot", "recipe": "infantry-six"}]}, "1 to 500"),
    ({"units": [{"line": "pikes", "recipe": "infantry-six"}]}, "how many"),
    ({"units": [{"line": "6 widgets", "recipe": "infantry-six"}]}, "what kind"),
    ({"units": [{"line": "6 pikes foot", "recipe": "gone"}]}, "no such recipe"),
    ({"units": []}, "at least one"),
    ({"weekdays": [{"weekday": 1, "start": "22:00", "end": "19:30"}]}, "not after"),
    ({"parade_day": "2027-03-01"}, "not to come"),
    ({"parade_day": "soon"}, "no day"),
    ({"zone": "Reed/Coast"}, "time zone"),
]


@pytest.mark.parametrize(("change", "words"), BAD)
def test_bad_answers_are_refused_and_change_nothing(
    ada: Client, held: Clock, change: dict[str, Any], words: str
) -> None:
    answer = post(ada, "musters", {**NEW, **change})
    assert answer.status_code == 422
    assert words in " ".join(answer.body["complaints"])
    assert ada.get("/api/musters").json() == []


def test_bad_commands_are_refused_and_change_nothing(ada: Client, muster: dict[str, Any]) -> None:
    for wanted, words in (
        ({"do": "edit_unit", "unit": "pikes", "count": 0}, "1 to 500"),
        ({"do": "edit_unit", "unit": "pikes", "tray_size": 90}, "choose 1 to 12"),
        ({"do": "edit_unit", "unit": "gone"}, "no longer on the roll"),
        ({"do": "add_evening", "day": "2027-03-05", "start": "20:00", "end": "19:00"}, "not after"),
        ({"do": "add_evening", "day": "2027-03-04", "start": "21:00", "end": "23:00"}, "already"),
        ({"do": "set_parade_day", "day": "2020-01-01"}, "not to come"),
        ({"do": "fly"}, "use add_evening"),
    ):
        answer = command(ada, muster, **wanted)
        assert answer.status_code == 422, wanted
        assert words in " ".join(answer.body["complaints"])
    assert ada.get(f"/api/musters/{muster['id']}").json()["version"] == muster["version"]


def test_a_pass_longer_than_every_sitting_is_left_with_what_places_it(
    ada: Client, muster: dict[str, Any]
) -> None:
    one = next(r for r in ada.get("/api/recipes").json() if r["recipe"]["id"] == "infantry-six")[
        "recipe"
    ]
    passes = [{**one["passes"][0], "cut": "none", "minutes": 90}, *one["passes"][1:]]
    body = {"name": one["name"], "seen": 1, "passes": passes, "follow": [f"{muster['id']}:pikes"]}
    answer = post(ada, "recipes/infantry-six", body)
    assert answer.status_code == 200
    view = ada.get(f"/api/musters/{muster['id']}").json()
    row = view["board"]["left"][0]
    assert row["title"] == "Undercoat, Pikes" and "the longest sitting for it is" in row["sentence"]
    assert any(piece["call"].startswith("lancers") for piece in view["board"]["pieces"])
    ways = ada.get(f"/api/musters/{muster['id']}/plan/left?call={row['calls'][0]}").json()
    assert [way["command"]["changes"][0]["do"] for way in ways][-1] == "leave_out"
    cut = next(w for w in ways if w["command"]["changes"][0]["do"] == "cut_call")
    assert command(ada, view, **cut["command"]).body["board"]["left"] == []
    body |= {"seen": 2}
    bad = [{**passes[0], "cut": "item", "stand_min": 30, "window_min": 5}]
    answer = post(ada, "recipes/infantry-six", {**body, "passes": bad})
    assert "shorter than its stand" in answer.body["complaints"][0]
    assert ada.get("/api/recipes").json()[0]["recipe"]["version"] == 2


def test_units_keep_their_recipe_version_until_told(ada: Client, muster: dict[str, Any]) -> None:
    one = next(r for r in ada.get("/api/recipes").json() if r["recipe"]["id"] == "infantry-six")[
        "recipe"
    ]
    passes = [{**p, "minutes": p["minutes"] * 2} for p in one["passes"]]
    body = {"name": "Slower", "seen": 1, "passes": passes, "follow": []}
    assert post(ada, "recipes/infantry-six", body).status_code == 200
    kept = ada.get(f"/api/musters/{muster['id']}").json()
    assert kept["roll"][0]["hours_left"] == muster["roll"][0]["hours_left"]
    assert kept["newest"]["infantry-six"] == 2
    told = command(
        ada, kept, do="edit_unit", unit="pikes", recipe="infantry-six", recipe_version=2
    ).body
    assert told["roll"][0]["hours_left"] == pytest.approx(2 * muster["roll"][0]["hours_left"])


def test_export_import_export_is_identical(
    ada: Client, user_of: Callable[[str], Client], muster: dict[str, Any], held: Clock
) -> None:
    held.move(minutes=30)
    view = record(ada, muster, fact(muster, "begin", held.now))
    record(ada, view, fact(view, "tick", held.move(minutes=2), model=1))
    text = ada.get(f"/api/musters/{muster['id']}/file").content
    schema = json.loads((ROOT / "docs" / "schemas" / "muster.json").read_text())
    jsonschema.validate(json.loads(text), schema)
    ada.delete(f"/api/musters/{muster['id']}")
    bea = user_of("bea")
    file = SimpleUploadedFile("muster.json", text, "application/json")
    preview = bea.post("/api/import/preview", {"file": file}).json()
    assert (preview["models"], preview["facts"]) == (18, 2)
    assert bea.get("/api/musters").json() == []
    file = SimpleUploadedFile("muster.json", text, "application/json")
    made = bea.post("/api/import", {"file": file}).json()
    assert bea.get(f"/api/musters/{made['id']}/file").content == text


@pytest.mark.parametrize("text", [b"", b"{", b"[]", b'{"format": "other"}', b"x" * 5_000_000])
def test_a_broken_file_is_refused_whole(ada: Client, text: bytes) -> None:
    file = SimpleUploadedFile("muster.json", text, "application/json")
    answer = ada.post("/api/import", {"file": file})
    assert answer.status_code in (400, 422)
    assert ada.get("/api/musters").json() == []


def test_each_reason_of_a_call_comes_with_how_much_sooner_it_starts_without(
    ada: Client, muster: dict[str, Any]
) -> None:
    cards = [one for one in muster["board"]["calls"] if one["why"]]
    answered = 0
    for card in cards:
        address = f"/api/musters/{muster['id']}/plan/why"
        sooner = ada.get(address, {"call": card["id"]}).json()
        assert len(sooner) == len(card["why"])
        assert all(one is None or one >= 0 for one in sooner)
        answered += any(sooner)
    assert answered
    assert ada.get(f"/api/musters/{muster['id']}/plan/why", {"call": "no"}).status_code == 404


def test_another_user_gets_404_through_every_endpoint(
    ada: Client, user_of: Callable[[str], Client], muster: dict[str, Any], held: Clock
) -> None:
    bea = user_of("bea")
    bodies: dict[str, Any] = {
        "command": {"version": 1, "command": {"do": "remove_unit", "unit": "pikes"}},
        "undo": {"version": 1},
        "sit-down": {"version": 1, "minutes": 30},
        "facts": {"facts": [fact(muster, "begin", held.now)]},
        "await": {"seen": 0, "paint": "Reed green", "day": None},
        "try": {"command": {"do": "remove_unit", "unit": "pikes"}},
        "alternatives": {"name": "less", "command": {"do": "remove_unit", "unit": "pikes"}},
    }
    walked = 0
    for path, methods in api.get_openapi_schema()["paths"].items():
        if "{muster_id}" not in path:
            continue
        address = path.replace("{muster_id}", str(muster["id"]))
        address = address.replace("{alternative_id}", "1").replace("{unit}", "pikes")
        for method in methods:
            body = bodies.get(address.rsplit("/", 1)[1], {})
            query = "?call=pikes.1/base" if address.endswith(("starts", "why", "left")) else ""
            query = "?joint=on-weapon" if address.endswith("ways") else query
            answer = getattr(bea, method)(
                address + query, body if method == "post" else None,
                **({"content_type": "application/json"} if method != "get" else {}),
            )  # fmt: skip
            assert answer.status_code == 404, (method, address, answer.content)
            walked += 1
    assert walked >= 9
    recipes = post(bea, "recipes/gone", {"name": "x", "seen": 1, "passes": []})
    assert recipes.status_code == 404
    assert ada.get(f"/api/musters/{muster['id']}").status_code == 200


def test_nobody_reads_anything_without_signing_in(db: None) -> None:
    guest = Client()
    # Calendar programs sign in nowhere: who knows a private address may read those sittings, and
    # nobody else learns even that there are any (test_plan_beside.py).
    by_secret = "/api/calendar/{secret}.ics"
    assert guest.get("/api/calendar/1.ics").status_code == 404
    open_to_all = {"/api/me", "/api/sign-up", "/api/sign-in", "/api/open-demo", by_secret}
    for path, methods in api.get_openapi_schema()["paths"].items():
        if path in open_to_all:
            continue
        address = re.sub(r"\{\w+\}", "1", path)
        for method in methods:
            answer = getattr(guest, method)(address, content_type="application/json")
            assert answer.status_code == 401, (method, address)


def test_guessing_a_password_locks_the_name(ada: Client, db: None) -> None:
    guest = Client()
    for _ in range(9):
        post(guest, "sign-in", {"name": "ada", "password": "wrong"})
    right = post(guest, "sign-in", {"name": "ada", "password": "reeds and silt"})
    assert right.status_code in (403, 422, 429)


def test_signing_up_takes_one_name_once(db: None) -> None:
    guest = Client()
    body = {"name": "cora", "password": "reeds and silt"}
    assert post(guest, "sign-up", body).body["name"] == "cora"
    assert "taken" in post(Client(), "sign-up", body).body["complaints"][0]
    short = post(Client(), "sign-up", {"name": "dan", "password": "abc"})
    assert "password" in short.body["complaints"][0]


def test_reading_the_muster_takes_a_fixed_number_of_queries(
    ada: Client, muster: dict[str, Any],
    django_assert_num_queries: DjangoAssertNumQueries,
) -> None:  # fmt: skip
    with django_assert_num_queries(13):
        ada.get(f"/api/musters/{muster['id']}")


def test_a_worker_improves_the_plan_and_a_second_cannot_take_the_same_run(
    ada: Client, muster: dict[str, Any]
) -> None:
    run = PlanRun.objects.filter(muster=muster["id"]).latest("id")
    assert run.status == "queued"
    run.budget_s = 1.5
    run.save()
    improve.func(run.pk)
    run.refresh_from_db()
    assert run.status == "done"
    assert run.plan["cost_s"] <= run.first_cost_s
    assert take(run.pk) is None


def test_a_run_whose_worker_died_is_taken_by_another(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    run = PlanRun.objects.filter(muster=muster["id"]).latest("id")
    first = take(run.pk)
    assert first is not None
    assert take(run.pk) is None
    held.move(minutes=1)
    assert reap() == 1
    second = take(run.pk)
    assert second is not None
    assert second.lease != first.lease


def test_a_stopped_run_keeps_its_best(ada: Client, muster: dict[str, Any]) -> None:
    run = PlanRun.objects.filter(muster=muster["id"]).latest("id")
    post(ada, f"musters/{muster['id']}/plan/stop", None)
    run.refresh_from_db()
    assert run.status == "stopped"
    improve.func(run.pk)
    run.refresh_from_db()
    assert run.plan["status"] == "planned"


def test_a_model_is_wet_by_its_own_tick_not_by_its_trays_last(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    held.move(minutes=30)
    view = record(ada, muster, fact(muster, "begin", held.now))
    one, two = view["bench"]["call"]["models"][:2]
    run = PlanRun.objects.filter(muster=muster["id"]).earliest("id")
    assert run.problem is not None
    call = view["bench"]["call"]["id"]
    dry_s = next(task["dry_s"] for task in run.problem["tasks"] if task["id"] == call)
    view = record(ada, view, fact(view, "tick", held.move(minutes=1), model=one))
    held.move(seconds=dry_s)
    view = record(ada, view, fact(view, "tick", held.now, model=two))
    states = {pip["model"]: pip["state"] for pip in view["bench"]["pips"]}
    assert dry_s > 0
    assert (states[one], states[two]) == ("done", "wet")

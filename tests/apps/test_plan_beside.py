"""Plans beside the plan, and what leaves the screen: paper, labels, a calendar."""

from __future__ import annotations

import io
from collections.abc import Callable
from typing import Any

import pytest
from django.test import Client
from icalendar import Calendar
from pypdf import PdfReader

from tests.conftest import Clock, post

WHOLE = {"do": "edit_unit", "unit": "pikes", "tray_size": 12}


@pytest.fixture
def path(muster: dict[str, Any]) -> str:
    return f"musters/{muster['id']}"


def get(client: Client, path: str) -> Any:
    answer = client.get(f"/api/{path}")
    assert answer.status_code == 200, (path, answer.content[:300])
    return answer


# ---- beside ------------------------------------------------------------------------------------


def test_a_plan_is_tried_without_changing_anything(ada: Client, path: str) -> None:
    before = get(ada, path).json()
    seen = post(ada, f"{path}/plan/try", {"command": WHOLE})
    assert seen.status_code == 200
    assert seen.body["board"]["rows"][0]["name"] == "Pikes"
    after = get(ada, path).json()
    assert (after["version"], after["board"]["rows"]) == (
        before["version"], before["board"]["rows"],
    )  # fmt: skip


def test_what_is_refused_is_said_and_not_tried(ada: Client, path: str) -> None:
    gone = post(ada, f"{path}/plan/try", {"command": {**WHOLE, "unit": "gone"}})
    assert gone.status_code == 422 and "no longer on the roll" in gone.body["complaints"][0]


def test_alternatives_are_kept_by_name_and_let_go(ada: Client, path: str) -> None:
    kept = f"{path}/plan/alternatives"
    post(ada, kept, {"name": "whole pikes", "command": WHOLE})
    again = post(ada, kept, {"name": "whole pikes", "command": {**WHOLE, "tray_size": 6}})
    (one,) = again.body
    assert one["name"] == "whole pikes" and one["command"]["tray_size"] == 6
    assert get(ada, kept).json() == again.body
    assert ada.delete(f"/api/{kept}/{one['id']}").status_code == 204
    assert ada.delete(f"/api/{kept}/{one['id']}").status_code == 404
    assert get(ada, kept).json() == []


def test_no_more_are_kept_than_can_be_looked_at(ada: Client, path: str) -> None:
    for n in range(12):
        post(ada, f"{path}/plan/alternatives", {"name": f"way {n}", "command": WHOLE})
    full = post(ada, f"{path}/plan/alternatives", {"name": "one more", "command": WHOLE})
    assert full.status_code == 422 and "let one go" in full.body["complaints"][0]


def test_another_user_sees_none_of_it(
    user_of: Callable[[str], Client], ada: Client, path: str
) -> None:
    post(ada, f"{path}/plan/alternatives", {"name": "mine", "command": WHOLE})
    number = get(ada, f"{path}/plan/alternatives").json()[0]["id"]
    bob = user_of("bob")
    assert post(bob, f"{path}/plan/try", {"command": WHOLE}).status_code == 404
    for sub in ("plan/alternatives", "plan/run-sheet", "tickets", "calendar", "calendar/file"):
        assert bob.get(f"/api/{path}/{sub}").status_code == 404, sub
    assert bob.post(f"/api/{path}/calendar").status_code == 404
    assert bob.delete(f"/api/{path}/plan/alternatives/{number}").status_code == 404


def test_a_place_says_what_else_goes_to_another_sitting(ada: Client, path: str) -> None:
    calls = [one["id"] for one in get(ada, path).json()["board"]["calls"] if one["start"]]
    moved = 0
    for call in calls[::6]:
        for place in get(ada, f"{path}/plan/alternative-starts?call={call}").json():
            assert place["start"] < place["end"]
            assert not (place["as_planned"] and (place["moves"] or place["more"]))
            moved += len(place["moves"])
            assert all(" moves to " in words for words in place["moves"])
    assert moved


# ---- paper -------------------------------------------------------------------------------------


def test_the_run_sheet_is_one_page_of_a4_with_the_first_call(ada: Client, path: str) -> None:
    view = get(ada, path).json()
    body = get(ada, f"{path}/plan/run-sheet").content
    (page,) = PdfReader(io.BytesIO(body)).pages
    assert (round(page.mediabox.width / 72 * 25.4), round(page.mediabox.height / 72 * 25.4)) == (
        210, 297,
    )  # fmt: skip
    said = page.extract_text()
    first = view["board"]["pieces"][0]["call"]
    card = next(one for one in view["board"]["calls"] if one["id"] == first)
    assert f"{card['name']}, {card['tray_name']}" in said
    assert "Tuesday 2 March" in said


def test_the_sheet_of_the_sitting_after_is_another(ada: Client, path: str) -> None:
    one = get(ada, f"{path}/plan/run-sheet?form=svg").content
    two = get(ada, f"{path}/plan/run-sheet?form=svg&after=1").content
    assert b"Thursday 4 March" in two and one != two


def test_without_a_sitting_with_work_the_sheet_says_what_to_do(ada: Client, path: str) -> None:
    assert b"add a sitting" in get(ada, f"{path}/plan/run-sheet?form=svg&after=60").content


def test_tickets_come_from_the_printer_and_as_pages(ada: Client, path: str) -> None:
    rows = get(ada, path).json()["board"]["rows"]
    strip = get(ada, f"{path}/tickets")
    assert strip["Content-Type"] == "image/svg+xml" and strip.content.count(b"<svg ") > len(rows)
    pages = PdfReader(io.BytesIO(get(ada, f"{path}/tickets?form=pdf").content)).pages
    assert len(pages) == len(rows)
    assert [page.extract_text().split("\n")[0] for page in pages] == [row["name"] for row in rows]


def test_shelf_labels_are_there_once_a_paint_is(ada: Client) -> None:
    assert b"add a paint" in get(ada, "shelf/labels").content
    post(ada, "shelf/typed", {"line": "Reed green #66703f 17 ml"})
    pages = PdfReader(io.BytesIO(get(ada, "shelf/labels?form=pdf").content)).pages
    assert "Reed green" in pages[0].extract_text()


# ---- calendar ----------------------------------------------------------------------------------


def test_whoever_knows_the_address_reads_the_sittings_without_signing_in(
    ada: Client, path: str
) -> None:
    assert get(ada, f"{path}/calendar").json() == {"address": None}
    address = post(ada, f"{path}/calendar", {}).body["address"]
    assert address == get(ada, f"{path}/calendar").json()["address"]
    stranger = Client()
    answer = stranger.get(address)
    assert answer.status_code == 200 and answer["Content-Type"].startswith("text/calendar")
    assert "no-store" in answer["Cache-Control"]
    events = Calendar.from_ical(answer.content).events
    assert str(events[0]["SUMMARY"]) == "Reed Coast: at the bench"
    assert "Pikes" in str(events[0]["DESCRIPTION"])


def test_a_renewed_address_ends_the_old_one_and_none_ends_both(ada: Client, path: str) -> None:
    old = post(ada, f"{path}/calendar", {}).body["address"]
    new = post(ada, f"{path}/calendar", {}).body["address"]
    assert old != new and Client().get(old).status_code == 404
    assert Client().get(new).status_code == 200
    assert ada.delete(f"/api/{path}/calendar").status_code == 204
    assert Client().get(new).status_code == 404


def test_an_address_cannot_be_guessed_by_its_letters(ada: Client, path: str) -> None:
    address = post(ada, f"{path}/calendar", {}).body["address"]
    secret = address.rsplit("/", 1)[1].removesuffix(".ics")
    assert len(secret) >= 32
    assert Client().get(address.replace(secret, secret.swapcase())).status_code == 404


def test_the_feed_keeps_up_with_the_plan(ada: Client, path: str, held: Clock) -> None:
    address = post(ada, f"{path}/calendar", {}).body["address"]
    version = get(ada, path).json()["version"]
    lost = get(ada, path).json()["evenings"][0]
    post(ada, f"{path}/command", {"version": version, "command": {
        "do": "move_evening", "evening": lost["id"], "day": "2027-03-03", "start": "18:00",
        "end": "20:00"}})  # fmt: skip
    events = Calendar.from_ical(Client().get(address).content).events
    moved = [one for one in events if str(one["UID"]).startswith(lost["id"])]
    assert [str(one.start) for one in moved] == ["2027-03-03 18:00:00+00:00"]


# ---- roster ------------------------------------------------------------------------------------


def test_a_roster_is_read_with_recipes_and_added_as_one_change(ada: Client, path: str) -> None:
    text = "count,name,kind,recipe\n6,Reed archers,foot,Infantry in six colours\n2,Carts,vehicle,"
    rows = post(ada, "roster/read", {"text": text}).body
    assert [(row["count"], row["name"], row["kind"], row["wrong"]) for row in rows] == [
        (6, "Reed archers", "figure", ""), (2, "Carts", "vehicle", ""),
    ]  # fmt: skip
    assert rows[0]["recipe"] == "infantry-six"
    version = get(ada, path).json()["version"]
    changes = [
        {"do": "add_unit", "line": row["line"], "kind": row["kind"], "recipe": row["recipe"],
         "recipe_version": 1}
        for row in rows
    ]  # fmt: skip
    command = {"do": "together", "changes": changes}
    added = post(ada, f"{path}/command", {"version": version, "command": command}).body
    assert [row["unit"]["name"] for row in added["roll"]][-2:] == ["Reed archers", "Carts"]
    back = post(ada, f"{path}/undo", {"version": added["version"]}).body
    assert len(back["roll"]) == len(added["roll"]) - 2


def test_a_recipe_that_is_not_there_is_said_on_its_line(ada: Client) -> None:
    rows = post(ada, "roster/read", {"text": "count,name,recipe\n2,Guards,Infantry in sx"}).body
    assert "there is no recipe 'Infantry in sx'" in rows[0]["wrong"]

"""There is always a plan: what it leaves, what would place that, and what working to it moves."""

from __future__ import annotations

from typing import Any

import pytest
from django.core.cache import cache
from django.test import Client

from muster.apps.plan.models import PlanRun
from muster.apps.plan.tasks import improve
from tests.apps.test_musters import command, fact, record
from tests.conftest import NEW, Clock, post

EVENINGS_ONLY = {
    "weekdays": [{"weekday": 1, "start": "19:30", "end": "22:00"}],
    "parade_day": None,
}
UNITS = [{"line": "6 spears foot 1/72", "recipe": "infantry-six"}]


@pytest.fixture
def in_the_dark(ada: Client, held: Clock) -> dict[str, Any]:
    """A muster whose undercoat needs daylight, with evenings only: its view."""
    one = recipe(ada, "infantry-six")
    first = {**one["passes"][0], "wants": [], "needs": ["daylight"]}
    body = {"name": one["name"], "seen": 1, "passes": [first, *one["passes"][1:]], "follow": []}
    assert post(ada, "recipes/infantry-six", body).status_code == 200
    made = post(ada, "musters", {**NEW, **EVENINGS_ONLY, "units": [
        *UNITS, {"line": "2 guns", "recipe": "gun-crew"},
    ]})  # fmt: skip
    return look(ada, made.body["id"])


def recipe(client: Client, code: str) -> dict[str, Any]:
    rows = client.get("/api/recipes").json()
    return next(row["recipe"] for row in rows if row["recipe"]["id"] == code)


def look(client: Client, muster_id: int) -> dict[str, Any]:
    return client.get(f"/api/musters/{muster_id}").json()


def ways(client: Client, view: dict[str, Any]) -> list[dict[str, Any]]:
    call = view["board"]["left"][0]["calls"][0]
    return client.get(f"/api/musters/{view['id']}/plan/left", {"call": call}).json()


def test_what_finds_no_place_is_left_and_the_rest_is_planned(in_the_dark: dict[str, Any]) -> None:
    board = in_the_dark["board"]
    assert board["status"] == "partial"
    row = board["left"][0]
    assert row["title"] == "Undercoat, Spears"
    assert row["sentence"] == "needs daylight, and no sitting has any"
    assert len(row["waiting"]) >= 3
    assert {piece["call"].split(".")[0] for piece in board["pieces"]} == {"guns"}
    assert in_the_dark["head"]["left_models"] == 6


def test_a_remedy_does_what_it_promised_and_can_be_taken_back(
    ada: Client, in_the_dark: dict[str, Any]
) -> None:
    found = ways(ada, in_the_dark)
    lamp = next(way for way in found if way["words"] == "a lamp instead of daylight")
    mended = command(ada, in_the_dark, **lamp["command"]).body
    assert mended["board"]["left"] == [] and mended["board"]["status"] == "planned"
    assert mended["head"]["left_models"] == lamp["left_models"] == 0
    back = post(ada, f"musters/{mended['id']}/undo", {"version": mended["version"]}).body
    assert back["board"]["left"] == in_the_dark["board"]["left"]


def test_every_remedy_is_accepted_and_none_changes_a_recipe(
    ada: Client, in_the_dark: dict[str, Any]
) -> None:
    view = in_the_dark
    for way in ways(ada, view):
        then = command(ada, view, **way["command"]).body
        assert "Undercoat, Spears" not in {row["title"] for row in then["board"]["left"]}, way
        assert recipes_of(then) == recipes_of(view)
        view = post(ada, f"musters/{view['id']}/undo", {"version": then["version"]}).body


def recipes_of(view: dict[str, Any]) -> list[str]:
    return [unit["recipe_name"] for unit in view["roll"]]


def test_remedies_are_planned_once_while_the_plan_is_the_same(
    ada: Client, in_the_dark: dict[str, Any], monkeypatch: pytest.MonkeyPatch
) -> None:
    first = ways(ada, in_the_dark)
    monkeypatch.setattr("muster.api.plan.left_remedies", lambda *_: pytest.fail("anew"))
    assert ways(ada, in_the_dark) == first
    cache.clear()


def test_a_call_that_is_not_left_has_no_remedies(ada: Client, in_the_dark: dict[str, Any]) -> None:
    address = f"/api/musters/{in_the_dark['id']}/plan/left"
    placed = in_the_dark["board"]["pieces"][0]["call"]
    for call in (placed, "spears.9/none", ""):
        assert ada.get(address, {"call": call}).status_code == 404


def test_a_wish_that_no_sitting_has_is_paid_and_leaves_nothing(ada: Client, held: Clock) -> None:
    wanting = next(
        row["recipe"]["id"] for row in ada.get("/api/recipes").json()
        if any("daylight" in one["wants"] for one in row["recipe"]["passes"])
    )  # fmt: skip
    kind = {"figure": "6 spears foot", "building": "3 farmhouses"}[recipe(ada, wanting)["kind"]]
    made = post(ada, "musters", {**NEW, **EVENINGS_ONLY, "units": [
        {"line": f"{kind} 1/72", "recipe": wanting},
    ]})  # fmt: skip
    board = look(ada, made.body["id"])["board"]
    assert board["left"] == [] and board["status"] == "planned"
    assert any("daylight" in reason for card in board["calls"] for reason in card["why"])


def test_without_a_parade_day_the_head_says_when_it_will_be_done(ada: Client, held: Clock) -> None:
    made = post(ada, "musters", {**NEW, **EVENINGS_ONLY, "units": UNITS})
    view = look(ada, made.body["id"])
    last = max(piece["end"] for piece in view["board"]["pieces"])
    assert view["parade_day"] is None
    assert view["head"]["done_by"] >= last[:10]
    assert view["head"]["late_models"] == 0
    assert not any(one["after_parade"] for one in view["board"]["sittings"])


def test_late_work_runs_on_in_the_rhythm_beyond_the_parade_day(ada: Client, held: Clock) -> None:
    made = post(ada, "musters", {**NEW, **EVENINGS_ONLY, "parade_day": "2027-03-05",
                                 "units": [{"line": "40 spears foot 1/72",
                                            "recipe": "infantry-six"}]})  # fmt: skip
    view = look(ada, made.body["id"])
    assert view["board"]["left"] == []
    assert view["head"]["late_models"] > 0
    assert any(one["after_parade"] and one["used_s"] for one in view["board"]["sittings"])


def test_the_crew_before_the_cab_and_a_circle_refused_in_words(
    ada: Client, muster: dict[str, Any]
) -> None:
    first = command(ada, muster, do="set_order", before="guns", after="pikes").body
    assert [(one["before"], one["after"]) for one in first["order"]] == [("guns", "pikes")]
    assert first["board"]["orders"]
    ends = [piece["end"] for piece in first["board"]["pieces"]
            if piece["call"].startswith("guns")]  # fmt: skip
    starts = [piece["start"] for piece in first["board"]["pieces"]
              if piece["call"].startswith("pikes")]  # fmt: skip
    assert max(ends) <= min(starts)
    circle = command(ada, first, do="set_order", before="pikes", after="guns")
    assert circle.status_code == 422
    words = " ".join(circle.body["complaints"])
    assert "Pikes" in words and "Guns" in words
    assert look(ada, muster["id"])["version"] == first["version"]
    free = command(ada, first, do="drop_order", before="guns", after="pikes").body
    assert free["order"] == [] and free["board"]["orders"] == []


def test_an_order_of_a_unit_that_goes_goes_with_it(ada: Client, muster: dict[str, Any]) -> None:
    first = command(ada, muster, do="set_order", before="guns", after="pikes").body
    gone = command(ada, first, do="remove_unit", unit="guns")
    assert gone.status_code == 200
    assert gone.body["order"] == [] and gone.body["board"]["left"] == []


def test_a_weekly_sitting_lost_moved_and_ended(ada: Client, muster: dict[str, Any]) -> None:
    ninth = next(one["id"] for one in muster["evenings"] if one["day"] == "2027-03-09")
    view = command(ada, muster, do="move_evening", evening=ninth, day="2027-03-10",
                   start="20:00", end="22:00").body  # fmt: skip
    assert {"2027-03-10", "2027-03-16"} <= days(view) and "2027-03-09" not in days(view)
    moved = next(one["id"] for one in view["evenings"] if one["day"] == "2027-03-10")
    view = command(ada, view, do="remove_evening", evening=moved).body
    assert not {"2027-03-09", "2027-03-10"} & days(view) and "2027-03-16" in days(view)
    weekly = next(one["id"] for one in view["rhythm"] if one["weekday"] == 1)
    view = command(ada, view, do="end_weekly", weekly=weekly).body
    assert "2027-03-16" not in days(view) and "2027-03-18" in days(view)
    assert view["board"]["left"] == []


def days(view: dict[str, Any]) -> set[str]:
    return {one["day"] for one in view["evenings"]}


def test_beginning_and_ticking_as_planned_moves_nothing(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    call = muster["bench"]["call"]
    card = next(one for one in muster["board"]["calls"] if one["id"] == call["id"])
    before = {piece["call"]: piece["start"] for piece in muster["board"]["pieces"]}
    held.move(minutes=37)
    view = record(ada, muster, fact(muster, "begin", held.now))
    assert view["moved"] == [] and view["moved_words"] == []
    for model in view["bench"]["call"]["models"]:
        held.move(seconds=card["per_item_s"])
        view = record(ada, view, fact(muster, "tick", held.now, model=model))
    assert view["moved"] == []
    to_come = {piece["call"]: piece["start"] for piece in view["board"]["pieces"]}
    to_come.pop(call["id"], None)
    assert to_come.items() <= before.items()
    assert view["head"]["bench_s"] < muster["head"]["bench_s"]


def test_the_worker_never_hands_back_a_worse_plan(ada: Client, muster: dict[str, Any]) -> None:
    run = PlanRun.objects.filter(muster=muster["id"]).latest("id")
    before = run.plan["cost_s"]
    run.budget_s = 1.0
    run.save()
    improve.func(run.pk)
    run.refresh_from_db()
    assert run.plan["cost_s"] <= before
    assert run.plan["left"] == []


def test_a_tick_that_came_as_planned_makes_no_plan(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    """The run that was improved stays, and goes on being improved, with what is left of it."""
    runs = PlanRun.objects.filter(muster=muster["id"])
    runs.update(status=PlanRun.Status.DONE)
    call = muster["bench"]["call"]
    card = next(one for one in muster["board"]["calls"] if one["id"] == call["id"])
    held.move(minutes=37)
    view = record(ada, muster, fact(muster, "begin", held.now))
    for model in view["bench"]["call"]["models"]:
        held.move(seconds=card["per_item_s"])
        view = record(ada, view, fact(muster, "tick", held.now, model=model))
    assert runs.count() == 1
    runs.update(status=PlanRun.Status.IMPROVING, budget_s=20, spent_s=5)
    view = record(ada, view, fact(muster, "end", held.now))
    assert runs.count() == 2
    going_on = runs.latest("id")
    assert (going_on.status, going_on.budget_s) == (PlanRun.Status.QUEUED, 15)
    assert all(one["task"] != call["id"] for one in going_on.plan["blocks"] if one["do"] == "work")


def test_asking_for_more_improves_what_is_still_to_come(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    runs = PlanRun.objects.filter(muster=muster["id"])
    runs.update(status=PlanRun.Status.DONE)
    held.move(minutes=37)
    record(ada, muster, fact(muster, "begin", held.now))
    post(ada, f"musters/{muster['id']}/plan/improve", None)
    run = runs.latest("id")
    assert (run.status, run.facts) == (PlanRun.Status.QUEUED, 1)
    assert run.made_for == held.now

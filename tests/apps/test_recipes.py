"""Recipes: looked at in the user's house, tried, compared, nested, taken out and in."""

from __future__ import annotations

import json
from collections.abc import Callable
from typing import Any

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from pytest_django import DjangoAssertNumQueries

from tests.conftest import Clock, post


def recipe(client: Client, code: str) -> dict[str, Any]:
    return next(
        one["recipe"] for one in client.get("/api/recipes").json() if one["recipe"]["id"] == code
    )


def keep(client: Client, one: dict[str, Any], passes: list[dict[str, Any]], **more: Any) -> Any:
    body = {"name": one["name"], "seen": one["version"], "passes": passes, **more}
    return post(client, f"recipes/{one['id']}", body)


def upload(client: Client, path: str, text: str) -> Any:
    file = SimpleUploadedFile("recipe.json", text.encode(), "application/json")
    return client.post(f"/api/{path}", {"file": file})


def held(name: str, key: str = "rust") -> dict[str, Any]:
    return {"key": key, "name": "rust", "technique": "recipe", "minutes": 0.1, "holds": name}


def look(client: Client, one: dict[str, Any], **more: Any) -> dict[str, Any]:
    body = {"code": one["id"], "kind": one["kind"], "passes": one["passes"], **more}
    return post(client, "draft-check", body).body


def codes(found: dict[str, Any]) -> set[str]:
    return {one["code"] for one in found["findings"]}


def test_looking_takes_a_fixed_number_of_queries(
    ada: Client, django_assert_num_queries: DjangoAssertNumQueries
) -> None:
    one = recipe(ada, "vehicle-chipping")
    with django_assert_num_queries(5):  # session, user, house, trials, shelf
        look(ada, one)


def test_the_house_is_what_a_recipe_is_looked_at_in(ada: Client) -> None:
    one = recipe(ada, "vehicle-solvent")
    usual = look(ada, one)
    house = ada.get("/api/house").json()["house"]
    house["habits"]["weathering"] = "all-acrylic"
    house["air"] = {"celsius": 12, "humidity": 85}
    post(ada, "house", {"seen": 0, "house": house})
    mine = look(ada, one)
    assert "fog" in codes(mine) - codes(usual)
    pin = next(seam for seam in mine["seams"] if seam["key"] == "pin")
    assert pin["instead"] == "acrylic wash"


def test_another_undercoat_is_looked_at_without_being_kept(ada: Client) -> None:
    one = recipe(ada, "white-cloth")
    assert look(ada, one, undercoat="none")["hours"] < look(ada, one)["hours"]
    assert recipe(ada, "white-cloth") == one


def test_a_repair_states_what_it_costs_and_a_habit_can_be_one(ada: Client) -> None:
    one = recipe(ada, "vehicle-solvent")
    bare = [each for each in one["passes"] if each["key"] != "gloss"]
    found = look(ada, {**one, "passes": bare})
    silver = next(each for each in found["findings"] if each["code"] == "silvering")
    costs = {repair["words"]: repair for repair in silver["repairs"]}
    assert any(repair["cost"].startswith("adds ") for repair in costs.values())
    bare_metal = look(ada, {**one, "passes": one["passes"][1:]}, subject={"material": "metal"})
    bare = next(x for x in bare_metal["findings"] if x["code"] == "no undercoat")
    habits = [repair["habit"] for repair in bare["repairs"] if repair["habit"]]
    assert {"name": "undercoat", "way": "none"} in habits


def test_a_trial_that_went_well_quiets_the_note_and_another_does_not(
    ada: Client, held: Clock
) -> None:
    one = recipe(ada, "vehicle-two-tone")
    for each in one["passes"]:
        each["trial"] = ""
    assert "one-way" in codes(look(ada, one))
    bad = {"key": "filter", "verdict": "too strong", "where": "under the hull", "note": "halve it"}
    told = post(ada, f"recipes/{one['id']}/trials", bad)
    assert told.body[0]["verdict"] == "too strong" and told.body[0]["note"] == "halve it"
    assert "one-way" in codes(look(ada, one))
    held.move(minutes=5)
    post(ada, f"recipes/{one['id']}/trials", {**bad, "verdict": "good"})
    assert "one-way" not in codes(look(ada, one))


def test_nobody_records_a_trial_on_anothers_recipe(
    ada: Client, user_of: Callable[[str], Client]
) -> None:
    post(ada, "recipes/rust/copy", {})
    bob = user_of("bob")
    body = {"key": "patches", "verdict": "good"}
    assert post(bob, "recipes/rust-2/trials", body).status_code == 404
    assert bob.get("/api/recipes/rust-2/file").status_code == 404
    assert bob.get("/api/recipes/rust-2/changes?since=1").status_code == 404


def test_versions_are_compared_pass_by_pass(ada: Client, muster: dict[str, Any]) -> None:
    one = recipe(ada, "infantry-six")
    passes = [each for each in one["passes"] if each["key"] != "wash"]
    passes[1] = {**passes[1], "minutes": 4}
    assert keep(ada, one, passes).status_code == 200
    found = ada.get("/api/recipes/infantry-six/changes?since=1").json()
    assert {(each["key"], each["how"]) for each in found} == {("base", "changed"), ("wash", "gone")}
    assert found[0]["values"] == [{"what": "minutes a model", "old": "3", "new": "4"}]
    assert ada.get("/api/recipes/infantry-six/changes?since=9").status_code == 404


def test_a_nested_recipe_is_planned_and_keeps_its_version(
    ada: Client, muster: dict[str, Any]
) -> None:
    one = recipe(ada, "gun-crew")
    unit = next(row for row in muster["roll"] if row["unit"]["recipe"] == "gun-crew")
    inner = recipe(ada, "dust")
    follow = {"follow": [f"{muster['id']}:{unit['unit']['id']}"]}
    ground = [{**each, "zones": []} for each in inner["passes"]]
    assert keep(ada, inner, ground).status_code == 200
    kept = keep(ada, one, [*one["passes"], held("dust@2", "dust")], **follow)
    assert kept.status_code == 200, kept.body
    view = ada.get(f"/api/musters/{muster['id']}").json()
    names = {card["id"] for card in view["board"]["calls"]}
    assert any(name.endswith("/dust-fix") for name in names)
    keep(ada, recipe(ada, "dust"), ground[:1])
    again = ada.get(f"/api/musters/{muster['id']}").json()
    assert {card["id"] for card in again["board"]["calls"]} == names


def test_a_recipe_that_would_hold_itself_is_refused_and_nothing_is_kept(ada: Client) -> None:
    one = recipe(ada, "rust")
    refused = keep(ada, one, [*one["passes"], held("rust@1")])
    assert refused.status_code == 422 and "without end" in refused.body["complaints"][0]
    assert recipe(ada, "rust")["version"] == 1


def test_a_recipe_goes_out_with_what_it_holds_and_comes_in_elsewhere(
    ada: Client, user_of: Callable[[str], Client]
) -> None:
    one = recipe(ada, "rust")
    keep(ada, one, [{**one["passes"][0], "minutes": 9}, *one["passes"][1:]])
    hauler = recipe(ada, "vehicle-panels")
    keep(ada, hauler, [*hauler["passes"][:-1], held("rust@2"), hauler["passes"][-1]])
    text = ada.get("/api/recipes/vehicle-panels/file").content.decode()
    assert [each["id"] for each in json.loads(text)["held"]] == ["rust"]
    bob = user_of("bob")
    seen = upload(bob, "recipe-file/preview", text).json()
    assert seen["held"] == ["Rust, to nest"] and seen["errors"] == []
    code = upload(bob, "recipe-file", text).json()["code"]
    # His own rust of that version differs, so that both stand side by side.
    assert code == "vehicle-panels-2" and recipe(bob, "rust-2")["passes"][0]["minutes"] == 9
    inside = next(each for each in recipe(bob, code)["passes"] if each["holds"])
    assert inside["holds"] == "rust-2@2"
    assert upload(bob, "recipe-file", text).json()["code"] == "vehicle-panels-3"


def test_a_bad_file_is_refused_with_what_and_where_and_keeps_nothing(ada: Client) -> None:
    before = ada.get("/api/recipes").json()
    for text, words in (
        ("{", "no JSON at line 1"),
        ('{"format": "crisp-muster/recipe", "version": 1, "recipe": {"name": "x"}}', "kind"),
        (json.dumps({"format": "crisp-muster/recipe", "version": 1, "recipe": {
            "name": "x", "kind": "figure",
            "passes": [{"technique": "brush", "medium": "wing"}]}}), "no medium is called 'wing'"),
        (json.dumps({"format": "crisp-muster/recipe", "version": 1, "recipe": {
            "name": "x", "kind": "figure",
            "passes": [{"technique": "recipe", "holds": "x@1"}]}}), "without end"),
    ):  # fmt: skip
        refused = upload(ada, "recipe-file", text)
        assert refused.status_code == 422 and words in " ".join(refused.json()["complaints"])
    assert ada.get("/api/recipes").json() == before


def test_typed_letters_follow_the_house(ada: Client) -> None:
    def typed() -> list[str]:
        found = post(ada, "typed", {"text": "chips", "kind": "vehicle"}).body
        return [one["technique"] for one in found["passes"]]

    assert typed() == ["sponge"]
    house = ada.get("/api/house").json()["house"]
    house["habits"]["chipping"] = "fluid"
    post(ada, "house", {"seen": 0, "house": house})
    assert "scratch" in typed()


def test_a_typed_line_is_said_back_with_what_was_not_understood(ada: Client) -> None:
    line = {"text": "brush Reed green, x2, behind the hatch", "kind": "vehicle"}
    found = post(ada, "typed", line).body
    assert "Reed green" in found["reading"][0] and "×2" in found["reading"][0]
    assert found["unread"] == ["behind the hatch"]
    assert found["passes"][0]["note"] == "behind the hatch"


def test_a_recipe_begins_with_its_first_pass_and_never_without(ada: Client) -> None:
    passes = post(ada, "typed", {"text": "undercoat", "kind": "gun"}).body["passes"]
    body = {"name": "Swivel guns", "kind": "gun", "passes": passes,
            "subject": {"material": "metal", "use": "shown"}}  # fmt: skip
    made = post(ada, "recipes", body).body[-1]
    assert made["recipe"]["name"] == "Swivel guns" and made["recipe"]["version"] == 1
    assert (made["recipe"]["material"], made["recipe"]["use"]) == ("metal", "shown")
    again = post(ada, "recipes", body).body[-1]
    assert again["recipe"]["id"] != made["recipe"]["id"]
    refused = post(ada, "recipes", {**body, "passes": []})
    assert refused.status_code == 422 and "at least one pass" in refused.body["complaints"][0]


def test_a_recipe_is_put_away_and_brought_back_and_units_keep_it(
    ada: Client, user_of: Callable[[str], Client]
) -> None:
    bob = user_of("bob")

    def away(client: Client, yes: bool) -> Any:
        return post(client, "recipes/rust/away", {"away": yes})

    def shown() -> bool:
        found = away(ada, True).body
        return not next(one for one in found if one["recipe"]["id"] == "rust")["put_away"]

    assert not shown()
    assert away(ada, False).status_code == 200
    assert post(bob, "recipes/gone/away", {"away": True}).status_code == 404


def test_a_long_wait_comes_with_what_sealing_would_save(ada: Client) -> None:
    line = "wash oil 1 Peat 6 white spirit"
    oils = post(ada, "typed", {"text": line, "kind": "vehicle"}).body["passes"]
    one = recipe(ada, "vehicle-panels")
    passes = [*one["passes"][:1], *oils, {**oils[0], "key": "second", "medium": "enamel wash"}]
    seams = look(ada, {**one, "passes": passes})["seams"]
    offers = [seam["offer"] for seam in seams if seam["offer"]]
    assert offers and offers[0]["cost"].startswith("saves ")
    assert len(offers[0]["order"]) == len(passes) + 1 and len(offers[0]["changed"]) == 1


def test_a_trial_that_lifted_warns_of_that_paint_over_that_ground_in_every_recipe(
    ada: Client, held: Clock
) -> None:
    mounted = recipe(ada, "mounted")
    wash = {"text": "wash 1 Peat 2 water", "kind": "mounted"}
    more = [*mounted["passes"], *post(ada, "typed", wash).body["passes"]]
    assert "lifts" not in codes(look(ada, {**mounted, "passes": more}))
    one = recipe(ada, "infantry-six")
    told = {"key": "wash", "verdict": "lifted", "where": "a spare figure"}
    assert post(ada, f"recipes/{one['id']}/trials", told).status_code == 200
    found = look(ada, mounted)["findings"]
    lifts = next(each for each in found if each["code"] == "lifts")
    assert "on your trial acrylic wash lifted water acrylic" in lifts["words"]
    assert any(repair["words"] == "seal it first" for repair in lifts["repairs"])
    held.move(minutes=5)
    post(ada, f"recipes/{one['id']}/trials", {**told, "verdict": "good"})
    assert "lifts" not in codes(look(ada, mounted))

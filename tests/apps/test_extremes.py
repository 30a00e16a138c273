"""What lies at the ends of what can be said: taken, it can be read from then on; else refused in
words, and nothing is changed."""

from __future__ import annotations

import itertools
import re
import uuid
from typing import Any

import pytest
from django.test import Client

from muster.apps.roll.models import Version
from muster.core.choices import CHOICES, MOST_IN_ALL
from muster.core.stack.resolve_waits import resolve_waits
from tests.apps.test_accepted import READS, upload
from tests.conftest import NEW, Clock, post

Passes = list[dict[str, Any]]


def a_pass(key: str, technique: str, minutes: float = 10, **more: Any) -> dict[str, Any]:
    return {"key": key, "name": key, "technique": technique, "minutes": minutes, **more}


BASE, WASH = a_pass("base", "brush"), a_pass("wash", "wash")
EXTREME: dict[str, Passes] = {
    "ground as thick as can be": [a_pass("a", "texture", thick=20), WASH],
    "thick oil under an enamel wash": [
        BASE, a_pass("b", "blend", medium="oil", thick=2),
        a_pass("c", "wash", medium="enamel wash"),
    ],
    "oil as thick as can be": [a_pass("a", "brush", medium="oil", thick=20), WASH],
    "uncut, longer than any sitting but the next": [a_pass("a", "brush", 20, cut="none"), WASH],
    "uncut, longer than every sitting": [a_pass("a", "brush", 6000, cut="none"), WASH],
    "a mix that dries before the call ends": [a_pass("a", "brush", 60, cut="none", life_min=30)],
    "waits of ten weeks": [
        a_pass("a", "brush", dry_min=100_000),
        a_pass("b", "wash", stand_min=100_000, window_min=100_000), BASE,
    ],
    "the smallest mark": [BASE, a_pass("a", "sponge", size_mm=0.01, tier="close", cover=0.01)],
}  # fmt: skip


def imported(client: Client, passes: Passes) -> Any:
    recipe = {"id": "made", "name": "made", "kind": "vehicle", "version": 1, "passes": passes}
    return upload(
        client, "recipe-file", {"format": "crisp-muster/recipe", "version": 2, "recipe": recipe}
    )


def read_all(client: Client, muster: int) -> dict[str, Any]:
    """The muster's view; every page of the API answers."""
    with_shelf(client)
    found: dict[str, Any] = client.get(f"/api/musters/{muster}").json()
    values = {
        "muster_id": [muster], "code": ["made"], "since": [1], "tier": ["hand"], "kind": ["csv"],
        "form": ["svg"], "zone": [""], "after": [0], "secret": ["unknown"],
        "call": [*(card["id"] for card in found["board"]["calls"][:1]), "none"],
        "celsius": [12], "humidity": [70], "have": [""], "picture_id": [1],
        "colour": ["#5A6B3C"], "scale": [72],
        "of": ["base"], "unit": ["tanks"], "joint": ["none"],
    }  # fmt: skip
    for path, names in READS.items():
        for chosen in itertools.product(*(values[name] for name in names)):
            rest = dict(zip(names, map(str, chosen), strict=True))
            address = re.sub(r"\{(\w+)\}", lambda one, rest=rest: rest.pop(one[1]), path)
            answer = client.get(address, rest)
            assert answer.status_code in (200, 404), (address, answer.content[:300])
    return found


def with_shelf(client: Client) -> None:
    assert post(client, "shelf/typed", {"line": "Reed #66703f acrylic 17 ml"}).status_code == 200


@pytest.mark.parametrize("passes", EXTREME.values(), ids=EXTREME)
def test_what_is_accepted_is_read_from_then_on(ada: Client, held: Clock, passes: Passes) -> None:
    assert imported(ada, passes).status_code == 200
    assert post(ada, "draft-check", {"kind": "vehicle", "passes": passes}).status_code == 200
    line = {"line": "12 tanks 1/72", "recipe": "made"}
    made = post(ada, "musters", {**NEW, "units": [line]})
    view = read_all(ada, made.body["id"])
    assert view["board"]["calls"] or view["board"]["left"], "planned, or left with its reason"
    held.move(days=40)
    assert ada.get(f"/api/musters/{made.body['id']}").status_code == 200


def test_a_recipe_of_a_hundred_and_twenty_passes_is_looked_over_and_one_more_refused(
    ada: Client, held: Clock
) -> None:
    many = [a_pass(f"p{number}", "brush") for number in range(120)]
    assert imported(ada, many).status_code == 200
    draft = {"kind": "vehicle", "passes": many, "undercoat": "black"}
    assert post(ada, "draft-check", draft).status_code == 200
    answer = imported(ada, [*many, WASH])
    assert answer.status_code == 422 and "at most 120" in answer.json()["complaints"][0]


@pytest.mark.parametrize(
    "house",
    [
        {"own": {"media": [{"name": name, "like": name, "touch_min": 100_000,
                            "recoat_min": 100_000, "cured_min": 100_000}
                           for name in ("acrylic", "primer", "enamel", "acrylic wash")]}},
        {"own": {"media": [{"name": "chipping fluid", "like": "chipping fluid",
                            "recoat_min": 5_000, "cured_min": 6_000}]}},
        {"own": {"zones": [{"kind": "vehicle", "name": "ram", "beside": ["cage"]},
                           {"kind": "vehicle", "name": "cage", "beside": []}]}},
        {"days": [{"day": "2076-12-31", "air": {"celsius": -20, "humidity": 100}}]},
        {"air": {"celsius": -20, "humidity": 100}},
    ],
    ids=["waits of ten weeks", "a stand longer than its window", "a zone beside a later one",
         "the last day", "the worst air"],
)  # fmt: skip
def test_a_house_at_its_ends_keeps_every_muster_readable(
    ada: Client, held: Clock, house: dict[str, Any]
) -> None:
    made = post(ada, "musters", NEW).body["id"]
    answer = post(ada, "house", {"seen": 0, "house": house})
    assert answer.status_code == 200, answer.content
    read_all(ada, made)


YEAR_1, YEAR_9999 = "0001-01-01T00:00:00Z", "9999-12-31T00:00:00Z"


@pytest.mark.parametrize("at", [YEAR_1, YEAR_9999, "2027-03-02T19:00:00", "soon"])
def test_a_fact_of_no_time_is_named_and_a_good_one_beside_it_taken(
    ada: Client, muster: dict[str, Any], at: str
) -> None:
    good = {"id": str(uuid.uuid4()), "kind": "pause", "at": "2027-03-02T18:59:00Z"}
    bad = {"id": str(uuid.uuid4()), "kind": "pause", "at": at}
    path = f"musters/{muster['id']}/facts"
    answer = post(ada, path, {"facts": [bad, good, good]})
    assert answer.status_code == 200
    assert answer.body["stored"] == [good["id"]]
    assert [one["id"] for one in answer.body["refused"]] == [bad["id"]]
    assert "pattern" not in str(answer.body)
    # Sent once more, as after an answer that was lost, it is there already.
    assert post(ada, path, {"facts": [good]}).body["stored"] == [good["id"]]


REFUSED: list[tuple[str, Any, str]] = [
    ("dial?celsius=999&humidity=5", None, "use at most 50"),
    ("dial?celsius=nan&humidity=nan", None, "out of reach"),
    ("colour/scaled?colour=%235a6b3c&scale=nan", None, "no whole number"),
    ("typed-unit", {"line": "² pikes"}, "how many first"),
    ("typed-unit", {"line": "9" * 5000 + " pikes"}, "longer than 300"),
    ("shelf/typed", {"line": "Reed #66703f acrylic 999999999 ml"}, "at most 100000"),
    ("sign-up", {"name": "x" * 300, "password": "reeds and silt"}, "1 to 60"),
    ("sign-up", {"name": "\u200b", "password": "reeds and silt"}, "nothing of it can be seen"),
    ("house", {"seen": -3, "house": {}}, "at least 0"),
    ("house", {"seen": 10**12, "house": {}}, "at most"),
    ("house", {"seen": 0, "house": {"days": [{"day": "9999-12-31", "air": {}}]}}, "2000 to 2076"),
    ("house", {"seen": 0, "house": {"habits": {"weathering": "al-acrylic"}}},
     "did you mean all-acrylic"),
    ("musters", {**NEW, "weekdays": [{"weekday": 1, "start": "19:30Z", "end": "22:00"}]},
     "leave out its zone"),
    ("musters", {**NEW, "parade_day": "9999-12-31"}, "2000 to 2076"),
    ("draft-check", {"kind": "vehicle", "passes": [a_pass("a", "stipling")]},
     "did you mean stipple"),
    ("draft-check", {"kind": "vehicle", "passes": [a_pass("a", "glue", adhesive="super glue")]},
     "did you mean superglue"),
    ("draft-check", {"kind": "vehicle", "passes": [a_pass("a", "brush", carrier="watr")]},
     "did you mean water"),
    ("draft-check", {"kind": "vehicle", "passes": [a_pass("a", "brush", size_mm=1e-300)]},
     "at least 0.01"),
    ("draft-check", {"kind": "vehicle", "passes": [a_pass("A b", "brush")]}, "small letters"),
    ("draft-check", {"kind": "vehicle", "passes": [a_pass("a", "brush", colour="red")]},
     "write it as #5a6b3c"),
    ("draft-check", {"kind": "zzz", "passes": [BASE]}, "use figure"),
]  # fmt: skip


@pytest.mark.parametrize(("path", "body", "words"), REFUSED)
def test_what_cannot_be_is_refused_in_words_of_ours(
    ada: Client, held: Clock, path: str, body: Any, words: str
) -> None:
    answer = ada.get(f"/api/{path}") if body is None else post(ada, path, body)
    assert answer.status_code == 422, answer.content[:300]
    said = " ".join(answer.json()["complaints"])
    assert words in said
    for foreign in (
        "pattern",
        "string",
        "validation",
        "tuple",
        "None",
        "literal",
        "[0-9",
        "input ",
    ):
        assert foreign not in said, said


@pytest.mark.parametrize("seen", [-3, 10**12, 4_294_967_295])
def test_a_version_that_cannot_be_is_refused(
    ada: Client, muster: dict[str, Any], seen: int
) -> None:
    wanted = {"version": seen, "command": {"do": "set_rack", "rack": 4}}
    assert post(ada, f"musters/{muster['id']}/command", wanted).status_code == 422
    assert ada.get(f"/api/recipes/infantry-six/changes?since={seen}").status_code in (404, 422)


def test_a_body_of_sixty_megabytes_is_turned_away_before_it_is_read(ada: Client) -> None:
    answer = ada.post("/api/predict", b" " * 60_000_000, content_type="application/json")
    assert answer.status_code == 413
    assert "larger than" in answer.json()["complaints"][0]


def test_a_form_without_its_boundary_is_refused(ada: Client) -> None:
    answer = ada.post("/api/import", b"--x", content_type="multipart/form-data")
    assert answer.status_code in (400, 422)
    assert answer.json()["complaints"]


def test_two_names_that_look_alike_are_one_account(client: Client, ada: Client) -> None:
    for name in ("Ada", "ada\u200b", " ADA "):
        body = {"name": name, "password": "reeds and silt"}
        answer = Client().post("/api/sign-up", body, content_type="application/json")
        assert answer.status_code == 422 and "taken" in answer.json()["complaints"][0]


@pytest.mark.django_db
def test_one_signs_in_by_the_name_as_it_was_typed_when_signing_up(held: Clock) -> None:
    body = {"name": " Cora  of\u200b Silt ", "password": "reeds and silt"}
    for path in ("sign-up", "sign-in"):
        answer = Client().post(f"/api/{path}", body, content_type="application/json")
        assert answer.json()["name"] == "Cora of Silt"


def test_a_muster_never_holds_more_than_it_can(ada: Client, held: Clock) -> None:
    units = [{"line": f"500 pikes foot {name}", "recipe": "infantry-six"} for name in "abcdefg"]
    answer = post(ada, "musters", {**NEW, "units": units})
    assert answer.status_code == 422
    assert f"a muster holds {MOST_IN_ALL}" in answer.body["complaints"][0]


def test_a_weekly_sitting_at_the_end_of_days_is_answered_at_once(
    ada: Client, muster: dict[str, Any]
) -> None:
    wanted = {"do": "add_evening", "day": "2076-12-30", "start": "19:30", "end": "21:00",
              "weekly": True}  # fmt: skip
    path, version = f"musters/{muster['id']}/command", muster["version"]
    assert post(ada, path, {"version": version, "command": wanted}).status_code == 200
    read_all(ada, muster["id"])


def test_what_is_kept_and_cannot_be_planned_opens_with_its_roll_a_sentence_and_undo(
    ada: Client, muster: dict[str, Any]
) -> None:
    """As of an older program that took more, or a fault of ours."""
    row = Version.objects.get(muster=muster["id"], number=muster["version"])
    choices = CHOICES.validate_python(row.choices)
    ring = [{"before": "pikes", "after": "guns"}, {"before": "guns", "after": "pikes"}]
    Version.objects.filter(pk=row.pk).update(
        choices={**CHOICES.dump_python(choices, mode="json"), "order": ring}
    )
    view = read_all(ada, muster["id"])
    assert [one["unit"]["id"] for one in view["roll"]] == ["pikes", "lancers", "guns"]
    assert view["trouble"] and "Pikes" in view["trouble"][0]
    assert view["board"]["calls"], "what does not hang on it is planned"
    wanted = {"do": "drop_order", "before": "guns", "after": "pikes"}
    mended = post(
        ada, f"musters/{muster['id']}/command", {"version": view["version"], "command": wanted}
    )
    assert mended.status_code == 200 and mended.body["trouble"] == []


def test_a_unit_that_cannot_be_worked_out_is_left_out_and_told(
    ada: Client, muster: dict[str, Any], monkeypatch: pytest.MonkeyPatch
) -> None:

    def fails(recipe: Any, *rest: Any) -> Any:
        if recipe.id == "gun-crew":
            raise OverflowError("date value out of range")
        return resolve_waits(recipe, *rest)

    monkeypatch.setattr("muster.core.pipeline.resolve_waits", fails)
    view = read_all(ada, muster["id"])
    assert [one["unit"]["id"] for one in view["roll"]] == ["pikes", "lancers", "guns"]
    assert view["trouble"][0].startswith("Guns: ") and "out of range" not in view["trouble"][0]
    assert {card["id"].split(".")[0] for card in view["board"]["calls"]} == {"pikes", "lancers"}

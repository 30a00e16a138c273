"""A view that is read again is sent as what has changed."""

from __future__ import annotations

import json
from typing import Any

from django.test import Client

from tests.apps.test_musters import fact, record
from tests.conftest import NEW, Clock, post


def read(client: Client, muster_id: int, have: str = "") -> dict[str, Any]:
    answer = client.get(f"/api/musters/{muster_id}/parts", {"have": have})
    assert answer.status_code == 200
    return answer.json()


def whole(parts: dict[str, Any]) -> dict[str, Any]:
    """As a browser puts it together."""
    view: dict[str, Any] = {"board": {"calls": []}}
    for name, value in parts.items():
        if name.startswith("board.calls."):
            view["board"]["calls"] += value
        elif name.startswith("board."):
            view["board"][name.removeprefix("board.")] = value
        else:
            view[name] = value
    return view


def test_all_parts_together_are_the_view(ada: Client, muster: dict[str, Any], held: Clock) -> None:
    assert whole(read(ada, muster["id"])["parts"]) == muster


def test_what_has_not_changed_is_not_sent_again(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    first = read(ada, muster["id"])
    again = read(ada, muster["id"], first["digests"])
    assert again == {"parts": {}, "digests": first["digests"]}


def test_a_tick_as_planned_sends_the_cards_of_its_unit_and_of_no_other(
    ada: Client, held: Clock
) -> None:
    lines = [{"line": f"6 {name} foot 1/72", "recipe": "infantry-six"}
             for name in ("pikes", "spears", "axes", "slings")]  # fmt: skip
    made = post(ada, "musters", {**NEW, "units": lines})
    muster = ada.get(f"/api/musters/{made.body['id']}").json()
    call = muster["bench"]["call"]
    held.move(minutes=37)
    view = record(ada, muster, fact(muster, "begin", held.now))
    before = read(ada, muster["id"])
    held.move(seconds=call["per_item_s"])
    view = record(ada, view, fact(view, "tick", held.now, model=call["models"][0]))
    after = read(ada, muster["id"], before["digests"])
    assert whole({**before["parts"], **after["parts"]}) == view
    units = {card["unit"] for name, cards in after["parts"].items()
             if name.startswith("board.calls.") for card in cards}  # fmt: skip
    assert call["unit"] in units and len(units) < len(lines)
    assert "rhythm" not in after["parts"] and "hours" not in after["parts"]
    sizes = [len(json.dumps(one["parts"])) for one in (before, after)]
    assert sizes[1] < sizes[0] / 2


def test_digests_of_another_program_or_of_nonsense_bring_all(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    every = read(ada, muster["id"])["parts"]
    for have in ("zzz", "a.b.c", "." * 60):
        assert read(ada, muster["id"], have)["parts"] == every
    assert ada.get(f"/api/musters/{muster['id']}/parts", {"have": "a" * 2001}).status_code == 422

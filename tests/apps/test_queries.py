"""What a page asks of the database does not grow with what is kept there."""

from __future__ import annotations

import uuid
from datetime import timedelta
from typing import Any

from django.db import connection
from django.test import Client
from django.test.utils import CaptureQueriesContext

from muster.apps.colour.models import Paint, PaintFact
from tests.conftest import NEW, Clock, post

PAGES = {
    "musters": 3, "recipes": 4, "shelf": 8, "musters/{muster}/supplies": 16, "me/file": 8,
    "pots": 3, "house": 4,
}  # fmt: skip
"""The most queries of each: session and user, and then its own."""


def queries(client: Client, path: str) -> int:
    with CaptureQueriesContext(
        connection,
    ) as asked:
        assert client.get(f"/api/{path}").status_code == 200
    return len(asked)


def one_more(client: Client) -> int:
    """A muster with a tick and three changes."""
    made: int = post(client, "musters", {**NEW, "units": NEW["units"][:1]}).body["id"]
    tick = {"id": str(uuid.uuid4()), "kind": "tick", "at": "2027-03-02T18:59:00Z", "unit": "pikes",
            "pass_keys": ["under"], "model": 1, "tray": 1}  # fmt: skip
    assert post(client, f"musters/{made}/facts", {"facts": [tick]}).body["refused"] == []
    for version, rack in enumerate((12, 13, 14), 1):
        wanted = {"version": version, "command": {"do": "set_rack", "rack": rack}}
        assert post(client, f"musters/{made}/command", wanted).status_code == 200
    return made


def test_every_page_asks_as_often_with_five_musters_as_with_two(ada: Client, held: Clock) -> None:
    assert post(ada, "shelf/typed", {"line": "Reed #66703f acrylic 17 ml"}).status_code == 200
    PaintFact.objects.update(at=held.now - timedelta(days=1))
    Paint.objects.update(made_at=held.now - timedelta(days=1))
    first = one_more(ada)
    one_more(ada)
    few = {page: queries(ada, page.format(muster=first)) for page in PAGES}
    assert all(few[page] <= most for page, most in PAGES.items()), few
    for _ in range(3):
        one_more(ada)
    assert {page: queries(ada, page.format(muster=first)) for page in PAGES} == few


def test_a_list_reads_no_more_documents_than_there_are_musters(
    ada: Client, muster: dict[str, Any]
) -> None:
    for version, rack in enumerate(range(10, 30), 1):
        wanted = {"version": version, "command": {"do": "set_rack", "rack": rack}}
        assert post(ada, f"musters/{muster['id']}/command", wanted).status_code == 200
    with CaptureQueriesContext(connection) as asked:
        assert len(ada.get("/api/musters").json()) == 1
    assert any("`number` = (`roll_muster`.`version`)" in one["sql"] for one in asked)

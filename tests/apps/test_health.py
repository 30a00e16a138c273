"""Seen from outside: health, request ids, and what is said when something is down."""

from __future__ import annotations

import io
import json
import os
import re
import subprocess
import sys
import zipfile
from collections.abc import Callable
from datetime import timedelta
from pathlib import Path
from typing import Any

import pytest
from django.db import OperationalError
from django.test import Client

from muster.api import musters as roll_api
from muster.api import pages
from muster.apps.plan import heartbeat as beats
from muster.apps.plan.models import PlanRun, WorkerBeat
from muster.apps.roll import services
from muster.apps.roll.models import Muster
from tests.conftest import Clock, post


def test_health_names_database_tables_and_worker(db: None, held: Clock) -> None:
    assert Client().get("/healthz").json() == {"database": True, "tables": True, "worker": False}
    beats.beat()
    assert Client().get("/healthz").json()["worker"]
    held.move(minutes=1)
    assert not Client().get("/healthz").json()["worker"]


def test_workers_silent_for_a_day_are_forgotten(db: None, held: Clock) -> None:
    WorkerBeat.objects.create(worker="elsewhere/1", at=held.now - timedelta(days=2))
    beats.beat()
    assert WorkerBeat.objects.count() == 1


def test_a_plan_that_waits_for_no_worker_says_so(
    ada: Client, muster: dict[str, Any], held: Clock
) -> None:
    seen = ada.get(f"/api/musters/{muster['id']}").json()["progress"]
    assert (seen["status"], seen["worker"]) == ("queued", False)
    beats.beat()
    assert ada.get(f"/api/musters/{muster['id']}").json()["progress"]["worker"]


def test_every_answer_has_an_id_of_its_own(db: None) -> None:
    one, two = Client().get("/api/me"), Client().get("/api/me")
    assert one["X-Request-Id"] != two["X-Request-Id"]


def test_a_database_that_does_not_answer_is_said_in_words(
    ada: Client, muster: dict[str, Any], monkeypatch: pytest.MonkeyPatch
) -> None:
    def away(*_: Any) -> None:
        raise OperationalError(2002, "no socket")

    monkeypatch.setattr(roll_api, "own_muster", away)
    answer = ada.get(f"/api/musters/{muster['id']}")
    assert answer.status_code == 503
    assert "database does not answer" in answer.json()["complaints"][0]


def test_a_failure_names_the_id_under_which_the_log_says_more(
    ada: Client, muster: dict[str, Any], monkeypatch: pytest.MonkeyPatch,
    caplog: pytest.LogCaptureFixture,
) -> None:  # fmt: skip
    def broken(*_: Any) -> None:
        raise ZeroDivisionError

    monkeypatch.setattr(roll_api, "own_muster", broken)
    answer = ada.get(f"/api/musters/{muster['id']}")
    assert answer.status_code == 500
    assert answer["X-Request-Id"] in answer.json()["complaints"][0]
    assert "ZeroDivisionError" in caplog.text


def test_pages_outside_the_front_end_are_our_own(db: None) -> None:
    gone = Client().get("/static/nothing.js")
    assert gone.status_code == 404
    lost = Client().get("/api/nothing")
    assert lost.status_code == 404
    assert lost.json()["complaints"]


def test_a_user_takes_everything_that_is_his(ada: Client, muster: dict[str, Any]) -> None:
    answer = ada.get("/api/me/file")
    with zipfile.ZipFile(io.BytesIO(answer.content)) as packed:
        names = set(packed.namelist())
        assert names == {f"muster-{muster['id']}.json", "recipes.json", "house.json"}
        assert json.loads(packed.read("recipes.json"))
        one = json.loads(packed.read(f"muster-{muster['id']}.json"))
        assert one["format"] == "crisp-muster/muster"


def test_a_deleted_account_takes_all_with_it_and_asks_for_the_password(
    ada: Client, muster: dict[str, Any]
) -> None:
    assert post(ada, "me/delete", {"password": "wrong"}).status_code == 422
    assert Muster.objects.count() == 1
    assert post(ada, "me/delete", {"password": "reeds and silt"}).body["name"] is None
    assert Muster.objects.count() == PlanRun.objects.count() == 0
    assert ada.get("/api/musters").status_code == 401


def test_no_more_musters_than_anybody_needs(
    ada: Client, muster: dict[str, Any], monkeypatch: pytest.MonkeyPatch
) -> None:

    monkeypatch.setattr(services, "MOST_MUSTERS", 1)
    text = ada.get(f"/api/musters/{muster['id']}/file").content
    from django.core.files.uploadedfile import SimpleUploadedFile

    file = SimpleUploadedFile("muster.json", text, "application/json")
    answer = ada.post("/api/import", {"file": file})
    assert answer.status_code == 422
    assert "remove one first" in answer.json()["complaints"][0]
    assert Muster.objects.count() == 1


def test_a_user_improves_only_so_many_plans_at_once(
    ada: Client, muster: dict[str, Any], held: Clock, user_of: Callable[[str], Client]
) -> None:
    run = PlanRun.objects.latest("id")
    for number in range(2):
        PlanRun.objects.create(
            muster=run.muster, version=run.version, facts=run.facts, origin=run.origin,
            made_for=run.made_for, program=run.program,
                problem=run.problem, plan=run.plan, status="improving",
            first_cost_s=number,
        )  # fmt: skip
    last = PlanRun.objects.create(
        muster=run.muster, version=run.version, facts=run.facts, origin=run.origin,
        made_for=run.made_for, program=run.program,
                problem=run.problem, plan=run.plan, status="done",
    )  # fmt: skip
    answer = post(ada, f"musters/{muster['id']}/plan/improve", None)
    assert answer.status_code == 422
    last.refresh_from_db()
    assert last.status == "done"


def test_no_two_schemas_of_the_api_have_one_name() -> None:
    """The API's description keeps one by each name: a second would silently take its place."""
    seen: dict[str, str] = {}
    for path in sorted((Path("muster") / "api").glob("*.py")):
        for name in re.findall(r"^class (\w+)\((?:Schema|\w+In|\w+Out)\)", path.read_text(), re.M):
            assert name not in seen, (name, seen.get(name), path)
            seen[name] = str(path)
    assert len(seen) > 40


def test_what_computes_stands_back_in_a_session_of_its_own() -> None:
    """Else a kernel that shares time out by session gives it as much as all that answers."""
    words = (
        "import os; from muster.apps.standing_back import stand_back; stand_back(7); "
        "print(os.nice(0), os.getsid(0) == os.getpid())"
    )
    told = subprocess.run([sys.executable, "-c", words], capture_output=True, text=True, check=True)
    assert told.stdout.split() == [str(os.nice(0) + 7), "True"]


def test_a_full_disk_is_named(ada: Client, monkeypatch: pytest.MonkeyPatch) -> None:
    def fails(*_: object) -> None:
        raise OperationalError(1114, "The table is full")

    monkeypatch.setattr(roll_api, "own_muster", fails)
    monkeypatch.setattr(pages, "LEAST_FREE", 10**18)
    answer = ada.get("/api/musters/1")
    assert answer.status_code == 503
    assert "make room" in answer.json()["complaints"][0]

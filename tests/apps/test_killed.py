"""A server that is killed between a tick and the next look has lost nothing it acknowledged."""

from __future__ import annotations

import json
import os
import signal
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.request
import uuid
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

import pytest
from django.conf import settings
from django.contrib.auth.models import User
from django.test import Client

from muster.apps.plan.models import PlanRun
from muster.apps.recipes.services import give_starters
from tests.conftest import NEW

ROOT = Path(__file__).resolve().parents[2]
pytestmark = pytest.mark.django_db(transaction=True)


class Server:
    """A real gunicorn of its own on the tests' database."""

    def __init__(self, session: str) -> None:
        with socket.socket() as free:
            free.bind(("127.0.0.1", 0))
            self.port = free.getsockname()[1]
        self.session = session
        self.process = self.start()

    def start(self) -> subprocess.Popen[bytes]:
        command = [sys.executable, "-m", "gunicorn", "muster.wsgi", "--bind",
                   f"127.0.0.1:{self.port}", "--no-control-socket"]  # fmt: skip
        environment = {
            **os.environ, "DJANGO_SETTINGS_MODULE": "muster.settings.test",
            "CRISP_DATABASE": settings.DATABASES["default"]["NAME"],
        }  # fmt: skip
        made = subprocess.Popen(command, cwd=ROOT, env=environment, start_new_session=True,
                                stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)  # fmt: skip
        until = time.monotonic() + 60
        while time.monotonic() < until:
            try:
                self.ask("/api/me")
                return made
            except OSError:
                assert made.poll() is None, "the server ended by itself"
        raise AssertionError("the server did not answer within a minute")

    def ask(self, path: str, body: Any = None) -> Any:
        request = urllib.request.Request(f"http://127.0.0.1:{self.port}{path}")
        request.add_header("Cookie", f"sessionid={self.session}; csrftoken={'a' * 32}")
        if body is not None:
            request.data = json.dumps(body).encode()
            request.add_header("Content-Type", "application/json")
            request.add_header("X-CSRFToken", "a" * 32)
        with urllib.request.urlopen(request, timeout=30) as answer:
            return json.load(answer)

    def kill(self) -> None:
        """As nothing can be caught or finished."""
        os.killpg(self.process.pid, signal.SIGKILL)
        self.process.wait()


def test_a_tick_acknowledged_before_kill_9_is_there_after_it() -> None:
    user = User.objects.create_user("ada", password="reeds and silt")
    give_starters(user)
    client = Client()
    client.force_login(user, backend="django.contrib.auth.backends.ModelBackend")
    server = Server(client.cookies["sessionid"].value)
    try:
        parade = (datetime.now(UTC) + timedelta(days=40)).date().isoformat()
        made = server.ask("/api/musters", {**NEW, "parade_day": parade})
        path = f"/api/musters/{made['id']}"
        view = server.ask(path)
        call = view["bench"]["call"]
        fact = {
            "unit": call["unit"], "pass_keys": call["pass_keys"],
            "tray": int(call["tray"].rsplit(".", 1)[1]), "at": datetime.now(UTC).isoformat(),
        }  # fmt: skip
        begin = {**fact, "id": str(uuid.uuid4()), "kind": "begin"}
        tick = {**fact, "id": str(uuid.uuid4()), "kind": "tick", "model": call["models"][0]}
        stored = server.ask(f"{path}/facts", {"facts": [begin, tick]})["stored"]
        assert stored == [begin["id"], tick["id"]]
        server.kill()
        with pytest.raises((urllib.error.URLError, OSError)):
            server.ask(path)
        server.process = server.start()
        after = server.ask(path)
        assert after["bench"]["running"]
        assert [pip["state"] for pip in after["bench"]["pips"]].count("open") == (
            len(call["models"]) - 1
        )
    finally:
        server.kill()


def test_two_workers_on_one_queue_lose_and_double_nothing() -> None:
    """Twenty musters, each planned by exactly one of two workers that start at the same moment."""
    user = User.objects.create_user("bea", password="reeds and silt")
    give_starters(user)
    client = Client()
    client.force_login(user, backend="django.contrib.auth.backends.ModelBackend")
    parade = (datetime.now(UTC) + timedelta(days=40)).date().isoformat()
    for _ in range(20):
        body = {**NEW, "parade_day": parade, "units": NEW["units"][:1]}
        made = client.post("/api/musters", body, content_type="application/json").json()
        client.get(f"/api/musters/{made['id']}")
    PlanRun.objects.update(budget_s=0.3)
    environment = {
        **os.environ, "DJANGO_SETTINGS_MODULE": "muster.settings.test",
        "CRISP_DATABASE": settings.DATABASES["default"]["NAME"],
    }  # fmt: skip
    workers = [
        subprocess.Popen(
            [sys.executable, "manage.py", "db_worker", "--batch", "--interval", "0.05"],
            cwd=ROOT, env=environment, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL,
        )
        for _ in range(2)
    ]  # fmt: skip
    for worker in workers:
        assert worker.wait(120) == 0
    runs = list(PlanRun.objects.all())
    assert len(runs) == 20
    assert {run.status for run in runs} == {"done"}
    assert all(run.plan["cost_s"] <= run.first_cost_s for run in runs)
    assert len({run.lease for run in runs}) == 20
    # Each run's time was spent once.
    assert all(0 < run.spent_s < 2 * 0.3 + 2 for run in runs)

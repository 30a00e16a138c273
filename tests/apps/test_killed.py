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
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import suppress
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

import pytest
from django.conf import settings
from django.contrib.auth.models import User
from django.test import Client

from muster.apps.plan.models import PlanRun
from muster.apps.plan.tasks import LEASE
from muster.apps.recipes.services import give_starters
from tests.conftest import NEW

ROOT = Path(__file__).resolve().parents[2]
pytestmark = pytest.mark.django_db(transaction=True)


class Server:
    """A real gunicorn of its own on the tests' database."""

    def __init__(self, session: str, processes: int = 0, seconds: float = 20) -> None:
        self.processes, self.seconds = processes, seconds
        with socket.socket() as free:
            free.bind(("127.0.0.1", 0))
            self.port = free.getsockname()[1]
        self.session = session
        self.process = self.start()

    def start(self) -> subprocess.Popen[bytes]:
        command = [sys.executable, "-m", "gunicorn", "muster.wsgi", "--bind",
                   f"127.0.0.1:{self.port}", "--threads", "16", "--no-control-socket"]  # fmt: skip
        environment = {
            **os.environ, "DJANGO_SETTINGS_MODULE": "muster.settings.test",
            "CRISP_DATABASE": settings.DATABASES["default"]["NAME"],
            "CRISP_PROCESSES": str(self.processes), "CRISP_REQUEST_SECONDS": str(self.seconds),
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
        with urllib.request.urlopen(request, timeout=60) as answer:
            return json.load(answer)

    def kill(self) -> None:
        """As nothing can be caught or finished."""
        with suppress(ProcessLookupError):
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


@pytest.fixture
def pooled() -> Iterator[Server]:
    """A server whose computing requests are answered by two processes beside it."""
    user = User.objects.create_user("cai", password="reeds and silt")
    give_starters(user)
    client = Client()
    client.force_login(user, backend="django.contrib.auth.backends.ModelBackend")
    made = Server(client.cookies["sessionid"].value, processes=2, seconds=60)
    yield made
    made.kill()


def begun(server: Server) -> str:
    """The path of a muster of its user."""
    day = (datetime.now(UTC) + timedelta(days=40)).date().isoformat()
    return f"/api/musters/{server.ask('/api/musters', {**NEW, 'parade_day': day})['id']}"


def test_a_process_beside_answers_as_the_server_itself_would(pooled: Server) -> None:
    path = begun(pooled)
    view = pooled.ask(path)
    assert view["board"]["calls"] and view["trouble"] == []
    moved = pooled.ask(
        f"{path}/command", {"version": view["version"], "command": {"do": "set_rack", "rack": 30}}
    )
    assert moved["rack"] == 30
    for path_, status in (("/api/musters/999999", 404), ("/api/dial?celsius=99&humidity=1", 422)):
        with pytest.raises(urllib.error.HTTPError) as refused:
            pooled.ask(path_)
        assert refused.value.code == status
        assert json.load(refused.value)["complaints"]
    pooled.session = "of nobody"
    with pytest.raises(urllib.error.HTTPError) as refused:
        pooled.ask(path)
    assert refused.value.code == 401


def test_a_tick_is_acknowledged_while_every_process_computes(pooled: Server) -> None:
    path = begun(pooled)
    call = pooled.ask(path)["bench"]["call"]
    tick = {"kind": "tick", "unit": call["unit"], "pass_keys": call["pass_keys"], "tray": 1}
    with ThreadPoolExecutor(6) as pool:
        computing = [pool.submit(pooled.ask, f"{path}/plan/outlook") for _ in range(6)]
        waited = []
        for model in call["models"][:5]:
            begun_ = time.monotonic()
            fact = {**tick, "id": str(uuid.uuid4()), "model": model,
                    "at": datetime.now(UTC).isoformat()}  # fmt: skip
            assert pooled.ask(f"{path}/facts", {"facts": [fact]})["refused"] == []
            waited.append(time.monotonic() - begun_)
        assert not all(one.done() for one in computing)
        computed = time.monotonic()
        assert all(one.result()["sizes"] for one in computing)
        computed = time.monotonic() - computed
    assert sorted(waited)[2] < computed, "no tick waited for what is computed"


def test_nothing_lives_on_and_no_port_stays_taken_when_the_server_is_killed(
    pooled: Server,
) -> None:
    begun(pooled)
    mine = descendants(pooled.process.pid)
    assert len(mine) >= 3, "the server's worker, and two processes beside"
    os.kill(pooled.process.pid, signal.SIGKILL)
    pooled.process.wait()
    until = time.monotonic() + 20
    while living(mine) and time.monotonic() < until:
        time.sleep(0.05)
    assert living(mine) == set()
    with socket.socket() as again:
        again.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        again.bind(("127.0.0.1", pooled.port))


def test_readers_who_leave_while_the_processes_wake_cost_none_of_them(pooled: Server) -> None:
    path = begun(pooled)
    old = computing(pooled)
    for pid in old:
        os.kill(pid, signal.SIGKILL)
    for _ in range(8):
        with socket.create_connection(("127.0.0.1", pooled.port)) as reader:
            reader.sendall(
                f"GET {path}/plan/outlook HTTP/1.1\r\nHost: 127.0.0.1\r\n"
                f"Cookie: sessionid={pooled.session}\r\n\r\n".encode()
            )
    until = time.monotonic() + 30
    while len(woken := computing(pooled) - old) < 2 and time.monotonic() < until:
        time.sleep(0.02)
    assert pooled.ask(path)["bench"]["call"]
    assert computing(pooled) == woken


def computing(server: Server) -> set[int]:
    """The processes that compute for a server."""
    found = set()
    for pid in living(descendants(server.process.pid)):
        with suppress(OSError):
            if b"spawn_main" in Path(f"/proc/{pid}/cmdline").read_bytes():
                found.add(pid)
    return found


def descendants(pid: int) -> set[int]:
    """The processes that a process has begun, and those that these have."""
    parents = {int(s.parent.name): fields(s)[1] for s in Path("/proc").glob("[0-9]*/stat")}
    found, new = set[int](), {pid}
    while new:
        new = {child for child, parent in parents.items() if int(parent) in new}
        found |= new
    return found


def living(pids: set[int]) -> set[int]:
    """Those of some processes that still run."""
    states = {pid: fields(Path(f"/proc/{pid}/stat"))[0] for pid in pids}
    return {pid for pid, state in states.items() if state != "Z"}


def fields(stat: Path) -> list[str]:
    """State and parent of a process; one that is gone is taken for ended."""
    try:
        return stat.read_text().rpartition(")")[2].split()
    except OSError:
        return ["Z", "0"]


def test_what_takes_too_long_is_ended_with_its_process_and_the_next_is_answered() -> None:
    user = User.objects.create_user("dai", password="reeds and silt")
    give_starters(user)
    client = Client()
    client.force_login(user, backend="django.contrib.auth.backends.ModelBackend")
    server = Server(client.cookies["sessionid"].value, processes=1, seconds=0.2)
    try:
        parade = (datetime.now(UTC) + timedelta(days=40)).date().isoformat()
        body = {**NEW, "parade_day": parade}
        made = client.post("/api/musters", body, content_type="application/json").json()
        outlook = f"/api/musters/{made['id']}/plan/outlook"
        for _ in range(2):
            with pytest.raises(urllib.error.HTTPError) as ended:
                server.ask(outlook)
            assert ended.value.code == 503
            assert "longer than 0.2 seconds" in json.load(ended.value)["complaints"][0]
        assert server.ask("/api/me")["name"] == "dai"
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
    # Each was worked on, and by no second worker after a first had lost its lease.
    assert all(0 < run.spent_s < LEASE.total_seconds() for run in runs)


def test_computing_goes_on_after_its_processes_were_killed_again_and_again(pooled: Server) -> None:
    path = begun(pooled)
    for _ in range(4):
        beside = [pid for pid in descendants(pooled.process.pid) if "spawn_main" in command(pid)]
        for pid in beside:
            with suppress(ProcessLookupError):
                os.kill(pid, signal.SIGKILL)
        until = time.monotonic() + 30
        while time.monotonic() < until:
            with suppress(OSError):
                if pooled.ask(path)["board"]["calls"]:
                    break
        else:
            raise AssertionError("nothing is computed any more")


def command(pid: int) -> str:
    """What a process was begun with."""
    with suppress(OSError):
        return Path(f"/proc/{pid}/cmdline").read_text()
    return ""

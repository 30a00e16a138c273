"""A backup holds everything as it was at one moment; a broken one changes nothing."""

from __future__ import annotations

import gzip
import stat
from collections.abc import Callable
from pathlib import Path

import pytest
from django.db import connection
from django.test import Client

from muster.apps.roll.models import Muster
from muster.cli.launch import backup, database, watch
from muster.cli.launch.main import main
from muster.cli.launch.steps import Stop
from tests.conftest import NEW, post

pytestmark = pytest.mark.django_db(transaction=True)


@pytest.fixture(autouse=True)
def of_the_tests(monkeypatch: pytest.MonkeyPatch) -> None:
    """The tests' database, on the server that runs already."""
    monkeypatch.setattr(backup, "NAME", connection.settings_dict["NAME"])
    monkeypatch.setattr(backup, "TRIED", f"{connection.settings_dict['NAME']}_tried")
    monkeypatch.setattr(backup, "running", lambda: None)
    monkeypatch.setattr(backup, "migrate", lambda anew: None)
    monkeypatch.setattr(database, "prepare", lambda: None)
    monkeypatch.setattr(database, "in_use", lambda: False)
    done = type("Done", (), {"finish": lambda self: None})
    monkeypatch.setattr(backup, "prepare", lambda dev: done())


def exports(client: Client) -> dict[int, bytes]:
    ids = [one["id"] for one in client.get("/api/musters").json()]
    return {number: client.get(f"/api/musters/{number}/file").content for number in ids}


def test_what_is_restored_is_what_was_there(
    ada: Client, user_of: Callable[[str], Client], tmp_path: Path
) -> None:
    bea = user_of("bea")
    for client, name in ((ada, "Reed Coast"), (ada, "Silt Ñ “Crossing” ⚔"), (bea, "Weir")):
        assert post(client, "musters", {**NEW, "name": name}).status_code == 200
    before = [exports(client) for client in (ada, bea)]
    file = tmp_path / "all.gz"
    assert main(["backup", str(file)]) == 0
    assert stat.S_IMODE(file.stat().st_mode) == 0o600
    assert list(tmp_path.iterdir()) == [file]
    Muster.objects.all().delete()
    post(ada, "musters", {**NEW, "name": "Later"})
    connection.close()
    assert main(["restore", str(file)]) == 0
    assert [exports(client) for client in (ada, bea)] == before


@pytest.mark.parametrize("spoil", ["cut", "other", "empty", "sql"])
def test_a_broken_backup_changes_nothing_and_says_so(
    ada: Client, tmp_path: Path, spoil: str, capsys: pytest.CaptureFixture[str]
) -> None:
    post(ada, "musters", NEW)
    before = exports(ada)
    file = tmp_path / "all.gz"
    main(["backup", str(file)])
    whole: bytes = file.read_bytes()
    file.write_bytes({
        "cut": whole[: len(whole) // 2],
        "other": gzip.compress(b"SELECT 1;"),
        "empty": b"",
        "sql": gzip.compress(backup.MARK + b"CREATE TABLE a (b INT); SELEKT 1;"),
    }[spoil])  # fmt: skip
    connection.close()
    assert main(["restore", str(file)]) == 1
    assert exports(ada) == before
    assert capsys.readouterr().out


def test_nothing_is_restored_under_a_server_that_runs(
    monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    monkeypatch.setattr(backup, "running", lambda: "http://127.0.0.1:8000/")
    with pytest.raises(Stop, match="end that first"):
        backup.restore(tmp_path / "all.gz")
    monkeypatch.setattr(backup, "running", lambda: None)
    monkeypatch.setattr(database, "in_use", lambda: True)
    with pytest.raises(Stop, match="still in use"):
        backup.restore(tmp_path / "all.gz")


def test_a_backup_that_cannot_be_written_is_said(ada: Client, tmp_path: Path) -> None:
    assert main(["backup", str(tmp_path / "none" / "all.gz")]) == 1


def test_a_log_that_has_grown_long_begins_anew_while_it_is_written(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(watch, "LOG_BYTES", 100)
    log = tmp_path / "server.log"
    with log.open("ab", buffering=0) as file:
        file.write(b"a" * 101)
        watch.rotate(log)
        file.write(b"later\n")
    assert log.read_bytes() == b"later\n"
    assert (tmp_path / "server.old").read_bytes() == b"a" * 101
    watch.rotate(log)
    assert (tmp_path / "server.old").read_bytes() == b"a" * 101

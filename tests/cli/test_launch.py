"""The one command: steps are skipped while nothing has changed, and trouble is one sentence."""

from __future__ import annotations

import json
import os
import shutil
import signal
import socket
import subprocess
import sys
import time
from pathlib import Path

import pytest

from muster.cli.launch import database, database_home, main, serve, steps, watch


@pytest.fixture(autouse=True)
def own_folder(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Path:
    """Nothing here touches the real ``.run``."""
    for module in (steps, database, database_home, serve):
        monkeypatch.setattr(module, "RUN", tmp_path)
    monkeypatch.setattr(database, "SECRETS", tmp_path / "secrets.json")
    monkeypatch.setattr(database_home, "DATA", tmp_path / "db")
    return tmp_path


def test_a_step_is_done_once_for_the_same_input(capsys: pytest.CaptureFixture[str]) -> None:
    done: list[str] = []
    for key in ("a", "a", "b"):
        steps.step("front end", key, lambda key=key: done.append(key))
    assert done == ["a", "b"]
    assert "as before" in capsys.readouterr().out


def test_a_step_whose_result_is_gone_is_done_again() -> None:
    done: list[int] = []
    for good in (True, False):
        steps.step("node", "same", lambda: done.append(1), good)
    assert len(done) == 2


def test_a_step_that_failed_is_tried_again() -> None:
    def fails() -> None:
        raise steps.Stop("no network: connect, then start again.")

    with pytest.raises(steps.Stop):
        steps.step("npm", "same", fails)
    done: list[int] = []
    steps.step("npm", "same", lambda: done.append(1))
    assert done == [1]


def test_a_digest_changes_with_a_file_and_with_its_name(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(steps, "ROOT", tmp_path)
    file = tmp_path / "one.txt"
    file.write_text("reeds")
    first = steps.digest([tmp_path])
    file.write_text("silt")
    second = steps.digest([tmp_path])
    file.rename(tmp_path / "two.txt")
    assert len({first, second, steps.digest([tmp_path])}) == 3


def test_a_command_that_fails_stops_with_one_sentence(capsys: pytest.CaptureFixture[str]) -> None:
    with pytest.raises(steps.Stop, match="failed; see what it said above"):
        steps.run([sys.executable, "-c", "import sys; print('told you'); sys.exit(3)"])
    assert "told you" in capsys.readouterr().err


def test_a_full_disk_is_named(monkeypatch: pytest.MonkeyPatch) -> None:
    usage = type("Usage", (), {"free": 1000})
    monkeypatch.setattr(shutil, "disk_usage", lambda _: usage)
    with pytest.raises(steps.Stop, match="the disk is full"):
        steps.run([sys.executable, "-c", "raise SystemExit(1)"])


def test_secrets_are_random_kept_and_the_owners_alone(own_folder: Path) -> None:
    one = database.kept()
    assert database.kept() == one
    assert len(str(one["django"])) >= 50
    assert (own_folder / "secrets.json").stat().st_mode & 0o077 == 0
    (own_folder / "secrets.json").unlink()
    assert database.kept()["django"] != one["django"]


def test_broken_secrets_say_what_to_delete(own_folder: Path) -> None:
    (own_folder / "secrets.json").write_text("{")
    with pytest.raises(steps.Stop, match="delete the folder"):
        database.kept()


def test_a_port_in_use_is_passed_over() -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        assert database.answers(port)
        assert database.free_port(port) != port


def test_a_stale_pid_file_is_no_running_database(own_folder: Path) -> None:
    assert database.left_running() is None
    (own_folder / "db").mkdir()
    (own_folder / "db" / "db.pid").write_text("not a number")
    assert database.left_running() is None
    (own_folder / "db" / "db.pid").write_text(str(os.getpid()))
    assert database.left_running() is None


def test_the_databases_socket_has_one_name_for_one_folder(
    own_folder: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(database_home, "DATA", own_folder / ("deep" * 30) / "db")
    path = database_home.socket_path()
    assert len(str(path)) < 107
    assert database_home.socket_path() == path


def test_an_address_that_no_longer_answers_is_not_running(own_folder: Path) -> None:
    assert serve.running() is None
    (own_folder / "address").write_text("http://127.0.0.1:9/")
    assert serve.running() is None


def test_a_child_is_ended_and_its_log_kept_short(own_folder: Path) -> None:
    log = own_folder / "child.log"
    log.write_bytes(b"x" * 5_000_001)
    child = watch.start([sys.executable, "-c", "import time; print('here'); time.sleep(60)"], log)
    until = time.monotonic() + 20
    while "here" not in log.read_text() and time.monotonic() < until:
        assert child.poll() is None
    watch.end(child)
    assert child.poll() is not None
    assert log.stat().st_size < 100
    assert (own_folder / "child.old").exists()


@pytest.mark.parametrize("words", [[], ["help"], ["--help"]])
def test_no_word_gives_help(words: list[str], capsys: pytest.CaptureFixture[str]) -> None:
    assert main.main(words) == 0
    said = capsys.readouterr().out
    for command in ("demo", "start", "test", "shots", "plan"):
        assert command in said


def test_an_unknown_word_is_told_what_there_is(capsys: pytest.CaptureFixture[str]) -> None:
    assert main.main(["paint"]) == 2
    assert "there is no 'paint'" in capsys.readouterr().out


def test_what_stands_in_the_way_ends_with_1(
    monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    def stops(**_: object) -> int:
        raise steps.Stop("no port is free: end what uses them.")

    monkeypatch.setattr("muster.cli.launch.serve.serve", stops)
    assert main.main(["demo"]) == 1
    assert "no port is free" in capsys.readouterr().out


def test_without_rights_the_exact_command_is_printed(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(os, "geteuid", lambda: 1000)
    monkeypatch.setattr(shutil, "which", lambda name, path=None: None)
    with pytest.raises(steps.Stop, match=r"sudo apt-get install -y .*mariadb-server"):
        steps.install_packages(browser=True)


def test_the_command_starts_from_any_folder(tmp_path: Path) -> None:
    command = [sys.executable, str(steps.ROOT / "crisp"), "help"]
    done = subprocess.run(command, cwd=tmp_path, capture_output=True, text=True)
    assert done.returncode == 0
    assert "crisp COMMAND" in done.stdout


def test_no_secret_is_in_the_repository() -> None:
    ignored = (steps.ROOT / ".gitignore").read_text().split()
    assert ".run/" in ignored
    assert json.loads((steps.ROOT / "web" / "package.json").read_text())["private"] is True


def test_a_server_is_lost_after_three_silences_in_a_row_and_no_sooner() -> None:
    says = iter([True, False, False, True, False, False, False, True])
    pulse = watch.Pulse(lambda: next(says), every_s=10, most=3)
    lost = [pulse.lost(now) for now in range(0, 80, 10)]
    assert lost == [False, False, False, False, False, False, True, False]
    assert not pulse.lost(75), "it is not asked more often than every ten seconds"


def test_a_database_whose_note_is_lost_is_not_made_anew(
    own_folder: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Whoever deletes the notes of what was done keeps every muster."""
    monkeypatch.setattr(database_home, "account", lambda: None)
    monkeypatch.setattr(database_home, "run", lambda *_: pytest.fail("made anew"))
    (own_folder / "db").mkdir()
    (own_folder / "db" / "ibdata1").write_text("all musters")
    database_home.make_folder()
    assert (own_folder / "db" / "ibdata1").read_text() == "all musters"


def test_a_database_that_somebody_else_has_started_is_not_ended_under_him() -> None:
    words = "import subprocess, sys; print(subprocess.Popen(['sleep', '60']).pid, flush=True); "
    command = [sys.executable, "-c", f"{words} sys.stdin.read()", "crisp"]
    starter = subprocess.Popen(command, stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True)
    assert starter.stdout is not None
    child = int(starter.stdout.readline())
    try:
        assert database._watched(child)
        starter.kill()
        starter.wait()
        assert not database._watched(child)
    finally:
        os.kill(child, signal.SIGKILL)

"""A private MariaDB: its own data folder, port and socket, on loopback."""

from __future__ import annotations

import hashlib
import json
import os
import secrets
import shutil
import signal
import socket
import subprocess
import tempfile
import time
from pathlib import Path

from muster.cli.launch.steps import RUN, Stop, environment, run, step
from muster.cli.launch.watch import start

DATA = RUN / "db"
SECRETS = RUN / "secrets.json"
LOG = RUN / "db.log"


def kept() -> dict[str, object]:
    """The secrets, made at the first start: random, readable by the owner only."""
    if SECRETS.exists():
        try:
            found: dict[str, object] = json.loads(SECRETS.read_text())
            return found
        except ValueError as error:
            raise Stop(f"{SECRETS} is broken: delete the folder {RUN} and start again.") from error
    made: dict[str, object] = {
        "django": secrets.token_urlsafe(50),
        "database": secrets.token_urlsafe(24),
        "port": free_port(33070),
    }
    RUN.mkdir(parents=True, exist_ok=True)
    keep(made)
    return made


def keep(values: dict[str, object]) -> None:
    """Write the secrets at one stroke."""
    new = SECRETS.with_suffix(".new")
    handle = os.open(new, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600)
    with os.fdopen(handle, "w") as file:
        json.dump(values, file)
    new.replace(SECRETS)


def free_port(wanted: int) -> int:
    """The first port from ``wanted`` on that nothing listens on."""
    for port in range(wanted, wanted + 200):
        if not answers(port):
            return port
    raise Stop(f"no port from {wanted} to {wanted + 200} is free: end what uses them.")


def answers(port: int) -> bool:
    """Whether anything listens on a port of loopback."""
    with socket.socket() as probe:
        probe.settimeout(0.5)
        return probe.connect_ex(("127.0.0.1", port)) == 0


def _socket_path() -> Path:
    path = RUN / "db.sock"
    # A Unix socket's path may be 107 bytes long.
    if len(str(path)) < 100:
        return path
    name = hashlib.sha256(str(RUN).encode()).hexdigest()[:12]
    return Path(tempfile.gettempdir()) / f"crisp-{name}.sock"


def make_folder() -> None:
    """The data folder. One that was left half made is made anew."""
    half = RUN / "db.half"

    def act() -> None:
        shutil.rmtree(half, ignore_errors=True)
        user = [f"--user={'root' if os.geteuid() == 0 else os.environ.get('USER', 'nobody')}"]
        run(
            ["mariadb-install-db", "--no-defaults", "--auth-root-authentication-method=normal",
             f"--datadir={half}", "--skip-test-db", *user]
        )  # fmt: skip
        half.rename(DATA)

    step("database folder", "1", act, DATA.exists())


def left_running() -> int | None:
    """The id of our own mariadbd that an earlier start left behind, or None."""
    try:
        pid = int((RUN / "db.pid").read_text())
        command = Path(f"/proc/{pid}/cmdline").read_text()
    except (OSError, ValueError):
        return None
    return pid if str(DATA) in command and "mariadbd" in command else None


def start_database() -> subprocess.Popen[bytes] | None:
    """Start mariadbd and wait until it answers; None where it is running already."""
    values = kept()
    port = int(str(values["port"]))
    if left_running() is not None and answers(port):
        return None
    if answers(port):
        values["port"] = port = free_port(port + 1)
        keep(values)
    user = ["--user=root"] if os.geteuid() == 0 else []
    process = start(
        ["mariadbd", "--no-defaults", f"--datadir={DATA}", "--bind-address=127.0.0.1",
         f"--port={port}", f"--socket={_socket_path()}", f"--pid-file={RUN / 'db.pid'}",
         "--character-set-server=utf8mb4", "--collation-server=utf8mb4_bin",
         "--innodb-buffer-pool-size=64M", "--innodb-log-file-size=32M", "--performance-schema=OFF",
         "--innodb-flush-log-at-trx-commit=1", "--skip-log-bin", *user],
        LOG,
    )  # fmt: skip
    until = time.monotonic() + 60
    while not answers(port):
        if process.poll() is not None or time.monotonic() > until:
            tail = LOG.read_text(errors="replace")[-1500:] if LOG.exists() else ""
            raise Stop(f"the database did not start; its log {LOG} ends with:\n{tail}")
        time.sleep(0.1)
    return process


def prepare() -> None:
    """Database, user and time zones, and the tables of today's code."""
    values = kept()
    password = str(values["database"])
    client = ["mariadb", "--no-defaults", f"--socket={_socket_path()}", "-uroot"]

    def act() -> None:
        zones = subprocess.run(
            ["mariadb-tzinfo-to-sql", "/usr/share/zoneinfo"],
            capture_output=True, env=environment(),
        ).stdout  # fmt: skip
        grants = "".join(
            f"GRANT ALL ON `{name}`.* TO 'crisp'@'{host}';"
            for name in ("crisp_muster", "test\\_crisp\\_muster%")
            for host in ("127.0.0.1", "localhost")
        )
        users = "".join(
            f"CREATE OR REPLACE USER 'crisp'@'{host}' IDENTIFIED BY '{password}';"
            for host in ("127.0.0.1", "localhost")
        )
        script = (
            "CREATE DATABASE IF NOT EXISTS crisp_muster CHARACTER SET utf8mb4 "
            f"COLLATE utf8mb4_bin; {users}{grants} FLUSH PRIVILEGES;"
        )
        for text, where in ((zones, ["mysql"]), (script.encode(), [])):
            done = subprocess.run(
                [*client, *where], input=text, capture_output=True, env=environment()
            )
            if done.returncode:
                raise Stop(f"the database refused to be prepared: {done.stderr.decode()[-400:]}")

    step("database, user, time zones", password[:8], act)


def end(process: subprocess.Popen[bytes] | None) -> None:
    """End our own database cleanly."""
    if process is not None and process.poll() is None:
        process.send_signal(signal.SIGTERM)
        process.wait(30)

"""A private MariaDB: its own data folder, port and socket, on loopback."""

from __future__ import annotations

import json
import os
import secrets
import signal
import socket
import subprocess
import time
from pathlib import Path

from muster.cli.launch import database_home
from muster.cli.launch.steps import RUN, Stop, digest, environment, step
from muster.cli.launch.watch import start

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


def left_running() -> int | None:
    """The id of our own mariadbd that an earlier start left behind, or None."""
    try:
        pid = int((database_home.data() / "db.pid").read_text())
        command = Path(f"/proc/{pid}/cmdline").read_text()
    except (OSError, ValueError):
        return None
    return pid if str(database_home.data()) in command and "mariadbd" in command else None


def start_database(alone: bool = False) -> subprocess.Popen[bytes] | None:
    """Start mariadbd and wait until it answers; None where it is running already.

    ``alone``: nobody else uses it, so one that is left from a start that was killed is ended."""
    values = kept()
    port = int(str(values["port"]))
    if alone:
        _end_left()
    if left_running() is not None and answers(port):
        return None
    if answers(port):
        values["port"] = port = free_port(port + 1)
        keep(values)
    user = database_home.account()
    root = user is None and os.geteuid() == 0
    process = start(
        ["mariadbd", "--no-defaults", f"--datadir={database_home.data()}",
         "--bind-address=127.0.0.1", f"--port={port}",
         f"--socket={database_home.socket_path()}", f"--pid-file={database_home.data() / 'db.pid'}",
         f"--secure-file-priv={database_home.no_files()}", "--local-infile=0",
         "--skip-name-resolve", "--skip-symbolic-links",
         "--character-set-server=utf8mb4", "--collation-server=utf8mb4_bin",
         "--innodb-buffer-pool-size=64M", "--innodb-log-file-size=32M", "--performance-schema=OFF",
         "--innodb-flush-log-at-trx-commit=1", "--skip-log-bin",
         *(["--user=root"] if root else [])],
        LOG, user,
    )  # fmt: skip
    until = time.monotonic() + 60
    while not answers(port):
        if process.poll() is not None or time.monotonic() > until:
            tail = LOG.read_text(errors="replace")[-1500:] if LOG.exists() else ""
            raise Stop(f"the database did not start; its log {LOG} ends with:\n{tail}")
        time.sleep(0.1)
    return process


def _watched(pid: int) -> bool:
    """Whether the one who started a process still lives: a test or a backup under way."""
    try:
        parent = Path(f"/proc/{pid}/stat").read_text().rpartition(")")[2].split()[1]
        return b"crisp" in Path(f"/proc/{parent}/cmdline").read_bytes()
    except OSError:
        return False


def in_use() -> bool:
    """Whether somebody who still lives has started our database: a start that is just ending."""
    pid = left_running()
    return pid is not None and _watched(pid)


def _end_left() -> None:
    """End our own mariadbd of an earlier start. Raises Stop where it does not end."""
    pid = left_running()
    if pid is None or _watched(pid):
        return
    os.kill(pid, signal.SIGTERM)
    until = time.monotonic() + 60
    while left_running() == pid:
        if time.monotonic() > until:
            raise Stop(f"the database of an earlier start does not end: end process {pid}.")
        time.sleep(0.05)


def prepare(tests: bool = False) -> None:
    """Database, accounts and time zones. ``tests``: their databases are the application's too."""
    values = kept()
    password = str(values["database"])

    def tell(sql: bytes, *where: str) -> None:
        done = subprocess.run(
            [*administering(), *where], input=sql, capture_output=True, env=environment()
        )
        if done.returncode:
            raise Stop(f"the database refused to be prepared: {done.stderr.decode()[-400:]}")

    def zones() -> None:
        words = ["mariadb-tzinfo-to-sql", "/usr/share/zoneinfo"]
        tell(subprocess.run(words, capture_output=True, env=environment()).stdout, "mysql")

    step("time zones", password[:8], zones)
    told = accounts(password, tests)
    step("database accounts", digest([], told), lambda: tell(told.encode()))


def administering() -> list[str]:
    """The client, as whoever the socket says we are; in an older folder, as root."""
    for name in (database_home.administrator(), "root"):
        client = ["mariadb", "--no-defaults", f"--socket={database_home.socket_path()}",
                  f"--user={name}"]  # fmt: skip
        if not subprocess.run([*client, "-e", "DO 1"], capture_output=True).returncode:
            return client
    return client


def accounts(password: str, tests: bool) -> str:
    """SQL: root and whoever starts it by the identity of his socket only, nobody without a name,
    and the application's account with rights on its own database alone."""
    own = database_home.administrator()
    hosts = ("127.0.0.1", "localhost")
    databases = ("crisp_muster", *(("test\\_crisp\\_muster%",) if tests else ()))
    words = ["CREATE DATABASE IF NOT EXISTS crisp_muster CHARACTER SET utf8mb4 COLLATE utf8mb4_bin"]
    for name in dict.fromkeys(("root", own)):
        words += [
            f"CREATE USER IF NOT EXISTS '{name}'@'localhost' IDENTIFIED VIA unix_socket",
            f"ALTER USER '{name}'@'localhost' IDENTIFIED VIA unix_socket",
            f"GRANT ALL ON *.* TO '{name}'@'localhost' WITH GRANT OPTION",
        ]
    words.append(
        "DELETE FROM mysql.global_priv WHERE User NOT IN ('crisp', 'mariadb.sys') AND "
        f"(Host, User) NOT IN (('localhost', 'root'), ('localhost', '{own}'))"
    )
    words.append("FLUSH PRIVILEGES")
    for host in hosts:
        words.append(f"CREATE OR REPLACE USER 'crisp'@'{host}' IDENTIFIED BY '{password}'")
        words += [f"GRANT ALL ON `{name}`.* TO 'crisp'@'{host}'" for name in databases]
    return "".join(f"{one};" for one in (*words, "FLUSH PRIVILEGES"))


def end(process: subprocess.Popen[bytes] | None) -> None:
    """End our own database cleanly."""
    if process is not None and process.poll() is None:
        process.send_signal(signal.SIGTERM)
        process.wait(30)

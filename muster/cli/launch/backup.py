"""``crisp backup FILE`` and ``crisp restore FILE``: the whole database as one compressed file."""

from __future__ import annotations

import gzip
import os
import subprocess
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from muster.cli.launch import database, database_home
from muster.cli.launch.serve import migrate, prepare, running
from muster.cli.launch.steps import Stop, environment, say

MARK = b"-- crisp-muster backup 1\n"
NAME = "crisp_muster"
TRIED = "crisp_restoring"
"""Where a backup is read first, so that a broken one changes nothing."""


def backup(target: Path) -> int:
    """Write everything into a file, as it is at one moment, whether or not the server runs."""
    with _database():
        client = database.administering()
        words = ["mariadb-dump", *client[1:], "--single-transaction", "--skip-dump-date",
                 "--hex-blob", "--default-character-set=utf8mb4", NAME]  # fmt: skip
        new = target.with_name(f".{target.name}.new")
        try:
            handle = os.open(new, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600)
            with os.fdopen(handle, "wb") as raw, gzip.GzipFile("", "wb", 6, raw, 0) as file:
                file.write(MARK)
                _dump(words, file)
            new.replace(target)
        except OSError as error:
            raise Stop(f"{target}: {error.strerror}: choose another place.") from error
        finally:
            new.unlink(missing_ok=True)
    say(f"{target}: {target.stat().st_size / 1e6:.1f} MB. It holds every account: keep it safe.")
    return 0


def _dump(words: list[str], file: gzip.GzipFile) -> None:
    with subprocess.Popen(
        words, stdout=subprocess.PIPE, stderr=subprocess.PIPE, env=environment()
    ) as dump:
        assert dump.stdout is not None and dump.stderr is not None
        while part := dump.stdout.read(1 << 20):
            file.write(part)
        said = dump.stderr.read().decode()
        if dump.wait():
            raise Stop(f"the database could not be read: {said[-400:]}")


def restore(source: Path) -> int:
    """Put everything back as it was when the file was written; what came after is gone.

    A file that cannot be read whole changes nothing."""
    if address := running():
        raise Stop(f"it runs at {address}: end that first, so that nobody loses a tick.")
    if database.in_use():
        raise Stop("its database is still in use: wait until what uses it has ended, then restore.")
    sql = _read(source)
    prepare(dev=False).finish()
    with _database():
        database.prepare()
        try:
            _load(TRIED, sql)
            _move()
        finally:
            _tell(f"DROP DATABASE IF EXISTS {TRIED}")
        migrate(anew=True)
    say(f"Everything is as it was in {source}.")
    return 0


def _read(source: Path) -> bytes:
    try:
        with gzip.open(source) as file:
            if file.readline() != MARK:
                raise Stop(f"{source} is no backup of Crisp Muster: nothing was changed.")
            return file.read()
    except (OSError, EOFError) as error:
        raise Stop(f"{source} cannot be read: {error}. Nothing was changed.") from error


def _load(name: str, sql: bytes) -> None:
    """A database of that name with nothing but what the SQL says."""
    _tell(_empty(name))
    _tell(sql, name)


def _move() -> None:
    """What was read takes the place of what was there; nothing is written anew that could fail."""
    listed = _tell(
        f"SELECT table_name FROM information_schema.tables WHERE table_schema = '{TRIED}'", "-N"
    )
    moves = ", ".join(f"{TRIED}.`{one}` TO {NAME}.`{one}`" for one in listed.split())
    _tell(f"{_empty(NAME)}; RENAME TABLE {moves}")


def _empty(name: str) -> str:
    return (
        f"DROP DATABASE IF EXISTS {name}; "
        f"CREATE DATABASE {name} CHARACTER SET utf8mb4 COLLATE utf8mb4_bin"
    )


def _tell(sql: str | bytes, *where: str) -> str:
    """What the database answers. Raises Stop where it does not take it."""
    text = sql.encode() if isinstance(sql, str) else sql
    done = subprocess.run(
        [*database.administering(), *where], input=text, capture_output=True, env=environment()
    )
    if done.returncode:
        raise Stop(f"the database did not take it: {done.stderr.decode()[-400:]}")
    return done.stdout.decode()


@contextmanager
def _database() -> Iterator[None]:
    """The database, started where it does not run, and ended where we started it."""
    if not database_home.DATA.exists() and not running():
        database_home.make_folder()
    base = database.start_database()
    try:
        yield
    finally:
        database.end(base)

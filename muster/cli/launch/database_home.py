"""Where the database lies, and whose: an unprivileged account's, in folders for it alone."""

from __future__ import annotations

import getpass
import hashlib
import os
import pwd
import shutil
import subprocess
import tempfile
from pathlib import Path

from muster.cli.launch.steps import RUN, run, step

DATA = RUN / "db"
SERVICE = "mysql"
"""The account that Debian's package makes for the server."""
ELSEWHERE = Path("/var/lib/crisp-muster")
"""For data that this account could not reach below the project."""


def account() -> str | None:
    """The account that the server runs as where it is started as root; None: as who starts it."""
    if os.geteuid() != 0:
        return None
    try:
        pwd.getpwnam(SERVICE)
    except KeyError:
        return None
    return SERVICE


def administrator() -> str:
    """The database's account that the one who starts it is, by the identity of his socket."""
    return "root" if os.geteuid() == 0 else getpass.getuser()


def data() -> Path:
    """The folder itself, wherever it lies."""
    return DATA.resolve()


def name() -> str:
    """A short name for this folder's database."""
    return hashlib.sha256(str(RUN).encode()).hexdigest()[:12]


def close_off() -> None:
    """Nobody else looks into the folder; the server's account may pass through to its own."""
    RUN.mkdir(parents=True, exist_ok=True)
    RUN.chmod(0o711 if account() else 0o700)


def make_folder() -> None:
    """The data folder. One that was left half made is made anew; one of an older program, which ran
    as root, is handed over."""
    close_off()
    user = account()
    home = RUN if user is None or _reaches(user, RUN) else ELSEWHERE / name()

    def act() -> None:
        if DATA.exists():
            # Only the note that it was made is gone.
            return
        home.mkdir(parents=True, exist_ok=True, mode=0o711)
        half, whole = home / "db.half", home / "db"
        shutil.rmtree(half, ignore_errors=True)
        if home != RUN:
            # Of a folder that was deleted to begin from nothing.
            shutil.rmtree(whole, ignore_errors=True)
        words = [f"--user={user}"] if user else []
        run(
            ["mariadb-install-db", "--no-defaults", "--auth-root-authentication-method=socket",
             f"--auth-root-socket-user={administrator()}", f"--datadir={half}", "--skip-test-db",
             *words]
        )  # fmt: skip
        half.chmod(0o700)
        half.rename(whole)
        if home != RUN:
            DATA.unlink(missing_ok=True)
            DATA.symlink_to(whole)

    step("database folder", "1", act, DATA.exists())
    if user and DATA.stat().st_uid == 0:
        _hand_over(user, home)
    DATA.chmod(0o700)


def no_files() -> Path:
    """The only folder that SQL could read files from or write them to: empty, and not writable."""
    path = data().parent / "db-files"
    if not path.exists():
        path.mkdir()
    path.chmod(0o555)
    return path


def socket_path() -> Path:
    """The server's socket, in a folder that only its account can enter."""
    path = data() / "db.sock"
    # A Unix socket's path may be 107 bytes long.
    if len(str(path)) < 100:
        return path
    folder = Path(tempfile.gettempdir()) / f"crisp-{name()}"
    folder.mkdir(mode=0o700, exist_ok=True)
    user = account()
    if user:
        shutil.chown(folder, user)
    return folder / "db.sock"


def _reaches(user: str, path: Path) -> bool:
    command = ["test", "-x", str(path)]
    return subprocess.run(command, user=user, group=user, extra_groups=[]).returncode == 0


def _hand_over(user: str, home: Path) -> None:
    """Give a folder that root made to the account that the server runs as from now on."""
    if home != RUN:
        home.mkdir(parents=True, exist_ok=True, mode=0o711)
        shutil.move(DATA, home / "db")
        DATA.symlink_to(home / "db")
    for path in (DATA, *DATA.rglob("*")):
        shutil.chown(path, user, user)

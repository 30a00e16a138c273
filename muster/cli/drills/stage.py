"""Where a drill is held: the whole program in a folder of its own, beside nobody's musters."""

from __future__ import annotations

import os
import shutil
import signal
import subprocess
import sys
import time
import urllib.request
from collections.abc import Callable, Iterable
from contextlib import suppress
from http.client import HTTPException
from pathlib import Path

from muster.cli.launch.database_home import account
from muster.cli.launch.steps import ROOT, RUN, Stop, say

SHARED_STAMPS = (
    "Debian-packages", "virtual-environment", "Python-packages", "Python-test-packages",
    "npm-packages", "front-end", "planner,-compiled",
)  # fmt: skip
"""Of steps whose result is the same in every folder."""
START_S = 300.0
MORE = {"CRISP_SIGN_UPS": "100000/h", "CRISP_REQUEST_SECONDS": "120"}
"""A drill asks whether anything is lost, also on a machine that is slower than the limits."""


class Stage:
    """The program, started by its one command in a folder that is removed at the end."""

    def __init__(self, folder: Path | None = None) -> None:
        self.folder = folder or RUN / "drill"
        self.launcher: subprocess.Popen[bytes] | None = None
        self.address = ""

    def __enter__(self) -> Stage:
        if not (RUN / "stamps").exists():
            raise Stop("a drill needs what a first start installs: run 'crisp start' once.")
        shutil.rmtree(self.folder / "db", ignore_errors=True)
        (self.folder / "stamps").mkdir(parents=True, exist_ok=True)
        self.folder.chmod(0o711 if account() else 0o700)
        for name in ("venv", "numba"):
            link = self.folder / name
            if not link.exists():
                link.symlink_to(RUN / name)
        for stamp in (self.folder / "stamps").iterdir():
            stamp.unlink()
        for name in SHARED_STAMPS:
            if (RUN / "stamps" / name).exists():
                shutil.copy(RUN / "stamps" / name, self.folder / "stamps" / name)
        try:
            self.start()
        except BaseException:
            self.end()
            raise
        return self

    def __exit__(self, kind: type[BaseException] | None, *rest: object) -> None:
        self.end()
        if kind is None:
            shutil.rmtree(self.folder, ignore_errors=True)
        else:
            told(f"what it wrote is kept in {self.folder}")

    def start(self) -> None:
        """Start it, and wait until it answers. Raises Stop where it does not."""
        until = time.monotonic() + START_S
        # One that was killed leaves its address behind, and its server ends a moment later.
        (self.folder / "address").unlink(missing_ok=True)
        while time.monotonic() < until:
            if self.launcher is None or self.launcher.poll() is not None:
                self.launcher = self._launched()
            with suppress(OSError):
                self.address = (self.folder / "address").read_text().rstrip("/")
                if self.answers():
                    return
            time.sleep(0.05)
        raise Stop(f"the drill's server did not start: see the logs in {self.folder}.")

    def _launched(self) -> subprocess.Popen[bytes]:
        return subprocess.Popen(
            [sys.executable, str(ROOT / "crisp"), "start"], cwd=ROOT, start_new_session=True,
            stdout=(self.folder / "launcher.log").open("ab"), stderr=subprocess.STDOUT,
            stdin=subprocess.DEVNULL,
            env={**os.environ, "CRISP_RUN_DIR": str(self.folder), **MORE},
        )  # fmt: skip

    def end(self) -> None:
        """End it as Ctrl-C does."""
        if self.launcher is not None and self.launcher.poll() is None:
            self.launcher.send_signal(signal.SIGINT)
            with suppress(subprocess.TimeoutExpired):
                self.launcher.wait(30)
            if self.launcher.poll() is None:
                os.killpg(self.launcher.pid, signal.SIGKILL)
                self.launcher.wait()

    def answers(self) -> bool:
        """Whether server and database answer."""
        try:
            with urllib.request.urlopen(f"{self.address}/healthz", timeout=2) as answer:
                return bool(answer.status == 200)
        except (OSError, HTTPException):
            return False

    def whole(self, parts: Iterable[str], most_s: float = 60) -> dict[str, list[int]]:
        """The processes, once every part is there. Raises Stop where one stays away."""
        until = time.monotonic() + most_s
        while missing := set(parts) - (found := self.processes()).keys():
            if time.monotonic() > until:
                raise Stop(f"not there again: {', '.join(sorted(missing))}")
            time.sleep(0.05)
        return found

    def back_after(self, most_s: float = 60) -> float:
        """How many seconds until it answers."""
        begun = time.monotonic()
        while time.monotonic() - begun < most_s:
            if self.answers():
                break
            time.sleep(0.02)
        return time.monotonic() - begun

    def processes(self) -> dict[str, list[int]]:
        """By what they are: the ids of this stage's processes, the server's own one first."""
        assert self.launcher is not None
        found: dict[str, list[int]] = {"launcher": [self.launcher.pid]}
        for pid, words in _commands(self.launcher.pid):
            for name, mark in MARKS.items():
                if mark(words):
                    found.setdefault(name, []).append(pid)
        return found

    def memory_mb(self) -> float:
        """What all its processes hold, what they share counted once (proportional set size)."""
        total = 0
        assert self.launcher is not None
        for pid in (self.launcher.pid, *(pid for pid, _ in _commands(self.launcher.pid))):
            with suppress(OSError):
                text = Path(f"/proc/{pid}/smaps_rollup").read_text()
                total += int(text.partition("Pss:")[2].split()[0])
        return total / 1024


MARKS: dict[str, Callable[[str], bool]] = {
    "web": lambda words: "gunicorn" in words,
    "computing": lambda words: "spawn_main" in words,
    "worker": lambda words: "manage.py work" in words,
    "database": lambda words: words.startswith("mariadbd"),
}


def _commands(parent: int) -> list[tuple[int, str]]:
    """The processes that a process has begun, and those that these have: id and command."""
    rows: list[tuple[int, int, str]] = []
    for stat in Path("/proc").glob("[0-9]*/stat"):
        with suppress(OSError):
            above = int(stat.read_text().rpartition(")")[2].split()[1])
            words = (stat.parent / "cmdline").read_bytes().replace(b"\0", b" ").decode()
            rows.append((int(stat.parent.name), above, words))
    found: list[tuple[int, str]] = []
    new = {parent}
    while new:
        below = [(pid, words) for pid, above, words in rows if above in new]
        found += below
        new = {pid for pid, _ in below}
    return sorted(found)


def told(text: str) -> None:
    """A line of a drill's report."""
    say(f"  {text}")

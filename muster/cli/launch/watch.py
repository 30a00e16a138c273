"""Child processes: started so that they end with us, watched, and ended by their ids only."""

from __future__ import annotations

import ctypes
import math
import os
import shutil
import signal
import subprocess
from collections.abc import Callable
from pathlib import Path

from muster.cli.launch.steps import ROOT, environment

LOG_BYTES = 5_000_000
_DEATH_SIGNAL = 1  # PR_SET_PDEATHSIG


def _end_with_parent() -> None:
    ctypes.CDLL(None).prctl(_DEATH_SIGNAL, signal.SIGTERM)


def start(
    command: list[str], log: Path, user: str | None = None, **more: str
) -> subprocess.Popen[bytes]:
    """Start a child in a session of its own, its output to a log that is kept short.

    ``user``: whose rights it has. They are taken on before it is told to end with us, which a
    process that changes them itself would forget."""
    log.parent.mkdir(parents=True, exist_ok=True)
    rotate(log)
    with log.open("ab") as file:
        log.chmod(0o600)
        return subprocess.Popen(
            command, cwd=ROOT, stdout=file, stderr=file, stdin=subprocess.DEVNULL,
            env={**environment(), **more}, start_new_session=True, preexec_fn=_end_with_parent,
            user=user, group=user, extra_groups=None if user is None else [],
        )  # fmt: skip


def rotate(log: Path) -> None:
    """Begin a log anew that has grown long; the part before it is kept as ``.old``. Whoever writes
    goes on writing: each line is put at the end, wherever that is."""
    if log.exists() and log.stat().st_size > LOG_BYTES:
        old = log.with_suffix(".old")
        shutil.copyfile(log, old)
        old.chmod(0o600)
        os.truncate(log, 0)


def end(process: subprocess.Popen[bytes]) -> None:
    """Ask a child to end, and wait for it."""
    if process.poll() is None:
        process.send_signal(signal.SIGTERM)
        try:
            process.wait(15)
        except subprocess.TimeoutExpired:
            process.kill()
            process.wait()


class Pulse:
    """Whether a server still answers: asked now and then, lost after some silences in a row."""

    def __init__(self, answers: Callable[[], bool], every_s: float = 10, most: int = 3) -> None:
        self.answers = answers
        self.every_s, self.most = every_s, most
        self.silences, self.asked = 0, -math.inf

    def lost(self, now: float) -> bool:
        """Whether it is time to start it anew. ``now``: seconds of a clock that only rises."""
        if now - self.asked < self.every_s:
            return False
        self.asked = now
        self.silences = 0 if self.answers() else self.silences + 1
        if self.silences < self.most:
            return False
        self.silences = 0
        return True

"""Child processes: started so that they end with us, watched, and ended by their ids only."""

from __future__ import annotations

import ctypes
import signal
import subprocess
from pathlib import Path

from muster.cli.launch.steps import ROOT, environment

_DEATH_SIGNAL = 1  # PR_SET_PDEATHSIG


def _end_with_parent() -> None:
    ctypes.CDLL(None).prctl(_DEATH_SIGNAL, signal.SIGTERM)


def start(command: list[str], log: Path, **more: str) -> subprocess.Popen[bytes]:
    """Start a child in a session of its own, its output to a log that is kept short."""
    log.parent.mkdir(parents=True, exist_ok=True)
    if log.exists() and log.stat().st_size > 5_000_000:
        log.replace(log.with_suffix(".old.log"))
    with log.open("ab") as file:
        return subprocess.Popen(
            command, cwd=ROOT, stdout=file, stderr=file, stdin=subprocess.DEVNULL,
            env={**environment(), **more}, start_new_session=True, preexec_fn=_end_with_parent,
        )  # fmt: skip


def end(process: subprocess.Popen[bytes]) -> None:
    """Ask a child to end, and wait for it."""
    if process.poll() is None:
        process.send_signal(signal.SIGTERM)
        try:
            process.wait(15)
        except subprocess.TimeoutExpired:
            process.kill()
            process.wait()

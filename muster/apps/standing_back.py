"""Processes that compute let those go first that answer at once."""

from __future__ import annotations

import contextlib
import os
from pathlib import Path


def stand_back(nicer: int) -> None:
    """Be nicer by so much, in a session of one's own: where the kernel shares time out by session,
    that counts, not the process."""
    os.nice(nicer)
    with contextlib.suppress(OSError):
        if os.getsid(0) != os.getpid():
            os.setsid()
        Path("/proc/self/autogroup").write_text(str(nicer))

"""Which program made a plan: one that works out other work, waits or minutes makes it anew."""

from __future__ import annotations

from functools import cache
from hashlib import sha256
from pathlib import Path

CORE = Path(__file__).resolve().parents[2] / "core"

DECIDING = ("craft", "recipes", "stack", "work", "plan")
"""What decides a muster's work and how it is planned."""


@cache
def program() -> str:
    """A digest of the files that decide a muster's plan."""
    found = sha256()
    for folder in DECIDING:
        for path in sorted((CORE / folder).rglob("*.py")):
            found.update(path.relative_to(CORE).as_posix().encode())
            found.update(path.read_bytes())
    return found.hexdigest()[:16]

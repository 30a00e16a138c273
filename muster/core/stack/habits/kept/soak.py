"""Decals soak."""

from __future__ import annotations

from muster.core.stack.habits.habit import Habit, register

SOAK = register(
    Habit(
        "soak",
        7,
        "Decals soak",
        "10 s",
        {
            "10 s": "leaves the film's own glue on",
            "45 s": "slides at once",
        },
    )
)

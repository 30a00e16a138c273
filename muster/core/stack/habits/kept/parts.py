"""Parts."""

from __future__ import annotations

from muster.core.stack.habits.habit import Habit, register

PARTS = register(
    Habit(
        "parts",
        6,
        "Parts",
        "apart",
        {
            "apart": "easier to reach and to spray; fitted afterwards",
            "fixed": "strong and aligned; some corners are out of reach",
        },
    )
)

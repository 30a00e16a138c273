"""Eyes."""

from __future__ import annotations

from muster.core.stack.habits.habit import Habit, register

EYES = register(
    Habit(
        "eyes",
        10,
        "Eyes",
        "none",
        {
            "none": "not seen at this size",
            "painted": "they give a face life, and take long",
        },
    )
)

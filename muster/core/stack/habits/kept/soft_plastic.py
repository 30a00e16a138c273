"""Soft plastic."""

from __future__ import annotations

from muster.core.stack.habits.habit import Habit, register

SOFT_PLASTIC = register(
    Habit(
        "soft_plastic",
        2,
        "Soft plastic",
        "dip",
        {
            "dip": "a thin flexible skin of white glue holds the paint; costs a day",
            "straight": "quick; paint flakes where the figure bends",
        },
    )
)

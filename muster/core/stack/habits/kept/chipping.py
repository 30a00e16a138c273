"""Chips."""

from __future__ import annotations

from muster.core.stack.habits.habit import Habit, register

CHIPPING = register(
    Habit(
        "chipping",
        5,
        "Chips",
        "sponge",
        {
            "sponge": "quick and random; torn pieces repeat when they are not swapped",
            "brush": "each chip where it is wanted; slow",
            "fluid": "real layers, real edges; one sitting, and it may not lift",
        },
    )
)

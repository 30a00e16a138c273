"""Undercoat."""

from __future__ import annotations

from muster.core.stack.habits.habit import Habit, register

UNDERCOAT = register(
    Habit(
        "undercoat",
        3,
        "Undercoat",
        "purpose",
        {
            "purpose": "black for shadow, white for bright colours, oxide under chipping",
            "none": "the moulded colour, dulled with matt varnish, is the base; "
            "wears through sooner",
        },
    )
)

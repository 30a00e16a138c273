"""Varnish."""

from __future__ import annotations

from muster.core.stack.habits.habit import Habit, register

VARNISH = register(
    Habit(
        "varnish",
        9,
        "Varnish",
        "between",
        {
            "between": "each phase is safe from the next; more coats, more waiting",
            "end": "fewer coats; each wrong step costs what lies below",
        },
    )
)

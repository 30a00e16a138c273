"""Under a wash."""

from __future__ import annotations

from muster.core.stack.habits.habit import Habit, register

WASH_GROUND = register(
    Habit(
        "wash_ground",
        8,
        "Under a wash",
        "gloss",
        {
            "gloss": "a wash flows into recesses and can be taken back",
            "matt": "a wash spreads and stains, as wanted on mortar and timber",
        },
    )
)

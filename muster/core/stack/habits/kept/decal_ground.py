"""Ground for decals."""

from __future__ import annotations

from muster.core.stack.habits.habit import Habit, register

DECAL_GROUND = register(
    Habit(
        "decal_ground",
        1,
        "Ground for decals",
        "gloss",
        {
            "gloss": "no air is caught under the film; a night to dry, a coat to spray",
            "fluids": "saves the gloss; setting and softening fluid pull it down, and may tear it",
            "glue": "two thin coats of white glue are gloss enough; water softens it again",
        },
    )
)

"""Words that every part of the program shares: what a subject is, seen from where, how long."""

from __future__ import annotations

from typing import Annotated, Literal, get_args

from pydantic import ConfigDict, Field

Tier = Literal["table", "hand", "close"]
TIERS: tuple[Tier, ...] = ("table", "hand", "close")
"""By viewing distance: across the table (1 m), in the hand (30 cm), close up (15 cm)."""

TIER_WORDS: dict[Tier, str] = {
    "table": "across the table", "hand": "in the hand", "close": "close up",
}  # fmt: skip

Kind = Literal["figure", "mounted", "vehicle", "gun", "aircraft", "building", "base"]
KINDS: tuple[Kind, ...] = get_args(Kind)

Cut = Literal["none", "item", "any"]

Material = Literal[
    "polystyrene", "resin", "metal", "print", "polythene", "wood", "board", "foam", "plaster"
]
"""What the bare model is made of."""

Colour = Annotated[str, Field(pattern=r"^#[0-9a-f]{6}$")]
Name = Annotated[str, Field(min_length=1, max_length=60)]
Minutes = Annotated[float, Field(ge=0, le=100_000)]

Opacity = Literal["opaque", "semi-opaque", "semi-transparent", "transparent"]

STRICT = ConfigDict(extra="forbid")
"""No field that is not known."""

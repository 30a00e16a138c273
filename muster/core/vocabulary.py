"""Words that every part of the program shares: what a subject is, seen from where, how long."""

from __future__ import annotations

import unicodedata
from datetime import date, datetime, time
from functools import lru_cache
from typing import Annotated, Any, Literal, get_args

from pydantic import AfterValidator, AwareDatetime, BeforeValidator, ConfigDict, Field

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
    "polystyrene", "resin", "metal", "photo-etch", "print", "polythene", "vinyl", "clear", "wood",
    "board", "card", "cork", "foam", "plaster", "cloth", "scatter",
]  # fmt: skip
"""What a bare model, a part of it, or one side of a joint is made of."""

Purpose = Literal[
    "ground", "hide", "shade", "light", "modulate", "tone down", "spot", "mark", "wear", "clean up"
]
"""What a pass is for: an undercoat, a colour, shade, light, a colour that lets the ground through,
toning down, a spot of colour, a marking, wear and dirt, a correction."""

Use = Literal["played", "shown"]
"""Whether the models are handled in play or stand in a cabinet."""

Finish = Literal["matt", "satin", "gloss", "metallic"]

MOST_MINUTES = 100_000
"""Ten weeks: what is waited for at the bench, or said of a medium, is never longer."""

FIRST_DAY, LAST_DAY = date(2000, 1, 1), date(2076, 12, 31)
"""Between these lies every day that is chosen or told: fifty years from the first of this."""

UNSEEN = (
    "\u00ad\u200b\u200e\u200f\u2060\ufeff\u202a\u202b\u202c\u202d\u202e\u2066\u2067\u2068\u2069"
)
"""Signs without width, and those that turn the reading around: no part of a name."""


def _lower(value: Any) -> Any:
    return value.lower() if isinstance(value, str) else value


def clean_name(text: str) -> str:
    """A name as it is kept: composed, in one line, without signs that cannot be seen.

    Raises ValueError where nothing is left.
    """
    seen = "".join(sign for sign in unicodedata.normalize("NFC", text) if sign not in UNSEEN)
    found = " ".join("".join(s if unicodedata.category(s) != "Cc" else " " for s in seen).split())
    if not found:
        raise ValueError("nothing of it can be seen: type a name")
    return found


@lru_cache(maxsize=4096)
def name_key(name: str) -> str:
    """By which two spellings are one name: without regard to case, or to signs without width."""
    folded = unicodedata.normalize("NFKC", name).casefold()
    seen = "".join(sign for sign in folded if unicodedata.category(sign) != "Cf")
    return " ".join(seen.split())


def _in_these_years(day: date) -> date:
    if not FIRST_DAY <= day <= LAST_DAY:
        raise ValueError(f"{day:%Y-%m-%d} is out of reach: use {FIRST_DAY.year} to {LAST_DAY.year}")
    return day


def _moment_in_these_years(moment: datetime) -> datetime:
    # At the ends of the calendar a moment cannot be told in another zone.
    if not FIRST_DAY.year < moment.year < LAST_DAY.year:
        raise ValueError(f"it is out of reach: use {FIRST_DAY.year + 1} to {LAST_DAY.year - 1}")
    return moment


def _without_zone(clock: time) -> time:
    if clock.tzinfo is not None:
        raise ValueError("it is a time on the user's own clock: leave out its zone")
    return clock


Colour = Annotated[str, Field(pattern=r"^#[0-9a-f]{6}$"), BeforeValidator(_lower)]
Name = Annotated[str, Field(min_length=1, max_length=60), AfterValidator(clean_name)]
Minutes = Annotated[float, Field(ge=0, le=MOST_MINUTES)]
Day = Annotated[date, AfterValidator(_in_these_years)]
Moment = Annotated[AwareDatetime, AfterValidator(_moment_in_these_years)]
LocalTime = Annotated[time, AfterValidator(_without_zone)]
Millimetres = Annotated[float, Field(ge=0.01, le=500)]
DocumentVersion = Annotated[int, Field(ge=0, le=2_000_000_000)]
"""Of a versioned document, as a caller saw it."""

Opacity = Literal["opaque", "semi-opaque", "semi-transparent", "transparent"]

STRICT = ConfigDict(extra="forbid")
"""No field that is not known."""

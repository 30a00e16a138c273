"""House habits: where schools differ, the user's own way, with reasons on both sides."""

from __future__ import annotations

from dataclasses import dataclass, fields
from typing import Literal


@dataclass(frozen=True, slots=True)
class Habits:
    """One choice for each disagreement; the defaults are ours."""

    decal_ground: Literal["gloss", "fluids", "glue"] = "gloss"
    soft_plastic: Literal["dip", "straight"] = "dip"
    undercoat: Literal["purpose", "none"] = "purpose"
    weathering: Literal["solvent", "all-acrylic"] = "solvent"
    chipping: Literal["sponge", "brush", "fluid"] = "sponge"
    parts: Literal["apart", "fixed"] = "apart"
    soak: Literal["10 s", "45 s"] = "10 s"
    wash_ground: Literal["gloss", "matt"] = "gloss"
    varnish: Literal["between", "end"] = "between"
    eyes: Literal["none", "painted"] = "none"


OURS = Habits()
"""Our defaults."""

REASONS: dict[str, dict[str, str]] = {
    "decal_ground": {
        "gloss": "no air is caught under the film; a night to dry, a coat to spray",
        "fluids": "saves the gloss; setting and softening fluid pull it down, and may tear it",
        "glue": "two thin coats of white glue are gloss enough; water softens it again",
    },
    "soft_plastic": {
        "dip": "a thin flexible skin of white glue holds the paint; costs a day",
        "straight": "quick; paint flakes where the figure bends",
    },
    "undercoat": {
        "purpose": "black for shadow, white for bright colours, oxide under chipping",
        "none": "the moulded colour, dulled with matt varnish, is the base; wears through sooner",
    },
    "weathering": {
        "solvent": "flows, and can be wiped back for hours; fumes, and a day to dry",
        "all-acrylic": "no fumes and dry in an hour; must be worked within minutes",
    },
    "chipping": {
        "sponge": "quick and random; torn pieces repeat when they are not swapped",
        "brush": "each chip where it is wanted; slow",
        "fluid": "real layers, real edges; one sitting, and it may not lift",
    },
    "parts": {
        "apart": "easier to reach and to spray; fitted afterwards",
        "fixed": "strong and aligned; some corners are out of reach",
    },
    "soak": {"10 s": "leaves the film's own glue on", "45 s": "slides at once"},
    "wash_ground": {
        "gloss": "a wash flows into recesses and can be taken back",
        "matt": "a wash spreads and stains, as wanted on mortar and timber",
    },
    "varnish": {
        "between": "each phase is safe from the next; more coats, more waiting",
        "end": "fewer coats; each wrong step costs what lies below",
    },
    "eyes": {"none": "not seen at this size", "painted": "they give a face life, and take long"},
}
"""By habit and choice: what speaks for it."""

ABOUT = {
    "decal_ground": "Ground for decals",
    "soft_plastic": "Soft plastic",
    "undercoat": "Undercoat",
    "weathering": "Weathering",
    "chipping": "Chips",
    "parts": "Parts",
    "soak": "Decals soak",
    "wash_ground": "Under a wash",
    "varnish": "Varnish",
    "eyes": "Eyes",
}
"""What each habit is about."""

SHORT = {"all-acrylic": ("weathering", "all-acrylic")}


def habits_from(words: list[str]) -> Habits:
    """Habits from words such as ``all-acrylic`` or ``decal_ground=fluids``. Raises ValueError."""
    chosen: dict[str, str] = {}
    known = {one.name for one in fields(Habits)}
    for word in words:
        name, _, value = word.partition("=")
        name = name.replace("-", "_") if value else name
        if not value:
            if word not in SHORT:
                raise ValueError(f"no habit is called '{word}': use {', '.join(SHORT)} or NAME=WAY")
            name, value = SHORT[word]
        if name not in known or value not in REASONS[name]:
            ways = "; ".join(f"{key}={'|'.join(REASONS[key])}" for key in sorted(known))
            raise ValueError(f"no habit '{word}': use {ways}")
        chosen[name] = value
    return Habits(**chosen)  # type: ignore[arg-type]

"""Kinds of paint: what it hides, how much pigment it holds, what it is proposed for.

A kind is stated, or follows from the medium. A paint's name is never taken for it: where a name
sounds like another kind, that is said, and its user confirms or refuses.
"""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum, auto
from typing import Literal, get_args

from muster.core.craft.media import MEDIA, MediumTrait
from muster.core.vocabulary import Opacity, name_key

PaintKind = Literal[
    "opaque", "semi", "transparent", "ink", "wash", "one-coat", "mica", "flake", "fluorescent",
    "varnish", "medium", "thinner",
]  # fmt: skip
KINDS: tuple[PaintKind, ...] = get_args(PaintKind)


class KindTrait(Enum):
    """A trait of a kind."""

    PLAIN = auto()
    """Is proposed for a plain colour without being asked for."""
    METALLIC = auto()
    """Shines as metal does: matched with its like only."""
    PEARL = auto()
    """Its colour is thrown back by plates of mica: it shows over black."""
    COLOURLESS = auto()
    """Has no colour: in a mix it is a share, not a paint."""


@dataclass(frozen=True, slots=True)
class KindRow:
    """A kind. ``strength``: its pigment as a share of a usual paint's; common practice, as is its
    opacity, until swatches say otherwise. ``group``: the word by which it is asked for."""

    kind: PaintKind
    opacity: Opacity
    strength: float
    traits: frozenset[KindTrait]
    group: str
    sounds: tuple[str, ...] = ()
    """Words in a name for which it is proposed, and no more than that."""

    def has(self, trait: KindTrait) -> bool:
        """Whether it has a trait."""
        return trait in self.traits


def _of(*traits: KindTrait) -> frozenset[KindTrait]:
    return frozenset(traits)


T = KindTrait

ROWS: dict[PaintKind, KindRow] = {
    row.kind: row
    for row in (
        KindRow("opaque", "opaque", 1.0, _of(T.PLAIN), "plain"),
        KindRow("semi", "semi-opaque", 1.0, _of(T.PLAIN), "plain"),
        KindRow("transparent", "transparent", 1.0, _of(T.PLAIN), "plain", ("transparent", "clear")),
        KindRow("ink", "transparent", 1.0, _of(), "ink", ("ink",)),
        KindRow("wash", "transparent", 0.25, _of(), "wash", ("wash", "shade")),
        KindRow("one-coat", "transparent", 0.4, _of(), "one-coat"),
        KindRow("mica", "opaque", 1.0, _of(T.METALLIC, T.PEARL), "metallic", ("pearl", "mica")),
        KindRow("flake", "opaque", 2.0, _of(T.METALLIC), "metallic",
                ("steel", "gunmetal", "silver", "gold", "brass", "bronze", "copper", "chrome",
                 "aluminium", "tin", "metallic")),
        KindRow("fluorescent", "semi-transparent", 0.8, _of(), "fluorescent",
                ("fluorescent", "neon")),
        KindRow("varnish", "transparent", 0.0, _of(T.COLOURLESS), "clear", ("varnish",)),
        KindRow("medium", "transparent", 0.0, _of(T.COLOURLESS), "clear", ("medium", "retarder")),
        KindRow("thinner", "transparent", 0.0, _of(T.COLOURLESS), "clear", ("thinner",)),
    )
}  # fmt: skip

GROUPS = tuple(dict.fromkeys(row.group for row in ROWS.values() if not row.has(T.COLOURLESS)))
"""Words by which kinds are asked for."""

WORDS: dict[PaintKind, str] = {
    "semi": "semi-opaque", "one-coat": "one-coat transparent", "mica": "metallic, mica",
    "flake": "metallic, flake",
}  # fmt: skip
"""What a kind is called where its own word is too short."""


def in_words(kind: PaintKind) -> str:
    """A kind as it is said to its user."""
    return WORDS.get(kind, kind)


SPELT: dict[str, PaintKind] = {
    "semi-opaque": "semi", "semi-transparent": "semi", "translucent": "transparent",
    "one-coat transparent": "one-coat", "metallic": "flake", "metallic flake": "flake",
    "metallic (flake)": "flake", "metallic mica": "mica", "metallic (mica)": "mica",
    "pearl": "mica", "clear": "varnish",
}  # fmt: skip
"""Other words for a kind that files use."""

BY_MEDIUM: dict[str, PaintKind] = {
    "ink": "ink", "acrylic wash": "wash", "enamel wash": "wash", "clay wash": "wash",
    "one-coat": "one-coat",
}  # fmt: skip

BY_OPACITY: dict[Opacity, PaintKind] = {
    "opaque": "opaque", "semi-opaque": "semi", "semi-transparent": "semi",
    "transparent": "transparent",
}  # fmt: skip


def kind_from(kind: PaintKind | None, medium: str, opacity: Opacity | None) -> PaintKind:
    """As stated, else by the medium, else by the stated opacity."""
    if kind is not None:
        return kind
    row = MEDIA.get(medium)
    if row is not None and row.has(MediumTrait.COLOURLESS):
        return "varnish"
    if medium in BY_MEDIUM:
        return BY_MEDIUM[medium]
    return BY_OPACITY[opacity or (row.opacity if row else "opaque")]


def proposed(name: str) -> PaintKind | None:
    """The kind that a name sounds like, for its user to confirm; None for a plain colour."""
    words = name_key(name).replace("-", " ").split()
    for row in ROWS.values():
        if any(word in words for word in row.sounds):
            return row.kind
    return None

"""A pass from a few typed letters: ``pinw 1 Peat 4 water, running gear`` Enter."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace

from muster.core.craft.techniques import OTHER
from muster.core.recipes.recipe import Pass
from muster.core.typed.bundles import BUNDLES, TOOLS, About, proposed
from muster.core.typed.pass_rest import with_rest
from muster.core.typed.spoken import BUNDLED, SPOKEN


@dataclass(frozen=True)
class TypedLine:
    """The passes meant by a line; ``unread``: what of it was not understood, kept in the note."""

    passes: tuple[Pass, ...]
    unread: tuple[str, ...]


MOST_WORDS = 3
"""Of what a technique is called."""


def read_line(text: str, about: About) -> TypedLine:
    """The passes meant by what is typed; none where no technique is recognised."""
    spaced = re.sub(r"\s+", " ", text.replace(",", " , ")).strip()
    words = spaced.split()
    while words and words[0] in (",", "a", "the", "then"):
        words = words[1:]
    for length in range(min(MOST_WORDS, len(words)), 0, -1):
        said = " ".join(words[:length])
        meant = _meant(said, about, whole=True)
        if meant is not None:
            return _line(meant, " ".join(words[length:]), about)
    for length in range(min(MOST_WORDS, len(words)), 0, -1):
        meant = _meant(" ".join(words[:length]), about, whole=False)
        if meant is not None:
            return _line(meant, " ".join(words[length:]), about)
    return TypedLine((), (spaced,) if spaced.strip(" ,") else ())


def typed(text: str, about: About) -> list[Pass]:
    """The passes meant by what is typed; none where no technique is recognised."""
    return list(read_line(text, about).passes)


def _line(meant: list[Pass], rest: str, about: About) -> TypedLine:
    read = [with_rest(one, rest, about) for one in meant]
    unread = [word for word in read[0][1] if all(word in words for _, words in read)]
    return TypedLine(tuple(one for one, _ in read), tuple(unread))


def _meant(said: str, about: About, whole: bool) -> list[Pass] | None:
    """The passes that a word or two are said for; ``whole``: spelt out, not only begun."""
    known = [*BUNDLES, *about.tables.techniques, *SPOKEN, *BUNDLED]
    plain = _plain(said)
    if not plain:
        return None
    if whole:
        name = next((one for one in known if _plain(one) == plain), None)
    else:
        name = next(iter(_begun(said, plain, known)), None)
    if name is None:
        return None
    name = BUNDLED.get(name, name)
    if name in BUNDLES:
        return BUNDLES[name](about)
    if name in about.tables.techniques and name not in SPOKEN:
        return [proposed(name, about)]
    technique, values = SPOKEN[name]
    one = replace(proposed(technique, about), name=name, **values)
    if about.tables.techniques.get(technique, OTHER).paint_free:
        one = replace(one, name=technique)
    if "tool" in values:
        setup, cleanup, stays = TOOLS[values["tool"]]
        one = replace(one, setup_min=setup, cleanup_min=cleanup, open_min=stays)
    acrylic = about.habits.weathering == "all-acrylic"
    if acrylic and about.tables.media[one.medium].acrylic if one.medium else False:
        one = replace(one, medium=about.tables.media[one.medium or ""].acrylic)
    return [one]


def _begun(said: str, plain: str, known: list[str]) -> list[str]:
    """Known words that the letters begin, word by word or as a whole; or whose initials they are.
    The shortest first."""
    words = said.split()
    found = []
    for index, name in enumerate(known):
        parts = re.split(r"[ -]", name)
        by_word = len(words) == len(parts) and all(
            part.startswith(_plain(word)) and _plain(word)
            for word, part in zip(words, parts, strict=True)
        )
        begins = len(words) == 1 and _plain(name).startswith(plain)
        initials = len(parts) > 1 and len(words) == 1 and "".join(p[0] for p in parts) == plain
        if by_word or begins:
            found.append((0, len(name), index, name))
        elif initials:
            found.append((1, len(name), index, name))
    return [name for *_, name in sorted(found)]


def _plain(text: str) -> str:
    return re.sub(r"[^a-z0-9]", "", text.lower())

"""Many at once, a line each: paints, swatches as they were read, pots as they were weighed.

All or nothing: every line that is not understood is named, with how to mend it.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable
from typing import TypeVar

from muster.core.colour.owned import OwnedPaint, Reading
from muster.core.errors import DomainError, nearest
from muster.core.typed.paint_line import read_paint
from muster.core.vocabulary import name_key

MOST_LINES = 300
MOST_COMPLAINTS = 30
MOST_GRAMS = 5000.0

T = TypeVar("T")

KINDS = ("masstone", "tint", "over black", "over white")


def read_paints(text: str) -> list[OwnedPaint]:
    """Paints, a line each, as ``read_paint`` reads them. Raises DomainError with a complaint for
    each odd line, or where there is none."""
    return _each(text, read_paint, "paint")


def read_swatches(text: str, names: Iterable[str]) -> list[tuple[str, Reading]]:
    """Swatches, a line each: ``Reed green over black #39421f``. Without a kind it is a masstone; a
    ``tint`` may state its share (``tint 20 %``). Each with the name of its paint among ``names``.

    Raises DomainError with a complaint for each odd line, or where there is none.
    """
    find = _finder(names)

    def one(line: str) -> tuple[str, Reading]:
        name, rest = find(line)
        colour = re.search(r"#([0-9a-fA-F]{6})\b", rest)
        if colour is None:
            raise DomainError("a swatch needs its colour: Reed green over black #39421f")
        words = (rest[: colour.start()] + rest[colour.end() :]).lower()
        kind = next((each for each in KINDS if each in words), "masstone")
        share = re.search(r"(\d+(?:[.,]\d+)?) ?%", words)
        part = float(share[1].replace(",", ".")) / 100 if share else 0.2
        if not 0.01 <= part <= 0.99:
            raise DomainError(f"a tint of {part:.0%}: use 1 to 99 %")
        left = re.sub(r"\d+(?:[.,]\d+)? ?%", "", words.replace(kind, "").replace("wet", ""))
        if left.strip(" ,:;"):
            raise DomainError(f"'{left.strip(' ,:;')}' is no kind of swatch: {', '.join(KINDS)}")
        found = Reading(kind, f"#{colour[1].lower()}", "wet" in words,  # type: ignore[arg-type]
                        part if kind == "tint" else 1.0)  # fmt: skip
        return name, found

    return _each(text, one, "swatch")


def read_weighings(text: str, names: Iterable[str]) -> list[tuple[str, float]]:
    """Pots as they were weighed, a line each: ``Reed green 23.4``, in grams with the pot.

    Raises DomainError with a complaint for each odd line, or where there is none.
    """
    find = _finder(names)

    def one(line: str) -> tuple[str, float]:
        name, rest = find(line)
        grams = re.fullmatch(r"[ ,:;\t]*(\d+(?:[.,]\d+)?) ?g?", rest)
        if grams is None:
            raise DomainError("a pot needs its grams: Reed green 23.4")
        found = float(grams[1].replace(",", "."))
        if found > MOST_GRAMS:
            raise DomainError(f"{found:g} g: use up to {MOST_GRAMS:g}")
        return name, found

    return _each(text, one, "weight")


def _finder(names: Iterable[str]) -> Callable[[str], tuple[str, str]]:
    """Which paint a line begins with, and the rest of it: of two the longer name."""
    known = {name_key(name): name for name in names}

    def find(line: str) -> tuple[str, str]:
        words = line.split()
        for length in range(len(words), 0, -1):
            said = " ".join(words[:length]).rstrip(" ,:;")
            if name_key(said) in known:
                return known[name_key(said)], " ".join(words[length:])
        said = re.split(r"[#\d,:;]", line)[0].strip()
        raise DomainError(
            f"no paint on the shelf is called '{said}': {nearest(said, known.values())}"
        )

    return find


def _each(text: str, read: Callable[[str], T], what: str) -> list[T]:
    lines = [(n, line.strip()) for n, line in enumerate(text.splitlines(), 1) if line.strip()]
    if not lines:
        raise DomainError(f"there is no {what}: type one a line")
    if len(lines) > MOST_LINES:
        raise DomainError(f"{len(lines)} lines: send at most {MOST_LINES} at once")
    found, complaints = [], []
    for number, line in lines:
        try:
            found.append(read(line))
        except DomainError as error:
            complaints += [f"line {number}: {said}" for said in error.complaints]
    if complaints:
        raise DomainError(*complaints[:MOST_COMPLAINTS])
    return found

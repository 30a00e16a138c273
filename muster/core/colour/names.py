"""What each paint of a shelf is called: two paints of one name are told apart by range and code.

A recipe names its paints. The plain name means the paint that came first; a later one of the same
name is called with its range and code, and so can any paint be.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence

from muster.core.by_name import ByName
from muster.core.colour.owned import OwnedPaint
from muster.core.vocabulary import name_key

LONGEST = 60


def called(paints: Sequence[OwnedPaint]) -> list[str]:
    """What each paint is called, in their order: pots of one paint are called alike, two paints
    never."""
    first: dict[str, tuple[str, str, str]] = {}
    found = []
    for paint in paints:
        key = name_key(paint.name)
        if first.setdefault(key, paint.twin_key) == paint.twin_key:
            found.append(paint.name)
        else:
            found.append(in_full(paint))
    return found


def in_full(paint: OwnedPaint) -> str:
    """A paint's name with its range and code."""
    told = " ".join(word for word in (paint.range, paint.code) if word)
    if not told:
        return paint.name
    return f"{paint.name[: LONGEST - len(told) - 3].rstrip()} ({told})"[:LONGEST]


def by_name(paints: Iterable[OwnedPaint]) -> Mapping[str, OwnedPaint]:
    """Paints by what they are called, and by their names in full."""
    listed = list(paints)
    found: ByName[OwnedPaint] = ByName()
    for name, paint in (*zip(called(listed), listed, strict=True),
                        *((in_full(one), one) for one in listed)):  # fmt: skip
        if name not in found:
            found[name] = paint
    return found

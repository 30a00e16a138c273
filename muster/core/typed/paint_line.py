"""A paint typed in one line: Reed green #66703f acrylic opaque 17 ml 3.20."""

from __future__ import annotations

import re

from pydantic import ValidationError

from muster.core.colour.owned import PAINT, OwnedPaint
from muster.core.craft.media import MEDIA
from muster.core.errors import DomainError, in_words

WORDS: tuple[tuple[str, tuple[str, ...]], ...] = (
    ("kind", ("fluorescent", "metallic", "mica", "flake", "medium", "thinner")),
    ("opacity", ("semi-transparent", "semi-opaque", "transparent", "opaque")),
    ("finish", ("matt", "satin", "gloss")),
)


def read_paint(line: str) -> OwnedPaint:
    """A paint from a typed line: a name, a colour, and in any order medium, kind, opacity, finish,
    ml and price.

    Raises DomainError where name or colour is missing, or a word is none of these.
    """
    colour = re.search(r"#([0-9a-fA-F]{6}|[0-9a-fA-F]{3})\b", line)
    if colour is None:
        raise DomainError("a paint needs its label's colour: Reed green #66703f acrylic 17 ml 3.20")
    digits = colour[1].lower()
    digits = digits if len(digits) == 6 else "".join(letter * 2 for letter in digits)
    name, rest = line[: colour.start()].strip(" ,"), line[colour.end() :]
    if not name:
        raise DomainError("a paint needs a name before its colour: Reed green #66703f")
    found: dict[str, object] = {}
    size = re.search(r"(\d+(?:[.,]\d+)?) ?ml\b", rest)
    if size:
        found["size_ml"] = found["left_ml"] = float(size[1].replace(",", "."))
        rest = rest[: size.start()] + rest[size.end() :]
    price = re.search(r"(\d+(?:[.,]\d+)?)", rest)
    if price:
        found["price"] = float(price[1].replace(",", "."))
        rest = rest[: price.start()] + rest[price.end() :]
    words = rest.lower()
    for medium in sorted(MEDIA, key=len, reverse=True):
        if re.search(rf"\b{re.escape(medium)}\b", words):
            found["medium"] = medium
            words = words.replace(medium, "")
            break
    for key, choices in WORDS:
        chosen = next((word for word in choices if word in words), None)
        if chosen:
            found[key] = chosen
            words = words.replace(chosen, "")
    left = words.strip(" ,")
    if left:
        raise DomainError(
            f"'{left}' is no medium, kind, opacity, finish, ml or price: leave it out"
        )
    try:
        return PAINT.validate_python({"name": name[:60], "colour": f"#{digits}", **found})
    except ValidationError as error:
        raise DomainError(*(in_words(dict(one)) for one in error.errors())) from error

"""A roster, many units at once: a line each as one types it, or a CSV with named columns.

Every line is told as it was understood, or what is wrong with it and how to mend it; whether all
are taken is for whoever asks.
"""

from __future__ import annotations

import csv
import io
from dataclasses import dataclass
from typing import get_args

from muster.core.choices import MOST_UNITS
from muster.core.errors import DomainError
from muster.core.typed.unit_line import TypedUnit, kind_of, read_line
from muster.core.vocabulary import Kind

MOST_TEXT = 40_000
LONGEST = 200
COLUMNS: dict[str, tuple[str, ...]] = {
    "count": ("count", "models", "number", "how many", "quantity", "qty", "no", "no."),
    "name": ("name", "unit", "what"),
    "kind": ("kind", "type"),
    "scale": ("scale", "size"),
    "recipe": ("recipe",),
}
"""What a column may be called. Ordinary words; a CSV of ours uses the first of each."""

KINDS: tuple[Kind, ...] = get_args(Kind)


@dataclass(frozen=True)
class RosterLine:
    """A line: ``line`` is what a typed unit would be for it; ``wrong``: why it is none."""

    number: int
    line: str
    typed: TypedUnit | None
    recipe: str = ""
    """As the file names it."""
    wrong: str = ""


def read_roster(text: str) -> list[RosterLine]:
    """Every line that is not empty. Raises DomainError for a text with none or with too many, and
    for a CSV without the columns that it needs."""
    if len(text) > MOST_TEXT:
        raise DomainError(f"a roster has up to {MOST_TEXT // 1000} kB: send it in parts")
    lines = [(n, line) for n, line in enumerate(text.lstrip("\ufeff").splitlines(), 1)
             if line.strip(" \t,;")]  # fmt: skip
    if not lines:
        raise DomainError("there is no unit: type one a line, as in '24 pikes foot 1/72'")
    between = _separator(lines[0][1])
    columns = _columns(lines[0][1], between) if between else {}
    if len(lines) - bool(columns) > MOST_UNITS:
        raise DomainError(f"{len(lines)} units: a muster holds {MOST_UNITS}: send fewer at once")
    if not columns:
        return [_typed(number, line.strip()) for number, line in lines]
    lacking = [name for name in ("count", "name") if name not in columns]
    if lacking:
        raise DomainError(f"line {lines[0][0]}: a CSV needs a column '{lacking[0]}'")
    if len(lines) == 1:
        raise DomainError("there is no unit below the names of the columns")
    return [_row(number, line, between, columns) for number, line in lines[1:]]


def _separator(head: str) -> str:
    return max(",;\t", key=head.count) if any(sign in head for sign in ",;\t") else ""


def _columns(head: str, between: str) -> dict[str, int]:
    """Where each known column stands; none where the first line names no two of them."""
    cells = [cell.strip().lower() for cell in next(csv.reader([head], delimiter=between))]
    found = {
        name: place
        for place, cell in reversed(list(enumerate(cells)))
        for name, words in COLUMNS.items()
        if cell in words
    }
    return found if len(found) > 1 else {}


def _typed(number: int, line: str, recipe: str = "", kind: Kind | None = None) -> RosterLine:
    if len(line) > LONGEST:
        return RosterLine(number, line[:LONGEST], None, wrong=f"longer than {LONGEST} letters")
    try:
        typed = read_line(line)
    except DomainError as error:
        return RosterLine(number, line, None, recipe, "; ".join(error.complaints))
    if kind is not None:
        typed = TypedUnit(typed.count, typed.name, kind, typed.scale, typed.area_cm2)
    return RosterLine(number, line, typed, recipe)


def _row(number: int, line: str, between: str, columns: dict[str, int]) -> RosterLine:
    cells = [cell.strip() for cell in next(csv.reader(io.StringIO(line), delimiter=between))]

    def cell(name: str) -> str:
        place = columns.get(name)
        return cells[place] if place is not None and place < len(cells) else ""

    said = cell("kind").lower()
    kind = next((one for one in KINDS if one == said), None) or kind_of(said)
    if said and kind is None:
        wrong = f"'{cell('kind')}' is no kind: use {', '.join(KINDS)}"
        return RosterLine(number, line, None, cell("recipe"), wrong)
    words = " ".join(part for part in (cell("count"), cell("name"), cell("scale")) if part)
    return _typed(number, words, cell("recipe"), kind)

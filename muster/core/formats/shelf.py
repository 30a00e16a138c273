"""Shelves of paints: as CSV, as GIMP palette, and as ``crisp-muster/shelf`` JSON.

Every complaint names its row; where there is one, nothing is taken.
"""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Iterable
from typing import Annotated, Any, Literal

from pydantic import Field, TypeAdapter, ValidationError
from pydantic.dataclasses import dataclass

from muster.core.colour.owned import PAINT, OwnedPaint
from muster.core.colour.shelf import MOST_PAINTS
from muster.core.colour.teaching import LEAST_SHARE
from muster.core.craft.media import MEDIA
from muster.core.errors import DomainError, complaint, nearest
from muster.core.formats.cells import guarded, unguarded
from muster.core.formats.document import parsed, schema_of, validated, written
from muster.core.vocabulary import STRICT

FORMAT = "crisp-muster/shelf"
MOST_BYTES = 1_000_000
MOST_COMPLAINTS = 30

COLUMNS = ("name", "colour", "range", "code", "medium", "kind", "opacity", "finish",
           "size_ml", "left_ml", "price", "density", "tare_g", "drop_ml")  # fmt: skip
OTHER_NAMES = {"color": "colour", "hex": "colour", "paint": "name", "brand": "range",
               "volume_ml": "left_ml", "stock_ml": "left_ml", "ml": "left_ml"}  # fmt: skip
NUMBERS = ("size_ml", "left_ml", "price", "density", "tare_g", "drop_ml")


@dataclass(frozen=True, config=STRICT)
class ShelfFile:
    """The JSON file's whole content."""

    format: Literal["crisp-muster/shelf"]
    version: Literal[1]
    paints: Annotated[tuple[OwnedPaint, ...], Field(max_length=MOST_PAINTS)]


SHELF_FILE: TypeAdapter[ShelfFile] = TypeAdapter(ShelfFile)


def schema() -> dict[str, Any]:
    """The published JSON Schema."""
    return schema_of(SHELF_FILE, FORMAT)


def write_json(paints: Iterable[OwnedPaint]) -> str:
    """A shelf with its swatches."""
    return written(SHELF_FILE, ShelfFile("crisp-muster/shelf", 1, tuple(paints)))


def is_document(text: str) -> bool:
    """Whether a text begins as a JSON shelf, a GIMP palette, or a table with named columns does."""
    first = next(iter(text.lstrip("\ufeff \n\r\t").splitlines()), "").lower()
    if first.startswith(("{", "gimp palette")):
        return True
    columns = {OTHER_NAMES.get(one.strip(), one.strip()) for one in re.split(r"[,;\t]", first)}
    return {"name", "colour"} <= columns


def read(text: bytes, name: str = "") -> list[OwnedPaint]:
    """A shelf from a file of any of the three formats, told apart by what it begins with.

    Raises DomainError with a complaint for each odd row, at most thirty; nothing half.
    """
    if len(text) > MOST_BYTES:
        raise DomainError(f"the file is larger than {MOST_BYTES // 1_000_000} MB: it is no shelf")
    try:
        words = text.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise DomainError(
            f"byte {error.start} is no UTF-8 text: save the file as UTF-8 and try again"
        ) from error
    if words.lstrip().startswith("{"):
        paints = list(validated(SHELF_FILE, parsed(words, MOST_BYTES, "shelf")).paints)
    elif words.lstrip().startswith("GIMP Palette"):
        paints = read_gpl(words)
    else:
        paints = read_csv(words)
    complaints = [complaint for one in paints for complaint in complaints_of(one)]
    if complaints:
        raise DomainError(*complaints[:MOST_COMPLAINTS])
    if not paints:
        raise DomainError(
            f"{name or 'the file'} holds no paint: a row needs at least name and colour"
        )
    return paints


def complaints_of(paint: OwnedPaint) -> list[str]:
    """What in a paint cannot hold, each with how to mend it."""
    found = []
    if paint.medium not in MEDIA:
        near = nearest(paint.medium, MEDIA)
        found.append(f"{paint.name}: no medium is called '{paint.medium}': {near}")
    found += [
        f"{paint.name}: a tint with {one.share:.0%} of the paint: use 1 to 99 %"
        for one in paint.swatches
        if one.kind == "tint" and not LEAST_SHARE <= one.share <= 1 - LEAST_SHARE
    ]
    return found


def read_csv(text: str) -> list[OwnedPaint]:
    """Paints from CSV with a header; comma, semicolon or tab between.

    Raises DomainError with a complaint for each odd row.
    """
    text = text.replace("\x00", "")
    first = text.lstrip("\n\r").split("\n", 1)[0]
    between = max(",;\t", key=first.count)
    rows = csv.reader(io.StringIO(text), delimiter=between)
    complaints: list[str] = []
    header: list[str] = []
    paints: list[OwnedPaint] = []
    try:
        for row in rows:
            if not any(cell.strip() for cell in row):
                continue
            if not header:
                header = _header(row)
                continue
            found = _paint(header, row, rows.line_num)
            if isinstance(found, OwnedPaint):
                paints.append(found)
            else:
                complaints += found
            if len(paints) > MOST_PAINTS or len(complaints) > 10 * MOST_COMPLAINTS:
                break
    except csv.Error as error:
        raise DomainError(f"row {rows.line_num}: {error}: check its quotation marks") from error
    _refuse(complaints)
    _refuse_many(len(paints))
    return paints


def _header(row: list[str]) -> list[str]:
    names = []
    for cell in row:
        plain = re.sub(r"[^a-z0-9]+", "_", cell.strip().lower()).strip("_")
        names.append(OTHER_NAMES.get(plain, plain))
    complaints = [
        f"row 1: no column is called '{cell.strip()}': use {', '.join(COLUMNS)}"
        for cell, name in zip(row, names, strict=True)
        if name and name not in COLUMNS
    ]
    complaints += [
        f"row 1: the column '{name}' stands twice: take one out"
        for name in sorted({one for one in names if one and names.count(one) > 1})
    ]
    complaints += [
        f"row 1: there is no column '{needed}': the first row names the columns, at least name "
        "and colour"
        for needed in ("name", "colour")
        if needed not in names
    ]
    _refuse(complaints)
    return names


def _paint(header: list[str], row: list[str], line: int) -> OwnedPaint | list[str]:
    """A row's paint, or what is wrong with it."""
    if len(row) > len(header) and any(cell.strip() for cell in row[len(header) :]):
        return [f"row {line}: {len(row)} cells under {len(header)} columns: quote commas in names"]
    raw: dict[str, Any] = {}
    complaints = []
    for name, cell in zip(header, row, strict=False):
        value = unguarded(cell.strip())
        if not name or not value:
            continue
        if name in NUMBERS:
            try:
                raw[name] = float(value.replace(",", "."))
            except ValueError:
                complaints.append(f"row {line}, {name}: '{value[:40]}' is no number")
        elif name == "colour":
            raw[name] = _colour(value)
        elif name in ("medium", "kind", "opacity", "finish"):
            raw[name] = value.lower()
        else:
            raw[name] = value
    for needed in ("name", "colour"):
        if needed not in raw:
            complaints.append(f"row {line}: {needed} is empty: give every paint a {needed}")
    if complaints:
        return complaints
    if raw.get("medium") is not None and raw["medium"] not in MEDIA:
        return [f"row {line}, medium: '{raw['medium'][:40]}' is unknown: use {', '.join(MEDIA)}"]
    try:
        return PAINT.validate_python(raw)
    except ValidationError as error:
        return [_said(one, line, raw) for one in error.errors()]


def _said(error: Any, line: int, raw: dict[str, Any]) -> str:
    where = str(error["loc"][0]) if error["loc"] else ""
    value = str(raw.get(where, ""))[:40]
    if where == "colour":
        return f"row {line}, colour: '{value}' is no colour: use six hexadecimal digits: #6b7a3a"
    return f"row {line}, {where}: '{value}': {complaint(error)}"


def _colour(text: str) -> str:
    plain = text.lower().removeprefix("#").removeprefix("0x")
    if re.fullmatch(r"[0-9a-f]{3}", plain):
        plain = "".join(letter * 2 for letter in plain)
    return f"#{plain}"


def read_gpl(text: str) -> list[OwnedPaint]:
    """Paints from a GIMP palette: red, green, blue and a name in each row."""
    paints: list[OwnedPaint] = []
    complaints: list[str] = []
    named = ""
    for line, row in enumerate(text.splitlines(), 1):
        plain = row.strip()
        if line == 1 or not plain or plain.startswith("#") or plain.lower().startswith("columns:"):
            continue
        if plain.lower().startswith("name:"):
            named = plain[5:].strip()[:60]
            continue
        found = re.match(r"(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$", plain)
        if not found or any(int(found[n]) > 255 for n in (1, 2, 3)):
            complaints.append(f"row {line}: '{plain[:40]}': use red, green, blue (0 to 255), name")
        else:
            colour = "#" + "".join(f"{int(found[n]):02x}" for n in (1, 2, 3))
            name = (found[4] or "").strip()[:60] or colour
            paints.append(OwnedPaint(name, colour, range=named))
        if len(paints) > MOST_PAINTS or len(complaints) > MOST_COMPLAINTS:
            break
    _refuse(complaints)
    _refuse_many(len(paints))
    return paints


def write_csv(paints: Iterable[OwnedPaint]) -> str:
    """Paints as CSV: swatches are not in it, the JSON file has them."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\r\n")
    table.writerow(COLUMNS)
    for one in paints:
        cells = (getattr(one, name) for name in COLUMNS)
        table.writerow(["" if cell is None else guarded(cell) for cell in cells])
    return out.getvalue()


def write_gpl(paints: Iterable[OwnedPaint], name: str = "Shelf") -> str:
    """Dry colours as a GIMP palette."""
    lines = ["GIMP Palette", f"Name: {name}", "Columns: 8", "#"]
    for one in paints:
        red, green, blue = (int(one.dry[place : place + 2], 16) for place in (1, 3, 5))
        lines.append(f"{red:3} {green:3} {blue:3}\t{one.name}")
    return "\n".join(lines) + "\n"


def _refuse(complaints: list[str]) -> None:
    if not complaints:
        return
    left = len(complaints) - MOST_COMPLAINTS
    more = [f"and {left} more rows like these"] if left > 0 else []
    raise DomainError(*complaints[:MOST_COMPLAINTS], *more)


def _refuse_many(count: int) -> None:
    if count > MOST_PAINTS:
        raise DomainError(
            f"more than {MOST_PAINTS} paints: keep those you own, or split the file in parts"
        )

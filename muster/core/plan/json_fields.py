"""Reading JSON objects field by field, saying what is wrong, where, and how to mend it."""

from __future__ import annotations

from collections.abc import Iterable
from fractions import Fraction
from typing import Any, Never

from muster.core.errors import DomainError


class Fields:
    """One JSON object being read. ``where`` names it in complaints."""

    def __init__(
        self, row: Any, where: str, known: str, optional: str | Iterable[str] = ""
    ) -> None:
        if not isinstance(row, dict):
            raise DomainError(f"{where}: this must be an object in braces, not {kind(row)}")
        more = optional.split() if isinstance(optional, str) else optional
        allowed = {*known.split(), *more}
        for key in row:
            if key not in allowed:
                raise DomainError(
                    f"{where}: unknown key '{key}': take it out or correct its spelling"
                )
        for key in known.split():
            if key not in row:
                raise DomainError(f"{where}: the key '{key}' is missing: add it")
        self.row: dict[str, Any] = row
        self.where = where

    def fail(self, key: str, mend: str) -> Never:
        """Refuse the value of ``key``. Raises DomainError."""
        raise DomainError(f"{self.where}: {key} {mend}")

    def whole(self, key: str, default: int | None = None, least: int = 0) -> int:
        """A whole number of at least ``least``."""
        value = self.row.get(key, default)
        if isinstance(value, bool) or not isinstance(value, int):
            self.fail(key, f"must be a whole number, not {kind(value)}")
        if value < least:
            self.fail(key, f"is {value}: make it {least} or more")
        if value > 2**53:
            self.fail(key, f"is {value}: that is too large")
        return value

    def whole_or_none(self, key: str, least: int = 0) -> int | None:
        """A whole number, or None where the key is null or absent."""
        return None if self.row.get(key) is None else self.whole(key, least=least)

    def text(self, key: str, default: str | None = None) -> str:
        """A text that is not empty."""
        value = self.row.get(key, default)
        if not isinstance(value, str) or not value:
            self.fail(key, f"must be a text that is not empty, not {kind(value)}")
        return value

    def text_or_none(self, key: str) -> str | None:
        """A text, or None where the key is null or absent."""
        return None if self.row.get(key) is None else self.text(key)

    def decimal(self, key: str, default: int | float) -> Fraction:
        """A number of 0 or more, as the decimal that was written."""
        value = self.row.get(key, default)
        if isinstance(value, bool) or not isinstance(value, int | float):
            self.fail(key, f"must be a number, not {kind(value)}")
        if not 0 <= value < 2**53:
            self.fail(key, f"is {value}: make it 0 or more")
        return Fraction(repr(value))

    def rows(self, key: str) -> list[Any]:
        """A list; empty where the key is absent."""
        value = self.row.get(key, [])
        if not isinstance(value, list):
            self.fail(key, f"must be a list in brackets, not {kind(value)}")
        return value

    def texts(self, key: str) -> tuple[str, ...]:
        """A list of texts; empty where the key is absent."""
        rows = self.rows(key)
        for row in rows:
            if not isinstance(row, str) or not row:
                self.fail(key, f"must list texts, not {kind(row)}")
        return tuple(rows)

    def table(self, key: str) -> dict[str, Any]:
        """An object used as a table by name; empty where the key is absent."""
        value = self.row.get(key, {})
        if not isinstance(value, dict):
            self.fail(key, f"must be an object in braces, not {kind(value)}")
        return value

    def amounts(self, key: str) -> dict[str, int]:
        """A table of whole numbers by name."""
        table = self.table(key)
        inner = Fields(table, f"{self.where}: {key}", "", table)
        return {name: inner.whole(name) for name in table}


def kind(value: Any) -> str:
    """What a JSON value is, in words."""
    if value is None:
        return "null"
    if isinstance(value, bool):
        return "true or false"
    if isinstance(value, int | float):
        return f"the number {value}"
    if isinstance(value, str):
        return f"the text '{value[:40]}'" if value else "an empty text"
    return "a list" if isinstance(value, list) else "an object"

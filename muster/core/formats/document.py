"""What the open JSON formats share: schema, writing, reading with every complaint."""

from __future__ import annotations

import json
from typing import Any, TypeVar

from pydantic import TypeAdapter, ValidationError

from muster.core.errors import DomainError, in_words

MOST_COMPLAINTS = 20
T = TypeVar("T")


def schema_of(adapter: TypeAdapter[Any], title: str) -> dict[str, Any]:
    """The published JSON Schema of a format."""
    head = {"$schema": "https://json-schema.org/draft/2020-12/schema", "title": title}
    return {**head, **adapter.json_schema()}


def written(adapter: TypeAdapter[T], document: T) -> str:
    """A document's text; the same document always gives the same text."""
    raw = adapter.dump_python(document, mode="json")
    return json.dumps(raw, indent=1, ensure_ascii=False) + "\n"


def size_in_words(size: int) -> str:
    """4 MB, 400 kB."""
    return f"{size / 1_000_000:g} MB" if size >= 1_000_000 else f"{size // 1000} kB"


def parsed(text: str | bytes, most_bytes: int, what: str) -> Any:
    """The JSON of a file. Raises DomainError for one that is too large, or none."""
    if len(text) > most_bytes:
        raise DomainError(f"the file is larger than {size_in_words(most_bytes)}: it is no {what}")
    try:
        return json.loads(text)
    except (ValueError, RecursionError) as error:
        raise DomainError(f"this is no JSON{_place(error)}: look at it there") from error


def validated(adapter: TypeAdapter[T], raw: Any) -> T:
    """The document. Raises DomainError with what, where and why, at most twenty complaints."""
    try:
        return adapter.validate_python(raw, strict=False)
    except ValidationError as error:
        raise DomainError(*(in_words(one) for one in error.errors()[:MOST_COMPLAINTS])) from error


def _place(error: Exception) -> str:
    """Where in the text reading stopped."""
    if isinstance(error, json.JSONDecodeError):
        return f" at line {error.lineno}, column {error.colno}"
    return ""

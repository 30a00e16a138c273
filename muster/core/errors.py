"""The one error for what a user must hear: what, where, how to mend it."""

from __future__ import annotations

import difflib
from collections.abc import Iterable, Mapping
from typing import Any


class DomainError(ValueError):
    """Input that cannot be taken: ``complaints`` say what, where and how to mend it."""

    def __init__(self, *complaints: str) -> None:
        super().__init__("; ".join(complaints))
        self.complaints = complaints


PATTERNS = {
    r"^#[0-9a-f]{6}$": "is no colour: write it as #5a6b3c",
    r"^[a-z0-9-]{1,24}$": "is no key: use small letters, digits and '-', at most 24",
    r"^[a-z0-9][a-z0-9-]{0,39}$": "is no id: use small letters, digits and '-', at most 40",
    r"^[A-Za-z0-9-]{0,40}$": "is no id: use letters, digits and '-', at most 40",
    r"^[A-Za-z0-9-]{1,40}$": "is no id: use letters, digits and '-', at most 40",
    r"^[A-Za-z0-9-]{1,40}@[0-9]{1,6}$": "names no recipe: write its id and version, as rust@1",
}
"""What a pattern asks for, in words; another says only that it is not met."""

WRAPPINGS = ("body", "payload", "query", "path", "form")
"""Parts of a place that say only how it was sent."""

_SHAPES = {
    "missing": "is missing: add it",
    "extra_forbidden": "is not known here: take it out",
    "unexpected_keyword_argument": "is not known here: take it out",
    "finite_number": "is no number: use one",
    "timezone_naive": "names no time zone: end it with Z, or with +01:00",
    "json_invalid": "is no JSON: correct it",
}
_KINDS = {
    "int": "is no whole number: use one",
    "float": "is no number: use one",
    "bool": "is neither true nor false: use one of them",
    "datetime": "is no moment: write it as 2027-03-02T19:00:00Z",
    "date": "is no day: write it as 2027-03-02",
    "time": "is no time of day: write it as 19:30",
    "uuid": "is no UUID: make a new one",
    "string": "is no text: put it in quotes",
    "list": "is no list: put it in square brackets",
    "tuple": "is no list: put it in square brackets",
    "dict": "is no object: put it in curly brackets",
    "model": "is no object: put it in curly brackets",
    "dataclass": "is no object: put it in curly brackets",
}
_LIMITS = {
    "greater_than_equal": ("ge", "use at least {}"), "greater_than": ("gt", "use more than {}"),
    "less_than_equal": ("le", "use at most {}"), "less_than": ("lt", "use less than {}"),
}  # fmt: skip


MOST_NAMED = 80
"""Words that a complaint offers instead of an unknown one."""


def nearest(word: str, known: Iterable[str]) -> str:
    """What to use instead of an unknown word: the most alike of those known, else all of them."""
    words = list(known)
    spelt = {each.casefold(): each for each in reversed(words)}
    alike = difflib.get_close_matches(word.casefold(), spelt, n=2, cutoff=0.6)
    if alike:
        return f"did you mean {' or '.join(spelt[each] for each in alike)}?"
    more = f" or {len(words) - MOST_NAMED} others" if len(words) > MOST_NAMED else ""
    return f"use {', '.join(words[:MOST_NAMED])}{more}"


def in_words(error: Mapping[str, Any]) -> str:
    """A complaint of the validation as a sentence: where, what, how to mend it."""
    parts = [str(part) for part in error.get("loc", ()) if part not in WRAPPINGS]
    where = " → ".join(parts) or "the input"
    return f"{where}: {complaint(error)}"


def complaint(error: Mapping[str, Any]) -> str:
    """What a complaint of the validation says, without where."""
    kind = str(error.get("type", ""))
    told: Mapping[str, Any] = error.get("ctx") or {}
    given = _short(error["input"]) if "input" in error else "it"
    if kind == "value_error":
        words = str(error["msg"]).removeprefix("Value error, ")
        return words[0].lower() + words[1:]
    if kind in _SHAPES:
        return _SHAPES[kind]
    if kind in _LIMITS:
        name, words = _LIMITS[kind]
        limit = told[name]
        return f"{given} is out of reach: {words.format(f'{limit:g}')}"
    if kind == "string_pattern_mismatch":
        return f"{given} {PATTERNS.get(told['pattern'], 'is not written as it must be')}"
    if kind == "string_too_short":
        return "is empty: write something"
    if kind == "string_too_long":
        return f"is longer than {told['max_length']} characters: shorten it"
    if kind == "too_short":
        return f"has {told['actual_length']} entries: use at least {told['min_length']}"
    if kind == "too_long":
        return f"has more than {told['max_length']} entries: take some out"
    if kind in ("literal_error", "enum"):
        words = str(told["expected"]).replace("'", "")
        return f"{given} is not known: {nearest(str(error.get('input', '')), _listed(words))}"
    if kind in ("union_tag_invalid", "union_tag_not_found"):
        words = str(told.get("expected_tags", "")).replace("'", "")
        return f"says nothing that is known: use {words}" if words else "does not say what it is"
    return _KINDS.get(kind.partition("_")[0], "is not right: correct it")


def _listed(words: str) -> list[str]:
    return words.replace(" or ", ", ").split(", ")


def _short(value: Any) -> str:
    text = f"{value:g}" if isinstance(value, float) else str(value)
    return f"'{text[:40]}…'" if len(text) > 40 else f"'{text}'"

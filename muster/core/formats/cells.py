"""Cells of a CSV as a spreadsheet takes them for text: none begins a formula."""

from __future__ import annotations

FORMULA = ("=", "+", "-", "@", "\t", "\r")
"""What a spreadsheet may take for the beginning of one."""


def guarded(cell: object) -> str:
    """A cell's text, behind an apostrophe where it could be a formula."""
    text = f"{cell:g}" if isinstance(cell, float) else str(cell)
    return f"'{text}" if text.startswith(FORMULA) else text


def unguarded(text: str) -> str:
    """The same without that apostrophe."""
    return text[1:] if text.startswith("'") and text[1:].startswith(FORMULA) else text

"""The one error for what a user must hear: what, where, how to mend it."""

from __future__ import annotations


class DomainError(ValueError):
    """Input that cannot be taken: ``complaints`` say what, where and how to mend it."""

    def __init__(self, *complaints: str) -> None:
        super().__init__("; ".join(complaints))
        self.complaints = complaints

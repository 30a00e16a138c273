"""A moment as it is given on the command line."""

from __future__ import annotations

from datetime import UTC, datetime

from muster.core.errors import DomainError


def moment(text: str | None) -> datetime:
    """A moment as typed, with its zone; the present one where nothing is. Raises DomainError."""
    if text is None:
        return datetime.now(UTC)
    try:
        found = datetime.fromisoformat(text)
    except ValueError as error:
        raise DomainError(f"--now {text}: type it as 2027-03-02T19:30+00:00") from error
    return found if found.tzinfo else found.replace(tzinfo=UTC)

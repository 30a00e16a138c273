"""What a command is, and the register of all: one verb a file in ``verbs``.

A command turns one document of choices into the next, or raises DomainError and changes nothing.
It is undone by going back to the document before it, so no verb needs an inverse of its own.
"""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Callable
from datetime import datetime
from typing import TypeVar

from pydantic import ValidationError

from muster.core.choices import Choices, Unit
from muster.core.errors import DomainError, in_words


class Command(ABC):
    """One change that a user can make."""

    do: str

    @abstractmethod
    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """The next document, and what was done in words. Raises DomainError, says how to mend."""


def applied(command: Command, choices: Choices, now: datetime) -> tuple[Choices, str]:
    """The next document after a command of any origin, and what was done in words.

    Raises DomainError where it is refused, and where what it would leave is no document.
    """
    try:
        return command.apply(choices, now)
    except ValidationError as error:
        raise DomainError(*(in_words(dict(one)) for one in error.errors())) from error


Verb = TypeVar("Verb")

VERBS: list[type[Command]] = []
"""Every verb but ``together``, in the order of their files."""

COMBINED: list[type[Command]] = []
"""Those that may be parts of one change, done together."""


def verb(combined: bool = False) -> Callable[[type[Verb]], type[Verb]]:
    """Register a verb; ``combined``: it may be a part of a change made of several."""

    def register(made: type[Verb]) -> type[Verb]:
        assert issubclass(made, Command)
        VERBS.append(made)
        if combined:
            COMBINED.append(made)
        return made

    return register


def unit_of(choices: Choices, unit_id: str) -> Unit:
    """The unit of that id. Raises DomainError where it is gone."""
    unit = choices.unit(unit_id)
    if unit is None:
        raise DomainError("that unit is no longer on the roll: look at it again")
    return unit

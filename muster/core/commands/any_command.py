"""Any command, as it is read from JSON, and several of them as one."""

from __future__ import annotations

from datetime import datetime
from typing import TYPE_CHECKING, Annotated, Any, Literal, Union

from pydantic import Field, TypeAdapter
from pydantic.dataclasses import dataclass

from muster.core.choices import MOST_UNITS, Choices
from muster.core.commands import verbs as _verbs
from muster.core.commands.command import COMBINED, VERBS, Command
from muster.core.vocabulary import STRICT

assert _verbs.__path__, "importing the package registers its verbs"


def _one_of(members: list[type[Command]]) -> Any:
    return Annotated[Union[tuple(members)], Field(discriminator="do")]  # noqa: UP007


if TYPE_CHECKING:
    Combined = Command
    AnyCommand = Command
else:
    Combined = _one_of(COMBINED)


@dataclass(frozen=True, config=STRICT)
class Together(Command):
    """Several changes as one: all of them or none, taken back at one stroke."""

    do: Literal["together"]
    changes: Annotated[tuple[Combined, ...], Field(min_length=1, max_length=MOST_UNITS)]

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """One after the other; what was done first in words, and how many more."""
        labels = []
        for change in self.changes:
            choices, label = change.apply(choices, now)
            labels.append(label)
        more = f" and {len(labels) - 1} more" if len(labels) > 1 else ""
        return choices, labels[0] + more


if not TYPE_CHECKING:
    AnyCommand = _one_of([*VERBS, Together])

COMMAND: TypeAdapter[Command] = TypeAdapter(AnyCommand)
"""Reads a command of any verb."""

"""Say how a joint is done, and when it is closed."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field
from pydantic.dataclasses import dataclass

from muster.core.build.checks.finding import with_choice
from muster.core.build.choose import ways_of
from muster.core.build.kit import JointChoice, Way
from muster.core.choices import Choices
from muster.core.commands.command import Command, verb
from muster.core.commands.verbs.set_kit import build_of, with_build
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT

SAID: dict[Way, str] = {
    "fix": "fixed first", "apart": "painted apart", "lift": "lifted off as one",
    "mask": "fixed and masked",
}  # fmt: skip


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class SetJoint(Command):
    """A joint is done in one of its ways, closed before a pass (``end``: after the last); neither:
    as the program proposes."""

    do: Literal["set_joint"]
    unit: str
    joint: str
    way: Way | None = None
    before: Annotated[str, Field(pattern=r"^([a-z0-9-]{1,24}|end)$")] | None = None

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """Raises DomainError for a joint that there is not, and a way that it does not have."""
        unit, build = build_of(choices, self.unit)
        joint = build.kit.joint(self.joint)
        if joint is None:
            raise DomainError(f"{unit.name} has no joint '{self.joint}': look at Build again")
        if self.way is not None and self.way not in ways_of(joint):
            raise DomainError(
                f"the {joint.part} cannot be lifted off as one: say with which part it lifts"
            )
        choice = JointChoice(joint.id, self.way, self.before)
        part = build.kit.part(joint.part)
        name = part.name if part else joint.part
        said = SAID[self.way] if self.way else "fitted elsewhere" if self.before else "as proposed"
        return with_build(choices, unit, with_choice(build, choice)), f"{name} {said}"

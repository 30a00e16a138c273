"""Give what nobody planned a place: a part lost or broken, a joint that came off again."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field
from pydantic.dataclasses import dataclass

from muster.core.build.checks.finding import with_row
from muster.core.build.kit import Mishap
from muster.core.choices import Choices
from muster.core.commands.command import Command, verb
from muster.core.commands.verbs.set_kit import build_of, with_build
from muster.core.errors import DomainError
from muster.core.vocabulary import STRICT

MOST = 200


@verb(combined=True)
@dataclass(frozen=True, config=STRICT)
class NoteMishap(Command):
    """Something went wrong on these models: mending it is work to come. A joint that came off is
    weak from then on, here and in the kit as it is remembered."""

    do: Literal["note_mishap"]
    unit: str
    what: Literal["came off", "broken", "lost", "re-glued"]
    part: str
    models: Annotated[tuple[Annotated[int, Field(ge=1, le=500)], ...],
                      Field(min_length=1, max_length=500)]  # fmt: skip
    minutes: Annotated[float, Field(ge=0.1, le=600)] = 5.0

    def apply(self, choices: Choices, now: datetime) -> tuple[Choices, str]:
        """Raises DomainError for a part or models that there are not."""
        unit, build = build_of(choices, self.unit)
        part = build.kit.part(self.part)
        if part is None:
            raise DomainError(f"{unit.name} has no part '{self.part}': look at Build again")
        if max(self.models) > unit.count:
            raise DomainError(
                f"model {max(self.models)}: {unit.name} has {unit.count}, so name 1 to {unit.count}"
            )
        if len(build.mishaps) >= MOST:
            raise DomainError(f"{MOST} mishaps are noted: that is a kit to put down")
        number = 1 + max((int(one.id) for one in build.mishaps if one.id.isdigit()), default=0)
        new = Mishap(str(number), self.what, part.id, tuple(sorted(set(self.models))), self.minutes)
        kit = build.kit
        for joint in kit.joints:
            if joint.part == part.id and self.what in ("came off", "re-glued"):
                kit = with_row(kit, replace(joint, weak=True))
        build = replace(build, kit=kit, mishaps=(*build.mishaps, new))
        return with_build(choices, unit, build), f"{unit.name}: {part.name} {self.what}"

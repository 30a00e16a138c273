"""A plan beside the plan: what would come of changes, planned and laid out."""

from __future__ import annotations

from dataclasses import dataclass, replace

from muster.core.commands.command import Command, applied
from muster.core.pipeline import Derived, derive_what_can
from muster.core.plan.plan import Plan
from muster.core.views.board import Board, board_of
from muster.core.views.remedies import openings_of
from muster.core.views.roll import Head, head_of, roll_of
from muster.core.views.shortly import planned_shortly


@dataclass(frozen=True)
class AlternativePlan:
    """The board and the head as they would be. ``words``: what would be changed; ``openings`` and
    ``openings_now``: how often a mix is opened or a tool got out, then and as it stands."""

    words: str
    board: Board
    head: Head
    openings: int
    openings_now: int
    trouble: list[str]


def alternative_plan(derived: Derived, plan: Plan, command: Command) -> AlternativePlan:
    """Plan the changes, with the plan in view as a guide.

    Raises DomainError where a change is refused.
    """
    snapshot = derived.snapshot
    choices, words = applied(command, snapshot.choices, snapshot.now)
    other = derive_what_can(replace(snapshot, choices=choices), keep_running=False)
    made = planned_shortly(other, plan)
    rows = roll_of(other)
    return AlternativePlan(
        words=words, board=board_of(other, made, rows), head=head_of(other, made, rows),
        openings=openings_of(made), openings_now=openings_of(plan),
        trouble=[one.words for one in other.trouble],
    )  # fmt: skip

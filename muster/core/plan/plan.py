"""A plan: the blocks of bench work still to come, what they amount to, and what is proven."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
from functools import lru_cache
from typing import Any, Literal

Do = Literal["get_out", "open", "work", "close", "put_away"]

FORMAT = "crisp-muster/plan"


@dataclass(frozen=True, slots=True)
class Block:
    """One unbroken act at the bench, [start, end). ``ref`` names the tool, family or task."""

    do: Do
    ref: str
    start: int
    end: int
    from_s: int = 0
    to_s: int = 0

    def to_json(self) -> dict[str, Any]:
        """The block as the file format writes it."""
        if self.do == "work":
            return {
                "do": "work",
                "task": self.ref,
                "from_s": self.from_s,
                "to_s": self.to_s,
                "start": self.start,
                "end": self.end,
            }
        key = "family" if self.do in ("open", "close") else "tool"
        return {"do": self.do, key: self.ref, "start": self.start, "end": self.end}

    @staticmethod
    def from_json(row: dict[str, Any]) -> Block:
        """Read a block; KeyError where a key is missing."""
        do: Do = row["do"]
        if do == "work":
            return Block(do, row["task"], row["start"], row["end"], row["from_s"], row["to_s"])
        ref = row["family"] if do in ("open", "close") else row["tool"]
        return Block(do, ref, row["start"], row["end"])


Why = Literal["no_tag", "no_time", "too_long", "life", "place", "window", "follows"]

DETAIL: dict[Why, str] = {
    "no_tag": "tag",
    "no_time": "short_s",
    "too_long": "longest_s",
    "life": "life_s",
    "place": "place",
    "window": "hangs_on",
    "follows": "hangs_on",
}
"""By reason, the key under which the file says what it is about."""


@dataclass(frozen=True, slots=True)
class Left:
    """A task that is not planned to its end: its pieces stop at ``from_s``.

    ``why``: ``no_tag`` (a needed tag, ``detail``, holds in no sitting), ``no_time`` (``detail``
    seconds at the bench are lacking), ``too_long`` (its smallest piece is longer than every sitting
    it may use, the longest of which is ``detail`` s), ``life`` (longer than its family lasts),
    ``place`` (more than a place holds), ``window`` or ``follows`` (it hangs on the task
    ``detail``, which finds no place in time, or none at all).
    """

    task: str
    from_s: int
    why: Why
    detail: str | int

    def to_json(self) -> dict[str, Any]:
        """As the file format writes it."""
        return {"task": self.task, "from_s": self.from_s, "why": self.why,
                DETAIL[self.why]: self.detail}  # fmt: skip

    @staticmethod
    def from_json(row: dict[str, Any]) -> Left:
        """Read it back; KeyError where a key is missing."""
        return Left(row["task"], row["from_s"], row["why"], row[DETAIL[row["why"]]])


@dataclass(frozen=True, slots=True)
class Bounds:
    """What is proven of every plan that keeps the rules and places at least what this one places:
    none can do better than these. ``left_weight`` is proven of every plan."""

    late_weight: Fraction
    hands_on_s: int
    finish: int
    cost_s: int
    left_weight: Fraction = Fraction(0)


@dataclass(frozen=True, slots=True)
class Score:
    """The measures of a plan, in the order in which they count."""

    missed: int
    late_weight: Fraction
    lateness_days: Fraction
    cost_s: int
    hands_on_s: int
    finish: int
    mean_done: int
    left_weight: Fraction = Fraction(0)
    left_s: int = 0
    wants_s: int = 0

    def rank(self) -> tuple[Fraction, int, int, Fraction, Fraction, int]:
        """Smaller is better."""
        return (
            self.left_weight, self.left_s, self.missed, self.late_weight, self.lateness_days,
            self.cost_s,
        )  # fmt: skip


@dataclass(frozen=True, slots=True)
class Plan:
    """A whole plan, or as much of one as finds a place, and why the rest does not."""

    status: Literal["planned", "partial"]
    blocks: tuple[Block, ...]
    score: Score
    bounds: Bounds
    missed: tuple[tuple[str, str], ...]
    seed: int
    steps: int
    left: tuple[Left, ...] = ()
    dropped_pins: tuple[str, ...] = ()

    def gap(self) -> float:
        """Share of the cost that is not proven to be needed, 0 to 1."""
        if self.score.cost_s <= 0:
            return 0.0
        return max(0.0, (self.score.cost_s - self.bounds.cost_s) / self.score.cost_s)

    def to_json(self) -> dict[str, Any]:
        """The plan as the file format writes it."""
        return {
            "format": FORMAT,
            "version": 1,
            "status": self.status,
            "blocks": [block.to_json() for block in self.blocks],
            "late_weight": plain(self.score.late_weight),
            "lateness_days": plain(self.score.lateness_days),
            "hands_on_s": self.score.hands_on_s,
            "finish": self.score.finish,
            "mean_done": self.score.mean_done,
            "cost_s": self.score.cost_s,
            "bounds": {
                "left_weight": plain(self.bounds.left_weight),
                "late_weight": plain(self.bounds.late_weight),
                "hands_on_s": self.bounds.hands_on_s,
                "finish": self.bounds.finish,
                "cost_s": self.bounds.cost_s,
            },
            "missed": [{"before": before, "after": after} for before, after in self.missed],
            "left": [one.to_json() for one in self.left],
            "left_weight": plain(self.score.left_weight),
            "left_s": self.score.left_s,
            "wants_s": self.score.wants_s,
            "dropped_pins": list(self.dropped_pins),
            "seed": self.seed,
            "steps": self.steps,
        }

    @staticmethod
    def from_json(row: dict[str, Any]) -> Plan:
        """Read a plan back; KeyError where a key is missing.

        Keys that older files lack are nought and empty there. An older file that says
        ``impossible`` is a plan without blocks; what is left of it is everything.
        """
        bounds = row["bounds"]
        return Plan(
            status="planned" if row["status"] == "planned" else "partial",
            blocks=tuple(Block.from_json(block) for block in row["blocks"]),
            score=Score(
                missed=len(row["missed"]),
                late_weight=exact(row["late_weight"]),
                lateness_days=exact(row["lateness_days"]),
                cost_s=row["cost_s"],
                hands_on_s=row["hands_on_s"],
                finish=row["finish"],
                mean_done=row["mean_done"],
                left_weight=exact(row.get("left_weight", 0)),
                left_s=row.get("left_s", 0),
                wants_s=row.get("wants_s", 0),
            ),
            bounds=Bounds(
                late_weight=exact(bounds["late_weight"]),
                hands_on_s=bounds["hands_on_s"],
                finish=bounds["finish"],
                cost_s=bounds["cost_s"],
                left_weight=exact(bounds.get("left_weight", 0)),
            ),
            missed=tuple((link["before"], link["after"]) for link in row["missed"]),
            seed=row["seed"],
            steps=row["steps"],
            left=tuple(Left.from_json(one) for one in row.get("left", ())),
            dropped_pins=tuple(row.get("dropped_pins", ())),
        )


def plain(value: Fraction) -> int | float:
    """A number for JSON: whole where it is whole."""
    return value.numerator if value.denominator == 1 else float(value)


@lru_cache(maxsize=8192)
def exact(value: int | float) -> Fraction:
    """A JSON number as the decimal that was written, without binary noise."""
    return Fraction(value) if isinstance(value, int) else Fraction(repr(value))

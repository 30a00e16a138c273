"""A plan: the blocks of bench work still to come, what they amount to, and what is proven."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction
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


@dataclass(frozen=True, slots=True)
class Bounds:
    """What is proven of every plan that keeps the rules: none can do better than these."""

    late_weight: Fraction
    hands_on_s: int
    finish: int
    cost_s: int


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

    def rank(self) -> tuple[int, Fraction, Fraction, int]:
        """Smaller is better."""
        return (self.missed, self.late_weight, self.lateness_days, self.cost_s)


@dataclass(frozen=True, slots=True)
class Plan:
    """A whole plan, or the reasons why there is none."""

    status: Literal["planned", "impossible"]
    blocks: tuple[Block, ...]
    score: Score
    bounds: Bounds
    missed: tuple[tuple[str, str], ...]
    seed: int
    steps: int
    reasons: tuple[str, ...] = ()

    def gap(self) -> float:
        """Share of the cost that is not proven to be needed, 0 to 1."""
        if self.score.cost_s <= 0:
            return 0.0
        return max(0.0, (self.score.cost_s - self.bounds.cost_s) / self.score.cost_s)

    def to_json(self) -> dict[str, Any]:
        """The plan as the file format writes it."""
        result: dict[str, Any] = {
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
                "late_weight": plain(self.bounds.late_weight),
                "hands_on_s": self.bounds.hands_on_s,
                "finish": self.bounds.finish,
                "cost_s": self.bounds.cost_s,
            },
            "missed": [{"before": before, "after": after} for before, after in self.missed],
            "seed": self.seed,
            "steps": self.steps,
        }
        if self.status == "impossible":
            result["reasons"] = list(self.reasons)
        return result

    @staticmethod
    def from_json(row: dict[str, Any]) -> Plan:
        """Read a plan back; KeyError where a key is missing."""
        bounds = row["bounds"]
        return Plan(
            status=row["status"],
            blocks=tuple(Block.from_json(block) for block in row["blocks"]),
            score=Score(
                missed=len(row["missed"]),
                late_weight=exact(row["late_weight"]),
                lateness_days=exact(row["lateness_days"]),
                cost_s=row["cost_s"],
                hands_on_s=row["hands_on_s"],
                finish=row["finish"],
                mean_done=row["mean_done"],
            ),
            bounds=Bounds(
                late_weight=exact(bounds["late_weight"]),
                hands_on_s=bounds["hands_on_s"],
                finish=bounds["finish"],
                cost_s=bounds["cost_s"],
            ),
            missed=tuple((link["before"], link["after"]) for link in row["missed"]),
            seed=row["seed"],
            steps=row["steps"],
            reasons=tuple(row.get("reasons", ())),
        )


def plain(value: Fraction) -> int | float:
    """A number for JSON: whole where it is whole."""
    return value.numerator if value.denominator == 1 else float(value)


def exact(value: int | float) -> Fraction:
    """A JSON number as the decimal that was written, without binary noise."""
    return Fraction(value) if isinstance(value, int) else Fraction(repr(value))

"""A simulated label printer, behind the interface of a real one's driver: it writes SVG."""

from __future__ import annotations

import random
from copy import deepcopy
from dataclasses import dataclass
from typing import Protocol

from muster.core.drawn.page import KEY, Page

TAPE_MM = 62.0
"""Usual width of a continuous roll. Common practice."""

GAP_MM, FEED_NOISE_MM = 3.0, 0.25


@dataclass(frozen=True)
class Strip:
    """What came out: the tape as one SVG document, and how much of it was used."""

    svg: str
    labels: int
    tape_mm: float


class LabelPrinter(Protocol):
    """Puts labels out on its tape."""

    def put_out(self, labels: list[Page]) -> Strip:
        """One after the other; refuses what is wider than its tape."""


@dataclass(frozen=True)
class SimulatedPrinter:
    """``seed``: of its feed, which never stops quite where it should."""

    seed: int

    def put_out(self, labels: list[Page]) -> Strip:
        """The strip, with a line to cut along after each label.

        Raises ValueError for a label wider than the tape.
        """
        if any(label.width > TAPE_MM for label in labels):
            raise ValueError(f"a label is wider than the tape of {TAPE_MM:g} mm")
        rng = random.Random(self.seed)
        length = sum(label.height + GAP_MM for label in labels)
        strip = Page(TAPE_MM, max(GAP_MM, length))
        top = 0.0
        for label in labels:
            made = deepcopy(label.root)
            made.set("y", f"{max(0.0, top + rng.gauss(0, FEED_NOISE_MM)):.2f}")
            made.set("width", f"{label.width:g}")
            made.set("height", f"{label.height:g}")
            strip.root.append(made)
            top += label.height + GAP_MM
            strip.path(f"M0 {top - GAP_MM / 2:.2f}h1.5M{TAPE_MM - 1.5} {top - GAP_MM / 2:.2f}h1.5",
                       "none", KEY)  # fmt: skip
        return Strip(strip.text(), len(labels), round(length, 1))

"""Shelves and targets from a seed, for tests and benchmarks of matching: nobody's paints."""

from __future__ import annotations

import colorsys
import random

import numpy as np

from muster.core.colour import drop_sets, match
from muster.core.colour.observer import Floats
from muster.core.colour.paint import OPACITIES, stated
from muster.core.colour.shelf import Paint, Shelf
from muster.core.colour.spaces import lab_of, xyz_of_hex


def colour(rng: random.Random) -> str:
    """A colour such as paints have: of every hue, more of them dull than bright."""
    hue, lightness = rng.random(), rng.uniform(0.08, 0.92)
    red, green, blue = colorsys.hls_to_rgb(hue, lightness, rng.betavariate(1.6, 2.2))
    return f"#{round(red * 255):02x}{round(green * 255):02x}{round(blue * 255):02x}"


def shelf(paints: int, seed: int, media: tuple[str, ...] = ("acrylic",)) -> Shelf:
    """A shelf with a white and a black."""
    rng = random.Random(seed)
    colours = ["#f4f3ee", "#1b1b1d", *(colour(rng) for _ in range(paints - 2))]
    return Shelf(
        tuple(
            Paint(f"paint {n}", stated(one, rng.choices(OPACITIES, (5, 3, 2, 0))[0]),
                  medium=rng.choice(media), in_stock=rng.random() < 0.8,
                  price_ml=round(rng.uniform(0.1, 0.4), 2))
            for n, one in enumerate(colours)
        )
    )  # fmt: skip


def targets(count: int, seed: int) -> list[Floats]:
    """Colours to be matched, CIELAB."""
    rng = random.Random(seed)
    return list(np.array(lab_of(xyz_of_hex([colour(rng) for _ in range(count)]))))


def everything(shelf: Shelf, target: Floats, most_paints: int, most_drops: int) -> float:
    """The least ΔE00 of all mixes of exactly so many paints, by measuring every one: the yardstick.
    Slow."""
    best = np.inf
    k, s = shelf.k.astype(np.float32), shelf.s.astype(np.float32)
    near = match._Target(target, *match._metric(target), match.compiled())
    for group in shelf.groups():
        if len(group) < most_paints:
            continue
        sets = drop_sets.sets_of(group, most_paints)
        ways = drop_sets.ways_of(most_paints, most_drops)
        for start in range(0, len(sets), 4000):
            part = sets[start : start + 4000]
            off = near.each(k, s, part, ways)
            rows = match._least(off.ravel(), 300)
            best = min(
                best,
                float(
                    match._exactly(
                        shelf, part[rows // len(ways)], ways[rows % len(ways)], target
                    ).min()
                ),
            )
    return best

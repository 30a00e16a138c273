"""Mixes of two paints against two general models of pigment mixing.

pymixbox 2.0.0 (PyPI, CC BY-NC 4.0): Kubelka and Munk's two constants of four measured pigments, and
what is left of a colour. spectral.js 3.0.0 (npm, MIT): one constant, reflectance from seven primary
curves, concentration by luminance. They differ from each other, so the nearer of them counts. Both
serve tests alone: the product neither ships nor needs them.
"""

from __future__ import annotations

import json
import random
import shutil
import subprocess
from pathlib import Path

import mixbox
import numpy as np
import pytest

from muster.cli.launch.steps import npm
from muster.core.colour.observer import Floats
from muster.core.colour.paint import mix_of, stated
from muster.core.colour.spaces import difference, lab_of, xyz_of, xyz_of_hex

SCRIPT = Path(__file__).with_name("mix_by_spectra.mjs")

SHELF = {
    "white": "#f4f3ee", "black": "#1b1b1d", "yellow": "#f2c400", "lemon": "#f7e24a",
    "orange": "#e8761e", "scarlet": "#d2282a", "crimson": "#6e1a1c", "magenta": "#a3235c",
    "violet": "#5a3078", "night blue": "#1f2f5c", "blue": "#1f4fa0", "middle blue": "#2a6fb0",
    "sky": "#7fb2d9", "turquoise": "#1f8a8c", "green": "#2f7a3a", "dark green": "#24452c",
    "olive": "#5a5a2c", "khaki": "#8f8258", "sand": "#c9b083", "ochre": "#b5852f",
    "brown": "#5e3a22", "rust": "#8a4420", "flesh": "#d9a583", "grey": "#8a8d8f",
    "field grey": "#5d6657", "bone": "#e2d7b8", "pink": "#e58fa6", "leather": "#7d5233",
}  # fmt: skip
"""Colours such as every shelf has; nobody's paints."""

Row = tuple[str, int, str, int]


def mixtures(count: int, ways: tuple[tuple[int, int], ...], seed: int) -> list[Row]:
    rng = random.Random(seed)
    rows: list[Row] = []
    while len(rows) < count:
        one, two = rng.sample(list(SHELF.values()), 2)
        a, b = rng.choice(ways)
        rows.append((one, a, two, b))
    return rows


def ours(rows: list[Row]) -> Floats:
    found = [
        lab_of(xyz_of(mix_of([stated(one), stated(two)], np.array([a, b], float)).masstone))
        for one, a, two, b in rows
    ]
    return np.array(found)


def by_mixbox(rows: list[Row]) -> Floats:
    def rgb(colour: str) -> tuple[int, ...]:
        return tuple(int(colour[n : n + 2], 16) for n in (1, 3, 5))

    mixed = [mixbox.lerp(rgb(one), rgb(two), b / (a + b))[:3] for one, a, two, b in rows]
    return lab_of(xyz_of_hex([f"#{r:02x}{g:02x}{b:02x}" for r, g, b in mixed]))


def by_spectra(rows: list[Row]) -> Floats:
    npm()  # puts a Node on the path, where the machine has none
    told = subprocess.run(
        [shutil.which("node") or "node", str(SCRIPT)],
        input=json.dumps(rows),
        capture_output=True,
        text=True,
        check=True,
    )
    return lab_of(xyz_of_hex([one.lower() for one in json.loads(told.stdout)]))


def to_the_nearer(rows: list[Row]) -> Floats:
    mine = ours(rows)
    return np.minimum(difference(mine, by_mixbox(rows)), difference(mine, by_spectra(rows)))


@pytest.mark.parametrize("seed", [3, 8])
@pytest.mark.parametrize("ways", [((1, 1),), ((1, 1), (1, 2), (2, 1), (1, 3), (3, 1))])
def test_mixes_of_two_paints_come_near_one_of_two_models(
    ways: tuple[tuple[int, int], ...], seed: int
) -> None:
    """Of 130: the median under ΔE00 4, and at most five beyond 8 from both."""
    off = to_the_nearer(mixtures(130, ways, seed))
    assert float(np.median(off)) < 4
    assert int((off > 8).sum()) <= 5


def test_where_practice_and_both_models_differ_practice_wins() -> None:
    """One black in ten: L* 75 at the bench (common practice), 88 and 95 by the models."""
    rows: list[Row] = [(SHELF["white"], 9, SHELF["black"], 1)]
    assert ours(rows)[0][0] == pytest.approx(75, abs=3)
    assert by_mixbox(rows)[0][0] > 85 and by_spectra(rows)[0][0] > 90

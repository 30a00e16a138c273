"""Whole shelves, from ten paints to three hundred, with metallics, inks, washes and varnishes."""

from __future__ import annotations

import random

import numpy as np
import pytest

from muster.core.colour.kinds import ROWS, KindTrait, PaintKind
from muster.core.colour.match import EYE, match
from muster.core.colour.owned import OwnedPaint, shelf_from
from muster.core.colour.shelf import Shelf
from muster.core.colour.spaces import difference, lab_of, xyz_of
from tests.bench.shelves import colour, targets

OTHERS: tuple[PaintKind, ...] = (
    "flake", "mica", "ink", "wash", "one-coat", "fluorescent", "varnish", "medium", "thinner",
)  # fmt: skip


def mixed_shelf(paints: int, seed: int) -> list[OwnedPaint]:
    """A white, a black, and of ten others two that are no plain paint. Nobody's paints."""
    rng = random.Random(seed)
    found = [OwnedPaint("white", "#f4f3ee"), OwnedPaint("black", "#1b1b1d")]
    for n in range(paints - 2):
        plain = rng.choice(("opaque", "opaque", "semi", "transparent"))
        kind = OTHERS[n // 5 % len(OTHERS)] if n % 5 == 4 else plain
        found.append(OwnedPaint(f"paint {n}", colour(rng), kind=kind))  # type: ignore[arg-type]
    return found


@pytest.mark.parametrize("paints", [10, 40, 80, 300])
def test_plain_colours_are_mixed_from_plain_paints_and_each_answer_is_true(paints: int) -> None:
    shelf = shelf_from(mixed_shelf(paints, paints))
    for goal in targets(4, paints):
        found = match(shelf, goal)
        for mix in found:
            used = [shelf.paints[index] for index, _ in mix.drops]
            assert all(ROWS[one.kind].has(KindTrait.PLAIN) for one in used)
            shown = lab_of(xyz_of(shelf.optics(mix.drops).masstone))
            assert float(difference(shown, goal)) == pytest.approx(mix.off, abs=1e-9)
            assert mix.total <= 12 and len(used) <= 3
        assert found[0].off <= min(one.off for one in found) + EYE


@pytest.mark.parametrize("paints", [40, 80, 300])
def test_what_is_asked_for_is_mixed_from_and_a_varnish_never(paints: int) -> None:
    shelf: Shelf = shelf_from(mixed_shelf(paints, paints))
    goal = targets(1, 3)[0]
    for group in ("metallic", "ink", "wash"):
        found = match(shelf, goal, groups=(group,))
        kinds = {shelf.paints[index].kind for mix in found for index, _ in mix.drops}
        assert kinds <= {kind for kind, row in ROWS.items() if row.group == group}
    everything = match(shelf, goal, groups=("plain", "ink", "wash", "metallic"), keep=30)
    plain = match(shelf, goal, keep=30)
    assert min(one.off for one in everything) <= min(one.off for one in plain) + 0.1
    clear = [n for n, one in enumerate(shelf.paints) if ROWS[one.kind].has(KindTrait.COLOURLESS)]
    used = {index for mix in (*everything, *plain) for index, _ in mix.drops}
    assert clear and not used & set(clear)
    with_varnish = shelf.optics([(0, 4), (clear[0], 1)])
    assert np.allclose(with_varnish.masstone, shelf.paints[0].optics.masstone)

"""The best mix of owned paints for a colour, in whole drops.

The best is what a painter would rather mix: of all that no eye tells from the closest, the one of
fewest paints and fewest drops. The closer ones follow.

Mixes of one and two paints are all measured. Of three, every set of paints is measured at a few
ways to drop it, the likeliest sets then at all ways; of four, what the likeliest sets of three and
any fourth paint give. A shelf too large for that is first looked through by paints that stand for
those like them. ``tests/bench/matching.py`` holds this against measuring everything.
"""

from __future__ import annotations

import os
from collections.abc import Sequence
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from functools import lru_cache
from itertools import combinations, product
from math import floor
from typing import Literal, Protocol

import numpy as np
from numpy.typing import NDArray

from muster.core.colour.drop_sets import sets_of, turned, ways_of
from muster.core.colour.observer import WEIGHTS, WHITE, Floats
from muster.core.colour.paint import shown
from muster.core.colour.shelf import Mix, Shelf
from muster.core.colour.spaces import difference, lab_of, xyz_of
from muster.core.colour.surface import THROWN_BACK

Singles = NDArray[np.float32]
Indices = NDArray[np.int32]

MOST_DROPS = 12
FEW_WAYS: tuple[tuple[int, ...], ...] = (
    (1, 1, 1), (3, 1, 1), (1, 3, 1), (1, 1, 3), (3, 3, 1), (3, 1, 3), (1, 3, 3)
)  # fmt: skip
FEW_OF_FOUR: tuple[tuple[int, ...], ...] = (
    (1, 1, 1, 1), (3, 1, 1, 1), (1, 3, 1, 1), (1, 1, 3, 1), (3, 3, 1, 1), (3, 1, 3, 1),
    (1, 3, 3, 1), (3, 3, 3, 1),
)  # fmt: skip
SETS_AT_ONCE = 170_000
"""Sets of three that are measured at a few ways: those of a hundred paints."""
LEAST_CUBIC = 0.05
LIKELY = 1000
"""Sets of three that are then measured at all ways."""
LIKELY_FOR_FOUR = 160
LIKELY_OF_FOUR = 400
EXACT = 400
"""Mixes measured exactly at the end."""
EYE = 1.0
"""ΔE00 that no eye tells at the bench: within so much of the best, the simpler mix goes first.
Common practice."""
ALIKE_POT = 0.5
"""ΔE00 within which less paint added to a pot goes first."""


class Kernel(Protocol):
    """The hot loop, compiled or not: see ``match_kernel`` and ``match_plain``."""

    def each(
        self, k: Singles, s: Singles, sets: Indices, ways: Singles, form: Singles,
        weights: Singles, goal: Singles, out: Singles,
    ) -> None:  # fmt: skip
        """Every squared distance."""

    def nearest(
        self, k: Singles, s: Singles, sets: Indices, ways: Singles, form: Singles,
        weights: Singles, goal: Singles, out: Singles,
    ) -> None:  # fmt: skip
        """The least of each set."""


def compiled() -> Kernel:
    """The compiled loop: the faster one, once it is loaded."""
    from muster.core.colour import match_kernel

    return match_kernel


_WORKERS = os.cpu_count() or 1
_POOL = ThreadPoolExecutor(_WORKERS)
# In rows: a column at a time the hot loop is three times slower.
_BANDS = np.ascontiguousarray(WEIGHTS / WHITE[:, None] * (1 - THROWN_BACK), dtype=np.float32)
SIFTED, RANKED = 6, 3
"""Neighbouring bands that are looked at as one where sets are sifted, and where their ways are
ranked for the exact measuring."""


def match(
    shelf: Shelf,
    target: Floats,
    most_paints: int = 3,
    most_drops: int = MOST_DROPS,
    keep: int = 8,
    groups: Sequence[str] = ("plain",),
    in_stock: bool = False,
    by: Literal["eye", "difference"] = "eye",
    kernel: Kernel | None = None,
) -> list[Mix]:
    """The best mixes for a target (CIELAB, D65, dry), the best first.

    ``groups``: kinds of paint that may be in them. By eye: of those within ``EYE`` of the closest
    first the fewest paints, then fewest drops, in stock, one medium, without metallics; by
    difference: by ΔE00 alone. Of the same paints only the best. Two paints of one name are never
    in one mix. Raises ValueError for fewer than 1 or more than 4 paints, drops outside 1 to 60, an
    unknown group, or a shelf without a colour.
    """
    if not 1 <= most_paints <= 4:
        raise ValueError(f"{most_paints} paints in a mix: use 1 to 4")
    if not 1 <= most_drops <= 60:
        raise ValueError(f"{most_drops} drops in a mix: use 1 to 60")
    usable = shelf.usable(groups, in_stock)
    if not usable:
        raise ValueError("the shelf holds no colour: add a paint")
    near_to = _Target(target, *_metric(target), kernel or compiled())
    measured = [
        one
        for group in shelf.groups(usable)
        for one in _in_group(shelf, group, near_to, most_paints, most_drops)
    ]
    best = min(float(one.off.min()) for one in measured if len(one.off))
    found = [mix for one in measured for mix in one.chosen(best, keep)]
    far = sorted((mix for mix in found if mix.off > best + EYE), key=lambda mix: mix.off)
    near = [mix for mix in found if mix.off <= best + EYE]
    if by == "difference":
        near.sort(key=lambda mix: mix.off)
    else:
        near.sort(key=lambda mix: _by_eye(shelf, mix))
    chosen: dict[tuple[int, ...], _Found] = {}
    for mix in (*near, *far):
        # Of the same paints only the best drops: others of them are no other mix to choose.
        chosen.setdefault(tuple(sorted(index for index, _ in mix.drops)), mix)
    ranked = list(chosen.values())[:keep]
    closest = min(found, key=lambda mix: mix.off)
    if all(mix.off > closest.off for mix in ranked):
        # The closest stays one press away, also where it is of the first one's paints.
        ranked[keep - 1 :] = [closest]
    return [shelf.mix(mix.drops, target) for mix in ranked]


def from_pot(
    shelf: Shelf,
    pot: Sequence[tuple[int, int]],
    target: Floats,
    most_extra: int = MOST_DROPS,
    keep: int = 5,
    kinds: Sequence[str] = ("plain",),
) -> list[Mix]:
    """What to add of one or two paints to a pot already mixed, the least that helps first.

    ``drops`` of an answer are those to add. Raises ValueError for an empty pot.
    """
    if not pot or sum(drops for _, drops in pot) < 1:
        raise ValueError("the pot is empty: say what is in it")
    usable = sorted({*shelf.usable(kinds), *(index for index, _ in pot)})
    groups = [group for group in shelf.groups(usable) if any(i in group for i, _ in pot)]
    if len(groups) != 1:
        raise ValueError("the pot holds paints that do not mix: begin another")
    members = groups[0]
    optics, held = shelf.optics(pot), float(sum(drops for _, drops in pot))
    k = np.vstack([optics.k * held, shelf.k[members]]).astype(np.float32)
    s = np.vstack([optics.s * held, shelf.s[members]]).astype(np.float32)
    count = len(members)
    sets = [(0, i, i, i) for i in range(1, count + 1)]
    sets += [(0, i, j, i) for i, j in combinations(range(1, count + 1), 2)]
    ways = [
        (1, a, b, 0) for a, b in product(range(most_extra + 1), repeat=2) if a + b <= most_extra
    ]
    table = np.array(ways, dtype=np.float32)
    rows = np.array(sets, dtype=np.int32)
    off = _Target(target, *_metric(target), compiled()).each(k, s, rows, table)
    best: dict[tuple[tuple[int, int], ...], Mix] = {}
    for flat in _least(off.ravel(), EXACT):
        one, way = sets[flat // len(ways)], ways[flat % len(ways)]
        added: dict[int, int] = {}
        for place, drops in ((one[1], way[1]), (one[2], way[2])):
            if drops:
                index = members[place - 1]
                added[index] = added.get(index, 0) + drops
        key = tuple(sorted(added.items()))
        if key in best:
            continue
        whole = dict(pot)
        for index, drops in key:
            whole[index] = whole.get(index, 0) + drops
        mix = shelf.mix(tuple(whole.items()), target)
        best[key] = Mix(key, mix.lab, mix.hex, mix.off, mix.in_stock, mix.media, mix.price)
    return sorted(best.values(), key=lambda mix: (floor(mix.off / ALIKE_POT), mix.total))[:keep]


@dataclass(frozen=True, slots=True)
class _Found:
    """A mix before it is told in full."""

    drops: tuple[tuple[int, int], ...]
    off: float


def _by_eye(shelf: Shelf, mix: _Found) -> tuple[int, int, bool, int, bool, float, float]:
    used = [(shelf.paints[index], drops) for index, drops in mix.drops]
    return (
        len(used), sum(drops for _, drops in used), not all(one.in_stock for one, _ in used),
        len({one.medium for one, _ in used}), any(one.metallic for one, _ in used),
        sum(one.price_ml * drops for one, drops in used), mix.off,
    )  # fmt: skip


@dataclass(frozen=True, eq=False)
class _Measured:
    """Mixes of so many paints measured exactly: paints (m, 4), drops (m, 4), ΔE00 (m,)."""

    which: Indices
    drops: Singles
    off: Floats

    def chosen(self, best: float, keep: int) -> list[_Found]:
        """The closest of them, and those of fewest drops among those near the best."""
        rows = list(np.argsort(self.off, kind="stable")[: 5 * keep])
        near = np.flatnonzero(self.off <= best + EYE)
        totals = self.drops[near].sum(axis=1)
        rows += list(near[np.lexsort((self.off[near], totals))][: 5 * keep])
        return [_Found(self._pairs(row), float(self.off[row])) for row in dict.fromkeys(rows)]

    def _pairs(self, row: int) -> tuple[tuple[int, int], ...]:
        pairs = zip(self.which[row], self.drops[row], strict=True)
        return tuple((int(index), int(amount)) for index, amount in pairs if amount > 0)


@dataclass(frozen=True, eq=False)
class _Target:
    """What is aimed at: CIELAB, ΔE00² near it as a quadratic form, and by which loop."""

    lab: Floats
    form: Singles
    goal: Singles
    kernel: Kernel

    def nearest(self, k: Singles, s: Singles, sets: Indices, ways: Singles) -> Singles:
        """Of each set the least squared distance over all ways."""
        out = np.empty(len(sets), np.float32)
        form, goal = self._by_roots()

        def part(rows: slice) -> None:
            self.kernel.nearest(k, s, sets[rows], ways, form, _weights(k.shape[1]), goal, out[rows])

        list(_POOL.map(part, _parts(len(sets))))
        return out

    def _by_roots(self) -> tuple[Singles, Singles]:
        """The same form and target by the square roots of X, Y and Z: near enough for sifting."""
        middle = (self.lab[0] + 16) / 116
        cubic = np.array([middle + self.lab[1] / 500, middle, middle - self.lab[2] / 200])
        roots = np.maximum(cubic, LEAST_CUBIC) ** 1.5
        # Of L*, a* and b* by the cube roots, and of those by the square roots.
        by_cubic = np.array([[0, 116, 0], [500, -500, 0], [0, 200, -200.0]])
        turn = by_cubic * (2 / 3 * roots ** (-1 / 3))
        return (turn.T @ self.form @ turn).astype(np.float32), roots.astype(np.float32)

    def each(self, k: Singles, s: Singles, sets: Indices, ways: Singles) -> Singles:
        """Every squared distance, (m, w)."""
        out = np.empty((len(sets), len(ways)), np.float32)

        def part(rows: slice) -> None:
            self.kernel.each(
                k, s, sets[rows], ways, self.form, _weights(k.shape[1]), self.goal, out[rows]
            )

        list(_POOL.map(part, _parts(len(sets))))
        return out


def _in_group(
    shelf: Shelf, group: list[int], target: _Target, most_paints: int, most_drops: int
) -> list[_Measured]:
    """The best mixes of paints that mix with each other, by how many paints they are of."""
    k, s = shelf.k.astype(np.float32), shelf.s.astype(np.float32)
    few_k, few_s = _fewer_bands(k, RANKED), _fewer_bands(s, RANKED)
    names = _same_names(shelf, group)
    found: list[_Measured] = []
    likely = np.empty((0, 4), np.int32)
    for paints in range(1, min(most_paints, len(group), most_drops) + 1):
        ways = ways_of(paints, most_drops)
        if paints <= 2:
            sets = sets_of(group, paints)
        elif paints == 3:
            sets = likely = _likely_three(k, s, group, target)
        else:
            sets = _likely_four(k, s, group, likely, target)
        sets = _of_different_names(sets, paints, names)
        if not len(sets):
            continue
        off = target.each(few_k, few_s, sets, ways).ravel()
        rows = _worth_measuring(off, ways)
        which, drops = sets[rows // len(ways)], ways[rows % len(ways)]
        found.append(_Measured(which, drops, _exactly(shelf, which, drops, target.lab)))
    return found


def _worth_measuring(off: Singles, ways: Singles) -> NDArray[np.intp]:
    """Rows of the least squared distances, and of the fewest drops among those near the least."""
    least = _least(off, EXACT)
    near = np.flatnonzero(off <= (np.sqrt(off[least[0]]) + EYE) ** 2)
    totals = ways.sum(axis=1)[near % len(ways)]
    simple = near[_least((totals + off[near] * 1e-3).astype(np.float32), EXACT // 3)]
    return np.unique(np.concatenate([least, simple]))


def _same_names(shelf: Shelf, group: list[int]) -> NDArray[np.int64] | None:
    """A number for each paint's name, by its place on the shelf; None where all differ."""
    named = [shelf.paints[index].twin_key[0] or f"{index}" for index in range(len(shelf.paints))]
    if len({named[index] for index in group}) == len(group):
        return None
    numbers = {name: number for number, name in enumerate(dict.fromkeys(named))}
    return np.array([numbers[name] for name in named], dtype=np.int64)


def _of_different_names(sets: Indices, paints: int, names: NDArray[np.int64] | None) -> Indices:
    """Sets in which no name stands twice."""
    if names is None or paints == 1:
        return sets
    held = np.sort(names[sets[:, :paints]], axis=1)
    return sets[(np.diff(held, axis=1) > 0).all(axis=1)]


def _likely_three(k: Singles, s: Singles, group: list[int], target: _Target) -> Indices:
    """Sets of three that come near at a few ways, by bands taken together."""
    k, s = _fewer_bands(k, SIFTED), _fewer_bands(s, SIFTED)
    ways = np.array([(*way, 0) for way in FEW_WAYS], dtype=np.float32)
    stand, members = _standing(k, s, group)
    sets = sets_of(stand, 3)
    found = target.nearest(k, s, sets, ways)
    if len(stand) == len(group):
        return sets[_least(found, LIKELY)]
    wide = [
        (*three, three[0])
        for row in sets[_least(found, LIKELY // 3)]
        for three in product(*(members[int(index)] for index in row[:3]))
    ]
    # Three alike may stand for one another: those within a group of their own count too.
    rows = np.array(wide, dtype=np.int32)
    return rows[_least(target.nearest(k, s, rows, ways), LIKELY)]


def _likely_four(
    k: Singles, s: Singles, group: list[int], likely: Indices, target: _Target
) -> Indices:
    """The likeliest sets of three with any fourth paint."""
    rows = {
        tuple(sorted((*(int(i) for i in three[:3]), fourth)))
        for three in likely[:LIKELY_FOR_FOUR]
        for fourth in group
        if fourth not in three[:3]
    }
    sets = np.array(sorted(rows), dtype=np.int32).reshape(-1, 4)
    k, s = _fewer_bands(k, SIFTED), _fewer_bands(s, SIFTED)
    ways = {way for few in FEW_OF_FOUR for way in turned(few)}
    table = np.array(sorted(ways), dtype=np.float32)
    return sets[_least(target.nearest(k, s, sets, table), LIKELY_OF_FOUR)]


def _fewer_bands(each: Singles, at_once: int) -> Singles:
    return np.ascontiguousarray(each.reshape(len(each), -1, at_once).mean(axis=2))


def _standing(k: Singles, s: Singles, group: list[int]) -> tuple[list[int], dict[int, list[int]]]:
    """Paints that stand for those like them, so few that their sets can all be measured."""
    most = len(group)
    while most * (most - 1) * (most - 2) // 6 > SETS_AT_ONCE:
        most -= 1
    if most == len(group):
        return group, {index: [index] for index in group}
    seen = shown(k[group].astype(float), s[group].astype(float)).repeat(SIFTED, axis=1)
    masstone = lab_of(xyz_of(seen))
    strength = np.log(k[group].mean(axis=1) + s[group].mean(axis=1)) * 8
    place = np.column_stack([masstone, strength])
    # Farthest first: each new one is the paint farthest from all that stand already.
    stand = [0]
    far = np.linalg.norm(place - place[0], axis=1)
    while len(stand) < most:
        stand.append(int(far.argmax()))
        far = np.minimum(far, np.linalg.norm(place - place[stand[-1]], axis=1))
    near = np.linalg.norm(place[:, None] - place[stand][None], axis=2).argmin(axis=1)
    members: dict[int, list[int]] = {group[one]: [] for one in stand}
    for index, chosen in enumerate(near):
        members[group[stand[int(chosen)]]].append(group[index])
    return [group[one] for one in stand], members


def _metric(target: Floats) -> tuple[Singles, Singles]:
    """ΔE00² near the target as a quadratic form of CIELAB steps, and the target."""
    step = 0.5
    axes = np.eye(3) * step
    own = [float(difference(target + one, target - one)) ** 2 for one in axes]
    form = np.diag(own)
    for i, j in combinations(range(3), 2):
        both = axes[i] + axes[j]
        cross = float(difference(target + both, target - both)) ** 2 - own[i] - own[j]
        form[i, j] = form[j, i] = cross / 2
    return (form / (2 * step) ** 2).astype(np.float32), target.astype(np.float32)


def _least(values: Singles, count: int) -> NDArray[np.intp]:
    """Where the least so many stand, the least first."""
    if len(values) > count:
        rows = np.argpartition(values, count)[:count]
        return rows[np.argsort(values[rows], kind="stable")]
    return np.argsort(values, kind="stable")


@lru_cache(maxsize=8)
def _weights(bands: int) -> Singles:
    return np.ascontiguousarray(_BANDS.reshape(3, bands, -1).sum(axis=2))


def _parts(count: int) -> list[slice]:
    size = max(1, -(-count // _WORKERS))
    return [slice(start, min(count, start + size)) for start in range(0, count, size)]


def _exactly(shelf: Shelf, which: Indices, drops: Singles, target: Floats) -> Floats:
    """ΔE00 of these mixes from the target."""
    amounts = drops.astype(np.float64)
    k = np.einsum("mc,mcb->mb", amounts, shelf.k[which])
    s = np.einsum("mc,mcb->mb", amounts, shelf.s[which])
    return difference(lab_of(xyz_of(shown(k, s))), target)

"""What the paints of a shelf can reach, and what is left where a colour is beyond that."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import combinations, product

import numpy as np

from muster.core.colour.match import Kernel, match
from muster.core.colour.observer import Floats
from muster.core.colour.paint import shown
from muster.core.colour.shelf import Mix, Paint, Shelf
from muster.core.colour.spaces import lab_of, xyz_of

AROUND_L = 2.0
"""L* on either side of the target's at which the boundary is drawn."""
FAR = 2.0
"""ΔE00 from which a mix is another colour than was meant: the target is out of reach. Common
practice: two pots of one paint differ by less."""
HUES_KEPT = (4.0, 10.0, 20.0)
"""Degrees within which a hue counts as held: the closest that has any mix."""
MOST_EXTREME = 18
SHARES = (0.03, 0.08, 0.17, 0.33, 0.5, 0.67, 0.83, 0.92, 0.97)
MOST_TRIPLES = 30_000
"""Mixes of three that are looked at: the fewer the paints, the finer their steps."""
FINER = 4
"""Points on a curve for each that is mixed."""
WORTH_BUYING = 0.7
"""Of the difference that is left, what a paint must take away at least to be named."""


@dataclass(frozen=True)
class Limits:
    """``boundary``: a* and b* of the outline of all mixes at the target's L*, in order around;
    ``inside``: whether the target lies within. ``paler``: the mix nearest to the target's hue and
    lightness with as much chroma as is there; ``shifted``: nearest to its hue and chroma, at
    another lightness. Both None where the target is within reach."""

    boundary: tuple[tuple[float, float], ...]
    inside: bool
    nearest: Mix
    paler: Mix | None
    shifted: Mix | None

    @property
    def out_of_reach(self) -> bool:
        """Whether no mix comes near."""
        return self.nearest.off > FAR


def limits(
    shelf: Shelf, target: Floats, groups: Sequence[str] = ("plain",), kernel: Kernel | None = None
) -> Limits:
    """What these paints can reach about a target (CIELAB). Raises ValueError where the shelf holds
    no colour."""
    usable = shelf.usable(groups)
    nearest = match(shelf, target, 3, keep=1, groups=groups, by="difference", kernel=kernel)[0]
    cloud = np.vstack(
        [_cloud(shelf, [*group]) for group in shelf.groups(usable)] + [np.array([nearest.lab])]
    )
    level = cloud[np.abs(cloud[:, 0] - target[0]) <= AROUND_L][:, 1:]
    boundary = _outline(level)
    inside = _within(boundary, target[1:]) or nearest.off <= FAR / 2
    if nearest.off <= FAR:
        return Limits(boundary, inside, nearest, None, None)

    def mixed(goal: Floats | None) -> Mix | None:
        if goal is None:
            return None
        found = match(shelf, goal, 3, keep=1, groups=groups, kernel=kernel)[0]
        return shelf.mix(found.drops, target)

    return Limits(
        boundary, inside, nearest, mixed(_paler(cloud, target)), mixed(_shifted(cloud, target))
    )


@dataclass(frozen=True)
class Buy:
    """A paint that would bring a target within reach: its place among those offered, and ΔE00 of
    the best mix with it."""

    index: int
    off: float


def worth_buying(
    shelf: Shelf, offered: Sequence[Paint], target: Floats, nearest: float,
    kernel: Kernel | None = None, keep: int = 3,
) -> list[Buy]:  # fmt: skip
    """Of paints that are not owned those that would bring a target nearer, the best first.

    ``nearest``: ΔE00 of the best mix without them. Raises ValueError where the shelf and the offer
    are more than 300 paints.
    """
    found = []
    extremes = _extremes(shelf, shelf.usable())
    for index, paint in enumerate(offered):
        # Whatever it is mixed with, it is those at the rim that turn it farthest.
        with_it = Shelf((*(shelf.paints[n] for n in extremes), replace(paint, in_stock=True)))
        best = match(with_it, target, 3, keep=1, by="difference", kernel=kernel)[0]
        if best.off <= nearest * (1 - WORTH_BUYING):
            found.append(Buy(index, best.off))
    return sorted(found, key=lambda one: one.off)[:keep]


def _extremes(shelf: Shelf, usable: Sequence[int]) -> list[int]:
    """The paints farthest out in every direction, and those that stretch them."""
    if len(usable) <= MOST_EXTREME:
        return list(usable)
    labs = lab_of(xyz_of(shown(shelf.k[usable], shelf.s[usable])))
    directions = np.array([one for one in product((-1, 0, 1), repeat=3) if any(one)], dtype=float)
    directions /= np.linalg.norm(directions, axis=1)[:, None]
    found = dict.fromkeys(int((labs @ one).argmax()) for one in directions)
    far = np.min([np.linalg.norm(labs - labs[n], axis=1) for n in found], axis=0)
    while len(found) < MOST_EXTREME:
        found[int(far.argmax())] = None
        far = np.minimum(far, np.linalg.norm(labs - labs[list(found)[-1]], axis=1))
    return [usable[n] for n in found]


def _cloud(shelf: Shelf, group: Sequence[int]) -> Floats:
    """CIELAB of mixes of up to three paints: every paint with every extreme one, and extremes."""
    extremes = _extremes(shelf, group)
    labs = [_labs(shelf, np.array(group)[:, None], np.ones((1, 1)))]
    pairs = np.array([(a, b) for a in extremes for b in group if a != b])
    if len(pairs):
        ways = np.array([(share, 1 - share) for share in SHARES])
        curves = _labs(shelf, pairs, ways).reshape(len(pairs), len(SHARES), 3)
        labs += [_between(curves).reshape(-1, 3), curves[:, -1]]
    triples = np.array(list(combinations(extremes, 3)))
    if len(triples):
        labs.append(_labs(shelf, triples, _thirds(MOST_TRIPLES // len(triples))))
    return np.vstack(labs)


def _thirds(most: int) -> Floats:
    """Ways to part a whole into three (n, 3), as finely as ``most`` of them allow."""
    parts = max(6, min(24, int((2 * most) ** 0.5)))
    ways = [(a, b, parts - a - b) for a in range(1, parts) for b in range(1, parts - a)]
    return np.array(ways, dtype=float)


def _between(curves: Floats) -> Floats:
    """Points on curves (n, shares, 3) closer than they were mixed: a lightness is met on the way
    from one share to the next."""
    steps = np.arange(FINER) / FINER
    here, there = curves[:, :-1, None, :], curves[:, 1:, None, :]
    found: Floats = here + (there - here) * steps[None, None, :, None]
    return found


def _labs(shelf: Shelf, sets: np.ndarray, ways: Floats) -> Floats:
    k, s = (np.matmul(ways, each[sets]) for each in (shelf.k, shelf.s))
    return lab_of(xyz_of(shown(k, s))).reshape(-1, 3)


DIRECTIONS = 72
"""In which an outline is looked for, about the middle of what is reached."""


def _outline(points: Floats) -> tuple[tuple[float, float], ...]:
    """The outline of points (n, 2), around: the farthest in each direction from their middle, since
    mixtures bend inwards and no straight line between two paints is reached. The points themselves
    where they are too few."""
    if len(points) < 3:
        return tuple((float(a), float(b)) for a, b in points)
    low, high = points.min(axis=0), points.max(axis=0)
    middle = (low + high) / 2
    away = points - middle
    sector = np.floor(
        (np.arctan2(away[:, 1], away[:, 0]) + np.pi) / (2 * np.pi) * DIRECTIONS
    ).astype(int) % DIRECTIONS  # fmt: skip
    length = np.hypot(away[:, 0], away[:, 1])
    farthest: dict[int, int] = {}
    for index in np.argsort(length):
        farthest[int(sector[index])] = int(index)
    # A direction in which hardly anything was mixed is no bay: its neighbours say how far it goes.
    reach = np.zeros(DIRECTIONS)
    for one, index in farthest.items():
        reach[one] = length[index]
    steps = np.abs(np.arange(DIRECTIONS)[:, None] - np.arange(DIRECTIONS)[None, :])
    steps = np.minimum(steps, DIRECTIONS - steps)
    least = (reach[None, :] * STEEPEST**steps * (steps > 0)).max(axis=1)
    kept = np.array([one for one in sorted(farthest) if reach[one] >= least[one]])
    far = reach[kept]
    beside = (np.diff(kept, append=kept[:1] + DIRECTIONS) == 1) & (
        np.diff(kept, prepend=kept[-1:] - DIRECTIONS) == 1
    )
    for _ in range(SMOOTHED):
        # Between two directions beside it that reach far, one that reaches less was mixed coarsely.
        between = (np.roll(far, 1) + np.roll(far, -1)) / 2
        far = np.where(beside, np.maximum(far, between), far)
    out = away[[farthest[one] for one in kept]] * (far / reach[kept])[:, None] + middle
    return tuple((float(a), float(b)) for a, b in out)


SMOOTHED = 3
"""Times that a notch in the outline is filled to between its neighbours."""
STEEPEST = 0.8
"""Of what one direction reaches, what the next one reaches at least."""


def _within(boundary: Sequence[tuple[float, float]], point: Floats) -> bool:
    """Whether a point lies inside an outline: a line from it crosses it an odd number of times."""
    inside = False
    x, y = float(point[0]), float(point[1])
    for (x0, y0), (x1, y1) in zip(boundary, (*boundary[1:], *boundary[:1]), strict=True):
        if (y0 > y) != (y1 > y) and x < x0 + (y - y0) / (y1 - y0) * (x1 - x0):
            inside = not inside
    return inside


def _in_hue(cloud: Floats, target: Floats) -> Floats:
    """Mixes of about the target's hue."""
    hues = np.degrees(np.arctan2(cloud[:, 2], cloud[:, 1]))
    hue = float(np.degrees(np.arctan2(target[2], target[1])))
    apart = np.abs((hues - hue + 180) % 360 - 180)
    for kept in HUES_KEPT:
        if (apart <= kept).any():
            break
    found: Floats = cloud[apart <= kept]
    return found


def _paler(cloud: Floats, target: Floats) -> Floats | None:
    """The most chromatic mix of that hue and lightness; None where there is none."""
    near = _in_hue(cloud[np.abs(cloud[:, 0] - target[0]) <= AROUND_L], target)
    if not len(near):
        return None
    chroma = np.hypot(near[:, 1], near[:, 2])
    wanted = float(np.hypot(target[1], target[2]))
    found: Floats = near[int(np.abs(chroma - min(wanted, float(chroma.max()))).argmin())]
    return found


def _shifted(cloud: Floats, target: Floats) -> Floats | None:
    """The mix of that hue and chroma that is nearest in lightness; None where there is none."""
    near = _in_hue(cloud, target)
    wanted = float(np.hypot(target[1], target[2]))
    near = near[np.abs(np.hypot(near[:, 1], near[:, 2]) - wanted) <= max(2.0, 0.06 * wanted)]
    if not len(near):
        return None
    found: Floats = near[int(np.abs(near[:, 0] - target[0]).argmin())]
    return found

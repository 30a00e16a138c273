"""Matching models that do not look cloned; and accents that are meant to be alike."""

from __future__ import annotations

import random
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from muster.core.colour.match import match
from muster.core.colour.observer import Floats
from muster.core.colour.shelf import Mix, Shelf
from muster.core.colour.spaces import difference, lab_of, xyz_of

MOST_VARIANTS = 60


@dataclass(frozen=True)
class Pair:
    """Two of a kind and how far they are apart, ΔE00."""

    one: str
    two: str
    difference: float


def consistency(accents: Mapping[str, Floats]) -> list[Pair]:
    """Accents meant to be alike (CIELAB by name), the two farthest apart first."""
    names = list(accents)
    found = [
        Pair(one, two, float(difference(accents[one], accents[two])))
        for index, one in enumerate(names)
        for two in names[index + 1 :]
    ]
    return sorted(found, key=lambda pair: -pair.difference)


def variants(
    shelf: Shelf, base: Mix, models: int, spread: float, seed: int, most_drops: int = 24
) -> list[Mix]:
    """A mix for each model about a base mix: at most ``spread`` ΔE00 from it, none like another.

    Each is the base with a drop or two more or less of its own paints, so that tone and character
    stay. The same seed gives the same variants. Raises ValueError for a spread that whole drops
    cannot give.
    """
    if not 1 <= models <= MOST_VARIANTS:
        raise ValueError(f"{models} variants: use 1 to {MOST_VARIANTS}")
    goal = np.array(base.lab)
    near = _around(shelf, base, goal, most_drops)
    fit = [mix for mix in near if mix.off <= spread]
    if not fit:
        least = min((mix.off for mix in near), default=0.0)
        raise ValueError(
            f"no other mix of up to {most_drops} drops lies within ΔE00 {spread:g}: the nearest is "
            f"{least:.1f} away; allow that, or more drops"
        )
    rng = random.Random(seed)
    order = fit.copy()
    rng.shuffle(order)
    chosen = [order[0]]
    # The next is the one farthest from all chosen: they spread evenly over what is allowed.
    while len(chosen) < models:
        left = [mix for mix in order if mix not in chosen]
        if not left:
            chosen += [rng.choice(fit) for _ in range(models - len(chosen))]
            break
        labs = np.array([mix.lab for mix in chosen])
        far = [float(difference(np.array(mix.lab), labs).min()) for mix in left]
        chosen.append(left[int(np.argmax(far))])
    return chosen


def _around(shelf: Shelf, base: Mix, goal: Floats, most_drops: int) -> list[Mix]:
    """Mixes of the base's paints (of one paint: with a drop of another) about its proportions."""
    paints = [index for index, _ in base.drops]
    drops = np.array([amount for _, amount in base.drops])
    found: dict[tuple[int, ...], Mix] = {}
    if len(paints) == 1:
        others = [
            index
            for group in shelf.groups()
            if paints[0] in group
            for index in group
            if index != paints[0]
        ]
        for other in others:
            for many in (6, 10, 16, 23):
                if many < most_drops:
                    mix = shelf.mix(((paints[0], many), (other, 1)), goal)
                    found[paints[0], other, many] = mix
        return list(found.values())
    for times in range(1, most_drops // int(drops.sum()) + 1):
        whole = drops * times
        for one in range(len(paints)):
            for by in (-2, -1, 1, 2):
                new = whole.copy()
                new[one] += by
                if new.min() >= 1 and new.sum() <= most_drops:
                    key = tuple(int(v) for v in new // np.gcd.reduce(new))
                    pairs = tuple(zip(paints, key, strict=True))
                    found.setdefault(key, shelf.mix(pairs, goal))
    return [mix for mix in found.values() if mix.off > 0]


def in_tone_with(
    shelf: Shelf, dried: Floats, spread: float, seed: int, most_paints: int = 3
) -> Mix:
    """A mix in tone with an earlier model's dried colour (reflectance), not identical to it.

    Raises ValueError where nothing is in tone.
    """
    goal = lab_of(xyz_of(dried))
    near: Sequence[Mix] = [m for m in match(shelf, goal, most_paints, keep=40) if m.off <= spread]
    if not near:
        best = match(shelf, goal, most_paints, keep=1)[0]
        raise ValueError(f"the nearest mix is ΔE00 {best.off:.1f} away: allow that")
    return random.Random(seed).choice(near)

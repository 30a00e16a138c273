"""A colour from a photograph with something grey or white in it.

What is pressed as grey tells the light; the place is divided by it, in linear light, so that
neither the lamp's colour nor the exposure is left in it. A camera is no colour reader: where the
light is uneven or a channel is clipped, that is said instead of a colour.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from muster.core.colour.observer import Floats
from muster.core.colour.spaces import TO_XYZ, hexes_of, lab_of
from muster.core.errors import DomainError

Pixels = NDArray[np.uint8]
Point = tuple[float, float]
"""Across and down, as shares of the picture's width and height."""

REFLECTS = {"white": 0.86, "grey": 0.18}
"""Of white paper, and of a photographer's grey card (18 %, common practice)."""

RADIUS = 0.02
"""Of a place, as a share of the picture's longer side."""
STRAY = 4.0
"""Times the usual scatter from which a pixel is left out: a glint, a speck, a gap."""
QUANTUM = 0.004
"""Scatter, as a share of the light, below which eight bits tell nothing."""
CLIPPED_AT = (4, 253)
MOST_CLIPPED = 0.02
MOST_UNEVEN = 0.15
"""Change of the light between grey and place, as its share, beyond which nobody should rely on
what the grey shows of it; of one channel against another, half of that."""
SURE = 0.025
"""How far noise may put that wrong for it to be taken out."""
UNEVEN = 0.055
"""Where noise hides it: change of the light between grey and place, as its share, from which a
colour would be off by more than ΔE00 3."""
LEAST_PIXELS = 30
DARK = 0.02
"""Linear light of a grey below which it tells nothing."""


@dataclass(frozen=True)
class Seen:
    """A place's colour with the light taken out; what to know of it."""

    hex: str
    lab: tuple[float, float, float]
    warnings: tuple[str, ...]


def colour_at(
    pixels: Pixels, greys: Sequence[Point], place: Point, reference: str = "white",
    radius: float = RADIUS,
) -> Seen:  # fmt: skip
    """The colour of a place of a picture (h, w, 3), sRGB, judged by one to four greys.

    Raises DomainError, with how to mend it, where the light is too uneven, too much is clipped, or
    the grey is too dark or coloured to be one.
    """
    if reference not in REFLECTS:
        raise DomainError(f"'{reference}' is no reference: use {' or '.join(REFLECTS)}")
    if not 1 <= len(greys) <= 4:
        raise DomainError(f"{len(greys)} greys: press one to four")
    patches = [_Patch.of(pixels, point, radius, "the grey") for point in greys]
    seen = _Patch.of(pixels, place, radius, "the place")
    if min(float(one.mean.min()) for one in patches) < DARK:
        raise DomainError("the grey is too dark to judge by: press something lighter")
    light = _light_at(patches, seen)
    reflected = seen.mean / light * REFLECTS[reference]
    warnings = []
    if float(reflected.max()) > 1.05:
        warnings.append("the place is lighter than the reference: press white paper, or say grey")
    spread = float(seen.spread)
    if spread > 0.5:
        warnings.append("the place is patchy: press where the colour is even")
    if float(patches[0].mean.max() / patches[0].mean.min()) > 6:
        warnings.append("the grey is strongly coloured: is it grey, or the light very warm?")
    xyz = np.clip(reflected, 1e-5, 1.0) @ TO_XYZ.T
    lab = lab_of(xyz)
    return Seen(
        hexes_of(xyz)[0], (float(lab[0]), float(lab[1]), float(lab[2])), tuple(warnings)
    )  # fmt: skip


def linear(encoded: Pixels) -> Floats:
    """Linear light of sRGB pixels, 0 to 1: IEC 61966-2-1."""
    values = encoded.astype(np.float64) / 255
    return np.where(values <= 0.04045, values / 12.92, ((values + 0.055) / 1.055) ** 2.4)


@dataclass(frozen=True, eq=False)
class _Patch:
    """What is within a place's radius."""

    at: Floats
    """Across and down, in pixels."""
    mean: Floats
    """Linear light of the three channels, the trimmed mean."""
    slope: Floats
    """Change of each channel per pixel across and down, as its share, (2, 3)."""
    unsure: float
    """How far noise alone may tilt it, per pixel."""
    spread: float
    """Between its lighter and darker tenth, as a share of the mean."""

    @classmethod
    def of(cls, pixels: Pixels, point: Point, radius: float, what: str) -> _Patch:
        height, width = pixels.shape[:2]
        across, down = point[0] * (width - 1), point[1] * (height - 1)
        reach = max(3.0, radius * max(width, height))
        rows, columns = np.mgrid[:height, :width]
        near = (columns - across) ** 2 + (rows - down) ** 2 <= reach**2
        held = pixels[near]
        if len(held) < LEAST_PIXELS:
            raise DomainError(f"{what} is at the picture's rim: press farther inside")
        low, high = CLIPPED_AT
        # One channel without light may be a pure colour; all, or one at its end, is clipped.
        brightest = held.max(axis=1)
        if float(((brightest < low) | (brightest > high)).mean()) > MOST_CLIPPED:
            raise DomainError(
                f"{what} is clipped, so light or dark that the camera lost its colour: take the "
                "picture again with less or more light"
            )
        light = linear(held)
        plane = np.column_stack([np.ones(len(held)), columns[near] - across, rows[near] - down])
        # What stands out of the plane through them is left out, and the plane laid again: its tilt
        # is how the light falls off.
        grey = np.median(light, axis=1)
        rough, *_ = np.linalg.lstsq(plane, grey, rcond=None)
        off = grey - plane @ rough
        off -= np.median(off)
        reach_of_noise = STRAY * max(float(np.median(np.abs(off))), QUANTUM * float(grey.mean()))
        kept = np.abs(off) <= reach_of_noise
        order = np.argsort(grey)
        tilt, *_ = np.linalg.lstsq(plane[kept], light[kept], rcond=None)
        mean = np.maximum(tilt[0], 1e-6)
        noise = (light[kept] - plane[kept] @ tilt).std(axis=0) / mean
        tenth = max(1, len(order) // 10)
        ends = light[order[-tenth:]].mean() - light[order[:tenth]].mean()
        return cls(
            np.array([across, down]), mean, tilt[1:] / mean,
            float(noise.max()) / (np.sqrt(kept.sum()) * reach / 2),
            float(ends / max(float(mean.mean()), 1e-6)),
        )  # fmt: skip


def _light_at(greys: Sequence[_Patch], place: _Patch) -> Floats:
    """The light at the place: the grey's, between several of them what lies between; refused where
    it changes too much on the way."""
    if len(greys) == 1:
        way = place.at - greys[0].at
        changes = way @ greys[0].slope
        change = max(abs(float(changes.mean())), 2 * float(np.ptp(changes)))
        unsure = float(np.hypot(*way)) * greys[0].unsure
        # Where the grey shows surely how the light falls off, that is taken out too.
        sure = unsure < SURE
        if change > (MOST_UNEVEN if sure else UNEVEN + 5 * unsure):
            raise DomainError(
                f"the light is uneven: about {change:.0%} other at the place than at the grey; "
                "lay the grey beside it, or press a grey on either side"
            )
        return greys[0].mean * (1 + changes) if sure else greys[0].mean
    # In logarithms a plane through three and more, a line along the way between two.
    logs = np.log(np.array([one.mean for one in greys]))
    points = np.array([one.at for one in greys])
    if len(greys) == 2:
        along = points[1] - points[0]
        share = float((place.at - points[0]) @ along / max(float(along @ along), 1e-9))
        aside = place.at - points[0] - share * along
        if not -0.25 <= share <= 1.25 or float(np.hypot(*aside)) > float(np.hypot(*along)):
            raise DomainError("the place is not between the greys: press one on either side of it")
        return np.asarray(np.exp(logs[0] + share * (logs[1] - logs[0])))
    fitted, *_ = np.linalg.lstsq(np.column_stack([np.ones(len(greys)), points]), logs, rcond=None)
    return np.asarray(np.exp(np.array([1.0, *place.at]) @ fitted))

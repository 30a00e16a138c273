"""Between reflectance, XYZ, CIELAB and sRGB; and how far two colours are apart.

All arrays end in the colour's axis, so that many are done at once. XYZ is relative to a perfect
reflector in D65 (Y = 1).
"""

from __future__ import annotations

import numpy as np

from muster.core.colour.observer import WEIGHTS, WHITE, Floats

_SRGB_TO_XYZ: Floats = np.array(
    [
        [0.4123907993, 0.3575843394, 0.1804807884],
        [0.2126390059, 0.7151686788, 0.0721923154],
        [0.0193308187, 0.1191947798, 0.9505321522],
    ]
)
"""IEC 61966-2-1 primaries and D65. Rows are scaled below so that its white is our reflector's."""
TO_XYZ: Floats = _SRGB_TO_XYZ * (WHITE / _SRGB_TO_XYZ.sum(axis=1))[:, None]
FROM_XYZ: Floats = np.asarray(np.linalg.inv(TO_XYZ), dtype=np.float64)

_EPSILON, _KAPPA = 216 / 24389, 24389 / 27
"""CIE 15: where the cube root gives way to a line."""


def linear_of(hexes: list[str]) -> Floats:
    """Linear sRGB of ``#rrggbb``, shape (n, 3). Raises ValueError for what is no such colour."""
    rows = []
    for one in hexes:
        text = one.removeprefix("#")
        if len(text) != 6:
            raise ValueError(f"'{one}' is no colour: use six hexadecimal digits such as #6b7a3a")
        try:
            rows.append([int(text[i : i + 2], 16) / 255 for i in (0, 2, 4)])
        except ValueError as error:
            raise ValueError(
                f"'{one}' is no colour: use six hexadecimal digits such as #6b7a3a"
            ) from error
    encoded = np.array(rows, dtype=np.float64).reshape(-1, 3)
    # IEC 61966-2-1.
    low = encoded / 12.92
    high = ((encoded + 0.055) / 1.055) ** 2.4
    return np.where(encoded <= 0.04045, low, high)


def hexes_of(xyz: Floats) -> list[str]:
    """The nearest sRGB colours as ``#rrggbb``; channels out of range are cut."""
    linear = np.clip(np.atleast_2d(xyz) @ FROM_XYZ.T, 0, 1)
    encoded = np.where(linear <= 0.0031308, 12.92 * linear, 1.055 * linear ** (1 / 2.4) - 0.055)
    return ["#" + "".join(f"{round(v * 255):02x}" for v in row) for row in encoded]


def xyz_of_hex(hexes: list[str]) -> Floats:
    """XYZ of sRGB colours, shape (n, 3)."""
    return linear_of(hexes) @ TO_XYZ.T


def xyz_of(reflectance: Floats) -> Floats:
    """XYZ of reflectances (…, 36) under D65 for the 2° observer (ASTM E308, 10 nm)."""
    return reflectance @ WEIGHTS.T


def lab_of(xyz: Floats) -> Floats:
    """CIELAB (ISO/CIE 11664-4) of XYZ (…, 3)."""
    ratio = xyz / WHITE
    f = np.where(ratio > _EPSILON, np.cbrt(ratio), (_KAPPA * ratio + 16) / 116)
    x, y, z = f[..., 0], f[..., 1], f[..., 2]
    return np.stack([116 * y - 16, 500 * (x - y), 200 * (y - z)], axis=-1)


def xyz_of_lab(lab: Floats) -> Floats:
    """XYZ of CIELAB (…, 3)."""
    y = (lab[..., 0] + 16) / 116
    x, z = y + lab[..., 1] / 500, y - lab[..., 2] / 200
    f = np.stack([x, y, z], axis=-1)
    cube = f**3
    ratio = np.where(cube > _EPSILON, cube, (116 * f - 16) / _KAPPA)
    # L* has a limit of its own.
    low = lab[..., 0] <= _KAPPA * _EPSILON
    ratio[..., 1] = np.where(low, lab[..., 0] / _KAPPA, ratio[..., 1])
    return np.asarray(ratio * WHITE)


def hue_of(lab: Floats) -> Floats:
    """Hue angle h_ab in degrees, 0 to 360."""
    return np.asarray(np.degrees(np.arctan2(lab[..., 2], lab[..., 1])) % 360)


def difference(one: Floats, two: Floats) -> Floats:
    """CIEDE2000 between CIELAB colours (…, 3): ISO/CIE 11664-6; Sharma, Wu, Dalal 2005."""
    l1, a1, b1 = one[..., 0], one[..., 1], one[..., 2]
    l2, a2, b2 = two[..., 0], two[..., 1], two[..., 2]
    mean_c7 = ((np.hypot(a1, b1) + np.hypot(a2, b2)) / 2) ** 7
    g = 0.5 * (1 - np.sqrt(mean_c7 / (mean_c7 + 25.0**7)))
    a1, a2 = (1 + g) * a1, (1 + g) * a2
    c1, c2 = np.hypot(a1, b1), np.hypot(a2, b2)
    h1 = np.degrees(np.arctan2(b1, a1)) % 360
    h2 = np.degrees(np.arctan2(b2, a2)) % 360
    grey = c1 * c2 == 0
    turn = h2 - h1
    turn = np.where(turn > 180, turn - 360, np.where(turn < -180, turn + 360, turn))
    turn = np.where(grey, 0.0, turn)
    d_l, d_c = l2 - l1, c2 - c1
    d_h = 2 * np.sqrt(c1 * c2) * np.sin(np.radians(turn / 2))
    mean_l, mean_c = (l1 + l2) / 2, (c1 + c2) / 2
    total = h1 + h2
    half = np.where(
        np.abs(h1 - h2) <= 180, total / 2, np.where(total < 360, total / 2 + 180, total / 2 - 180)
    )
    mean_h = np.where(grey, total, half)
    t = (
        1
        - 0.17 * np.cos(np.radians(mean_h - 30))
        + 0.24 * np.cos(np.radians(2 * mean_h))
        + 0.32 * np.cos(np.radians(3 * mean_h + 6))
        - 0.20 * np.cos(np.radians(4 * mean_h - 63))
    )
    s_l = 1 + 0.015 * (mean_l - 50) ** 2 / np.sqrt(20 + (mean_l - 50) ** 2)
    s_c, s_h = 1 + 0.045 * mean_c, 1 + 0.015 * mean_c * t
    r_c = 2 * np.sqrt(mean_c**7 / (mean_c**7 + 25.0**7))
    r_t = -r_c * np.sin(np.radians(60 * np.exp(-(((mean_h - 275) / 25) ** 2))))
    l_part, c_part, h_part = d_l / s_l, d_c / s_c, d_h / s_h
    return np.asarray(np.sqrt(l_part**2 + c_part**2 + h_part**2 + r_t * c_part * h_part))


APART = ((1.0, "not to be told apart"), (2.5, "alike side by side"), (5.0, "near"),
         (10.0, "of the same kind"))  # fmt: skip
"""Below which ΔE00 colours are so far apart, in words. Common practice."""


def apart_in_words(delta: float) -> str:
    """How far two colours are apart, as a painter would say it."""
    return next((words for below, words in APART if delta < below), "another colour")

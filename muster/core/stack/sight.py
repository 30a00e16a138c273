"""How colours lie to each other: the one door to colour for the rules.

Lightness and difference come from stated colours (sRGB, D65) by ColorAide (PyPI): CIE L* and
CIEDE2000. When paints are measured the engine for paints stands behind the same functions.
"""

from __future__ import annotations

from functools import lru_cache

from coloraide import Color


@lru_cache(maxsize=4096)
def lightness(colour: str) -> float:
    """CIE L* of a stated colour, 0 to 100."""
    return float(Color(colour).convert("lab-d65")["lightness"])


@lru_cache(maxsize=4096)
def difference(one: str, two: str) -> float:
    """CIEDE2000 (ISO/CIE 11664-6)."""
    return float(Color(one).delta_e(two, method="2000"))


def mixed_toward(colour: str, lightness_wanted: float) -> str:
    """The same hue at another lightness, as near as sRGB holds it."""
    lab = Color(colour).convert("lab-d65")
    lab["lightness"] = lightness_wanted
    return str(lab.convert("srgb").fit().to_string(hex=True))[:7].lower()


def nearer(colour: str, ground: str, apart_l: float) -> str:
    """A colour of that hue whose L* lies so far above the ground's (below, where it cannot)."""
    base = lightness(ground)
    wanted = base + apart_l if base + apart_l <= 95 else base - apart_l
    return mixed_toward(colour, max(2.0, wanted))

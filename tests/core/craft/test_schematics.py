"""Schematics: every zone of every kind can be pressed, within the field."""

from __future__ import annotations

import re

import pytest

from muster.core.craft.schematics import SCHEMATICS
from muster.core.craft.schematics.drawing import HEIGHT, WIDTH, box, disc
from muster.core.craft.zones import ZONES
from muster.core.vocabulary import KINDS, Kind


@pytest.mark.parametrize("kind", KINDS)
def test_every_zone_is_drawn_and_nothing_else(kind: Kind) -> None:
    assert {one.zone for one in SCHEMATICS[kind]} == set(ZONES[kind])


@pytest.mark.parametrize("kind", KINDS)
def test_every_shape_begins_within_the_field(kind: Kind) -> None:
    for shape in SCHEMATICS[kind]:
        for x, y in re.findall(r"M\s*([\d.]+)[ ,]([\d.]+)", shape.path):
            assert 0 <= float(x) <= WIDTH and 0 <= float(y) <= HEIGHT, shape.zone


def test_a_box_and_a_disc_are_closed() -> None:
    assert box(1, 2, 3, 4) == "M1 2h3v4h-3z"
    assert disc(5, 5, 2).startswith("M3 5a2 2") and disc(5, 5, 2).endswith("z")

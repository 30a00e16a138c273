"""Schematics of each kind of subject: every zone as shapes that can be pressed and coloured."""

from __future__ import annotations

from collections.abc import Mapping

from muster.core.craft.schematics.aircraft import AIRCRAFT
from muster.core.craft.schematics.base import BASE
from muster.core.craft.schematics.building import BUILDING
from muster.core.craft.schematics.drawing import Drawing
from muster.core.craft.schematics.figure import FIGURE
from muster.core.craft.schematics.gun import GUN
from muster.core.craft.schematics.mounted import MOUNTED
from muster.core.craft.schematics.vehicle import VEHICLE
from muster.core.vocabulary import Kind

SCHEMATICS: Mapping[Kind, Drawing] = {
    "figure": FIGURE, "mounted": MOUNTED, "vehicle": VEHICLE, "gun": GUN, "aircraft": AIRCRAFT,
    "building": BUILDING, "base": BASE,
}  # fmt: skip
"""By kind."""

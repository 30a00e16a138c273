"""A tracked hauler with a cab, from the side; its front is at the right."""

from __future__ import annotations

from muster.core.craft.schematics.drawing import Drawing, Shape, box, disc, ring

_TRACK = "M60 172H300A33 33 0 0 1 300 238H60A33 33 0 0 1 60 172Z"
_WITHIN = "M62 182H298A23 23 0 0 1 298 228H62A23 23 0 0 1 62 182Z"

VEHICLE: Drawing = (
    Shape("base rim", box(14, 242, 332, 9)),
    Shape("running gear", _WITHIN),
    Shape("tracks", _TRACK + _WITHIN),
    Shape("wheels", "".join(ring(66 + 45.6 * n, 205, 20, 6) for n in range(6))),
    Shape("lower", "M36 170L60 136H300L326 170Z"),
    Shape("rear", "M60 136L36 170H22L34 122H60Z"),
    Shape("front", "M300 136L326 170H340L322 122H300Z"),
    Shape("upper", "M34 122V112H322V122L300 136H60Z" + box(72, 40, 102, 72)
                   + "M62 26H184L178 40H68ZM174 66H266A23 23 0 0 1 266 112H174Z"),
    Shape("inside", box(80, 78, 26, 34)),
    Shape("glass", box(82, 48, 34, 24) + box(128, 48, 34, 24)),
    Shape("crew", disc(145, 60, 8) + "M132 72q2-6 13-6t13 6z"),
    Shape("exhaust", box(232, 26, 18, 40)),
    Shape("metal", box(226, 16, 30, 10) + box(190, 66, 6, 46) + box(214, 66, 6, 46)
                   + box(262, 66, 6, 46)),
    Shape("tools", box(196, 146, 44, 4) + box(240, 142, 16, 12)),
    Shape("stowage", "M26 94h32a9 9 0 0 1 0 18h-32a9 9 0 0 1 0-18z"),
    Shape("markings", box(112, 142, 54, 22)),
    Shape("lights", disc(306, 104, 8)),
)  # fmt: skip

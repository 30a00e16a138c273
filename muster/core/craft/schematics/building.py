"""A timber house on stilts, from the front, its door ajar."""

from __future__ import annotations

from muster.core.craft.schematics.drawing import Drawing, Shape, box

BUILDING: Drawing = (
    Shape("ground", "M26 234Q100 222 180 228T334 232V248H26Z"),
    Shape("chimney", box(226, 16, 24, 44)),
    Shape("walls", box(84, 94, 192, 88)),
    Shape("timber", box(84, 94, 9, 88) + box(267, 94, 9, 88) + box(93, 132, 60, 6)
                    + box(207, 132, 60, 6) + box(96, 194, 11, 40) + box(174, 194, 11, 40)
                    + box(253, 194, 11, 40)),
    Shape("floor", box(72, 182, 216, 12)),
    Shape("glass", box(108, 108, 30, 24) + box(222, 108, 30, 24)),
    Shape("windows", "M104 104h38v32h-38zM108 108v24h30v-24zM220 104h36v32h-36zM224 108v24h28v-24z"
                     + box(121, 108, 4, 24) + box(236, 108, 4, 24)),
    Shape("inside", box(160, 120, 40, 62)),
    Shape("door", "M160 120l26 6v62l-26-6z"),
    Shape("sign", box(158, 100, 44, 14)),
    Shape("roof", "M64 90L106 30H254L296 90Z"),
    Shape("gutter", box(60, 89, 240, 6)),
)  # fmt: skip

"""A base of ground, from above and aside."""

from __future__ import annotations

from muster.core.craft.schematics.drawing import Drawing, Shape

BASE: Drawing = (
    Shape("rim", "M24 150v26a156 68 0 0 0 312 0v-26a156 68 0 0 1-312 0z"),
    Shape("edge", "M24 136v14a156 68 0 0 0 312 0v-14a156 68 0 0 1-312 0z"),
    Shape("ground", "M24 136a156 68 0 0 1 312 0a156 68 0 0 1-312 0z"),
    Shape("water", "M150 150q40-22 92-6t34 28q-38 22-84 14t-42-36z"),
    Shape("rocks", "M78 132l16-30l26-8l22 22l-6 20l-34 8zM206 96l14-22l20 4l8 20l-20 8z"),
)  # fmt: skip

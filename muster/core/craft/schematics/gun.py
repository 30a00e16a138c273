"""A field gun with one of its crew, from the side."""

from __future__ import annotations

from muster.core.craft.schematics.drawing import Drawing, Shape, box, disc, ring

_SPOKES = "M196 130h8v88h-8zM156 170h88v8h-88zM166 141l6-6l62 62l-6 6zM166 207l62-62l6 6l-62 62z"

GUN: Drawing = (
    Shape("base rim", box(14, 232, 332, 10)),
    Shape("crew", disc(74, 82, 13) + "M54 100Q74 92 94 100L100 158H90L88 230H62L58 158H48Z"),
    Shape("barrel", "M150 120Q146 104 162 102L338 88V112L166 138Q152 138 150 120Z"),
    Shape("metal", box(332, 84, 10, 32) + "M134 112h18v16h-18z" + disc(200, 174, 11)
                   + ring(158, 156, 14, 9)),
    Shape("carriage", "M14 220L166 128L214 132V156L182 160L62 230H14Z"),
    Shape("shield", "M220 52L238 50L246 150L228 152Z"),
    Shape("markings", "M227 82l11-1l2 22l-11 1z"),
    Shape("wheels", ring(200, 174, 56, 46) + _SPOKES),
)  # fmt: skip

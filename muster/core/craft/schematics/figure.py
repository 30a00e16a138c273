"""A foot figure with pike and shield, from the front."""

from __future__ import annotations

from muster.core.craft.schematics.drawing import Drawing, Shape, box, disc

FIGURE: Drawing = (
    Shape("base", "M112 226H250L262 238H98Z"),
    Shape("base rim", box(98, 238, 164, 10)),
    Shape("weapon", box(266, 30, 5, 196)),
    Shape("cloth", "M146 176L150 212H174L178 188H182L186 212H210L214 176Z"
                   "M152 86H208L234 100L272 126L264 142L224 128V180H136V128L120 156"
                   "L104 148L126 100Z"),
    Shape("skin", box(170, 68, 20, 20) + disc(268, 134, 10) + disc(110, 152, 9)),
    Shape("hair", "M155 44h9v26q-10-4-9-26zM205 44h-9v26q10-4 9-26z"),
    Shape("face", "M163 44H197V60Q196 77 180 77Q164 77 163 60Z"),
    Shape("eyes", disc(172, 57, 3) + disc(188, 57, 3)),
    Shape("mail", "M136 146H224V170L214 178L202 170L191 178L180 170L169 178L158 170L146 178"
                  "L136 170Z"),
    Shape("gear", "M150 206L148 226H176L175 206ZM185 206L184 226H212L210 206Z"
                  "M136 130H224V146H136ZM150 86h14L216 130h-15Z"),
    Shape("metal", "M150 46Q154 18 180 16Q206 18 210 46Z" + box(143, 44, 74, 6)
                   + "M261 32L268.5 4L276 32Z" + box(173, 128, 14, 20)),
    Shape("shield", disc(92, 164, 36)),
    Shape("markings", "M92 144l20 20l-20 20l-20-20z"),
)  # fmt: skip

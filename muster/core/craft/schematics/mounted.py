"""A rider on a pony, from the side."""

from __future__ import annotations

from muster.core.craft.schematics.drawing import Drawing, Shape, box, disc

MOUNTED: Drawing = (
    Shape("base", "M70 228H276L290 240H56Z"),
    Shape("base rim", box(56, 240, 234, 9)),
    Shape("mount", "M114 166L100 228H116L136 172ZM226 164L214 228H230L246 158Z"
                   "M92 134Q88 114 114 110H214Q232 108 246 90L266 62Q274 50 288 52L297 42L300 58"
                   "L330 94Q334 106 322 107L306 104L288 94L266 122Q262 142 250 152L258 228H240"
                   "L230 168Q180 178 144 166L142 228H126L118 176Q100 166 96 148Q82 166 80 196"
                   "L70 192Q70 152 92 134Z"),
    Shape("mane", "M212 110Q232 108 246 90L266 62Q273 52 284 53L268 44Q252 48 238 82"
                  "Q228 102 212 110Z"
                  "M92 134Q84 150 84 166L74 206Q62 178 74 152Z"),
    Shape("gear", "M136 104H206L200 120H142ZM182 154L198 150L212 166H184Z" + box(146, 86, 48, 7)),
    Shape("weapon", box(224, 26, 5, 148)),
    Shape("cloth", "M150 48H188L196 86H146ZM146 93H194L190 106L200 150L182 156L166 118L148 108Z"
                   "M180 54L230 88L222 98L174 72Z"),
    Shape("mail", "M146 93H195L196 104L184 110L172 104L160 110L144 104Z"),
    Shape("skin", box(163, 38, 12, 12) + disc(227, 94, 8)),
    Shape("hair", "M154 22h7v18q-8-3-7-18z"),
    Shape("face", "M160 20H182V30Q180 43 170 43Q161 42 160 32Z"),
    Shape("eyes", disc(176, 27, 2.5)),
    Shape("metal", "M151 24Q152 4 169 3Q186 4 187 24Z" + box(146, 22, 48, 4)
                   + "M219 28L226.5 4L234 28Z"),
    Shape("shield", disc(146, 78, 21)),
    Shape("markings", "M146 67l11 11l-11 11l-11-11z"),
)  # fmt: skip

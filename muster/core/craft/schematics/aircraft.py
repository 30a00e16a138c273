"""An aircraft from the side, a wing below it; its front is at the right."""

from __future__ import annotations

from muster.core.craft.schematics.drawing import Drawing, Shape, box, disc, ring

AIRCRAFT: Drawing = (
    Shape("propeller", "M328 50q10 30 2 62q-10-32-2-62zM328 122q10 32 2 66q-10-34-2-66z"),
    Shape("metal", "M318 104L340 117L318 130Z"),
    Shape("undercarriage", "M196 148h10l14 48h-9zM232 146h10l-16 50h-8zM52 126h8l6 22h-7z"),
    Shape("wheels", ring(220, 204, 19, 6) + disc(64, 152, 7)),
    Shape("lower", "M36 118H318Q306 148 268 150H150Q84 146 36 118Z"),
    Shape("upper", "M36 118Q62 100 130 94H262Q306 96 318 118Z"),
    Shape("rear", "M16 44H46L88 102L62 120H34Z"),
    Shape("front", "M276 94.5Q310 98 318 118Q308 146 276 149.5Z"),
    Shape("inside", "M152 96h74v10h-74z"),
    Shape("glass", "M148 95Q162 62 192 62Q222 64 230 95Z"),
    Shape("canopy frame", "M176 65.5l5-2.5v32h-5zM206 64.5l5 2.5v28h-5zM144 93h90v5h-90z"),
    Shape("exhaust", box(240, 102, 34, 7)),
    Shape("upper", "M96 134L262 126L274 132L108 141Z"),
    Shape("lower", "M108 141L274 132L268 138L118 148Z"),
    Shape("markings", "M118 102l14 14l-14 14l-14-14z"),
)  # fmt: skip

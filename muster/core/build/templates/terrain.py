"""Buildings, printed terrain and what is stacked on a board."""

from __future__ import annotations

from muster.core.build.templates.shape import cleaned, hidden, job, joint, part, seen, template

template(
    "timber-building", "Timber building, roof lifts off", ("building",),
    (part("walls", "Walls", "walls", "timber", "windows", "door"),
     part("roof", "Roof", "roof", "gutter"), part("inside", "Interior", "inside", "floor"),
     part("rails", "Ladders and railings", fragile=True, pieces=4, spares=1)),
    (joint("inside", "walls", 3.0, again_min=1, mask_min=6, hard=0.3),
     joint("roof", "walls", 1.0, hold="slide", again_min=0.2, mask_min=4, hard=0.2,
           keep_free="the rebate of the roof"),
     joint("rails", "walls", 5.0, again_min=1, mask_min=4, hard=0.4)),
    (job("score", "walls", 12.0, "planks, deeper than they were cut"),
     job("seal", "walls", 2.0, "bare board, so that it does not swell"),
     job("clean", "roof", 2.0, "underside of the eaves", code="clean-eaves"),
     job("test-fit", "roof", 1.0, "that it still slides with paint on")),
)  # fmt: skip

template(
    "brick-building", "Brick building with floors and windows", ("building",),
    (part("walls", "Walls", "walls", "timber", "door"), part("floor", "Floors", "floor", "inside"),
     part("frames", "Window frames", "windows", pieces=8),
     part("glass", "Panes", "glass", material="clear", pieces=8),
     part("roof", "Roof", "roof", "gutter"), part("sign", "Sign", "sign")),
    (joint("frames", "walls", 4.0, again_min=2, mask_min=10, hard=0.6),
     joint("glass", "walls", 4.0, again_min=1, mask_min=8, hard=0.3),
     joint("floor", "walls", 3.0, again_min=2, mask_min=6, hard=0.4, closes=("frames", "glass"),
           covers=(seen("floor", 0.3, "corners of the floors"),)),
     joint("roof", "walls", 2.0, again_min=1, mask_min=4, hard=0.2, closes=("floor",),
           covers=(hidden("inside", 1.0, "rooms"),)),
     joint("sign", "walls", 1.0, again_min=0.3, mask_min=2, hard=0.4)),
    (*cleaned(("walls", 4.0), ("frames", 3.0)),
     job("drill", "walls", 2.0, "holes for lamps and pipes, from inside", before="on-floor"),
     job("fill", "walls", 3.0, "the corners", needed=True),
     job("sand", "walls", 2.0, "the corners", needed=True)),
)  # fmt: skip

template(
    "printed-terrain", "Printed terrain", ("building", "base"),
    (part("body", "Body", "walls", "roof", "ground", "timber"),
     part("rails", "Railings", fragile=True, pieces=4, spares=2, material="print"),
     part("pipes", "Pipes", "metal", pieces=4, material="print")),
    (joint("rails", "body", 4.0, again_min=1, mask_min=5, hard=0.4, weak=True),
     joint("pipes", "body", 3.0, again_min=1, mask_min=5, hard=0.4)),
    (job("cut", "body", 6.0, "supports"), job("wash", "body", 3.0, "uncured resin"),
     job("sand", "body", 8.0, "layer lines where they show"),
     job("drill", "rails", 2.0, "holes for rods", before="on-rails")),
)  # fmt: skip

template(
    "stack-of-boxes", "Stack of boxes", ("base", "building", "vehicle"),
    (part("lowest", "Lowest box"), part("second", "Second box"), part("third", "Third box"),
     part("top", "Top box")),
    (joint("second", "lowest", 1.0, again_min=0.3, mask_min=15, hard=0.5,
           covers=(hidden("upper", 0.1, "lid of the lowest"),)),
     joint("third", "second", 1.0, again_min=0.3, mask_min=15, hard=0.5),
     joint("top", "third", 1.0, again_min=0.3, mask_min=15, hard=0.5)),
    cleaned(("lowest", 1.0), ("second", 1.0), ("third", 1.0), ("top", 1.0)),
)  # fmt: skip

template(
    "base-with-scenery", "Base with what stands on it", ("base",),
    (part("ground", "Ground", "ground", "edge", material="board"), part("rocks", "Rocks", "rocks"),
     part("posts", "Posts", fragile=True, pieces=4)),
    (joint("rocks", "ground", 2.0, again_min=0.5, mask_min=3, hard=0.3),
     joint("posts", "ground", 3.0, again_min=0.5, mask_min=3, hard=0.3)),
    (job("seal", "ground", 2.0, "bare board or foam", after="on-rocks"),),
)  # fmt: skip

"""Wheeled, tracked and open-topped vehicles, aircraft and boats."""

from __future__ import annotations

from muster.core.build.kit import Job, Joint, Part
from muster.core.build.templates.shape import cleaned, job, joint, part, seen, template

_LOWER = part("lower", "Lower hull", "lower")
_UPPER = part("upper", "Upper hull", "upper", "front", "rear")
_STOWAGE = part("stowage", "Stowage", "stowage", "tools")
_LAMPS = part("lamps", "Lamps and rails", "lights", fragile=True, spares=2)
_MARKS = job("clean", "lower", 3.0, "ejector marks behind the wheels", code="marks-lower",
             hidden_by=("on-gear",))  # fmt: skip


def _hull(upper: str = "upper") -> tuple[Joint, ...]:
    """What every hull has: top on, stowage on, lamps last."""
    return (
        joint(upper, "lower", 2.0, aligns=True, gap=True, again_min=2, mask_min=6, hard=0.2),
        joint("stowage", upper, 2.0, again_min=0.5, mask_min=3, hard=0.4),
        joint("lamps", upper, 3.0, again_min=1, mask_min=3, hard=0.2),
    )


def _gear(mask: float = 6.0) -> Joint:
    return joint(
        "gear", "lower", 6.0, again_min=2, mask_min=mask, hard=0.6, keep_free="axle ends",
        covers=(seen("lower", 0.4, "hull behind the wheels"),),
    )  # fmt: skip


def _tracked(kind: str, name: str, tracks: Part, on: Joint, jobs: tuple[Job, ...] = ()) -> None:
    template(
        kind, name, ("vehicle",),
        (_LOWER, part("gear", "Running gear", "running gear", "wheels", pieces=16), tracks, _UPPER,
         _STOWAGE, _LAMPS),
        (_gear(), on, *_hull()),
        (*cleaned(("lower", 1.0), ("gear", 4.0), ("upper", 2.0)), _MARKS, *jobs,
         job("fill", "upper", 3.0, "the seam of the hull", after="on-upper"),
         job("sand", "upper", 2.0, "the seam of the hull", after="on-upper"),
         job("drill", "upper", 2.0, "holes for rails, from inside", before="on-upper")),
    )  # fmt: skip


_RIMS = seen("wheels", 0.5, "inner wheels")

_tracked(
    "tracked-bands", "Tracked vehicle, tracks as bands",
    part("tracks", "Tracks", "tracks", material="vinyl", pieces=2),
    joint("tracks", "lower", 3.0, again_min=2, mask_min=6, hard=0.6, lifts="gear", weak=True,
          closes=("gear",), covers=(_RIMS,)),
    (job("wash", "tracks", 1.0, "so that paint holds on the vinyl"),),
)  # fmt: skip
_tracked(
    "tracked-links", "Tracked vehicle, link and length",
    part("tracks", "Tracks", "tracks", pieces=40),
    joint("tracks", "lower", 15.0, again_min=12, mask_min=8, hard=0.6, aligns=True, lifts="gear",
          closes=("gear",), covers=(_RIMS,)),
    (job("clean", "tracks", 6.0, "link by link"),),
)  # fmt: skip
_tracked(
    "tracked-loose", "Tracked vehicle, loose links",
    part("tracks", "Tracks", "tracks", pieces=160, spares=8),
    joint("tracks", "lower", 60.0, again_min=45, mask_min=8, hard=0.6, aligns=True, lifts="gear",
          closes=("gear",), covers=(_RIMS,)),
    (job("clean", "tracks", 40.0, "link by link"),),
)  # fmt: skip

template(
    "wheeled-vehicle", "Wheeled vehicle", ("vehicle",),
    (_LOWER, part("gear", "Wheels", "running gear", "wheels", pieces=4), _UPPER, _STOWAGE, _LAMPS),
    (joint("gear", "lower", 2.0, again_min=1, mask_min=5, hard=0.6, keep_free="axles and bores",
           covers=(seen("lower", 0.3, "hull behind the wheels"),)), *_hull()),
    (*cleaned(("lower", 1.0), ("gear", 2.0), ("upper", 2.0)),
     job("clean", "lower", 2.0, "ejector marks behind the wheels", code="marks-lower",
         hidden_by=("on-gear",))),
)  # fmt: skip

template(
    "open-topped", "Open-topped vehicle with crew", ("vehicle",),
    (_LOWER, part("gear", "Running gear", "running gear", "wheels", "tracks", pieces=16), _UPPER,
     part("inside", "Interior", "inside"), part("crew", "Crew", "crew", pieces=3), _STOWAGE,
     _LAMPS),
    (_gear(), joint("inside", "lower", 3.0, again_min=1, mask_min=6, hard=0.5),
     joint("crew", "inside", 2.0, again_min=1, mask_min=6, hard=0.6,
           covers=(seen("inside", 0.4, "seats and floor"),)),
     joint("upper", "lower", 2.0, aligns=True, again_min=2, mask_min=6, hard=0.2,
           covers=(seen("inside", 0.3, "sides inside"),)),
     joint("stowage", "upper", 2.0, again_min=0.5, mask_min=3, hard=0.4),
     joint("lamps", "upper", 3.0, again_min=1, mask_min=3, hard=0.2)),
    (*cleaned(("lower", 1.0), ("gear", 4.0), ("upper", 2.0), ("inside", 2.0), ("crew", 3.0)),
     _MARKS),
)  # fmt: skip

template(
    "truck-with-cab", "Truck with a cab", ("vehicle",),
    (part("lower", "Frame", "lower"), part("gear", "Wheels", "running gear", "wheels", pieces=6),
     part("upper", "Cab and body", "upper", "front", "rear"),
     part("inside", "Cab inside", "inside"), part("driver", "Driver", "crew"),
     part("glass", "Windows", "glass", material="clear"), part("roof", "Cab roof"), _LAMPS),
    (joint("gear", "lower", 3.0, again_min=1, mask_min=5, hard=0.6, keep_free="axles and bores",
           covers=(seen("lower", 0.3, "frame behind the wheels"),)),
     joint("upper", "lower", 2.0, aligns=True, again_min=1, mask_min=5, hard=0.2),
     joint("inside", "upper", 2.0, again_min=1, mask_min=6, hard=0.6),
     joint("driver", "inside", 1.0, again_min=0.5, mask_min=5, hard=0.6,
           covers=(seen("inside", 0.3, "seat"),)),
     joint("glass", "upper", 3.0, again_min=1, mask_min=5, hard=0.3),
     joint("roof", "upper", 1.0, again_min=1, mask_min=2, hard=0.1,
           closes=("driver", "inside", "glass"),
           covers=(seen("inside", 1.0, "cab inside"), seen("crew", 1.0, "driver"))),
     joint("lamps", "upper", 3.0, again_min=1, mask_min=3, hard=0.2)),
    (*cleaned(("lower", 1.0), ("gear", 2.0), ("upper", 2.0), ("inside", 1.0), ("driver", 1.0)),
     job("clean", "lower", 2.0, "ejector marks under the body", code="marks-lower",
         hidden_by=("on-upper",))),
)  # fmt: skip

template(
    "aircraft", "Aircraft", ("aircraft",),
    (part("fuselage", "Fuselage", "upper", "lower"), part("inside", "Cockpit", "inside"),
     part("glass", "Canopy", "glass", "canopy frame", material="clear"),
     part("legs", "Undercarriage", "undercarriage", "wheels", pieces=3, fragile=True),
     part("propeller", "Propeller", "propeller"),
     part("struts", "Struts and aerials", "metal", fragile=True, spares=1)),
    (joint("inside", "fuselage", 2.0, again_min=2, mask_min=4, hard=0.7),
     joint("glass", "fuselage", 2.0, again_min=1, mask_min=6, hard=0.2,
           closes=("inside",), covers=(seen("inside", 1.0, "cockpit"),)),
     joint("legs", "fuselage", 3.0, again_min=1, mask_min=3, hard=0.3, weak=True, aligns=True),
     joint("propeller", "fuselage", 1.0, again_min=0.3, mask_min=2, hard=0.3, hold="slide",
           keep_free="the shaft"),
     joint("struts", "fuselage", 4.0, again_min=1, mask_min=3, hard=0.3, weak=True)),
    (*cleaned(("fuselage", 4.0), ("legs", 2.0)),
     job("mask", "glass", 6.0, "the panes"), job("stretch", "struts", 4.0, "aerial from sprue"),
     job("drill", "struts", 2.0, "holes for rods", before="on-struts")),
)  # fmt: skip

template(
    "balloon", "Tethered balloon", ("aircraft",),
    (part("envelope", "Envelope", "upper", "lower"),
     part("basket", "Basket", "undercarriage"),
     part("rigging", "Rigging", fragile=True, painted=False)),
    (joint("basket", "envelope", 2.0, again_min=1, mask_min=3, hard=0.5),
     joint("rigging", "envelope", 12.0, again_min=1, mask_min=6, hard=0.3)),
    (*cleaned(("envelope", 3.0), ("basket", 1.0)),
     job("stretch", "rigging", 4.0, "ropes from sprue"),
     job("drill", "basket", 2.0, "holes for the ropes", before="on-rigging")),
)  # fmt: skip

template(
    "boat", "Boat", ("vehicle",),
    (part("hull", "Hull", "lower", "upper", "front", "rear"), part("deck", "Deck", "inside"),
     part("mast", "Mast and spars", "metal", fragile=True, pieces=3),
     part("crew", "Crew", "crew", pieces=3), part("fittings", "Deck fittings", "stowage")),
    (joint("deck", "hull", 2.0, again_min=1, mask_min=5, hard=0.3),
     joint("fittings", "deck", 2.0, again_min=1, mask_min=3, hard=0.5),
     joint("crew", "deck", 2.0, again_min=1, mask_min=5, hard=0.6),
     joint("mast", "deck", 4.0, again_min=1, mask_min=3, hard=0.3, weak=True)),
    (*cleaned(("hull", 2.0), ("deck", 1.0)), job("pin", "mast", 3.0, "a rod in the foot",
                                                before="on-mast"),
     job("clean", "hull", 2.0, "marks under the deck", code="marks-hull",
         hidden_by=("on-deck",))),
)  # fmt: skip

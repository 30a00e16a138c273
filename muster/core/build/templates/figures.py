"""Figures, mounts and guns."""

from __future__ import annotations

from muster.core.build.templates.shape import cleaned, hidden, job, joint, part, seen, template

template(
    "figure-on-base", "Figure on a base", ("figure",),
    (part("figure", "Figure", "skin", "cloth", "gear", "metal"), part("weapon", "Weapon", "weapon",
          fragile=True), part("base", "Base", "base", "base rim")),
    (joint("weapon", "figure", 1.0, weak=True, again_min=0.5, hard=0.15),
     joint("base", "figure", 0.5, again_min=0.3, mask_min=1.5, hard=0.2)),
    (*cleaned(("figure", 1.5)), job("drill", "weapon", 1.0, "open the hand for a stouter one",
                                    before="on-weapon")),
)  # fmt: skip

template(
    "mount-and-rider", "Mount and rider", ("mounted",),
    (part("mount", "Mount", "mount", "mane"), part("rider", "Rider", "skin", "cloth", "gear",
          "metal"), part("weapon", "Weapon", "weapon", fragile=True),
     part("base", "Base", "base", "base rim")),
    (joint("rider", "mount", 1.0, again_min=0.5, mask_min=4, hard=0.5,
           covers=(seen("cloth", 0.15, "inside of the legs"),
                   hidden("mount", 0.1, "back under the rider"))),
     joint("weapon", "rider", 1.0, weak=True, again_min=0.5, hard=0.15),
     joint("base", "mount", 0.5, again_min=0.3, mask_min=1.5, hard=0.2)),
    cleaned(("mount", 1.5), ("rider", 1.0)),
)  # fmt: skip

template(
    "gun-and-crew", "Gun and crew", ("gun",),
    (part("carriage", "Carriage", "carriage"), part("barrel", "Barrel", "barrel", "metal"),
     part("wheels", "Wheels", "wheels", pieces=2, spares=0),
     part("shield", "Shield", "shield"), part("crew", "Crew", "crew", pieces=3)),
    (joint("barrel", "carriage", 1.0, aligns=True, again_min=0.5, mask_min=3, hard=0.3),
     joint("wheels", "carriage", 1.0, again_min=0.5, mask_min=5, hard=0.5, aligns=True,
           keep_free="axle ends and bores",
           covers=(seen("carriage", 0.3, "carriage behind the wheels"),)),
     joint("shield", "carriage", 1.0, again_min=0.5, mask_min=3, hard=0.4, weak=True,
           covers=(seen("barrel", 0.2, "barrel behind the shield"),)),
     joint("crew", "carriage", 1.0, again_min=0.5, mask_min=4, hard=0.5)),
    (*cleaned(("carriage", 2.0), ("barrel", 1.0), ("wheels", 1.0)),
     job("drill", "barrel", 1.0, "the muzzle", needed=True)),
)  # fmt: skip

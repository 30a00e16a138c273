"""What Build says of a joint, with its figures."""

from __future__ import annotations

from dataclasses import replace

from muster.core.build.assess import Assessment, CostLine
from muster.core.build.kit import Joint, Kit, Way
from muster.core.build.needs import part_name
from muster.core.build.stages import Stage
from muster.core.craft.techniques import TechniqueTrait

WORDS: dict[Way, str] = {
    "fix": "fix first", "apart": "paint apart", "lift": "lift off as one", "mask": "fix and mask",
}  # fmt: skip

LEAST_MIN = 0.5
"""A difference that is worth a word."""


def title_of_joint(kit: Kit, joint: Joint) -> str:
    """The tracks on the lower hull."""
    part = kit.part(joint.part)
    name = part.name if part else joint.part
    return f"{name} on the {part_name(kit, joint.onto)}"


def reason_of(kit: Kit, joint: Joint, mine: Assessment, others: list[Assessment]) -> str:
    """Why this way: what it saves beside the next best, what it costs, and what to look to."""
    name = part_name(kit, joint.part)
    head = {"fix": f"Fix the {name} first", "apart": f"Leave the {name} apart",
            "lift": f"Dry-fit the {name}, lift off as one with the "
                    f"{part_name(kit, joint.lifts or joint.onto)}",
            "mask": f"Fix the {name} and mask it"}[mine.way]  # fmt: skip
    if not others:
        return f"{head}."
    other = min(others, key=lambda one: one.minutes)
    saved = _more(other, mine)
    costs = _more(mine, other)
    if mine.minutes > other.minutes + LEAST_MIN:
        more = mine.minutes - other.minutes
        said = f"costs {more:.0f} min a model more than to {WORDS[other.way]}"
    elif saved:
        said = f"saves {_listed(saved)} a model"
        if costs:
            said += f", costs {_listed(costs)}"
    else:
        said = f"no quicker way: to {WORDS[other.way]} takes as long"
    free = ""
    if mine.slot > 0 and joint.keep_free:
        free = f"; keep {joint.keep_free} free of paint"
    return f"{head}: {said}{free}."


def _more(one: Assessment, than: Assessment) -> list[CostLine]:
    """What takes longer in one than in the other, the most first; two at most."""
    theirs: dict[str, float] = {}
    for line in than.lines:
        theirs[line.what] = theirs.get(line.what, 0.0) + line.minutes
    found: dict[str, CostLine] = {}
    for line in one.lines:
        before = found.get(line.what)
        minutes = line.minutes + (before.minutes if before else 0.0)
        found[line.what] = CostLine(line.what, minutes, line.kind)
    rows = [
        replace(line, minutes=line.minutes - theirs.get(line.what, 0.0)) for line in found.values()
    ]
    rows = [row for row in rows if row.minutes >= LEAST_MIN]
    return sorted(rows, key=lambda row: -row.minutes)[:2]


def _listed(rows: list[CostLine]) -> str:
    said = []
    for row in rows:
        minutes = max(1, round(row.minutes))
        joins = "in case" if row.kind == "chance" else "of"
        said.append(f"{minutes} min {joins} {row.what}")
    return " and ".join(said)


def group_of(stage: Stage) -> str:
    """What of the work a pass is, as a heading along the streams."""
    does = stage.technique.has
    if stage.ground:
        return "undercoat"
    if does(TechniqueTrait.DECALS) or does(TechniqueTrait.SOFTENS_DECALS):
        return "markings"
    if not stage.paints:
        return "clear coats"
    if any(does(one) for one in (TechniqueTrait.TINTS, TechniqueTrait.LINE, TechniqueTrait.WEARS,
                                 TechniqueTrait.EFFECT)):  # fmt: skip
        return "wash, wear"
    return "colours"


def holds_of(
    joint: Joint, glue: str | None, handle_min: float, materials: tuple[str, str]
) -> str:  # fmt: skip
    """What holds a joint, and when it can be handled."""
    if glue is None:
        return {"magnet": "by magnets", "peg": "pegged", "clip": "clipped on",
                "slide": "slides on, no glue"}.get(joint.hold, joint.hold)  # fmt: skip
    one, two = materials
    pair = one if one == two else f"{one} and {two}"
    wait = f"{handle_min:g} min" if handle_min < 120 else f"{handle_min / 60:g} h"
    return f"{glue} on {pair} · can be handled after {wait}"


def left_over(kit: Kit) -> list[str]:
    """Parts that end on no model, and spares."""
    found = [part_name(kit, part.id) for part in kit.parts if not part.fitted]
    found += [
        f"{part.spares} spare {part_name(kit, part.id)}" for part in kit.in_use if part.spares
    ]
    return found

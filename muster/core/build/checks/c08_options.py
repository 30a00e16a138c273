"""Options of a kit: one hull, two turrets."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check
from muster.core.build.kit import Build, Part


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """None chosen, or two glued onto one place; those held by a magnet or a peg can be swapped."""
    groups: dict[str, list[Part]] = {}
    for part in checked.kit.parts:
        if part.option:
            groups.setdefault(part.option, []).append(part)
    for option, parts in groups.items():
        fitted = [part for part in parts if part.fitted]
        glued = [part for part in fitted if _is_glued(checked, part)]
        offers = tuple(
            Offer(f"fit the {checked.called(part.id)}", _only(checked, parts, part))
            for part in parts
        )
        if not fitted:
            words = f"{option}: the kit has {len(parts)}, and none is chosen"
            yield BuildFinding("no option", "warning", words, None, parts[0].id, offers)
        elif len(glued) > 1:
            names = " and ".join(f"the {checked.called(part.id)}" for part in glued)
            words = f"{option}: {names} are both glued onto one place"
            swap = Offer("hold them by magnets, to be swapped", _by_magnet(checked, glued))
            found = (*offers, swap)
            yield BuildFinding("two options", "warning", words, None, glued[1].id, found)


def _is_glued(checked: Checked, part: Part) -> bool:
    return any(one.part == part.id and one.hold == "glue" for one in checked.kit.joints)


def _only(checked: Checked, parts: list[Part], chosen: Part) -> Build:
    ids = {part.id for part in parts}
    rows = tuple(
        replace(part, fitted=part.id == chosen.id) if part.id in ids else part
        for part in checked.kit.parts
    )
    return replace(checked.build, kit=replace(checked.kit, parts=rows))


def _by_magnet(checked: Checked, parts: list[Part]) -> Build:
    ids = {part.id for part in parts}
    rows = tuple(
        replace(one, hold="magnet", adhesive=None) if one.part in ids else one
        for one in checked.kit.joints
    )
    return replace(checked.build, kit=replace(checked.kit, joints=rows))

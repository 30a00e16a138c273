"""Fragile things out of a printer: spares are cheap while it runs."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from muster.core.build.checks.finding import BuildFinding, Checked, Offer, check
from muster.core.build.glues import material_of

SPARES = 2


@check
def findings(checked: Checked) -> Iterator[BuildFinding]:
    """Printed, fragile, and none to spare."""
    for part in checked.kit.in_use:
        material = material_of(checked.kit, part.id, checked.recipe, checked.tables)
        if not part.fragile or part.spares or material != "print":
            continue
        words = f"the {checked.called(part.id)}: fragile, printed, and none to spare"
        offer = Offer(f"print {SPARES} more", checked.with_part(replace(part, spares=SPARES)))
        yield BuildFinding("no spares", "note", words, None, part.id, (offer,))

"""What goes on beside a joint that is closed: masks, cutting in, painting over what a spray hit."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field

from muster.core.build.assess import MASKED_BRUSH_SHARE, OVERSPRAY_SHARE, Assessor
from muster.core.build.kit import Joint, Way
from muster.core.build.stages import Stage

Comp = Callable[[str], str | None]
"""As what a part is worked now; None: as the whole model."""


@dataclass
class Beside:
    """Keeps what was sprayed last beside each joint: what follows at once is painted over once."""

    assessor: Assessor
    ways: Mapping[str, Way]
    slots: Mapping[str, int]
    sprayed: dict[str, set[str]] = field(default_factory=dict)

    def masks(self, stage: Stage) -> list[tuple[Joint, tuple[str, ...]]]:
        """Joints beside which a pass is sprayed, and the zones that are masked for it."""
        found = []
        for name, joint in self.assessor.joints.items():
            fixed = self.ways.get(name) == "mask" and self.slots[name] <= stage.index
            if fixed and stage.sprayed and stage.paints and self.assessor.apart(joint, stage):
                mine = self.assessor.below(joint.part)
                spared = {joint.onto} if mine & set(stage.shares) else mine
                owner = self.assessor.staged.owner
                zones = tuple(z for z, part in owner.items() if part in spared)
                found.append((joint, zones))
        return found

    def minutes(self, stage: Stage, comp: str | None, held: Comp) -> float:
        """What a pass takes longer on what it works as ``comp``."""
        found = 0.0
        for name, joint in self.assessor.joints.items():
            closed = self.slots[name] <= stage.index and held(joint.part) == comp
            if not closed or not stage.paints or not self.assessor.apart(joint, stage):
                continue
            masked = self.ways.get(name) == "mask"
            if not stage.sprayed:
                mine = self.assessor.below(joint.part)
                share = sum(stage.shares.get(part, 0.0) for part in mine)
                longer = joint.hard * (MASKED_BRUSH_SHARE if masked else 1.0)
                found += stage.one.minutes * share * longer
                continue
            if not masked and self.sprayed.get(name) != set(stage.shares):
                found += joint.mask_min * OVERSPRAY_SHARE
            self.sprayed[name] = set(stage.shares)
        return found

"""Another colour brushed into an oil wash that is still wet mixes with it."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.media import State
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.finding import Change, Finding, Repair, rule
from muster.core.stack.formatting import duration
from muster.core.stack.walk import Step, Walk


@rule(25, "local first", "a local colour is brushed into an oil wash that is still wet")
def findings(walked: Walk) -> Iterator[Finding]:
    """Only oils and enamels beside each other: water has a rule of its own."""
    for step in walked.steps:
        film = step.layer
        if not film.does(TechniqueTrait.BLENDS_WET):
            continue
        if film.medium is None or film.medium.family != "oily" or _is_blended(walked, step):
            continue
        for met in step.exposed:
            wet = met.layer.medium is not None and met.layer.medium.family == "oily"
            other = met.layer.pass_.colour != film.pass_.colour
            if not met.sealed and wet and other and met.state == State.WET:
                words = (
                    f"'{film.name}' goes into '{met.layer.name}', still wet after "
                    f"{duration(met.age)} of {duration(met.layer.touch)}: the colours mix"
                )
                before = walked.steps[film.index - 1].layer.pass_
                repairs: tuple[Repair, ...] = ()
                if before.stand_min is not None:
                    repairs = (Change("wait until it is dry", before.key, (("stand_min", None),)),)
                yield Finding("local first", "warning", words, film.pass_.key, repairs)
                break


def _is_blended(walked: Walk, step: Step) -> bool:
    """Whether the colours are meant to run together: what follows blends them."""
    after = walked.after(step)
    return bool(after) and after[0].layer.technique.act == "work"

"""A can's second coat comes soon or late, and never between."""

from __future__ import annotations

import math
from collections.abc import Iterator

from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.formatting import duration
from muster.core.stack.walk import Walk


@rule(33, "wrinkles", "a solvent coat falls in the interval that the label forbids")
def findings(walked: Walk) -> Iterator[Finding]:
    """The interval is the medium's; the label of the can goes before it."""
    for step in walked.steps:
        film = step.layer
        if film.medium is None or film.medium.forbidden is None:
            continue
        low, high = film.medium.forbidden
        for met in step.exposed:
            if met.sealed or met.layer.medium is not film.medium or not low < met.age < high:
                continue
            words = (
                f"'{film.name}' comes {duration(met.age)} after '{met.layer.name}': it wrinkles "
                f"between {duration(low)} and {duration(high)}, so within the first or after the "
                "other; the label comes first"
            )
            seam = walked.steps[film.index - 1]
            before, wait = seam.layer.pass_, math.ceil(high - met.age + seam.wait.minutes)
            yield Finding(
                "wrinkles",
                "error",
                words,
                film.pass_.key,
                (Change(f"wait {duration(wait)}", before.key, (("stand_min", wait),)),),
            )
            break

"""What cannot be undone is tried first."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Pass
from muster.core.stack.finding import Change, Finding, rule
from muster.core.stack.formatting import join_words
from muster.core.stack.walk import Walk


@rule(26, "one-way", "a pass that cannot be undone has no trial patch recorded")
def findings(walked: Walk) -> Iterator[Finding]:
    """Said once, of all such passes together."""
    untried = [
        one.layer.pass_
        for one in walked.steps
        if one.layer.does(TechniqueTrait.ONE_WAY) and not _tried(one.layer.pass_)
    ]
    if not untried:
        return
    names = join_words(f"'{one.name}'" for one in untried)
    words = f"{names} cannot be undone: try it on a hidden place or a pilot model, and note how"
    repairs = tuple(
        Change(f"'{one.name}' was tried", one.key, (("tried", "good"),)) for one in untried
    )
    yield Finding("one-way", "note", words, untried[0].key, repairs)


def _tried(one: Pass) -> bool:
    """Whether a trial went well; one without a verdict has at least been made."""
    return one.tried == "good" or (one.tried is None and bool(one.trial))

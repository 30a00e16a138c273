"""Two drafts side by side, aligned by pass: what differs in colour, minutes, waits and marks."""

from __future__ import annotations

from dataclasses import dataclass
from difflib import SequenceMatcher

from muster.core.recipes.recipe import Pass
from muster.core.stack.appearance import Appearance
from muster.core.stack.tones import difference
from muster.core.views.draft_report import Draft, DraftFinding, DraftReport, Seam
from muster.core.vocabulary import Finish

JUST_SEEN = 1.0
"""ΔE00 from which two colours side by side are told apart, about. Common practice."""

PLACE_WORDS = {"flat": "", "recess": " in recesses", "edge": " on edges"}


@dataclass(frozen=True)
class BesidePass:
    """A pass of one of the two: ``look`` on the zone in view, else on the first that it meets;
    ``marks``: what rules say of it, the gravest first."""

    key: str
    name: str
    words: str
    minutes: float
    wait: str
    finish: Finish | None
    look: Appearance | None
    marks: list[DraftFinding]


@dataclass(frozen=True)
class BesideRow:
    """Two passes that answer each other, or one that the other lacks; ``apart``: what differs,
    colours in ΔE00."""

    one: BesidePass | None
    other: BesidePass | None
    apart: list[str]


@dataclass(frozen=True)
class BesideSum:
    """Minutes a model, hours with waits, and what is to be mended."""

    minutes: float
    hours: float
    grave: int


@dataclass(frozen=True)
class Beside:
    """From the first pass to the last, with what each comes to in all."""

    rows: list[BesideRow]
    one: BesideSum
    other: BesideSum
    same: bool
    """Nothing differs."""


def beside(one: Draft, other: Draft, zone: str = "") -> Beside:
    """Lay two drafts side by side. Raises DomainError where one cannot be looked at."""
    left, right = one.seen(), other.seen()
    sides = _passes(one, left, zone), _passes(other, right, zone)
    rows = [
        BesideRow(a, b, _apart(a, b) if a and b else [])
        for a, b in _aligned(one.recipe.passes, other.recipe.passes, *sides)
    ]
    same = all(row.one and row.other and not row.apart for row in rows)
    return Beside(rows, _sum(one, left), _sum(other, right), same)


def _sum(draft: Draft, seen: DraftReport) -> BesideSum:
    grave = sum(1 for found in seen.findings if found.severity != "note")
    minutes = sum(each.minutes for each in draft.recipe.passes)
    return BesideSum(round(minutes, 1), seen.hours, grave)


def _passes(draft: Draft, seen: DraftReport, zone: str) -> list[BesidePass]:
    seams = {seam.key: seam for seam in seen.seams}
    found = []
    for one in draft.recipe.passes:
        seam = seams[one.key]
        marks = [each for each in seen.findings if each.key == one.key]
        found.append(BesidePass(
            one.key, one.name, seam.words, one.minutes, seam.wait, seam.finish,
            _look(seam, zone), marks,
        ))  # fmt: skip
    return found


def _look(seam: Seam, zone: str) -> Appearance | None:
    return seam.appearances.get(zone) or next(iter(seam.appearances.values()), None)


def _aligned(
    one: tuple[Pass, ...],
    other: tuple[Pass, ...],
    left: list[BesidePass],
    right: list[BesidePass],
) -> list[tuple[BesidePass | None, BesidePass | None]]:
    """Pairs in the order of both. Versions of one recipe answer each other by key; passes whose key
    only one of them has, by technique."""
    shared = {each.key for each in one} & {each.key for each in other}
    ours, theirs = (
        [each.key if each.key in shared else f"/{each.technique}" for each in passes]
        for passes in (one, other)
    )
    pairs: list[tuple[BesidePass | None, BesidePass | None]] = []
    for tag, a, b, c, d in SequenceMatcher(None, ours, theirs, autojunk=False).get_opcodes():
        if tag == "equal":
            pairs += zip(left[a:b], right[c:d], strict=True)
            continue
        pairs += [(each, None) for each in left[a:b]]
        pairs += [(None, each) for each in right[c:d]]
    return pairs


def _apart(one: BesidePass, other: BesidePass) -> list[str]:
    found = []
    if one.words != other.words:
        found.append("done otherwise")
    if one.look and other.look:
        away = {
            place: difference(getattr(one.look, place), getattr(other.look, place))
            for place in PLACE_WORDS
        }
        place = max(away, key=lambda name: away[name])
        if away[place] >= JUST_SEEN:
            found.append(f"{away[place]:.0f} apart{PLACE_WORDS[place]}")
    more = other.minutes - one.minutes
    if abs(more) >= 0.05:
        found.append(f"{abs(more):g} min {'more' if more > 0 else 'less'}")
    if one.wait != other.wait:
        found.append(f"waits {other.wait or 'nothing'}")
    if [each.code for each in one.marks] != [each.code for each in other.marks]:
        told = ", ".join(each.code for each in other.marks) or "nothing"
        found.append(f"rules say: {told}")
    return found

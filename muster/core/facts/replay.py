"""Facts replayed: what stands at the bench once everything taken back is gone."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Iterable
from dataclasses import dataclass

from muster.core.facts.fact import KINDS, CallUnderWay, Fact, Tick, Told
from muster.core.facts.kinds.take_back import TakeBack


@dataclass(frozen=True)
class BenchState:
    """What was really done up to now."""

    standing: tuple[Fact, ...]
    ticks: dict[tuple[str, int, str], Tick]
    """By unit, model and pass."""
    touch_ups: frozenset[tuple[str, int, str]]
    under_way: CallUnderWay | None

    def last(self) -> Fact | None:
        """The newest fact that stands."""
        return self.standing[-1] if self.standing else None


def replay(facts: Iterable[Fact]) -> BenchState:
    """Tell the facts in the order of their times; of equal times, in the order given.

    The very same tuple, told again, is not told twice: a year of facts is read with every view.
    """
    if not isinstance(facts, tuple):
        return _told(facts)
    found = _replayed.get(id(facts))
    if found is None or found[0] is not facts:
        found = _replayed[id(facts)] = (facts, _told(facts))
        while len(_replayed) > MOST_REPLAYED:
            _replayed.popitem(last=False)
    return found[1]


MOST_REPLAYED = 64
_replayed: OrderedDict[int, tuple[tuple[Fact, ...], BenchState]] = OrderedDict()


def _told(facts: Iterable[Fact]) -> BenchState:
    ordered = sorted(facts, key=lambda fact: fact.at)
    back = [fact for fact in ordered if isinstance(KINDS[fact.kind], TakeBack)]
    gone = {fact.of for fact in back} | {fact.id for fact in back}
    standing = tuple(fact for fact in ordered if fact.id not in gone)
    told = Told()
    for fact in standing:
        KINDS[fact.kind].tell(fact, told)
    return BenchState(standing, told.ticks, frozenset(told.touch_ups), told.under_way)

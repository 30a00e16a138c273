"""The fewest sittings that a unit can still take: a bound that holds before there is a plan."""

from __future__ import annotations

from dataclasses import dataclass

from muster.core.choices import Unit
from muster.core.pipeline import Derived

USUAL_S = 2 * 3600
"""A sitting where none is to come."""


@dataclass(frozen=True)
class Evenings:
    """Work of a unit still to come and the longest sitting to come, in seconds; ``nights``: stands
    along its chain that are longer than any sitting, each of which makes another one."""

    open_s: int
    sitting_s: int
    nights: int

    def least(self) -> int:
        """As it is now: by its work, and by what stands overnight."""
        return max(self._by_work(self.open_s), self.nights + 1 if self.open_s else 0)

    def least_with(self, more_s: float) -> int:
        """With so much more or less to do. What is more may be what is done already, so only what
        is less changes the bound."""
        return self._by_work(self.open_s + min(0.0, more_s))

    def _by_work(self, work_s: float) -> int:
        return max(1 if work_s > 0 else 0, int(-(-work_s // self.sitting_s)))


def evenings_of(derived: Derived, unit: Unit) -> Evenings:
    """Of a unit as it stands."""
    problem = derived.instance.problem
    longest = max((s.end - max(s.start, problem.now) for s in problem.sittings
                   if s.end > problem.now), default=USUAL_S)  # fmt: skip
    mine = {call.id: call for call in derived.calls.values() if call.unit.id == unit.id}
    ticks = derived.state.ticks
    open_s = sum(
        call.per_item_s for call in mine.values() for model in call.models
        if (unit.id, model, call.keys[0]) not in ticks
    )  # fmt: skip
    begun = {
        call.id for call in mine.values()
        if any((unit.id, model, call.keys[0]) in ticks for model in call.models)
    }  # fmt: skip
    fastest = {
        name: max((rate.milli for rate in rates), default=1000)
        for name, rates in problem.clocks.items()
    }
    after: dict[str, list[tuple[str, int]]] = {}
    for link in problem.links:
        if link.before in mine and link.after in mine:
            stand = link.stand_s * 1000 / max(1, fastest.get(link.clock, 1000))
            # What was begun before may have stood already.
            overnight = stand > longest and link.before not in begun
            after.setdefault(link.before, []).append((link.after, int(overnight)))
    known: dict[str, int] = {}

    def nights(name: str) -> int:
        if name not in known:
            known[name] = max((more + nights(each) for each, more in after.get(name, ())),
                              default=0)  # fmt: skip
        return known[name]

    return Evenings(open_s, max(1, longest), max((nights(name) for name in mine), default=0))

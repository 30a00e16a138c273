"""Which call follows which: along a tray's passes, and where units wait for one another."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from graphlib import CycleError, TopologicalSorter

from muster.core.choices import Choices, Order
from muster.core.plan.fields import Refused
from muster.core.work.calls import Call, chain_of
from muster.core.work.coats import pass_and_coat


@dataclass(frozen=True)
class Follows:
    """``after`` waits for ``before``; ``order``: since the user has said so of two units."""

    before: Call
    after: Call
    order: Order | None = None


def follows_of(choices: Choices, calls: list[Call]) -> list[Follows]:
    """Every pair of calls of which one waits for the other. Raises Refused for a circle."""
    chain = [Follows(one, two) for one, two in chain_of(calls)]
    known = {(one.before.id, one.after.id) for one in chain}
    found = list(chain)
    for order in choices.order:
        for before in _last(order, calls, chain):
            for after in _first(order, calls, chain):
                if (before.id, after.id) not in known:
                    known.add((before.id, after.id))
                    found.append(Follows(before, after, order))
    _refuse_circle(found)
    return found


def _last(order: Order, calls: list[Call], chain: list[Follows]) -> list[Call]:
    """The calls of the unit that comes first after which it is done (or that pass of it is)."""
    mine = [call for call in calls if call.unit.id == order.before]
    if order.before_pass is not None:
        return [call for call in mine if _holds(call, order.before_pass)]
    followed = {one.before.id for one in chain}
    return [call for call in mine if call.id not in followed]


def _first(order: Order, calls: list[Call], chain: list[Follows]) -> list[Call]:
    """The calls with which the unit that comes after begins (or that pass of it does)."""
    mine = [call for call in calls if call.unit.id == order.after]
    if order.after_pass is not None:
        return [call for call in mine if _holds(call, order.after_pass)]
    following = {one.after.id for one in chain}
    return [call for call in mine if call.id not in following]


def _holds(call: Call, key: str) -> bool:
    return any(
        one == key or (pass_and_coat(one)[1] and pass_and_coat(one)[0] == key[:17])
        for one in call.keys
    )


def _refuse_circle(follows: Iterable[Follows]) -> None:
    """Raise Refused where calls wait for one another, in the names of the roll."""
    follows = list(follows)
    names = {c.id: f"{c.name} of {c.unit.name}" for f in follows for c in (f.before, f.after)}
    sorter: TopologicalSorter[str] = TopologicalSorter()
    for one in follows:
        sorter.add(one.after.id, one.before.id)
    try:
        sorter.prepare()
    except CycleError as error:
        ring = list(reversed(error.args[1]))
        pairs = {(one.before.id, one.after.id): one.order for one in follows}
        said = []
        for index, name in enumerate(ring[:-1]):
            other = ring[index + 1]
            if pairs.get((other, name)) is not None or pairs.get((name, other)) is not None:
                said.append(f"{names[name]} and {names[other]}")
        ways = " then ".join(dict.fromkeys(names[name] for name in ring))
        raise Refused(
            f"these wait for one another in a circle: {ways}: take one of these orders out "
            f"({'; '.join(dict.fromkeys(said))})"
        ) from error

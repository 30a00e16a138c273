"""Which call follows which, and after what wait: along a tray's passes, and where units wait for
one another."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, replace
from graphlib import CycleError, TopologicalSorter
from itertools import pairwise
from types import MappingProxyType

from muster.core.choices import Choices, Order
from muster.core.craft.clocks import Clock
from muster.core.errors import DomainError
from muster.core.recipes.recipe import Pass
from muster.core.stack.resolve_waits import FilmWait, ResolvedWaits
from muster.core.work.calls import Call, chain_of
from muster.core.work.coats import pass_and_coat

WaitsByRecipe = Mapping[tuple[str, int], ResolvedWaits]
"""By recipe id and version."""

UNSETTLED: WaitsByRecipe = MappingProxyType({})


@dataclass(frozen=True)
class Follows:
    """``after`` begins ``stand_min`` to ``window_min`` after ``before`` ends, by ``clock``.

    ``order``: since the user has said so of two units.
    """

    before: Call
    after: Call
    stand_min: float
    window_min: float | None
    clock: Clock
    order: Order | None = None


def follows_of(
    choices: Choices, calls: list[Call], waits_by_recipe: WaitsByRecipe = UNSETTLED
) -> list[Follows]:
    """Every pair of calls of which one waits for the other. Raises DomainError for a circle.

    A pass waits for each film that it meets by that film's own age and clock, whatever lies
    between: so a damp day stretches each wait as it should.
    """
    chain = [_chained(one, two, waits_by_recipe) for one, two in chain_of(calls)]
    found = {(one.before.id, one.after.id): one for one in chain}
    for one in _further_back(calls, waits_by_recipe):
        found.setdefault((one.before.id, one.after.id), one)
    for order in choices.order:
        for before in _last(order, calls, chain):
            for after in _first(order, calls, chain):
                last = before.last
                # Another unit waits until these are dry; how they go on is no matter of its.
                dry = Follows(before, after, last.dry_min or 0.0, None, last.clock, order)
                found.setdefault((before.id, after.id), dry)
    _refuse_circle(found.values())
    return list(found.values())


def _chained(one: Call, two: Call, waits_by_recipe: WaitsByRecipe) -> Follows:
    """The link between two calls of a tray that follow one another."""
    found = _link_between(one, two, waits_by_recipe)
    dry = one.last.dry_min or 0.0
    if one.built and one.path != two.path and found.stand_min < dry:
        # Another item takes it up: nothing else keeps hands off what is wet or not yet set.
        return replace(found, stand_min=dry, clock=one.last.clock)
    return found


def _link_between(one: Call, two: Call, waits_by_recipe: WaitsByRecipe) -> Follows:
    last = one.last
    as_settled = Follows(one, two, last.stand_min or 0.0, last.window_min, last.clock)
    made = waits_by_recipe.get(one.unit.recipe_key)
    if made is None or pass_and_coat(two.first.key)[1] > 1:
        return as_settled
    asks = _asks_of(made, two.first)
    if asks is None:
        return as_settled
    mine = [ask for ask in asks if _is(ask.before, last)]
    keys = [each.key for each in made.recipe.passes]
    places = [[n for n, key in enumerate(keys) if _is(key, each)] for each in (last, two.first)]
    beside = all(places) and places[0][0] + 1 == places[1][0]
    if mine:
        stand = mine[0].minutes if beside else max(mine[0].minutes, last.stand_min or 0.0)
        return Follows(one, two, stand, last.window_min, mine[0].clock)
    # What it waits for lies further back, and has a link of its own.
    return Follows(one, two, 0.0, last.window_min, last.clock) if beside else as_settled


def _further_back(calls: list[Call], waits_by_recipe: WaitsByRecipe) -> Iterator[Follows]:
    """Links to the films that a pass meets beyond the pass before it."""
    trays: dict[tuple[str, int], list[Call]] = {}
    for call in calls:
        trays.setdefault((call.unit.id, call.tray), []).append(call)
    apart = [each for each in trays.values() if all(_apart(call) for call in each)]
    for mine in trays.values():
        # A part's own tray lies under the passes of every tray that it is joined into.
        under = [call for each in apart for call in each if call.unit.id == mine[0].unit.id]
        lasts = _last_by_key([*under, *mine])
        made = waits_by_recipe.get(mine[0].unit.recipe_key)
        for call in mine if made is not None else ():
            for one in call.passes:
                asks = _asks_of(made, one) if made and pass_and_coat(one.key)[1] < 2 else None
                for ask in asks or ():
                    before = lasts.get(ask.before) or lasts.get(ask.before[:17])
                    if before and before.id != call.id:
                        yield Follows(before, call, ask.minutes, None, ask.clock)


def _apart(call: Call) -> bool:
    """Whether it works a part that is not joined to anything in it."""
    return call.built and call.first.part is not None and call.onto is None


def _last_by_key(calls: list[Call]) -> dict[str, Call]:
    """Of a tray's calls the last that does a pass, by its key, and by its coats' common name."""
    found: dict[str, Call] = {}
    for call in calls:
        for one in call.passes:
            name, coat = pass_and_coat(one.key)
            found[one.key] = call
            if coat:
                found[name] = call
    return found


def _asks_of(made: ResolvedWaits, one: Pass) -> tuple[FilmWait, ...] | None:
    """What a pass, or the first coat of it, asks; None where its wait is the user's own."""
    return next((asks for key, asks in made.asks.items() if _is(key, one)), None)


def _is(key: str, one: Pass) -> bool:
    """Whether a pass is the one with that key, or a coat of it."""
    name, coat = pass_and_coat(one.key)
    return key == one.key or bool(coat and key[:17] == name)


def _last(order: Order, calls: list[Call], chain: list[Follows]) -> list[Call]:
    """The calls of the unit that comes first after which it is done (or that pass of it is)."""
    mine = [call for call in calls if call.unit.id == order.before]
    if order.before_pass is not None:
        key = order.before_pass
        return [call for call in mine if any(_is(key, one) for one in call.passes)]
    followed = {one.before.id for one in chain}
    return [call for call in mine if call.id not in followed]


def _first(order: Order, calls: list[Call], chain: list[Follows]) -> list[Call]:
    """The calls with which the unit that comes after begins (or that pass of it does)."""
    mine = [call for call in calls if call.unit.id == order.after]
    if order.after_pass is not None:
        key = order.after_pass
        return [call for call in mine if any(_is(key, one) for one in call.passes)]
    following = {one.after.id for one in chain}
    return [call for call in mine if call.id not in following]


def _refuse_circle(follows: Iterable[Follows]) -> None:
    """Raise DomainError where calls wait for one another, in the names of the roll."""
    follows = list(follows)
    names = {c.id: f"{c.name} of {c.unit.name}" for f in follows for c in (f.before, f.after)}
    sorter: TopologicalSorter[str] = TopologicalSorter()
    for one in follows:
        sorter.add(one.after.id, one.before.id)
    try:
        sorter.prepare()
    except CycleError as error:
        ring = list(reversed(error.args[1]))
        ordered = {frozenset((f.before.id, f.after.id)) for f in follows if f.order is not None}
        said = [
            f"{names[one]} and {names[two]}"
            for one, two in pairwise(ring)
            if frozenset((one, two)) in ordered
        ]
        ways = " then ".join(dict.fromkeys(names[name] for name in ring))
        raise DomainError(
            f"these wait for one another in a circle: {ways}: take one of these orders out "
            f"({'; '.join(dict.fromkeys(said))})"
        ) from error

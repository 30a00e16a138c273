"""Roster × recipes × calendar × facts → plan problem."""

from __future__ import annotations

from dataclasses import dataclass, field
from datetime import UTC, datetime, time, timedelta
from fractions import Fraction

from muster.core.choices import Choices
from muster.core.facts.replay import BenchState
from muster.core.house import USUAL, House
from muster.core.plan.plan import exact
from muster.core.plan.problem import (
    DAY_WORTH_S,
    ITEM_DAY_WORTH_S,
    Break,
    Condition,
    Done,
    Family,
    Item,
    Link,
    Open,
    Pin,
    Problem,
    Rate,
    Sitting,
    Task,
    Tool,
)
from muster.core.plan.validation import complete
from muster.core.snapshot import Chore
from muster.core.stack.spraying import DRY_AIR
from muster.core.vocabulary import name_key
from muster.core.work.air import clocks_of, dry_air
from muster.core.work.calls import Call
from muster.core.work.carried_over import Planned, Use, carried
from muster.core.work.horizon import Stretch, Wanted, days_of, longest_chain, sittings_wanted
from muster.core.work.ordering import UNSETTLED, Follows, WaitsByRecipe, follows_of
from muster.core.work.tools import TOOLS, UNKNOWN
from muster.core.work.trays import SPACE

RUNNING_SLACK_S = 120
"""How soon the call under way must go on."""

FIRST_WEIGHT = 25
"""A model that is to be finished first counts as so many: its days outweigh another opening."""

MOST_OF_A_MODEL = 0.9
"""A model in hand counts as worked at most so far until it is ticked."""


WANT_S = 900
"""What a piece costs that is worked without what its pass wants, in seconds of bench work: a
quarter of an hour of looking twice. Common practice, no source."""


@dataclass(frozen=True)
class PlanInstance:
    """A problem with the moment its seconds count from."""

    problem: Problem
    origin: datetime
    follows: tuple[Follows, ...] = ()
    running: str | None = None
    """The call under way, where it has models left."""

    def moment(self, seconds: int) -> datetime:
        """Seconds of the problem as a moment in UTC."""
        return self.origin + timedelta(seconds=seconds)

    def seconds(self, moment: datetime) -> int:
        """A moment as whole seconds of the problem."""
        return int((moment - self.origin).total_seconds())


def build_instance(
    choices: Choices,
    calls: list[Call],
    state: BenchState,
    now: datetime,
    keep_running: bool = True,
    house: House = USUAL,
    chores: tuple[Chore, ...] = (),
    waits_by_recipe: WaitsByRecipe = UNSETTLED,
) -> PlanInstance:
    """Build the problem. Raises DomainError where the choices cannot hold together."""
    now = now.astimezone(UTC).replace(microsecond=0)
    begun = [tick.start for tick in state.ticks.values()]
    start = min([now, *begun])
    origin = datetime.combine(start.astimezone(UTC).date(), time(0), UTC)
    follows = follows_of(choices, calls, waits_by_recipe)
    builder = _Builder(choices, calls, follows, state, now, origin, house, chores)
    problem = complete(builder.build(keep_running))
    running = builder.running.id if builder.running else None
    return PlanInstance(problem, origin, tuple(follows), running)


@dataclass
class _Builder:
    choices: Choices
    calls: list[Call]
    follows: list[Follows]
    state: BenchState
    now: datetime
    origin: datetime
    house: House = USUAL
    chores: tuple[Chore, ...] = ()
    running: Call | None = None
    """The call under way, where it has models left."""
    done: dict[str, list[Done]] = field(default_factory=dict)
    stretches: list[Stretch] = field(default_factory=list)

    def at(self, moment: datetime) -> int:
        return max(0, int((moment - self.origin).total_seconds()))

    def build(self, keep_running: bool) -> Problem:
        self.running = self._running_call()
        self.done = {call.id: self._done(call) for call in self.calls}
        clocks = clocks_of(self.house, self.origin, self.choices.zone)
        self.stretches = sittings_wanted(self.choices, self.now, self._wanted(clocks))
        sittings = tuple(
            sorted((Sitting(self.at(s.start), self.at(s.end)) for s in self.stretches),
                   key=lambda sitting: sitting.start)
        )  # fmt: skip
        now = self.at(self.now)
        current = next((s for s in sittings if s.start <= now < s.end), None)
        families, tools = self._families(), self._tools()
        open_, out = self._carried(current, families, tools)
        return Problem(
            origin=self.origin.isoformat(),
            now=now,
            day_s=DAY_WORTH_S,
            item_day_s=ITEM_DAY_WORTH_S,
            sittings=sittings,
            conditions=tuple(self._conditions()),
            clocks=clocks,
            places={"rack": self.choices.rack},
            tools=tools,
            families=families,
            items=self._items(),
            tasks={call.id: self._task(call) for call in self.calls},
            links=tuple(self._link(one) for one in self.follows),
            holds=(),
            pins=self._pins(current is not None and keep_running),
            done=tuple(piece for pieces in self.done.values() for piece in pieces),
            open=open_,
            out=out,
        )

    def _wanted(self, clocks: dict[str, tuple[Rate, ...]]) -> Wanted:
        """What the sittings must hold: the work still to be done, its waits, up to the day."""
        work, by_tag = 0.0, dict[str, float]()
        for call in self.calls:
            left = call.per_item_s * len(call.models)
            left -= sum(piece.to_s - piece.from_s for piece in self.done[call.id])
            work += left
            for tag in {tag for one in call.passes for tag in one.needs}:
                by_tag[tag] = by_tag.get(tag, 0.0) + left
        slowest = min(
            (rate.milli / 1000 for rates in clocks.values() for rate in rates), default=1.0
        )
        waits, many = longest_chain(self.follows, slowest)
        until = self.now + waits
        due = self.choices.due()
        return Wanted(work, by_tag, 1 + many, max(until, due) if due else until)

    def _conditions(self) -> list[Condition]:
        used = {
            tag for call in self.calls for one in call.passes for tag in (*one.needs, *one.wants)
        }
        found = []
        for spell in self.choices.spells:
            for day in sorted(days_of(self.stretches)) if spell.tag in used else ():
                start = self.choices.local(day, spell.start)
                end = self.choices.local(day, spell.end)
                if end > start and end > self.now:
                    found.append(Condition(spell.tag, self.at(start), self.at(end)))
        if DRY_AIR in used:
            found += dry_air(self.house, self.origin, self.choices.zone)
        return found

    def _tools(self) -> dict[str, Tool]:
        names = {call.first.tool for call in self.calls if call.first.tool}
        return {name: TOOLS.get(name, UNKNOWN) for name in sorted(names)}

    def _families(self) -> dict[str, Family]:
        found: dict[str, Family] = {}
        for call in self.calls:
            name, one = call.first.family, call.first
            if name is None:
                continue
            new = Family(
                one.tool, round(one.setup_min * 60), round(one.cleanup_min * 60),
                _seconds(one.open_min), _seconds(one.life_min),
            )  # fmt: skip
            old = found.get(name, new)
            # Where recipes differ about one mix, the more careful of them counts.
            found[name] = Family(
                old.tool, max(old.setup_s, new.setup_s), max(old.cleanup_s, new.cleanup_s),
                _sooner(old.open_s, new.open_s), _sooner(old.life_s, new.life_s),
            )  # fmt: skip
        return found

    def _items(self) -> dict[str, Item]:
        due = self.choices.due()
        hours: dict[str, float] = {}
        for call in self.calls:
            for model in call.models:
                whole = f"{call.unit.id}-{model}"
                hours[whole] = hours.get(whole, 0.0) + call.per_item_s / 3600
        found: dict[str, Item] = {}
        for call in self.calls:
            for model in call.models:
                whole, item = f"{call.unit.id}-{model}", call.item(model)
                weight = round(max(0.1, hours[whole]) * call.unit.priority / 2, 3)
                if call.unit.id == self.choices.finish_first:
                    weight *= FIRST_WEIGHT
                exact_weight = exact(weight) if item == whole else Fraction(0)
                found.setdefault(
                    item,
                    Item(item, call.unit.id, exact_weight, None if due is None else self.at(due)),
                )
        return found

    def _task(self, call: Call) -> Task:
        until = [one.until for one in self.choices.put_off if one.call == call.id]
        taken = {name_key(part.name) for one in call.passes for part in one.mix}
        until += [
            self.choices.local(one.day, time(0))
            for one in self.house.awaited
            if name_key(one.paint) in taken
        ]
        needs = {tag for one in call.passes for tag in one.needs}
        space = 1 if call.first.part else SPACE[call.unit.kind]
        wants = sorted({tag for one in call.passes for tag in one.wants} - needs)
        return Task(
            id=call.id,
            items=tuple(call.item(model) for model in call.models),
            per_item_s=call.per_item_s,
            family=call.first.family,
            break_=Break(call.breaks),
            dry_s=round((call.last.dry_min or 0) * 60),
            clock=call.last.clock,
            places={"rack": space},
            needs=tuple(sorted(needs)),
            not_before=self.at(max(until)) if until else None,
            wants=dict.fromkeys(wants, WANT_S),
        )

    def _link(self, one: Follows) -> Link:
        stand, window = round(one.stand_min * 60), _seconds(one.window_min)
        within = None if window is None else max(window, stand)
        return Link(one.before.id, one.after.id, stand, within, one.clock)

    def _pins(self, keep_running: bool) -> tuple[Pin, ...]:
        known = {call.id for call in self.calls}
        found = {
            pin.call: Pin(pin.call, self.at(pin.start), pin.slack_s)
            for pin in self.choices.pins
            if pin.call in known
        }
        call = self.running
        if call is not None and keep_running:
            found[call.id] = Pin(call.id, self.at(self.now), RUNNING_SLACK_S)
        return tuple(found.values())

    def _running_call(self) -> Call | None:
        running = self.state.under_way
        if running is None:
            return None
        for call in self.calls:
            same = (call.unit.id, call.tray, call.keys[:1])
            if same == (running.unit, running.tray, running.pass_keys[:1]):
                left = any(
                    (call.unit.id, m, call.keys[0]) not in self.state.ticks for m in call.models
                )
                return call if left else None
        return None

    def _done(self, call: Call) -> list[Done]:
        pieces = []
        per, reached, last = call.per_item_s, 0, 0
        for model in call.models:
            tick = self.state.ticks.get((call.unit.id, model, call.keys[0]))
            if tick is None:
                break
            end = min(self.at(tick.end), self.at(self.now))
            start = max(min(self.at(tick.start), end), last)
            end = max(start, end)
            pieces.append(Done(call.id, reached, reached + per, start, end))
            reached, last = reached + per, end
        running = self.state.under_way
        if running is not None and call is self.running and not running.paused:
            since = max(self.at(running.since), last)
            worked = min(self.at(self.now) - since, int(per * MOST_OF_A_MODEL))
            if worked > 0:
                pieces.append(Done(call.id, reached, reached + worked, since, self.at(self.now)))
        return pieces

    def _carried(
        self, current: Sitting | None, families: dict[str, Family], tools: dict[str, Tool]
    ) -> tuple[tuple[Open, ...], tuple[str, ...]]:
        """Families and tools that this sitting's work has left out."""
        if current is None:
            return (), ()
        now, begins = self.at(self.now), current.start
        uses = [
            Use(call.first.family, piece.start, piece.end)
            for call in self.calls
            if call.first.family is not None
            for piece in self.done[call.id]
            if piece.start >= begins
        ]
        running = self.state.under_way
        if running is not None and self.running is not None and self.running.first.family:
            begun = min(now, self.at(running.begun))
            if begun >= begins:
                uses.append(Use(self.running.first.family, begun, now))
        planned = [
            Planned(one.do, one.what, self.at(one.start), self.at(one.end))
            for one in self.chores
            if self.at(one.start) >= begins
        ]
        return carried(uses, planned, families, tools, now)


def _seconds(minutes: float | None) -> int | None:
    return None if minutes is None else round(minutes * 60)


def _sooner(one: int | None, two: int | None) -> int | None:
    return min((limit for limit in (one, two) if limit is not None), default=None)

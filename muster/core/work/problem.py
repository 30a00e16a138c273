"""Roster × recipes × calendar × facts → plan problem, in the open file format."""

from __future__ import annotations

from dataclasses import dataclass, field
from datetime import UTC, date, datetime, time, timedelta
from typing import Any

from muster.core.choices import Choices
from muster.core.facts import Record
from muster.core.house import USUAL, House
from muster.core.plan.problem import Problem
from muster.core.plan.reading import FORMAT, VERSION, problem_from
from muster.core.stack.spraying import DRY_AIR
from muster.core.work.air import clocks_of, dry_air
from muster.core.work.calls import Call, chain_of
from muster.core.work.tools import TOOLS, UNKNOWN
from muster.core.work.trays import SPACE

RUNNING_SLACK_S = 120
"""How soon the call under way must go on."""

FIRST_WEIGHT = 25
"""A model that is to be finished first counts as so many: its days outweigh another opening."""

MOST_OF_A_MODEL = 0.9
"""A model in hand counts as worked at most so far until it is ticked."""


@dataclass(frozen=True)
class Bench:
    """A problem in its file format, read, with the moment its seconds count from."""

    raw: dict[str, Any]
    problem: Problem
    origin: datetime

    def moment(self, seconds: int) -> datetime:
        """Seconds of the problem as a moment in UTC."""
        return self.origin + timedelta(seconds=seconds)

    def seconds(self, moment: datetime) -> int:
        """A moment as whole seconds of the problem."""
        return int((moment - self.origin).total_seconds())


def bench_of(
    choices: Choices,
    calls: list[Call],
    record: Record,
    now: datetime,
    keep_running: bool = True,
    house: House = USUAL,
) -> Bench:
    """Build the problem. Raises Refused where the choices cannot hold together."""
    now = now.astimezone(UTC).replace(microsecond=0)
    begun = [tick.start for tick in record.ticks.values()]
    start = min([now, *begun])
    origin = datetime.combine(start.astimezone(UTC).date(), time(0), UTC)
    builder = _Builder(choices, calls, record, now, origin, house)
    raw = builder.build(keep_running)
    return Bench(raw, problem_from(raw), origin)


@dataclass
class _Builder:
    choices: Choices
    calls: list[Call]
    record: Record
    now: datetime
    origin: datetime
    house: House = USUAL
    running: Call | None = None
    """The call under way, where it has models left."""
    done: dict[str, list[dict[str, Any]]] = field(default_factory=dict)

    def at(self, moment: datetime) -> int:
        return max(0, int((moment - self.origin).total_seconds()))

    def build(self, keep_running: bool) -> dict[str, Any]:
        sittings = self._sittings()
        self.running = self._running_call()
        self.done = {call.id: self._done(call) for call in self.calls}
        done = [piece for pieces in self.done.values() for piece in pieces]
        current = next((s for s in sittings if s["start"] <= self.at(self.now) < s["end"]), None)
        open_, out = self._carried(current)
        raw: dict[str, Any] = {
            "format": FORMAT,
            "version": VERSION,
            "origin": self.origin.isoformat(),
            "now": self.at(self.now),
            "sittings": sittings,
            "conditions": self._conditions(),
            "clocks": clocks_of(self.house, self.origin, self.choices.zone),
            "places": {"rack": self.choices.rack},
            "tools": self._tools(),
            "families": self._families(),
            "items": self._items(),
            "tasks": [self._task(call) for call in self.calls],
            "links": [self._link(one, two) for one, two in chain_of(self.calls)],
            "pins": self._pins(current is not None and keep_running),
            "done": done,
            "open": open_,
            "out": out,
        }
        return raw

    def _sittings(self) -> list[dict[str, int]]:
        found = []
        for evening in self.choices.evenings:
            start = self.choices.local(evening.day, evening.start)
            last = evening.day + timedelta(days=1) if evening.end <= evening.start else evening.day
            end = self.choices.local(last, evening.end)
            spare = timedelta(minutes=self.choices.spare_min)
            # What is left free is there to be used once the sitting has come so far.
            if self.now < end - spare > start:
                end -= spare
            if end > self.now:
                found.append({"start": self.at(start), "end": self.at(end)})
        found.sort(key=lambda sitting: sitting["start"])
        merged: list[dict[str, int]] = []
        for sitting in found:
            if merged and sitting["start"] < merged[-1]["end"]:
                merged[-1]["end"] = max(merged[-1]["end"], sitting["end"])
            else:
                merged.append(sitting)
        return merged

    def _conditions(self) -> list[dict[str, Any]]:
        used = {tag for call in self.calls for one in call.passes for tag in one.needs}
        days: set[date] = {evening.day for evening in self.choices.evenings}
        found = []
        for spell in self.choices.spells:
            for day in sorted(days) if spell.tag in used else ():
                start = self.choices.local(day, spell.start)
                end = self.choices.local(day, spell.end)
                if end > start and end > self.now:
                    found.append({"tag": spell.tag, "start": self.at(start), "end": self.at(end)})
        if DRY_AIR in used:
            found += dry_air(self.house, self.origin, self.choices.zone)
        return found

    def _tools(self) -> dict[str, dict[str, int]]:
        names = {call.first.tool for call in self.calls if call.first.tool}
        return {name: TOOLS.get(name, UNKNOWN) for name in sorted(names)}

    def _families(self) -> dict[str, dict[str, Any]]:
        found: dict[str, dict[str, Any]] = {}
        for call in self.calls:
            name, one = call.first.family, call.first
            if name is None:
                continue
            limits = {
                "open_s": None if one.open_min is None else round(one.open_min * 60),
                "life_s": None if one.life_min is None else round(one.life_min * 60),
            }
            new = {
                "tool": one.tool,
                "setup_s": round(one.setup_min * 60),
                "cleanup_s": round(one.cleanup_min * 60),
                **limits,
            }
            old = found.setdefault(name, new)
            for key in ("setup_s", "cleanup_s"):
                old[key] = max(old[key], new[key])
            for key in limits:
                known = [value for value in (old[key], new[key]) if value is not None]
                old[key] = min(known, default=None)
        return found

    def _items(self) -> list[dict[str, Any]]:
        due = self.choices.due()
        hours: dict[str, float] = {}
        for call in self.calls:
            for model in call.models:
                whole = f"{call.unit.id}-{model}"
                hours[whole] = hours.get(whole, 0.0) + call.per_item_s / 3600
        found: dict[str, dict[str, Any]] = {}
        for call in self.calls:
            for model in call.models:
                whole, item = f"{call.unit.id}-{model}", call.item(model)
                weight = round(max(0.1, hours[whole]) * call.unit.priority / 2, 3)
                if call.unit.id == self.choices.finish_first:
                    weight *= FIRST_WEIGHT
                found.setdefault(
                    item,
                    {
                        "id": item,
                        "unit": call.unit.id,
                        "weight": weight if item == whole else 0,
                        "due": None if due is None else self.at(due),
                    },
                )
        return list(found.values())

    def _task(self, call: Call) -> dict[str, Any]:
        until = [one.until for one in self.choices.put_off if one.call == call.id]
        taken = {part.name for one in call.passes for part in one.mix}
        until += [
            self.choices.local(one.day, time(0)) for one in self.house.awaited if one.paint in taken
        ]
        space = 1 if call.first.part else SPACE[call.unit.kind]
        return {
            "id": call.id,
            "items": [call.item(model) for model in call.models],
            "per_item_s": call.per_item_s,
            "family": call.first.family,
            "break": call.first.cut,
            "dry_s": round((call.last.dry_min or 0) * 60),
            "clock": call.last.clock,
            "places": {"rack": space},
            "needs": sorted({tag for one in call.passes for tag in one.needs}),
            "not_before": self.at(max(until)) if until else None,
        }

    def _link(self, one: Call, two: Call) -> dict[str, Any]:
        window = one.last.window_min
        return {
            "before": one.id,
            "after": two.id,
            "stand_s": round((one.last.stand_min or 0) * 60),
            "window_s": None if window is None else round(window * 60),
            "clock": one.last.clock,
        }

    def _pins(self, keep_running: bool) -> list[dict[str, Any]]:
        known = {call.id for call in self.calls}
        found = {
            pin.call: {"task": pin.call, "start": self.at(pin.start), "slack_s": pin.slack_s}
            for pin in self.choices.pins
            if pin.call in known
        }
        call = self.running
        if call is not None and keep_running:
            now = self.at(self.now)
            found[call.id] = {"task": call.id, "start": now, "slack_s": RUNNING_SLACK_S}
        return list(found.values())

    def _running_call(self) -> Call | None:
        running = self.record.running
        if running is None:
            return None
        for call in self.calls:
            same = (call.unit.id, call.tray, call.keys[:1])
            if same == (running.unit, running.tray, running.pass_keys[:1]):
                left = any(
                    (call.unit.id, m, call.keys[0]) not in self.record.ticks for m in call.models
                )
                return call if left else None
        return None

    def _done(self, call: Call) -> list[dict[str, Any]]:
        pieces = []
        per, reached, last = call.per_item_s, 0, 0
        for model in call.models:
            tick = self.record.ticks.get((call.unit.id, model, call.keys[0]))
            if tick is None:
                break
            end = min(self.at(tick.end), self.at(self.now))
            start = max(min(self.at(tick.start), end), last)
            end = max(start, end)
            pieces.append(
                {"task": call.id, "from_s": reached, "to_s": reached + per, "start": start,
                 "end": end}
            )  # fmt: skip
            reached, last = reached + per, end
        running = self.record.running
        if running is not None and call is self.running and not running.paused:
            since = max(self.at(running.since), last)
            worked = min(self.at(self.now) - since, int(per * MOST_OF_A_MODEL))
            if worked > 0:
                pieces.append(
                    {"task": call.id, "from_s": reached, "to_s": reached + worked, "start": since,
                     "end": self.at(self.now)}
                )  # fmt: skip
        return pieces

    def _carried(self, current: dict[str, int] | None) -> tuple[list[dict[str, Any]], list[str]]:
        """Families and tools that this sitting's work has left out, as far as facts tell.

        A family counts as closed once another was worked on a tool that holds one at a time.
        """
        if current is None:
            return [], []
        tools, families = self._tools(), self._families()
        spans: list[tuple[int, int, str]] = []
        for call in self.calls:
            if call.first.family is None:
                continue
            for piece in self.done[call.id]:
                if piece["end"] >= current["start"] and piece["start"] >= current["start"]:
                    spans.append((piece["start"], piece["end"], call.first.family))
        open_: dict[str, dict[str, Any]] = {}
        for start, end, family in sorted(spans):
            tool = families[family]["tool"]
            for other in list(open_):
                single = tool and tools[tool]["open_families"] == 1
                if other != family and single and families[other]["tool"] == tool:
                    del open_[other]
            left = open_.setdefault(
                family, {"family": family, "first_start": start, "last_end": end}
            )
            left["last_end"] = max(left["last_end"], end)
        out = sorted({str(families[family]["tool"]) for _, _, family in spans})
        needed = sum(families[f]["cleanup_s"] for f in open_)
        needed += sum(tools[tool]["cleanup_s"] for tool in out)
        if needed > current["end"] - self.at(self.now):
            return [], []
        return list(open_.values()), out

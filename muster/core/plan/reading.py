"""Reading ``crisp-muster/plan-problem``: the one way into the model."""

from __future__ import annotations

import json
from collections.abc import Callable
from datetime import datetime
from typing import Any, TypeVar

from muster.core.errors import DomainError
from muster.core.plan.json_fields import Fields
from muster.core.plan.problem import (
    DAY_WORTH_S,
    ITEM_DAY_WORTH_S,
    WALL,
    Break,
    Condition,
    Done,
    Family,
    Hold,
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

FORMAT = "crisp-muster/plan-problem"
VERSION = 1

Thing = TypeVar("Thing", Item, Task)

_KEYS = "format version origin sittings families items tasks links"
_OPTIONAL = "now day_s item_day_s conditions clocks places tools holds pins done open out"


def read_problem(text: str | bytes) -> Problem:
    """Parse and check a problem file.

    Raises DomainError with a complaint that names the id and what to change.
    """
    try:
        raw = json.loads(text)
    except (ValueError, RecursionError) as error:
        raise DomainError(f"the file is not JSON: {error}") from error
    return problem_from(raw)


def problem_from(raw: Any) -> Problem:
    """Check a parsed problem. Raises DomainError."""
    top = Fields(raw, "the problem", _KEYS, _OPTIONAL)
    if top.row["format"] != FORMAT:
        top.fail("format", f"must be '{FORMAT}'")
    if top.row["version"] != VERSION:
        top.fail("version", f"must be {VERSION}: this program reads no other")
    _check_origin(top)
    return complete(
        Problem(
            origin=top.text("origin"),
            now=top.whole("now", 0),
            day_s=top.whole("day_s", DAY_WORTH_S),
            item_day_s=top.whole("item_day_s", ITEM_DAY_WORTH_S),
            sittings=_sittings(top),
            conditions=tuple(_condition(row, n) for n, row in enumerate(top.rows("conditions"), 1)),
            clocks={name: _clock(name, rows) for name, rows in top.table("clocks").items()},
            places=top.amounts("places"),
            tools={name: _tool(name, row) for name, row in top.table("tools").items()},
            families={name: _family(name, row) for name, row in top.table("families").items()},
            items=_by_id(top.rows("items"), "item", _item),
            tasks=_by_id(top.rows("tasks"), "task", _task),
            links=tuple(_link(row, n) for n, row in enumerate(top.rows("links"), 1)),
            holds=tuple(_hold(row, n) for n, row in enumerate(top.rows("holds"), 1)),
            pins=tuple(_pin(row, n) for n, row in enumerate(top.rows("pins"), 1)),
            done=tuple(_done(row, n) for n, row in enumerate(top.rows("done"), 1)),
            open=tuple(_open(row, n) for n, row in enumerate(top.rows("open"), 1)),
            out=top.texts("out"),
        )
    )


def _check_origin(top: Fields) -> None:
    try:
        moment = datetime.fromisoformat(top.text("origin"))
    except ValueError:
        top.fail("origin", "must be a date and time such as 2027-03-02T00:00:00+00:00")
    if moment.tzinfo is None:
        top.fail("origin", "needs its offset from UTC, such as +00:00 at the end")


def _by_id(rows: list[Any], word: str, read: Callable[[Any, str], Thing]) -> dict[str, Thing]:
    found: dict[str, Thing] = {}
    for number, row in enumerate(rows, 1):
        name = row.get("id") if isinstance(row, dict) else None
        where = f"{word} '{name}'" if isinstance(name, str) else f"{word} {number}"
        thing = read(row, where)
        if thing.id in found:
            raise DomainError(f"{where}: this id stands twice: give the second another id")
        found[thing.id] = thing
    return found


def _sittings(top: Fields) -> tuple[Sitting, ...]:
    found = []
    for number, row in enumerate(top.rows("sittings"), 1):
        fields = Fields(row, f"sitting {number}", "start end")
        sitting = Sitting(fields.whole("start"), fields.whole("end"))
        if sitting.end <= sitting.start:
            fields.fail("end", f"is {sitting.end}: make it later than its start, {sitting.start}")
        found.append(sitting)
    return tuple(sorted(found, key=lambda sitting: sitting.start))


def _condition(row: Any, number: int) -> Condition:
    fields = Fields(row, f"condition {number}", "tag start end")
    condition = Condition(fields.text("tag"), fields.whole("start"), fields.whole("end"))
    if condition.end <= condition.start:
        fields.fail("end", f"is {condition.end}: make it later than its start")
    return condition


def _clock(name: str, rows: Any) -> tuple[Rate, ...]:
    where = f"clock '{name}'"
    if name == WALL:
        raise DomainError(f"{where}: the wall clock always runs at 1: give yours another name")
    if not isinstance(rows, list) or not rows:
        raise DomainError(f"{where}: this must be a list of at least one rate")
    rates: list[Rate] = []
    for row in rows:
        fields = Fields(row, where, "from rate")
        milli = fields.decimal("rate", 0) * 1000
        if milli.denominator != 1:
            fields.fail("rate", f"is {row['rate']}: use at most three decimals")
        rates.append(Rate(fields.whole("from"), int(milli)))
    return tuple(rates)


def _tool(name: str, row: Any) -> Tool:
    fields = Fields(row, f"tool '{name}'", "setup_s cleanup_s open_families")
    return Tool(
        fields.whole("setup_s"), fields.whole("cleanup_s"), fields.whole("open_families", least=1)
    )


def _family(name: str, row: Any) -> Family:
    fields = Fields(row, f"family '{name}'", "setup_s cleanup_s", "tool open_s life_s")
    return Family(
        fields.text_or_none("tool"),
        fields.whole("setup_s"),
        fields.whole("cleanup_s"),
        fields.whole_or_none("open_s"),
        fields.whole_or_none("life_s"),
    )


def _item(row: Any, where: str) -> Item:
    fields = Fields(row, where, "id", "unit weight due")
    return Item(
        fields.text("id"),
        fields.text_or_none("unit"),
        fields.decimal("weight", 1),
        fields.whole_or_none("due"),
    )


def _task(row: Any, where: str) -> Task:
    fields = Fields(
        row,
        where,
        "id items per_item_s",
        "family dry_s clock places needs wants not_before break",
    )
    try:
        break_ = Break(fields.text("break", "item"))
    except ValueError:
        fields.fail("break", "must be 'none', 'item' or 'any'")
    return Task(
        id=fields.text("id"),
        items=fields.texts("items"),
        per_item_s=fields.whole("per_item_s", least=1),
        family=fields.text_or_none("family"),
        break_=break_,
        dry_s=fields.whole("dry_s", 0),
        clock=fields.text("clock", WALL),
        places=fields.amounts("places"),
        needs=fields.texts("needs"),
        not_before=fields.whole_or_none("not_before"),
        wants=fields.amounts("wants"),
    )


def _link(row: Any, number: int) -> Link:
    fields = Fields(row, f"link {number}", "before after", "stand_s window_s clock")
    link = Link(
        fields.text("before"),
        fields.text("after"),
        fields.whole("stand_s", 0),
        fields.whole_or_none("window_s"),
        fields.text("clock", WALL),
    )
    if link.window_s is not None and link.stand_s > link.window_s:
        raise DomainError(
            f"link {number} from '{link.before}' to '{link.after}': its stand of {link.stand_s} s "
            f"is longer than its window of {link.window_s} s: widen the window or shorten the stand"
        )
    return link


def _hold(row: Any, number: int) -> Hold:
    fields = Fields(row, f"hold {number}", "from to", "places place amount")
    places = fields.amounts("places")
    if "place" in fields.row:
        places[fields.text("place")] = fields.whole("amount", 1)
    if not places:
        fields.fail("places", "must name a place and how much of it is kept")
    return Hold(fields.text("from"), fields.text("to"), places)


def _pin(row: Any, number: int) -> Pin:
    fields = Fields(row, f"pin {number}", "task start", "slack_s")
    return Pin(fields.text("task"), fields.whole("start"), fields.whole("slack_s", 0))


def _done(row: Any, number: int) -> Done:
    fields = Fields(row, f"done piece {number}", "task from_s to_s start end")
    piece = Done(
        fields.text("task"), *(fields.whole(key) for key in ("from_s", "to_s", "start", "end"))
    )
    if piece.to_s <= piece.from_s:
        fields.fail("to_s", f"is {piece.to_s}: make it more than from_s, {piece.from_s}")
    if piece.end < piece.start:
        fields.fail("end", f"is {piece.end}: make it no earlier than its start, {piece.start}")
    return piece


def _open(row: Any, number: int) -> Open:
    fields = Fields(row, f"open family {number}", "family first_start last_end")
    left = Open(fields.text("family"), fields.whole("first_start"), fields.whole("last_end"))
    if left.last_end < left.first_start:
        fields.fail("last_end", f"is {left.last_end}: make it no earlier than first_start")
    return left

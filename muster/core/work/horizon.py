"""How far ahead a muster is planned: sittings until twice the work fits, and longer where drying,
daylight or the parade day ask for more."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from graphlib import TopologicalSorter

from muster.core.choices import Choices
from muster.core.work.ordering import Follows
from muster.core.work.sittings import sittings_from

MOST_SITTINGS = 400
TIMES_THE_WORK = 2
NEVER_AFTER = 14
"""A tag that holds in none of so many sittings holds in none of a weekly rhythm."""

LONGEST = timedelta(days=3650)


@dataclass(frozen=True)
class Wanted:
    """What the sittings of a problem must hold at least. Seconds of work in all and by needed tag;
    so many sittings; up to a moment."""

    work_s: float
    by_tag: dict[str, float]
    sittings: int
    until: datetime


@dataclass(frozen=True)
class Stretch:
    """A sitting as moments, and the local day that it belongs to."""

    start: datetime
    end: datetime
    day: date


def sittings_wanted(choices: Choices, now: datetime, wanted: Wanted) -> list[Stretch]:
    """The sittings still to come or under way, in order, those that meet made one."""
    spare = timedelta(minutes=choices.spare_min)
    first = now.astimezone(choices.local(date(2000, 1, 1), _MIDNIGHT).tzinfo).date()
    found: list[Stretch] = []
    seen: set[str] = set()
    left = TIMES_THE_WORK * wanted.work_s
    by_tag = {tag: TIMES_THE_WORK * seconds for tag, seconds in wanted.by_tag.items()}
    for evening in sittings_from(choices, first - timedelta(days=1)):
        try:
            start = choices.local(evening.day, evening.start)
            over = evening.end <= evening.start
            end = choices.local(evening.day + timedelta(days=over), evening.end)
        except OverflowError:
            break
        if len(found) == NEVER_AFTER:
            # What no sitting had so far, none to come will have: that is left, and said.
            by_tag = {tag: seconds for tag, seconds in by_tag.items() if tag in seen}
        enough = left <= 0 and all(seconds <= 0 for seconds in by_tag.values())
        long = len(found) >= wanted.sittings and start > wanted.until
        if (enough and long) or len(found) >= MOST_SITTINGS or start - now > LONGEST:
            break
        # What is left free is there to be used once the sitting has come so far.
        if now < end - spare > start:
            end -= spare
        if end <= now:
            continue
        if found and start < found[-1].end:
            end = max(found[-1].end, end)
            start = found.pop().start
        found.append(Stretch(start, end, evening.day))
        left -= (end - max(start, now)).total_seconds()
        for tag in by_tag:
            held = _holds_s(choices, tag, evening.day, start, end)
            by_tag[tag] -= held
            if held:
                seen.add(tag)
    return found


_MIDNIGHT = datetime.min.time()


def _holds_s(choices: Choices, tag: str, day: date, start: datetime, end: datetime) -> float:
    """Seconds of a sitting in which a tag holds; all of it where no hours are known for it."""
    spells = [spell for spell in choices.spells if spell.tag == tag]
    if not spells:
        return (end - start).total_seconds()
    total = 0.0
    for spell in spells:
        low, high = choices.local(day, spell.start), choices.local(day, spell.end)
        total += max(0.0, (min(high, end) - max(low, start)).total_seconds())
    return total


def longest_chain(follows: Iterable[Follows], slowest: float) -> tuple[timedelta, int]:
    """The longest that calls following one another take with their waits, and how many follow one
    another at most: each may ask for a sitting of its own. ``slowest``: the least rate of the
    clocks that waits run on."""
    into: dict[str, list[Follows]] = {}
    order: TopologicalSorter[str] = TopologicalSorter()
    for one in follows:
        into.setdefault(one.after.id, []).append(one)
        order.add(one.after.id, one.before.id)
    minutes: dict[str, float] = {}
    calls: dict[str, int] = {}
    for name in order.static_order():
        minutes[name], calls[name] = 0.0, 1
        for one in into.get(name, ()):
            wait = max(one.stand_min, one.before.last.dry_min or 0.0) / slowest
            work = one.before.per_item_s * len(one.before.models) / 60
            minutes[name] = max(minutes[name], minutes[one.before.id] + wait + work)
            calls[name] = max(calls[name], calls[one.before.id] + 1)
    longest = max(minutes.values(), default=0.0)
    most = LONGEST.total_seconds() / 60
    return timedelta(minutes=min(longest, most)), max(calls.values(), default=1)


def days_of(stretches: Sequence[Stretch]) -> set[date]:
    """The local days on which there are sittings."""
    return {one.day for one in stretches}

"""The checker's rules 6, 10 and 11: stands, windows, what was missed, and what hangs on what is
left."""

from __future__ import annotations

from collections.abc import Iterator

from muster.core.plan.checking_facts import Course, Story
from muster.core.plan.problem import Link


def links(story: Story) -> Iterator[str]:
    """Stands and windows, by pairs or, where there are none, by the whole."""
    missed = set(story.plan.missed)
    for link in story.problem.links:
        before, after = story.courses[link.before], story.courses[link.after]
        excused = (link.before, link.after) in missed
        if excused and not before.fact_ends:
            yield f"10: {link} is named as missed, but its window counts from no fact"
        pairs = story.problem.pairs(link.before, link.after)
        if pairs:
            yield from _by_pairs(story, link, before, after, pairs, excused)
        else:
            yield from _by_all(story, link, before, after, excused)
    known = {(link.before, link.after) for link in story.problem.links}
    for name in missed - known:
        yield f"10: {name} is named as missed, but there is no such link"


def _by_pairs(
    story: Story, link: Link, before: Course, after: Course, pairs: list[tuple[int, int]],
    excused: bool,
) -> Iterator[str]:  # fmt: skip
    meter = story.meters[link.clock]
    shown = [None if end is None else meter.at(end) for end in before.ends]
    stand = link.stand_s * 1000
    window = None if link.window_s is None or excused else link.window_s * 1000
    at = [None if start is None else meter.at(start) for start in after.starts]
    for i, j in pairs:
        if j < after.fact_starts:
            continue
        start, ended, shows = after.starts[j], before.ends[i], shown[i]
        if start is None:
            if link.window_s is not None and ended is not None and i >= before.fact_ends:
                yield (
                    f"11: {before.task.items[i]} is worked in {link.before}, but {link.after}, "
                    f"which must follow it in time, is left"
                )
            continue
        if ended is None or shows is None:
            yield f"11: {link.after} works {after.task.items[j]}, which {link.before} leaves"
            continue
        waited = (at[j] or 0) - shows
        if start < ended or waited < stand:
            yield (
                f"6: {after.task.items[j]} starts {link.after} at {start}, too soon after "
                f"{link.before} at {ended}: {link}"
            )
        if window is not None and waited > window:
            yield (
                f"6: {after.task.items[j]} starts {link.after} at {start}, too late after "
                f"{link.before} at {ended}: {link}"
            )


def _by_all(
    story: Story, link: Link, before: Course, after: Course, excused: bool
) -> Iterator[str]:
    """Stand: from the last end to the first start; window: from the first end to the last start."""
    meter = story.meters[link.clock]
    coming = [start for start in after.starts[after.fact_starts :] if start is not None]
    ends = [end for end in before.ends if end is not None]
    by_plan = any(end is not None for end in before.ends[before.fact_ends :])
    if link.window_s is not None and by_plan and None in after.starts:
        yield f"11: {link.before} is worked, but {link.after}, which must follow in time, is left"
    if not coming:
        return
    if len(ends) < len(before.ends):
        yield f"11: {link.after} is worked, but {link.before} is left"
        return
    first, last = min(coming), max(coming)
    if first < max(ends) or meter.at(first) - meter.at(max(ends)) < link.stand_s * 1000:
        yield f"6: {link.after} starts at {first}, too soon after {link.before}: {link}"
    if link.window_s is None or excused:
        return
    if meter.at(last) - meter.at(min(ends)) > link.window_s * 1000:
        yield f"6: {link.after} starts at {last}, too late after {link.before}: {link}"

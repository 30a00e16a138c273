"""What would find a place if something did not bind, found by planning without it."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from muster.core.plan.problem import Break, Condition, Link, Problem, Sitting, Task
from muster.core.plan.subproblem import one_pair

Solve = Callable[[Problem], frozenset[str]]
"""Plans a problem at once, and answers which tasks were placed to their end."""

MOST_PAIRS = 12
"""Of how many links is asked whether their two tasks fit where nothing else is; the other windows
that are left are taken for too short."""

DAY_S = 86_400


class Relaxation:
    """One problem without this or that; each question is planned once."""

    def __init__(self, problem: Problem, solve: Solve) -> None:
        self.problem, self.solve = problem, solve
        self.pairs: dict[Link, bool] = {}
        self.later: frozenset[str] | None = None
        self.roomy: dict[tuple[str, ...], frozenset[str]] = {}
        self.wider: dict[Link, frozenset[str]] = {}
        self.unbound: dict[str, frozenset[str]] = {}
        self.owed: dict[str, set[str]] = {}
        for link in problem.links:
            if link.window_s is not None:
                self.owed.setdefault(link.before, set()).add(link.after)
        for hold in problem.holds:
            self.owed.setdefault(hold.from_, set()).add(hold.to)

    def pair_fits(self, link: Link) -> bool:
        """Whether one model's passes of a link find a place where nothing else is to be done."""
        if link not in self.pairs and len(self.pairs) < MOST_PAIRS:
            alone = one_pair(self.problem, link)
            self.pairs[link] = self.solve(alone) == frozenset(alone.tasks)
        return self.pairs.get(link, False)

    def only_its_window_is_short(self, link: Link) -> bool:
        """Whether a later sitting would not do for what comes before, but a longer window would."""
        if self._whole(link.before, self._placed_later()):
            return False
        if link not in self.wider:
            problem = self._with_time()
            links = tuple(
                replace(one, window_s=None) if one == link else one for one in problem.links
            )
            self.wider[link] = self.solve(replace(problem, links=links))
        return self._whole(link.before, self.wider[link])

    def _whole(self, task: str, placed: frozenset[str]) -> bool:
        """Whether a task is placed with all that it makes owed: what must follow it in time, and
        what frees the places that it keeps."""
        owed, seen = [task], {task}
        while owed:
            name = owed.pop()
            if name not in placed:
                return False
            more = self.owed.get(name, set()) - seen
            seen |= more
            owed.extend(more)
        return True

    def _placed_later(self) -> frozenset[str]:
        if self.later is None:
            self.later = self.solve(self._with_time())
        return self.later

    def place_lacking(self, task: Task) -> str | None:
        """The place that is full for ever for a task; None where a later sitting would do.

        Without holds every place is free again one day; what is done in one piece may still find
        too little of it once the air has changed for good.
        """
        at_once = task.break_ is Break.NONE and task.dry_s > 0 and bool(task.places)
        if not (self.problem.holds or at_once) or self._whole(task.id, self._placed_later()):
            return None
        places = tuple(self.problem.places)
        for wide in (*((place,) for place in places), places):
            if wide not in self.roomy:
                roomy = {**self.problem.places, **dict.fromkeys(wide, 2**40)}
                self.roomy[wide] = self.solve(replace(self._with_time(), places=roomy))
            if self._whole(task.id, self.roomy[wide]):
                # Where only all of them together would do, the one that it is nearest to filling.
                taken = [place for place in wide if task.places.get(place)] or list(wide)
                return min(taken, key=lambda p: self.problem.places[p] / task.places.get(p, 1))
        return None

    def lacks_together(self, task: Task) -> str | None:
        """``window`` or ``place`` where a later sitting would not do and no single one of them is
        the cause, but all windows (all places, both) out of the way would do; else None."""
        if self._whole(task.id, self._placed_later()):
            return None
        for kind in ("window", "place", "both"):
            if kind not in self.unbound:
                problem = self._with_time()
                if kind != "place":
                    links = tuple(replace(link, window_s=None) for link in problem.links)
                    problem = replace(problem, links=links)
                if kind != "window":
                    problem = replace(problem, places=dict.fromkeys(problem.places, 2**40))
                self.unbound[kind] = self.solve(problem)
            if self._whole(task.id, self.unbound[kind]):
                return "window" if kind == "both" else kind
        return None

    def _with_time(self) -> Problem:
        """The problem with one sitting more, as long as could be, in which every tag holds."""
        problem = self.problem
        start = problem.last_end() + DAY_S
        end = start + 10 * DAY_S + 4 * sum(task.work_s for task in problem.tasks.values())
        tags = {tag for task in problem.tasks.values() for tag in task.needs}
        return replace(
            problem,
            sittings=(*problem.sittings, Sitting(start, end)),
            conditions=(*problem.conditions, *(Condition(tag, start, end) for tag in sorted(tags))),
        )


class NoRelaxation:
    """Answers nothing, for plans that are made without a planner."""

    def only_its_window_is_short(self, link: Link) -> bool:
        """Taken to be long enough."""
        return False

    def pair_fits(self, link: Link) -> bool:
        """Taken to fit."""
        return True

    def place_lacking(self, task: Task) -> str | None:
        """Taken to be free one day."""
        return None

    def lacks_together(self, task: Task) -> str | None:
        """Taken to lack nothing but time."""
        return None

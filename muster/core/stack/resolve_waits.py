"""A recipe with its waits settled: what follows from its layers, where the user states nothing."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from muster.core.craft.clocks import Clock
from muster.core.craft.media import Grade
from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.craft.techniques import TechniqueTrait
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.stack.attack import works_wet
from muster.core.stack.habits.house import Habits
from muster.core.stack.spraying import DRY_AIR, fogs
from muster.core.stack.walk import Step, Walk, dries_after, walk, worked_films
from muster.core.stack.windows import window_of


@dataclass(frozen=True)
class FilmWait:
    """A pass waits until the film of the pass ``before`` has so many minutes on its clock."""

    before: str
    minutes: float
    clock: Clock


@dataclass(frozen=True)
class ResolvedWaits:
    """A recipe with its waits settled.

    ``recoats``: by pass the minutes between two coats of it (none where its coats are minutes
    apart: misted on in one go). ``asks``: by pass what it waits for, each film on its own clock, so
    that a damp day stretches each as it should; none where the user has stated the wait himself.
    """

    recipe: Recipe
    recoats: Mapping[str, float]
    asks: Mapping[str, tuple[FilmWait, ...]]


def with_resolved_waits(
    recipe: Recipe, habits: Habits | None = None, tables: Tables = DEFAULTS
) -> Recipe:
    """The same with a number for every ``dry_min`` and ``stand_min``, windows and clocks that fit,
    and dry air as a need of what fogs.

    Minutes are for 20 °C and 50 %: the plan's clocks run slower or faster by the room of the day.
    A wait of the user's own stays as it is. A film that the next pass works while it is wet is not
    waited dry; it dries from the end of that.
    """
    return resolve_waits(recipe, habits, tables).recipe


def resolve_waits(
    recipe: Recipe, habits: Habits | None = None, tables: Tables = DEFAULTS
) -> ResolvedWaits:
    """``with_resolved_waits``, with what lies between two coats."""
    walked = walk(recipe, None, habits, tables)
    passes: list[Pass] = []
    recoats: dict[str, float] = {}
    asks: dict[str, tuple[FilmWait, ...]] = {}
    for step in walked.steps:
        one = step.layer.pass_
        computed = one.dry_min is None or one.stand_min is None
        needs = (*one.needs, DRY_AIR) if fogs(step.layer) else one.needs
        clock = _clock(step)
        before = walked.before(step)
        if before and not before[-1].wait.stated:
            asks[one.key] = tuple(
                FilmWait(film.pass_.key, minutes, film.medium.clock)
                for film, minutes in step.asks
                if film.medium is not None
            )
        if one.coats > 1 and step.layer.medium is not None and not _misted(step):
            recoats[one.key] = step.layer.recoat
        passes.append(
            replace(
                one,
                dry_min=_dry(walked, step) if one.dry_min is None else one.dry_min,
                stand_min=step.wait.minutes if one.stand_min is None else one.stand_min,
                window_min=window_of(walked, step),
                clock=clock if clock and computed else one.clock,
                needs=tuple(dict.fromkeys(needs)),
            )
        )
    return ResolvedWaits(replace(walked.recipe, passes=tuple(passes)), recoats, asks)


def _dry(walked: Walk, step: Step) -> float:
    """Minutes until a model may be touched again; none where the next pass works it wet."""
    after = walked.after(step)
    if after and works_wet(after[0].layer, step.layer):
        return 0.0
    worked = worked_films(step)
    if after and any(works_wet(after[0].layer, film) for film in worked):
        return 0.0
    return dries_after(step)


def _clock(step: Step) -> Clock | None:
    """The clock by which it dries: of its film, or of the one that it works."""
    if step.layer.medium is not None:
        return step.layer.medium.clock
    worked = [film.medium.clock for film in worked_films(step) if film.medium is not None]
    return worked[0] if worked else None


def _misted(step: Step) -> bool:
    """Whether its coats are sprayed on minutes apart, along the tray."""
    return step.layer.grade <= Grade.MIST and not step.layer.does(TechniqueTrait.FROM_CAN)

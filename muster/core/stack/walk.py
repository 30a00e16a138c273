"""The walk over a model's zones: what lies exposed at each pass, how old, in which state, sealed or
not; and how long each pass must wait for that. Rules read only this.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace

from muster.core.craft.climate import Climate
from muster.core.craft.media import Grade, MediumTrait, State
from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.craft.techniques import TechniqueTrait
from muster.core.craft.zones import Zone
from muster.core.recipes.recipe import Recipe
from muster.core.stack.habits.house import Habits, apply_house_habits
from muster.core.stack.layer import SECOND, WHOLE, AppliedLayer, apply_pass
from muster.core.vocabulary import Material

SCRATCH_FROM = 10.0
"""Minutes after the top coat from which fluid under it can be scratched. Common practice."""

Top = tuple[AppliedLayer, float, bool]
"""A film that lies open, the moment it was laid, and whether it is sealed."""

Tops = dict[str, tuple[Top, ...]]
"""By zone: the films that lie open, from the top down."""


@dataclass(frozen=True, slots=True)
class ExposedLayer:
    """A layer that a pass meets: its age in minutes at the pass's start, and its state then."""

    layer: AppliedLayer
    age: float
    state: State
    sealed: bool
    """Under a varnish or glue: it is met only by what attacks that."""


@dataclass(frozen=True, slots=True)
class Wait:
    """Between a pass and the next: minutes, and for what. ``stated``: the user's own."""

    minutes: float
    needed: float
    why: str
    stated: bool


@dataclass(frozen=True, slots=True)
class Step:
    """A pass at its moment: by zone, the exposed layers from the top down."""

    layer: AppliedLayer
    start: float
    end: float
    by_zone: dict[str, tuple[ExposedLayer, ...]]
    exposed: tuple[ExposedLayer, ...]
    """Each exposed layer once, the newest first."""
    wait: Wait
    """After it, before the next pass begins."""
    asks: tuple[tuple[AppliedLayer, float], ...] = ()
    """The films that must have an age in minutes before it begins."""


@dataclass(frozen=True, slots=True)
class Walk:
    """The whole of a recipe, walked."""

    recipe: Recipe
    climate: Climate
    habits: Habits
    steps: tuple[Step, ...]
    final: dict[str, tuple[ExposedLayer, ...]]
    """By zone, what is exposed when all is done."""
    tables: Tables = DEFAULTS

    @property
    def zones(self) -> Mapping[str, Zone]:
        """The subject's zones by name."""
        return self.tables.zones[self.recipe.kind]

    @property
    def material(self) -> Material:
        """What the bare model behaves like."""
        return self.tables.materials.get(self.recipe.material, "polystyrene")

    def before(self, step: Step) -> tuple[Step, ...]:
        """The steps before one."""
        return self.steps[: step.layer.index]

    def after(self, step: Step) -> tuple[Step, ...]:
        """The steps after one."""
        return self.steps[step.layer.index + 1 :]


def walk(
    recipe: Recipe,
    climate: Climate | None = None,
    habits: Habits | None = None,
    tables: Tables = DEFAULTS,
) -> Walk:
    """Walk a recipe for one model. All times are minutes from the first pass's start."""
    climate, habits = climate or Climate(), habits or Habits()
    recipe = apply_house_habits(recipe, habits)
    films = [apply_pass(recipe, index, climate, tables) for index in range(len(recipe.passes))]
    tops: Tops = {}
    steps: list[Step] = []
    clock = 0.0
    for film in films:
        needed, why = _needed(film, tops, clock)
        asks = _asks(film, tops)
        # What lies under a film that is worked while it is wet must stand that work, too: the time
        # for it is before the film is laid.
        following = films[film.index + 1] if film.index + 1 < len(films) else None
        if following is not None and works_wet(following, film):
            under = {zone: tops.get(zone, ()) for zone in following.zones}
            open_from, _ = workable(film)
            later, word = _needed(following, under, clock + film.pass_.minutes + open_from)
            if later > needed:
                needed, why = later, word
        if steps:
            last = steps[-1]
            sets = last.layer.touch if last.layer.technique.act == "build" else 0.0
            if sets:
                asks = (*asks, (last.layer, sets))
            if sets > needed:
                needed, why = sets, f"{last.layer.name} sets"
            stated = last.layer.pass_.stand_min
            minutes = needed if stated is None else stated
            steps[-1] = replace(last, wait=Wait(minutes, needed, why, stated is not None))
            clock += minutes
        by_zone = {zone: _exposed(tops.get(zone, ()), clock) for zone in film.zones}
        end = clock + film.pass_.minutes
        seen = {met.layer.index: met for zone in by_zone.values() for met in zone}
        exposed = tuple(seen[index] for index in sorted(seen, reverse=True))
        steps.append(Step(film, clock, end, by_zone, exposed, Wait(0, 0, "", False), asks))
        clock = end
        if film.lays:
            for zone in film.zones:
                tops[zone] = _covered(film, end, tops.get(zone, ()))
        elif film.technique.act == "work":
            for zone in film.zones:
                tops[zone] = _worked(film, end, tops.get(zone, ()))
    if steps:
        film = steps[-1].layer
        stated = film.pass_.stand_min
        dries = dries_after(steps[-1])
        minutes = dries if stated is None else stated
        why = f"{film.name} dries" if dries else ""
        steps[-1] = replace(steps[-1], wait=Wait(minutes, dries, why, stated is not None))
        clock += minutes
    final = {zone: _exposed(open_, clock) for zone, open_ in tops.items()}
    return Walk(recipe, climate, habits, tuple(steps), final, tables)


def attacks(film: AppliedLayer, target: AppliedLayer, state: State) -> bool:
    """Whether what ``film`` is thinned with attacks a layer in that state at its grade."""
    if film.carrier is None or target.medium is None or film.grade == Grade.NONE:
        return False
    least = target.medium.least(film.carrier, state)  # type: ignore[arg-type]
    if least is None:
        return False
    # What is scrubbed floods the films below the one that is worked.
    grade = film.grade
    if film.technique.act == "work" and not meant_for(film, target):
        grade = min(grade, Grade.FLOOD)
    # A film that is still wet is moved by the lightest mist of what it is thinned with.
    if state == State.WET:
        least = min(least, Grade.MIST)
    return bool(grade >= least)


def workable(target: AppliedLayer) -> tuple[float, float]:
    """From when to when a film can be worked, in minutes in this room; (0, 0) where it cannot."""
    if target.medium is None or target.medium.window is None:
        return 0.0, 0.0
    first, last = target.medium.window
    return first * target.slow, last * target.slow


def works_wet(film: AppliedLayer, target: AppliedLayer) -> bool:
    """Whether a pass works a film of the one before while that is wet: wipes, blends it."""
    return (
        film.technique.act == "work"
        and not film.does(TechniqueTrait.SCRATCHES)
        and meant_for(film, target)
        and target.lays
        and workable(target)[1] > 0
        and bool(set(film.zones) & set(target.zones))
    )


def worked_films(step: Step) -> list[AppliedLayer]:
    """The films that a pass works while they are wet, the newest first."""
    return [
        met.layer
        for met in step.exposed
        if not met.sealed
        and works_wet(step.layer, met.layer)
        and met.age <= workable(met.layer)[1] + SECOND
    ]


def dries_after(step: Step) -> float:
    """Minutes until what a pass leaves behind is dry to touch: its film, or the one it worked."""
    return max([step.layer.touch, *(film.touch for film in worked_films(step))])


def meant_for(film: AppliedLayer, target: AppliedLayer) -> bool:
    """Whether working ``target`` is what the pass is for: wiping, blending, scratching, fixing."""
    if film.technique.act not in ("work", "fix") or target.medium is None:
        return False
    if film.does(TechniqueTrait.SCRATCHES):
        return target.index < film.index
    if film.technique.act == "fix":
        return target.medium.has(MediumTrait.LOOSE)
    return film.carrier is None or film.carrier in (target.medium.carrier, target.carrier)


def _covered(film: AppliedLayer, end: float, below: tuple[Top, ...]) -> tuple[Top, ...]:
    """What lies open once a film is laid: a whole one hides the rest, a sealing one seals it."""
    if film.cover < WHOLE:
        return ((film, end, False), *below)
    if not film.seals:
        return ((film, end, False),)
    return ((film, end, False), *((layer, laid_at, True) for layer, laid_at, _ in below))


def _worked(film: AppliedLayer, end: float, open_: tuple[Top, ...]) -> tuple[Top, ...]:
    """What lies open once wet films were worked: they dry from then on."""
    return tuple(
        (layer, end, sealed)
        if not sealed and works_wet(film, layer) and end - laid_at <= _still(film, layer)
        else (layer, laid_at, sealed)
        for layer, laid_at, sealed in open_
    )


def _still(film: AppliedLayer, layer: AppliedLayer) -> float:
    """The greatest age at the end of working at which the film was workable when it was begun."""
    return workable(layer)[1] + film.pass_.minutes + SECOND


def _exposed(open_: tuple[Top, ...], now: float) -> tuple[ExposedLayer, ...]:
    return tuple(
        ExposedLayer(layer, now - end, layer.state(now - end), sealed)
        for layer, end, sealed in open_
    )


def _needed(film: AppliedLayer, tops: Tops, now: float) -> tuple[float, str]:
    """Minutes to wait before a pass, and for what: chosen by what comes next."""
    longest, why = 0.0, ""
    for layer, end in _met(film, tops):
        until, word = _asked(film, layer)
        if until - (now - end) > longest:
            longest, why = until - (now - end), f"{layer.name} {word}"
    return longest, why


def _asks(film: AppliedLayer, tops: Tops) -> tuple[tuple[AppliedLayer, float], ...]:
    """The films that a pass meets, and the age that each must have, whatever lies between."""
    found = [(layer, _asked(film, layer)[0]) for layer, _ in _met(film, tops)]
    return tuple((layer, until) for layer, until in found if until > 0)


def _met(film: AppliedLayer, tops: Tops) -> Iterator[tuple[AppliedLayer, float]]:
    """Each film that lies open and unsealed in the pass's zones, once, and when it was laid."""
    seen: set[int] = set()
    for zone in film.zones:
        for layer, end, sealed in tops.get(zone, ()):
            if not sealed and layer.index not in seen:
                seen.add(layer.index)
                yield layer, end


def _asked(film: AppliedLayer, layer: AppliedLayer) -> tuple[float, str]:
    """The age that a layer must have before the pass, and what it then is."""
    if layer.medium is None:
        return 0.0, ""
    if meant_for(film, layer):
        if film.does(TechniqueTrait.SCRATCHES):
            return max(layer.touch, SCRATCH_FROM), "ready to be scratched"
        return workable(layer)[0], "ready to be worked"
    if film.does(TechniqueTrait.COVERS_UP):
        return (layer.cured if layer.cured != float("inf") else layer.recoat), "cured"
    if film.technique.act in ("build", "mask"):
        return layer.touch, "dry to touch"
    if layer.medium.forbidden and _same(film, layer):
        return layer.recoat, "ready for another coat"
    attacked_cured = attacks(film, layer, State.CURED)
    if attacks(film, layer, State.RECOATABLE) and not attacked_cured:
        return layer.cured, "cured"
    if film.medium is None:
        return layer.touch, "dry to touch"
    return layer.recoat, "ready for another coat"


def _same(film: AppliedLayer, layer: AppliedLayer) -> bool:
    return film.medium is not None and layer.medium is not None and film.medium is layer.medium

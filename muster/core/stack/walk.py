"""The walk over a model's zones: what lies exposed at each pass, how old, in which state, sealed or
not; and how long each pass must wait for that. Rules read only this.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from functools import cached_property

from muster.core.craft.climate import Climate
from muster.core.craft.media import Grade, MediumTrait, State
from muster.core.craft.tables import DEFAULTS, Tables
from muster.core.craft.techniques import TechniqueTrait
from muster.core.craft.zones import Zone, unknown_zones
from muster.core.recipes.recipe import Recipe
from muster.core.stack.appearance import Surface, appearances
from muster.core.stack.attack import (
    attacks,
    meant_for,
    own_kind,
    strength,
    workable,
    works_wet,
)
from muster.core.stack.habits.house import Habits, apply_house_habits
from muster.core.stack.layer import SECOND, WHOLE, AppliedLayer, apply_all
from muster.core.vocabulary import Material

SCRATCH_FROM = 10.0
"""Minutes after the top coat from which fluid under it can be scratched. Common practice."""

Top = tuple[AppliedLayer, float, bool]
"""A film that lies open, the moment it was laid, and whether it is sealed."""

Lifted = frozenset[tuple[str, str]]
"""Kinds of paint that lifted others on a trial: what was laid, and over what."""

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


@dataclass(frozen=True)
class Walk:
    """The whole of a recipe, walked."""

    recipe: Recipe
    climate: Climate
    habits: Habits
    steps: tuple[Step, ...]
    final: dict[str, tuple[ExposedLayer, ...]]
    """By zone, what is exposed when all is done."""
    tables: Tables = DEFAULTS
    scale: int = 72
    """Of the unit that it is looked at for: 72 for 1/72."""
    lifted: Lifted = frozenset()
    """What a trial of this house's has shown to lift."""

    @property
    def zones(self) -> Mapping[str, Zone]:
        """The subject's zones by name."""
        return self.tables.zones[self.recipe.kind]

    @property
    def material(self) -> Material:
        """What the bare model behaves like."""
        return self.tables.materials.get(self.recipe.material, "polystyrene")

    def is_clear(self, zone: str) -> bool:
        """Whether a zone is of glass."""
        return zone in self.zones and self.zones[zone].clear

    @cached_property
    def surfaces(self) -> dict[str, list[Surface]]:
        """By zone its surface after each pass."""
        return appearances(self.material, [step.layer for step in self.steps])

    @cached_property
    def effects_only(self) -> bool:
        """Whether it only adds to what is painted already: no pass of it is meant to hide."""
        return not any(step.layer.does(TechniqueTrait.HIDES) for step in self.steps)

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
    scale: int | None = None,
    lifted: Lifted = frozenset(),
) -> Walk:
    """Walk a recipe for one model. All times are minutes from the first pass's start."""
    climate, habits = climate or Climate(), habits or Habits()
    recipe = apply_house_habits(recipe, habits)
    tables = with_own_zones(recipe, tables)
    films = apply_all(recipe, climate, tables)
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
            begins = clock + film.pass_.minutes + open_from
            later, word = _needed(following, under, begins, film)
            if later > needed:
                needed, why = later, word
        if steps:
            for built in _soft_joints(film, steps, clock):
                layer, until, age = built
                asks = (*asks, (layer, until))
                if until - age > needed:
                    needed, why = until - age, f"{layer.name} {_sets(layer)}"
            last = steps[-1]
            stated = last.layer.pass_.stand_min
            minutes = needed if stated is None else stated
            steps[-1] = replace(last, wait=Wait(minutes, needed, why, stated is not None))
            clock += minutes
        by_zone = _exposed_by_zone(film.zones, tops, clock)
        end = clock + film.pass_.minutes
        seen = {met.layer.index: met for zone in by_zone.values() for met in zone}
        exposed = tuple(seen[index] for index in sorted(seen, reverse=True))
        steps.append(Step(film, clock, end, by_zone, exposed, Wait(0, 0, "", False), asks))
        clock = end
        if film.lays:
            # Zones that were treated alike go on sharing what lies open on them.
            laid: dict[tuple[int, float], tuple[Top, ...]] = {}
            for zone in (*film.zones, *film.besides):
                below, cover = tops.get(zone, ()), film.cover_of(zone)
                key = id(below), cover
                if key not in laid:
                    laid[key] = _covered(film, end, below, cover)
                tops[zone] = laid[key]
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
    return Walk(
        recipe, climate, habits, tuple(steps), final, tables,
        recipe.scale if scale is None else scale, lifted,
    )  # fmt: skip


def walk_again(walked: Walk, recipe: Recipe, habits: Habits) -> Walk:
    """Another recipe in the same room and house, for the same unit."""
    return walk(recipe, walked.climate, habits, walked.tables, walked.scale, walked.lifted)


def worked_kinds(step: Step) -> set[str]:
    """The kinds of paint that a pass works while they are wet."""
    return {film.medium.kind for film in worked_films(step) if film.medium is not None}


def intended(step: Step) -> set[int]:
    """The layers that a pass which works films is meant for: what it works wet, what it is there to
    scratch or fix, and else what lies on top."""
    if step.layer.technique.act not in ("work", "fix"):
        return set()
    found = {film.index for film in worked_films(step)}
    if not found:
        found = {
            met.layer.index for met in step.exposed
            if not met.sealed and meant_for(step.layer, met.layer)
        }  # fmt: skip
    if not found:
        found = {met[0].layer.index for met in step.by_zone.values() if met}
    return found


def with_own_zones(recipe: Recipe, tables: Tables) -> Tables:
    """The tables with the zones that only this recipe names; the same where it names none."""
    known = tables.zones[recipe.kind]
    new = {
        zone
        for one in recipe.passes
        if one.part is None
        for zone in (*unknown_zones(known, one.zones), *(row.zone for row in one.cover_by))
        if zone not in known
    }
    if not new:
        return tables
    zones = {**known, **{name: Zone(name) for name in sorted(new)}}
    return replace(tables, zones={**tables.zones, recipe.kind: zones})


def _soft_joints(
    film: AppliedLayer, steps: list[Step], clock: float
) -> Iterator[tuple[AppliedLayer, float, float]]:
    """What was glued, filled or washed and is met by a pass: until when it must wait, its age."""
    for step in steps:
        layer = step.layer
        if layer.technique.act != "build" or layer.medium is None:
            continue
        until, age = joint_ready(film, layer), clock - step.end
        if until > 0 and (step is steps[-1] or until > age):
            yield layer, until, age


def joint_ready(film: AppliedLayer, joint: AppliedLayer) -> float:
    """The age in minutes that a joint, filler or bath must have before a pass; 0: none.

    Set for more gluing, to be handled for all else.
    """
    if film.pass_.part and joint.pass_.part and film.pass_.part != joint.pass_.part:
        return 0.0
    if film.technique.act == "build" and not film.does(TechniqueTrait.FILLS):
        return joint.touch
    return joint.recoat


def _sets(layer: AppliedLayer) -> str:
    return "dries" if layer.does(TechniqueTrait.CLEANS) else "sets"


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
    film = step.layer
    own = film.recoat if film.technique.act == "build" else film.touch
    return max([own, *(worked.touch for worked in worked_films(step))])


def _covered(
    film: AppliedLayer, end: float, below: tuple[Top, ...], cover: float
) -> tuple[Top, ...]:
    """What lies open once a film is laid: a whole one hides the rest, a sealing one seals it."""
    if cover < WHOLE:
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


def _exposed_by_zone(
    zones: tuple[str, ...], tops: Tops, now: float
) -> dict[str, tuple[ExposedLayer, ...]]:
    found: dict[int, tuple[ExposedLayer, ...]] = {}
    for zone in zones:
        open_ = tops.get(zone, ())
        if id(open_) not in found:
            found[id(open_)] = _exposed(open_, now)
    return {zone: found[id(tops.get(zone, ()))] for zone in zones}


def _exposed(open_: tuple[Top, ...], now: float) -> tuple[ExposedLayer, ...]:
    return tuple(
        ExposedLayer(layer, now - end, layer.state(now - end), sealed)
        for layer, end, sealed in open_
    )


def _needed(
    film: AppliedLayer, tops: Tops, now: float, worked: AppliedLayer | None = None
) -> tuple[float, str]:
    """Minutes to wait before a pass, and for what: chosen by what comes next. ``worked``: the film
    that it works, where what lies under that is asked for."""
    longest, why = 0.0, ""
    for layer, end in _met(film, tops):
        until, word = _asked(film, layer) if worked is None else _under(film, worked, layer)
        if layer.medium and layer.medium.forbidden and own_kind(film, layer):
            low, high = layer.medium.forbidden
            if low < max(now - end, until) < high:
                until, word = high, "past its wrinkling"
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
    alike = {id(open_): open_ for zone in film.zones if (open_ := tops.get(zone, ()))}
    for open_ in alike.values():
        for layer, end, sealed in open_:
            if not sealed and layer.index not in seen:
                seen.add(layer.index)
                yield layer, end


def _under(film: AppliedLayer, worked: AppliedLayer, layer: AppliedLayer) -> tuple[float, str]:
    """The age that a layer must have under a film that ``film`` works while it is wet."""
    if layer.medium is None or own_kind(worked, layer):
        return layer.recoat, "ready for another coat"
    flooded = replace(film, grade=min(film.grade, Grade.FLOOD))
    soft, hard = (strength(flooded, layer, state) for state in (State.RECOATABLE, State.CURED))
    if soft is not None and min(soft[0], Grade.FLOOD) >= soft[1]:
        if hard is None or min(hard[0], Grade.FLOOD) < hard[1]:
            return layer.cured, "cured"
    return layer.recoat, "ready for another coat"


def _asked(film: AppliedLayer, layer: AppliedLayer) -> tuple[float, str]:
    """The age that a layer must have before the pass, and what it then is: the shortest at which
    nothing is to be said of the two."""
    if layer.medium is None:
        return 0.0, ""
    if meant_for(film, layer):
        if film.does(TechniqueTrait.SCRATCHES):
            return max(layer.touch, SCRATCH_FROM), "ready to be scratched"
        return workable(layer)[0], "ready to be worked"
    if film.does(TechniqueTrait.COVERS_UP) or film.does(TechniqueTrait.RUBS):
        return (layer.cured if layer.cured != float("inf") else layer.recoat), "cured"
    if film.technique.act in ("build", "mask", "bare"):
        return layer.touch, "dry to touch"
    kin = own_kind(film, layer)
    if kin and (film.medium_has(MediumTrait.REWETS) or film.medium_has(MediumTrait.DECAL)):
        return 0.0, ""
    if kin:
        return layer.recoat, "ready for another coat"
    ground = not layer.clear and not layer.over_fluid and layer.cured != float("inf")
    if film.medium_has(MediumTrait.FLUID) and ground:
        return layer.cured, "cured"
    hot = film.carrier == "lacquer thinner" and layer.medium.family == "oily" and film.lays
    if (hot and layer.cured != float("inf")) or (
        attacks(film, layer, State.RECOATABLE) and not attacks(film, layer, State.CURED)
    ):
        return layer.cured, "cured"
    if film.medium is None or (film.medium.family == "dry" and not layer.medium_has(
        MediumTrait.DECAL)):  # fmt: skip
        return layer.touch, "dry to touch"
    return layer.recoat, "ready for another coat"

"""Calls: passes on trays, the tasks of the plan problem, with all that the screens need of them."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import pairwise
from types import MappingProxyType

from muster.core.build.built import BuiltRecipe
from muster.core.choices import Choices, Unit
from muster.core.craft.techniques import OTHER, TECHNIQUES, TechniqueTrait
from muster.core.facts.fact import touch_key
from muster.core.facts.replay import BenchState
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.vocabulary import Cut
from muster.core.work.coats import in_coats, pass_and_coat
from muster.core.work.handfuls import Handful, handful_of, whole_tray_fits
from muster.core.work.trays import tray_name, trays_of
from muster.core.work.unit_recipe import PLAIN, Works

TOUCH_UP_SHARE = 1 / 3
"""Touching a model up takes a third of painting it. Common practice, no source."""


@dataclass(frozen=True)
class Call:
    """One task: the passes it does (two where a short window joins them), on a tray's models."""

    id: str
    unit: Unit
    tray: int
    tray_name: str
    passes: tuple[Pass, ...]
    models: tuple[int, ...]
    """In the order of work: those ticked already come first."""
    handful: int
    """How many are laid before they are worked, where that must follow in time; 0: no matter."""
    idle_s: float = 0.0
    """Waited in each handful until what was laid can be worked."""
    place: int = 0
    """Of its first pass in the recipe."""
    path: str | None = None
    """Of the part that it works, within its model: cab/driver; None: the model itself."""
    onto: str | None = None
    """The part that takes up the part joined here; '': the main one; None: nothing is joined."""
    built: bool = False
    """Of a unit that is built of a kit: parts meet at their joints, and nowhere else."""

    @cached_property
    def keys(self) -> tuple[str, ...]:
        """The keys of its passes."""
        return tuple(one.key for one in self.passes)

    @cached_property
    def name(self) -> str:
        """What it is called."""
        return " and ".join(one.name for one in self.passes)

    @cached_property
    def first(self) -> Pass:
        """The pass it opens with."""
        return self.passes[0]

    @cached_property
    def last(self) -> Pass:
        """The pass it closes with."""
        return self.passes[-1]

    @cached_property
    def per_item_s(self) -> int:
        """Seconds a model."""
        idle_s = self.idle_s / self.handful if self.handful else 0.0
        return max(1, round(sum(one.minutes for one in self.passes) * 60 + idle_s))

    @property
    def breaks(self) -> Cut:
        """How its work may be cut; what must follow in time is never torn within a model."""
        cut = self.first.breaks
        return "item" if cut == "any" and len(self.passes) > 1 else cut

    def item(self, model: int) -> str:
        """The id of a model, or of its part that this call paints."""
        whole = f"{self.unit.id}-{model}"
        path = self.path or self.first.part
        return f"{whole}/{path}" if path else whole


def call_id(unit: Unit, tray: int, key: str) -> str:
    """The task's id: pikes.2/base."""
    return f"{unit.id}.{tray}/{key}"


def groups_of(passes: tuple[Pass, ...], models: int) -> list[tuple[Pass, ...]]:
    """Passes as tasks: where a window is too short for a whole tray, two are worked as one."""
    groups: list[tuple[Pass, ...]] = []
    for index, one in enumerate(passes):
        before = passes[index - 1] if index else None
        joins = (
            before is not None
            and before.part == one.part
            and not whole_tray_fits(models, before, one)
        )
        if joins:
            groups[-1] = (*groups[-1], one)
        else:
            groups.append((one,))
    return groups


def handful(group: tuple[Pass, ...], models: int) -> Handful:
    """The handful in which a group is worked; of 0 models where it is a single pass."""
    found = [handful_of(models, one, two) for one, two in pairwise(group)]
    if not found:
        return Handful(0, 0.0)
    return Handful(min(one.models for one in found), sum(one.idle_s for one in found))


def calls_of(
    choices: Choices,
    recipes: dict[tuple[str, int], Recipe],
    state: BenchState,
    recoats: Mapping[tuple[str, int], Mapping[str, float]] = MappingProxyType({}),
    works: Works = PLAIN,
) -> list[Call]:
    """Every call of the muster, in the order of the roll. ``recoats``: by recipe and pass, minutes
    between two coats; ``works``: by unit, what its kit makes of its recipe."""
    found = []
    for unit in choices.units:
        recipe = recipes[unit.recipe_key]
        passes = recipe.for_tier(unit.tier)
        trays = trays_of(unit, passes, choices.rack)
        coats = in_coats(passes, recoats.get(unit.recipe_key, {}))
        coats = tuple(_at_scale(_as_chosen(one, unit, choices), recipe, unit) for one in coats)
        left_out = _left_out(unit, choices, works.get(unit.id))
        tables = Spread(unit, recipe, coats, trays, works.get(unit.id), choices.rack)
        for tray, name, models, mine in tables.trays():
            for group in groups_of(mine, len(models)):
                call = _call(tables, tray, name, group, models, left_out, state)
                if call is not None:
                    found.append(call)
                    touched = _touch_up(call, state)
                    if touched is not None:
                        found.append(touched)
    return found


def _left_out(unit: Unit, choices: Choices, built: BuiltRecipe | None) -> dict[str, set[int]]:
    """By pass, the models it is not done on."""
    found: dict[str, set[int]] = {}
    for one in choices.left_out:
        if one.unit == unit.id:
            found.setdefault(one.pass_key, set()).update(one.models)
    for key, models in (built.models if built is not None else {}).items():
        others = set(range(1, unit.count + 1)) - set(models)
        found.setdefault(key, set()).update(others)
    return found


@dataclass(frozen=True)
class Spread:
    """A unit's passes over its trays: parts that are worked for all models at once have a tray of
    their own, until they are joined."""

    unit: Unit
    recipe: Recipe
    passes: tuple[Pass, ...]
    model_trays: list[list[int]]
    built: BuiltRecipe | None
    rack: int

    @cached_property
    def places(self) -> dict[str, int]:
        """By pass, where it stands in the recipe."""
        return {one.key: at for at, one in enumerate(self.passes)}

    @cached_property
    def paths(self) -> dict[str, str]:
        """By part, where it hangs: cab/driver."""
        onto = {row.part: row.onto for row in self.recipe.parts if not row.main}
        found = {}
        for part in onto:
            way = [part]
            while (upper := onto.get(way[-1])) is not None and upper not in way:
                way.append(upper)
            found[part] = "/".join(reversed(way))
        return found

    def _together(self) -> list[str]:
        if self.built is None or len(self.model_trays) < 2 or self.unit.count > self.rack:
            return []
        worked = {one.part for one in self.passes}
        return sorted(part for part in self.built.together if part in worked)

    def trays(self) -> list[tuple[int, str, list[int], tuple[Pass, ...]]]:
        """Each tray's number, name, models and passes."""
        own = self._together()
        many = len(self.model_trays)
        rest = tuple(one for one in self.passes if one.part not in own or joins(one))
        found = [
            (number, tray_name(self.unit, number, many), models, rest)
            for number, models in enumerate(self.model_trays, 1)
        ]
        for number, part in enumerate(own, many + 1):
            mine = tuple(one for one in self.passes if one.part == part and not joins(one))
            everyone = list(range(1, self.unit.count + 1))
            found.append((number, f"{self.unit.name}, {part}", everyone, mine))
        return found


def joins(one: Pass) -> bool:
    """Whether a pass joins parts."""
    return TECHNIQUES.get(one.technique, OTHER).has(TechniqueTrait.JOINS)


def _call(
    spread: Spread,
    tray: int,
    name: str,
    group: tuple[Pass, ...],
    models: list[int],
    left_out: dict[str, set[int]],
    state: BenchState,
) -> Call | None:
    unit = spread.unit
    key = group[0].key
    whole, coat = pass_and_coat(key)
    out = left_out.get(key, set())
    if coat:
        out = out.union(*(models for k, models in left_out.items() if k[:17] == whole))
    ticked, open_ = [], []
    for model in models:
        tick = state.ticks.get((unit.id, model, key))
        if tick is not None:
            ticked.append((tick.end, model))
        elif model not in out:
            open_.append(model)
    if not ticked and not open_:
        return None
    hands = handful(group, len(models))
    first, last = group[0], group[-1]
    return Call(
        id=call_id(unit, tray, key),
        unit=unit,
        tray=tray,
        tray_name=name,
        passes=group,
        models=tuple(model for _, model in sorted(ticked)) + tuple(open_),
        handful=hands.models,
        idle_s=hands.idle_s,
        place=spread.places[key],
        path=spread.paths.get(first.part or ""),
        onto=(last.onto or "") if last.part and joins(last) else None,
        built=any(not row.main for row in spread.recipe.parts),
    )


def _as_chosen(one: Pass, unit: Unit, choices: Choices) -> Pass:
    """A pass with what this muster does without, and may put down, for that unit."""
    key = pass_and_coat(one.key)[0]
    waived = {w.tag for w in choices.waived if (w.unit, w.pass_key) in _said(unit, one.key, key)}
    cut = any((c.unit, c.pass_key) in _said(unit, one.key, key) for c in choices.cuts)
    if not cut and not waived & set(one.needs):
        return one
    needs = tuple(tag for tag in one.needs if tag not in waived)
    return replace(one, needs=needs, cut="any" if cut else one.cut)


def _at_scale(one: Pass, recipe: Recipe, unit: Unit) -> Pass:
    """A pass with the minutes that it takes at the unit's scale: they grow with a model's length.
    Bases are as large at every scale."""
    if unit.scale == recipe.scale or unit.kind == "base":
        return one
    minutes = one.minutes * recipe.scale / unit.scale
    return replace(one, minutes=min(6000.0, max(0.1, round(minutes, 2))))


def _said(unit: Unit, *keys: str) -> set[tuple[str, str]]:
    return {(unit.id, key) for key in keys}


def _touch_up(call: Call, state: BenchState) -> Call | None:
    """Touching up what was marked, after the call and with the same colour."""
    key = call.keys[0]
    marked = tuple(m for m in call.models if (call.unit.id, m, key) in state.touch_ups)
    if not marked:
        return None
    one = replace(
        call.first,
        key=touch_key(key),
        name=f"touch up {call.first.name}"[:60],
        minutes=max(0.1, round(call.first.minutes * TOUCH_UP_SHARE, 1)),
    )
    return replace(call, id=f"{call.id}-touch", passes=(one,), models=marked, handful=0, idle_s=0.0)


def chain_of(calls: list[Call]) -> list[tuple[Call, Call]]:
    """Which call of a tray follows which: a part's passes wait for each other, and part and whole
    meet where a pass works the whole; of what is built of a kit, where a joint is closed."""
    found: list[tuple[Call, Call]] = []
    strands: dict[tuple[str, int], dict[str | None, Call]] = {}
    kits: dict[str, list[Call]] = {}
    for call in calls:
        if call.built:
            kits.setdefault(call.unit.id, []).append(call)
            continue
        mine = strands.setdefault((call.unit.id, call.tray), {})
        part = call.first.part
        if part is None:
            parts = [before for name, before in mine.items() if name is not None]
            found.extend((before, call) for before in parts or mine.values())
            mine.clear()
        elif part in mine:
            found.append((mine[part], call))
        elif None in mine:
            found.append((mine[None], call))
        mine[part] = call
    for calls_of_kit in kits.values():
        found.extend(_kit_chain(calls_of_kit))
    return found


def _bare(call: Call) -> bool:
    return TECHNIQUES.get(call.last.technique, OTHER).act == "bare" or (
        TECHNIQUES.get(call.last.technique, OTHER).has(TechniqueTrait.CLEANS)
    )


def _kit_chain(calls: list[Call]) -> Iterator[tuple[Call, Call]]:
    """Along each part, and from a part into the one that takes it up. A part's tray may hold the
    models of several: each follows those with which it shares models."""
    strands: dict[str, list[Call]] = {}
    for call in sorted(calls, key=lambda one: one.place):
        part = call.first.part or ""
        mine = set(call.models)
        if part and part not in strands:
            # Until it is worked by itself it lies on the heap that was cleaned and washed.
            strands[part] = [one for one in strands.get("", []) if _bare(one)]
        joined = [part] if call.onto is None else [part, call.onto]
        for name in joined:
            before = strands.get(name, [])
            for one in reversed(before):
                if mine & set(one.models):
                    yield one, call
            rest = [one for one in before if set(one.models) - mine]
            if name == joined[-1]:
                rest.append(call)
            strands[name] = rest

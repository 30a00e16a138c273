"""Calls: passes on trays, the tasks of the plan problem, with all that the screens need of them."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import pairwise
from types import MappingProxyType

from muster.core.choices import Choices, Unit
from muster.core.facts.fact import touch_key
from muster.core.facts.replay import BenchState
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.vocabulary import Cut
from muster.core.work.coats import in_coats, pass_and_coat
from muster.core.work.handfuls import Handful, handful_of, whole_tray_fits
from muster.core.work.trays import tray_name, trays_of

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
        return f"{whole}/{self.first.part}" if self.first.part else whole


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
) -> list[Call]:
    """Every call of the muster, in the order of the roll. ``recoats``: by recipe and pass, minutes
    between two coats."""
    found = []
    for unit in choices.units:
        recipe = recipes[unit.recipe, unit.recipe_version]
        passes = recipe.for_tier(unit.tier)
        trays = trays_of(unit, passes, choices.rack)
        coats = in_coats(passes, recoats.get((unit.recipe, unit.recipe_version), {}))
        coats = tuple(_at_scale(_as_chosen(one, unit, choices), recipe, unit) for one in coats)
        left_out: dict[str, set[int]] = {}
        for one in choices.left_out:
            if one.unit == unit.id:
                left_out.setdefault(one.pass_key, set()).update(one.models)
        for tray, models in enumerate(trays, 1):
            for group in groups_of(coats, len(models)):
                call = _call(unit, tray, len(trays), group, models, left_out, state)
                if call is not None:
                    found.append(call)
                    touched = _touch_up(call, state)
                    if touched is not None:
                        found.append(touched)
    return found


def _call(
    unit: Unit,
    tray: int,
    trays: int,
    group: tuple[Pass, ...],
    models: list[int],
    left_out: dict[str, set[int]],
    state: BenchState,
) -> Call | None:
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
    return Call(
        id=call_id(unit, tray, key),
        unit=unit,
        tray=tray,
        tray_name=tray_name(unit, tray, trays),
        passes=group,
        models=tuple(model for _, model in sorted(ticked)) + tuple(open_),
        handful=hands.models,
        idle_s=hands.idle_s,
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
    meet where a pass works the whole."""
    found: list[tuple[Call, Call]] = []
    strands: dict[tuple[str, int], dict[str | None, Call]] = {}
    for call in calls:
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
    return found

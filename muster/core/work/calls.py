"""Calls: passes on trays, the tasks of the plan problem, with all that the screens need of them."""

from __future__ import annotations

from dataclasses import dataclass, replace

from muster.core.choices import Choices, Unit
from muster.core.facts import Record, touch_key
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.work.trays import tray_name, trays_of

TOUCH_UP_SHARE = 1 / 3
"""Touching a model up takes a third of painting it. Common practice, no source."""

SHORT_WINDOW_MIN = 10
"""Two passes with a window below this are one task, worked in handfuls."""


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

    @property
    def keys(self) -> tuple[str, ...]:
        """The keys of its passes."""
        return tuple(one.key for one in self.passes)

    @property
    def name(self) -> str:
        """What it is called."""
        return " and ".join(one.name for one in self.passes)

    @property
    def first(self) -> Pass:
        """The pass it opens with."""
        return self.passes[0]

    @property
    def last(self) -> Pass:
        """The pass it closes with."""
        return self.passes[-1]

    @property
    def per_item_s(self) -> int:
        """Seconds a model."""
        return max(1, round(sum(one.minutes for one in self.passes) * 60))

    def item(self, model: int) -> str:
        """The id of a model, or of its part that this call paints."""
        whole = f"{self.unit.id}-{model}"
        return f"{whole}/{self.first.part}" if self.first.part else whole


def call_id(unit: Unit, tray: int, key: str) -> str:
    """The task's id: pikes.2/base."""
    return f"{unit.id}.{tray}/{key}"


def groups_of(passes: tuple[Pass, ...]) -> list[tuple[Pass, ...]]:
    """Passes as tasks: where a window is very short, two are worked as one, in handfuls."""
    groups: list[tuple[Pass, ...]] = []
    for index, one in enumerate(passes):
        before = passes[index - 1] if index else None
        joins = (
            before is not None
            and before.window_min is not None
            and before.window_min < SHORT_WINDOW_MIN
            and before.part == one.part
        )
        if joins:
            groups[-1] = (*groups[-1], one)
        else:
            groups.append((one,))
    return groups


def handful_of(group: tuple[Pass, ...]) -> int:
    """How many models fit in the shortest window within a task; 0 where it has none."""
    sizes = [
        max(1, int((one.window_min or 0) // one.minutes) or 1)
        for one in group[:-1]
        if one.window_min is not None
    ]
    return min(sizes, default=0)


def calls_of(
    choices: Choices, recipes: dict[tuple[str, int], Recipe], record: Record
) -> list[Call]:
    """Every call of the muster, in the order of the roll."""
    found = []
    for unit in choices.units:
        recipe = recipes[unit.recipe, unit.recipe_version]
        passes = recipe.for_tier(unit.tier)
        trays = trays_of(unit, passes, choices.rack)
        left_out: dict[str, set[int]] = {}
        for one in choices.left_out:
            if one.unit == unit.id:
                left_out.setdefault(one.pass_key, set()).update(one.models)
        for tray, models in enumerate(trays, 1):
            for group in groups_of(passes):
                call = _call(unit, tray, len(trays), group, models, left_out, record)
                if call is not None:
                    found.append(call)
                    touched = _touch_up(call, record)
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
    record: Record,
) -> Call | None:
    key = group[0].key
    ticked, open_ = [], []
    for model in models:
        tick = record.ticks.get((unit.id, model, key))
        if tick is not None:
            ticked.append((tick.end, model))
        elif model not in left_out.get(key, ()):
            open_.append(model)
    if not ticked and not open_:
        return None
    return Call(
        id=call_id(unit, tray, key),
        unit=unit,
        tray=tray,
        tray_name=tray_name(unit, tray, trays),
        passes=group,
        models=tuple(model for _, model in sorted(ticked)) + tuple(open_),
        handful=handful_of(group),
    )


def _touch_up(call: Call, record: Record) -> Call | None:
    """Touching up what was marked, after the call and with the same colour."""
    key = call.keys[0]
    marked = tuple(m for m in call.models if (call.unit.id, m, key) in record.touch_ups)
    if not marked:
        return None
    one = replace(
        call.first,
        key=touch_key(key),
        name=f"touch up {call.first.name}"[:60],
        minutes=max(0.1, round(call.first.minutes * TOUCH_UP_SHARE, 1)),
    )
    return replace(call, id=f"{call.id}-touch", passes=(one,), models=marked, handful=0)


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

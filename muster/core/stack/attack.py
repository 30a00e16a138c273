"""What attacks what: a pass against a film that lies open, in the state that this is in."""

from __future__ import annotations

from muster.core.craft.media import Grade, MediumTrait, State
from muster.core.craft.techniques import TechniqueTrait
from muster.core.stack.layer import AppliedLayer


def own_kind(film: AppliedLayer, target: AppliedLayer) -> bool:
    """Whether a pass brings paint of the kind that lies there already."""
    if film.medium is None or target.medium is None:
        return False
    return film.medium.kind == target.medium.kind


def at_home(film: AppliedLayer, target: AppliedLayer, state: State) -> bool:
    """Whether it is its own kind over a film that can be coated again: no harm at any grade."""
    if not own_kind(film, target):
        return False
    if film.medium_has(MediumTrait.REWETS) or film.medium_has(MediumTrait.DECAL):
        return True
    return state >= State.RECOATABLE


def strength(film: AppliedLayer, target: AppliedLayer, state: State) -> tuple[Grade, Grade] | None:
    """How hard ``film`` brings its carrier to bear on a layer in that state, and from which grade
    on that attacks it; None where the layer withstands the carrier."""
    if film.carrier is None or target.medium is None or film.grade == Grade.NONE:
        return None
    least = target.medium.least(film.carrier, state)  # type: ignore[arg-type]
    if least is None:
        return None
    # What is scrubbed floods the films below the one that is worked.
    grade = film.grade
    if film.technique.act == "work" and not meant_for(film, target):
        grade = min(grade, Grade.FLOOD)
    # A film that is still wet is moved by the lightest mist of what it is thinned with.
    if state == State.WET:
        least = min(least, Grade.MIST)
    return grade, least


def attacks(film: AppliedLayer, target: AppliedLayer, state: State) -> bool:
    """Whether what ``film`` is thinned with attacks a layer in that state at its grade."""
    if at_home(film, target, state):
        return False
    found = strength(film, target, state)
    return found is not None and found[0] >= found[1]


def gravely(film: AppliedLayer, target: AppliedLayer, state: State) -> bool:
    """Whether it attacks above the least grade at which it does."""
    found = strength(film, target, state)
    return found is not None and found[0] > found[1]


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


def meant_for(film: AppliedLayer, target: AppliedLayer) -> bool:
    """Whether working ``target`` is what the pass is for: wiping, blending, scratching, fixing."""
    if film.technique.act not in ("work", "fix") or target.medium is None:
        return False
    if film.does(TechniqueTrait.SCRATCHES):
        return target.index < film.index
    if film.technique.act == "fix":
        return target.medium.has(MediumTrait.LOOSE)
    if film.medium is not None:
        return film.medium.kind == target.medium.kind
    return film.carrier is None or film.carrier in (target.medium.carrier, target.carrier)

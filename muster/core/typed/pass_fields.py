"""Every property of a pass, as it is changed in place: by which kind of edit, among what."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal, get_args

from muster.core.craft.clocks import Clock
from muster.core.craft.media import CARRIERS
from muster.core.recipes.recipe import Trial
from muster.core.vocabulary import TIER_WORDS, Cut, Finish, Purpose

Edit = Literal["text", "choice", "number", "mix", "names", "flag", "colour", "covers"]


@dataclass(frozen=True)
class Option:
    """A value, and what it is called."""

    value: str
    words: str


@dataclass(frozen=True)
class PassField:
    """A property of a pass.

    ``options``: what it may be; ``among``: the list of the house or the recipe from which it is
    taken instead. ``unsaid``: what holds where nothing is said; empty: something must be.
    ``step``: what one press of an arrow changes a number by. ``share``: it is told in per cent.
    """

    name: str
    label: str
    edit: Edit
    unsaid: str = ""
    options: tuple[Option, ...] = ()
    among: str = ""
    least: float = 0
    most: float = 100_000
    step: float = 1
    unit: str = ""
    share: bool = False


def _same(*values: str) -> tuple[Option, ...]:
    return tuple(Option(one, one) for one in values)


_TOOLS = _same("airbrush", "brush", "wide brush", "spray can", "sponge")
_CUTS: dict[Cut, str] = {
    "item": "between models", "none": "not at all", "any": "anywhere",
}  # fmt: skip
_CLOCKS = {"water": "water leaving", "cure": "curing", "wall": "the wall clock"}


_TIERS = tuple(Option(tier, words) for tier, words in TIER_WORDS.items())

BY_LAYERS = "by its layers"

PASS_FIELDS: tuple[PassField, ...] = (
    PassField("name", "name", "text", most=60),
    PassField("technique", "technique", "choice", among="techniques"),
    PassField("medium", "medium", "choice", "the usual one", among="media"),
    PassField("tool", "tool", "choice", "by hand", _TOOLS),
    PassField("adhesive", "glue", "choice", "none", among="adhesives"),
    PassField("mix", "mix, in parts", "mix", "no paint", most=99),
    PassField("dilution", "parts of thinner to one of paint", "number", "as is usual", most=200),
    PassField("carrier", "thinned with", "choice", "what its medium is", _same(*CARRIERS)),
    PassField("varnish_share", "varnish in the paint", "number", "none", most=1, step=0.05,
              share=True),
    PassField("colour", "dries to this colour", "colour", "by its paints"),
    PassField("finish", "finish", "choice", "as it is", _same(*get_args(Finish))),
    PassField("zones", "where", "names", "the whole model", among="zones"),
    PassField("part", "part painted apart", "text", "none", most=24),
    PassField("onto", "the part that takes it up", "text", "the main one", most=24),
    PassField("all_but", "all but", "names", "nothing left out", among="zones"),
    PassField("coats", "coats", "number", least=1, most=9),
    PassField("thick", "times as thick, or millimetres of paste", "number", least=1, most=20,
              step=0.5),
    PassField("cover", "share of the zone covered", "number", "by its technique", least=0.01,
              most=1, step=0.05, share=True),
    PassField("cover_by", "share of single zones", "covers", "alike", among="zones"),
    PassField("size_mm", "size of a mark", "number", "not said", least=0.01, most=500, step=0.1,
              unit="mm"),
    PassField("purpose", "meant to", "choice", "by its technique", _same(*get_args(Purpose))),
    PassField("tier", "worth it from", "choice", options=_TIERS),
    PassField("minutes", "minutes a model", "number", least=0.1, most=6000, step=0.5, unit="min"),
    PassField("stand_min", "wait at least", "number", BY_LAYERS, step=5, unit="min"),
    PassField("window_min", "the next within", "number", BY_LAYERS, step=5, unit="min"),
    PassField("dry_min", "dry to touch after", "number", BY_LAYERS, step=5, unit="min"),
    PassField("clock", "dries by", "choice",
              options=tuple(Option(one, _CLOCKS.get(one, one)) for one in get_args(Clock))),
    PassField("warm_air", "under warm air", "flag"),
    PassField("setup_min", "opened in", "number", unit="min"),
    PassField("cleanup_min", "cleaned up in", "number", unit="min"),
    PassField("open_min", "open for", "number", "no limit", step=5, unit="min"),
    PassField("life_min", "lasts", "number", "no limit", step=5, unit="min"),
    PassField("cut", "may be cut", "choice", "as its length asks",
              tuple(Option(one, words) for one, words in _CUTS.items())),
    PassField("needs", "cannot do without", "names", "nothing", _same("daylight", "noise allowed")),
    PassField("wants", "had better have", "names", "nothing", _same("daylight", "noise allowed")),
    PassField("soak_s", "soaked", "number", "not soaked", most=1_000_000, step=10, unit="s"),
    PassField("materials", "joins", "names", "what its parts are of", among="materials", most=2),
    PassField("fragile", "what is fitted snaps in the hand", "flag"),
    PassField("varied", "changed from model to model", "flag"),
    PassField("tried", "a trial showed", "choice", "not tried", _same(*get_args(Trial))),
    PassField("trial", "what the trial patch showed", "text", "nothing", most=400),
    PassField("holds", "recipe done here", "choice", "none", among="recipes"),
    PassField("note", "note", "text", "none", most=400),
)  # fmt: skip
"""In the order in which a pass is said."""

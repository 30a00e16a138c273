"""Documents made from the published schemas, for tests of whatever may come in.

The schemas bound most values; what they leave open (names that refer to each other, words of the
tables, days) is drawn from what fits together, or almost.
"""

from __future__ import annotations

import string
from collections.abc import Callable, Mapping
from typing import Any

from hypothesis import strategies as st

from muster.core.craft.media import MEDIA
from muster.core.craft.techniques import TECHNIQUES
from muster.core.craft.zones import ZONES
from muster.core.formats import muster as muster_format
from muster.core.formats import shelf as shelf_format
from muster.core.house import HOUSE

Json = dict[str, Any]

DAYS = [
    *(f"2027-{month:02}-{day:02}" for month in (3, 4) for day in (1, 2, 5, 14, 28)),
    "2000-01-01",
    "2026-10-25",
    "2027-12-31",
    "2075-06-01",
    "2076-12-31",
    "9999-12-31",
]
TIMES = ["00:00", "06:00", "09:30", "18:00", "19:30", "21:00", "23:59:59"]
MOMENTS = ["2027-02-20T10:00:00Z", "2027-03-01T20:00:00Z", "2027-03-02T18:40:00Z",
           "2027-03-02T18:59:00+01:00", "2027-03-09T19:00:00Z", "2001-01-01T00:00:00Z",
           "2075-12-31T23:59:59Z"]  # fmt: skip
PARTS = [None, None, "body", "arm"]
LONG_MIN = {"type": "number", "minimum": 0, "maximum": 100_000}
WORK_MIN = {"type": "number", "minimum": 0.1, "maximum": 6000}
SOME = {"maxItems": 3}


def words(*known: str | int | None) -> Json:
    """A schema of one of these."""
    return {"enum": list(known)}


def maybe(schema: Json) -> Json:
    """The same, or nothing."""
    return {"anyOf": [schema, {"type": "null"}]}


def from_schema(schema: Json, defs: Json | None = None) -> st.SearchStrategy[Any]:
    """Values of a JSON Schema, as far as our published ones go. Raises KeyError beyond."""
    defs = schema.get("$defs", defs or {})
    if "$ref" in schema:
        return from_schema(defs[schema["$ref"].rpartition("/")[2]], defs)
    if "const" in schema:
        return st.just(schema["const"])
    if "enum" in schema:
        return st.sampled_from(schema["enum"])
    if "anyOf" in schema:
        return st.one_of(*(from_schema(one, defs) for one in schema["anyOf"]))
    return BY_TYPE[schema["type"]](schema, defs)


def _text(schema: Json, defs: Json) -> st.SearchStrategy[Any]:
    if "pattern" in schema:
        return st.from_regex(schema["pattern"], fullmatch=True, alphabet=string.printable[:95])
    low, high = schema.get("minLength", 0), schema.get("maxLength", 60)
    return st.text(st.characters(exclude_categories=["Cs", "Cc"]), min_size=low, max_size=high)


def _number(schema: Json, defs: Json) -> st.SearchStrategy[Any]:
    low = schema.get("minimum", schema.get("exclusiveMinimum", 0))
    high = schema.get("maximum", schema.get("exclusiveMaximum", 10_000))
    inner = st.floats(low, high, exclude_min="exclusiveMinimum" in schema, allow_subnormal=False)
    # Things break at the ends of a range more often than within it.
    return st.one_of(
        inner, inner, st.sampled_from([high if "exclusiveMinimum" in schema else low, high])
    )


def _object(schema: Json, defs: Json) -> st.SearchStrategy[Any]:
    required = schema.get("required", [])
    made = {key: from_schema(one, defs) for key, one in schema.get("properties", {}).items()}
    return st.fixed_dictionaries(
        {key: made[key] for key in required},
        optional={key: one for key, one in made.items() if key not in required},
    )


BY_TYPE: dict[str, Callable[[Json, Json], st.SearchStrategy[Any]]] = {
    "null": lambda schema, defs: st.none(),
    "boolean": lambda schema, defs: st.booleans(),
    "integer": lambda schema, defs: st.integers(
        schema.get("minimum", 0), schema.get("maximum", 10_000)
    ),
    "number": _number,
    "string": _text,
    "array": lambda schema, defs: st.lists(
        from_schema(schema["items"], defs),
        min_size=schema.get("minItems", 0), max_size=schema.get("maxItems", 5),
    ),
    "object": _object,
}  # fmt: skip

ALL_ZONES = sorted({zone for zones in ZONES.values() for zone in zones})
NAMES = words("pikes", "Löwen & Söhne", "<b>rank</b>", "' or 1=1", "槍兵", "a", "x" * 60)
PAINTS = words("Reed", "Silt", "Ochre", "water", "white spirit")

KNOWN: Json = {
    "name": NAMES, "technique": words(*TECHNIQUES),
    "medium": maybe(words(*MEDIA)),
    "carrier": maybe(words("water", "alcohol", "lacquer thinner", "white spirit", "softener")),
    "zones": {"type": "array", "items": words("recesses", "edges", "upper", *ALL_ZONES), **SOME},
    "tool": maybe(words("brush", "wide brush", "airbrush", "sponge")), "holds": {"type": "null"},
    "part": words(*PARTS), "minutes": WORK_MIN, "dry_min": maybe(LONG_MIN),
    "stand_min": maybe(LONG_MIN), "window_min": maybe(LONG_MIN), "open_min": maybe(LONG_MIN),
    "life_min": maybe(LONG_MIN), "setup_min": WORK_MIN, "cleanup_min": WORK_MIN,
    "size_mm": maybe({"type": "number", "minimum": 0.01, "maximum": 500}),
    "needs": {"type": "array", "items": words("daylight", "noise allowed", "a helper"), **SOME},
    "wants": {"type": "array", "items": words("daylight", "noise allowed"), **SOME},
    "adhesive": maybe(words("plastic cement", "instant glue", "epoxy")),
    "material": words("polystyrene", "resin", "metal", "print", "polythene"),
    "zone": words("Europe/London", "Pacific/Auckland", "America/St_Johns"),
    "day": words(*DAYS), "to": words(*DAYS), "since": words(*DAYS),
    "parade_day": maybe(words(*DAYS)), "start": words(*TIMES), "end": words(*TIMES),
    "tag": words("daylight", "noise allowed"), "count": {"type": "integer", "minimum": 1,
                                                        "maximum": 24},
    "scale": words(15, 35, 72, 144), "until": words(*MOMENTS), "at": words(*MOMENTS),
    "rack": {"type": "integer", "minimum": 1, "maximum": 100_000},
    "models": {"type": "array", "items": {"type": "integer", "minimum": 1, "maximum": 24}, **SOME},
    "share": {"type": "number", "minimum": 0.01, "maximum": 0.99},
    "spare_min": {"type": "integer", "minimum": 0, "maximum": 240},
}  # fmt: skip
"""By key: what stands for the schema's own where that leaves too much open."""

SHORT = {"passes": 6, "mix": 3, "recipes": 2, "rhythm": 3, "evenings": 4, "spells": 3, "pins": 2,
         "left_out": 2, "put_off": 2, "order": 2, "waived": 2, "cuts": 2, "lost": 2, "moved": 2,
         "units": 3, "split": 0, "models": 3, "swatches": 3, "days": 4, "awaited": 3, "media": 2,
         "techniques": 2, "materials": 2, "adhesives": 2}  # fmt: skip
"""By key: the longest list of it."""


def tamed(schema: Any, known: Mapping[str, Any] = KNOWN) -> Any:
    """A schema with its keys bounded by ``known`` and its lists by ``SHORT``."""
    if isinstance(schema, list):
        return [tamed(one, known) for one in schema]
    if not isinstance(schema, dict):
        return schema
    found = {key: tamed(value, known) for key, value in schema.items() if key != "properties"}
    if "properties" in schema:
        found["properties"] = {
            key: known[key]
            if key in known and "properties" not in value and "$ref" not in value
            else _short(key, tamed(value, known))
            for key, value in schema["properties"].items()
        }
    return found


def _short(key: str, schema: Json) -> Json:
    if schema.get("type") == "array" and key in SHORT:
        return {**schema, "maxItems": SHORT[key]}
    return schema


def of(schema: Json, name: str, **known: Any) -> st.SearchStrategy[Json]:
    """Documents of one definition of a schema."""
    made = tamed({**schema["$defs"][name], "$defs": schema["$defs"]}, {**KNOWN, **known})
    return from_schema(made)


UNITS, KEYS, RECIPES = ("u0", "u1", "u2"), ("p0", "p1", "p2", "p3"), ("made-0", "made-1")
REFERS: Json = {
    "unit": words(*UNITS), "before": words(*UNITS), "after": words(*UNITS),
    "finish_first": maybe(words(*UNITS)), "pass_key": words(*KEYS),
    "before_pass": maybe(words(*KEYS)), "after_pass": maybe(words(*KEYS)),
    "pass_keys": {"type": "array", "items": words(*KEYS), "minItems": 1, "maxItems": 1},
    "call": words(*(f"{unit}.1/{key}" for unit in UNITS for key in KEYS[:2])),
    "weekly": words("mon"), "id": words("mon", "thu"), "units": {"const": []},
    "recipe": words(*RECIPES), "recipe_version": words(1),
}  # fmt: skip
UUIDS = "[0-9a-f]{8}-[0-9a-f]{4}-[47][0-9a-f]{3}-a[0-9a-f]{3}-[0-9a-f]{12}"
FACT: Json = {
    **REFERS, "id": {"type": "string", "pattern": UUIDS},
    "start": maybe(words(*MOMENTS)), "of": {"type": "null"},
    "model": {"type": "integer", "minimum": 1, "maximum": 24},
    "tray": {"type": "integer", "minimum": 1, "maximum": 3},
}  # fmt: skip

MUSTER = muster_format.schema()
A_RECIPE = of(MUSTER, "Recipe")
A_UNIT = of(MUSTER, "Unit", **REFERS)
A_PART, A_JOINT, A_JOB, A_KIT = (of(MUSTER, one) for one in ("Part", "Joint", "Job", "Kit"))
SOME_CHOICES = of(MUSTER, "Choices", **REFERS)
A_FACT = of(MUSTER, "Fact", **FACT)
A_SHELF = from_schema(tamed(shelf_format.schema(), {**KNOWN, "medium": words(*MEDIA)}))
OWN = HOUSE.json_schema()
for _name, _like in (("OwnMedium", MEDIA), ("OwnTechnique", TECHNIQUES)):
    OWN["$defs"][_name]["properties"]["like"] = words(*_like)
A_HOUSE = from_schema(tamed(OWN, {k: v for k, v in KNOWN.items() if k not in ("zones", "holds")}))


@st.composite
def recipes(draw: st.DrawFn, code: str) -> Json:
    """A recipe of that id whose passes have keys of their own."""
    made = draw(A_RECIPE)
    for number, one in enumerate(made["passes"]):
        one["key"] = f"p{number}"
    return {**made, "id": code, "version": 1}


@st.composite
def builds(draw: st.DrawFn) -> Json:
    """A kit whose rows name one another, and what may be said of its joints."""
    parts = [{**draw(A_PART), "id": f"p{n}"} for n in range(draw(st.integers(1, 6)))]
    parts[0]["fitted"] = True
    names = st.sampled_from([one["id"] for one in parts])
    joints = []
    for number in range(1, len(parts)):
        onto = f"p{draw(st.integers(0, number - 1))}"
        joints.append({
            **draw(A_JOINT), "id": f"j{number}", "part": f"p{number}", "onto": onto,
            "closes": draw(st.lists(names, max_size=2)), "lifts": draw(st.none() | names),
        })  # fmt: skip
    known = st.sampled_from([one["id"] for one in joints]) if joints else st.none()
    jobs = [
        {**draw(A_JOB), "id": f"k{n}", "part": draw(names), "before": draw(st.none() | known),
         "after": draw(st.none() | known), "hidden_by": []}
        for n in range(draw(st.integers(0, 3)))
    ]  # fmt: skip
    said = [
        {"joint": one["id"], "way": draw(st.sampled_from([None, "fix", "apart", "lift", "mask"])),
         "before": draw(st.sampled_from([None, "p0", "p1", "end", "gone"]))}
        for one in joints
    ]  # fmt: skip
    kit = {**draw(A_KIT), "parts": parts, "joints": joints, "jobs": jobs, "faults": []}
    return {"kit": kit, "choices": said, "since": draw(st.none() | st.sampled_from(MOMENTS))}


@st.composite
def musters(draw: st.DrawFn) -> Json:
    """A muster file: some units of some recipes, a calendar, facts of their passes."""
    made = [draw(recipes(code)) for code in RECIPES]
    units = [
        {**draw(A_UNIT), "id": code, "build": draw(st.none() | builds())}
        for code in UNITS[: draw(st.integers(1, 3))]
    ]
    choices = draw(SOME_CHOICES)
    for kind in ("rhythm", "evenings"):
        for number, row in enumerate(choices.get(kind, [])):
            row["id"] = f"{kind}-{number}"
    for pin in choices.get("pins", []):
        pin["start"] = draw(st.sampled_from(MOMENTS))
    return {
        "format": "crisp-muster/muster", "version": 3, "choices": {**choices, "units": units},
        "recipes": made, "facts": draw(st.lists(A_FACT, max_size=6)),
    }  # fmt: skip

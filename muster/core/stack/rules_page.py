"""The page of rules, media and habits, written from what is registered, so that it cannot drift."""

from __future__ import annotations

from typing import Any

from pydantic import TypeAdapter

from muster.core.craft.adhesives import TIMES
from muster.core.craft.media import MEDIA
from muster.core.craft.techniques import TECHNIQUES
from muster.core.craft.zones import ZONES
from muster.core.recipes.recipe import Pass, Recipe
from muster.core.stack import rules as _rules
from muster.core.stack.finding import RULES
from muster.core.stack.formatting import duration
from muster.core.stack.habits.house import ORDERED
from muster.core.stack.walk import walk

PASS: TypeAdapter[Pass] = TypeAdapter(Pass)

assert _rules.__path__, "importing the package registers its rules"


def rules_page() -> str:
    """Markdown."""
    lines = [
        "# What a recipe's layers do to each other",
        "",
        "Written from the registry by `muster.cli.publish`. Times are for a thin coat at 20 °C and",
        "50 % humidity, common practice with no source; a product's label comes first.",
        "",
        "| rule | code | watches for |",
        "| --- | --- | --- |",
    ]
    for rule in sorted(RULES.values(), key=lambda one: one.number):
        lines.append(f"| {rule.number} | {rule.code} | {rule.about} |")
    lines += ["", "## Media", "", "| name | thinned with | dry to touch | recoat | cured "
              "| solids |", "| --- | --- | --- | --- | --- | --- |"]  # fmt: skip
    for one in MEDIA.values():
        times = " | ".join(duration(value) for value in (one.touch, one.recoat, one.cured))
        lines.append(f"| {one.name} | {one.carrier or 'nothing'} | {times} | {one.solids:g} % |")
    lines += ["", "## Glues", "", "| name | sets | can be handled | full strength |",
              "| --- | --- | --- | --- |"]  # fmt: skip
    for name, glue in TIMES.items():
        times = " | ".join(duration(value) for value in (glue.sets, glue.handle, glue.full))
        lines.append(f"| {name} | {times} |")
    lines += waits_beside_practice()
    lines += ["", "## Techniques", ""]
    lines += ["| name | grade | covers | minutes a model |", "| --- | --- | --- | --- |"]
    for technique in TECHNIQUES.values():
        grade = technique.grade.name.lower()
        lines.append(
            f"| {technique.name} | {grade} | {technique.cover:.0%} | {technique.minutes:g} |"
        )
    lines += ["", "## Zones", ""]
    for kind, zones in ZONES.items():
        lines.append(f"- {kind}: {', '.join(zones)}; and recesses, edges")
    lines += ["", "## House habits", ""]
    for habit in ORDERED:
        for way, reason in habit.ways.items():
            ours = " (ours)" if way == habit.ours else ""
            lines.append(f"- `{habit.name}={way}`{ours}: {reason}")
    return "\n".join(lines) + "\n"


def _a(technique: str, **more: Any) -> Pass:
    return PASS.validate_python(
        {"key": technique.replace(" ", "-"), "name": technique, "technique": technique,
         "minutes": 1, **more}
    )  # fmt: skip


BENCH: tuple[tuple[str, str, Pass, Pass], ...] = (
    ("brushed acrylic, next coat", "25 min", _a("brush"), _a("brush", key="again")),
    ("sprayed acrylic, next coat", "15 min", _a("spray"), _a("brush")),
    ("acrylic, tape on it", "24 h", _a("spray"), _a("mask")),
    ("can, second coat", "15 to 60 min", _a("spray can"), _a("spray can", key="again")),
    ("can, oil wash on it", "overnight to a day", _a("spray can"), _a("wash", medium="oil")),
    ("enamel, second coat", "overnight", _a("brush", medium="enamel"),
     _a("brush", key="again", medium="enamel")),
    ("enamel wash, wiped", "10 to 60 min", _a("pin wash"), _a("wipe back", carrier="white spirit")),
    ("enamel filter, pin wash on it", "overnight", _a("filter"), _a("pin wash")),
    ("oil wash, acrylic varnish on it", "a day", _a("wash", medium="oil"), _a("varnish")),
    ("oil wash, rust in oil on it", "a day", _a("wash", medium="oil"), _a("streak", medium="oil")),
    ("chipping fluid, top coat on it", "10 to 30 min", _a("fluid"), _a("spray")),
    ("gloss coat, decals on it", "2 h to overnight", _a("varnish", finish="gloss"), _a("decal")),
    ("decals, seal on them", "a few hours", _a("decal"), _a("varnish")),
    ("mud in binder, more of it", "12 to 24 h", _a("pigment", medium="bound pigment"),
     _a("pigment", key="again", medium="bound pigment")),
    ("the same under a hair dryer", "minutes", _a("pigment", medium="bound pigment", warm_air=True),
     _a("pigment", key="again", medium="bound pigment")),
    ("plaster paste of 5 mm, paint on it", "overnight", _a("texture", medium="plaster", thick=5),
     _a("brush")),
    ("ground paste of 2 mm, paint on it", "overnight", _a("texture", thick=2), _a("brush")),
    ("sand on white glue, undercoat on it", "overnight", _a("grass"), _a("spray can")),
    ("solvent cement, handled", "20 min", _a("glue", adhesive="solvent cement"), _a("spray")),
    ("superglue, handled", "5 min", _a("glue", adhesive="superglue"), _a("spray")),
    ("white glue, handled", "2 h", _a("glue", adhesive="white glue"), _a("spray")),
    ("putty, sanded", "overnight", _a("fill"), _a("sand")),
    ("washed parts, undercoat on them", "until they are dry", _a("wash parts"), _a("spray")),
)  # fmt: skip
"""What painters wait, as they say it, and the two passes between which they do. Common practice."""


def waits_beside_practice() -> list[str]:
    """Lines: what the program waits between two passes, beside what painters wait."""
    lines = ["", "## Waits beside the bench's own", "",
             "At 20 °C and 50 %; thin coats, nothing stated.", "",
             "| between | painters wait | the program |", "| --- | --- | --- |"]  # fmt: skip
    for words, practice, first, second in BENCH:
        made = Recipe("wait", "wait", "vehicle", 1, (first, second))
        wait = walk(made).steps[0].wait.minutes
        lines.append(f"| {words} | {practice} | {duration(wait)} |")
    return lines

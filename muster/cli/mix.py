"""``crisp mix``: the best mixes of owned paints for a colour, or what a stated mix dries to.

Needs no database and no network.
"""

from __future__ import annotations

import argparse
import json
import re
import sys
from pathlib import Path
from typing import Any, Literal

import numpy as np

from muster.core.colour import match_plain
from muster.core.colour.kinds import GROUPS
from muster.core.colour.ladder import ladders
from muster.core.colour.match import match
from muster.core.colour.names import called
from muster.core.colour.observer import Floats
from muster.core.colour.owned import OwnedPaint, shelf_from
from muster.core.colour.paint import coats_to_hide
from muster.core.colour.shelf import Mix, Shelf
from muster.core.colour.spaces import lab_of, xyz_of_hex
from muster.core.colour.wet import wet_of
from muster.core.errors import DomainError
from muster.core.formats.shelf import read

FOUND, REFUSED = 0, 2
OUT_OF_REACH = 3.0
"""ΔE00 beyond which the best mix is another colour. Common practice."""
ANSWERS = 8
FEW_PAINTS = 300
"""Up to so many, which is all, the compiled loop takes longer to load than it saves."""


def main(arguments: list[str] | None = None) -> int:
    """Exit 0 found, 2 refused."""
    given = _parser().parse_args(arguments)
    try:
        if (given.target is None) == (given.parts is None):
            raise DomainError("say either --target, a colour to match, or --parts, a mix to judge")
        paints = read(given.shelf.read_bytes(), given.shelf.name)
        if given.parts is not None:
            answer = stated(given.parts, paints, given.over, given.by, given.coats)
            told = stated_said
        else:
            answer, told = matched(given, paints), said
    except OSError as error:
        print(f"{given.shelf}: {error.strerror}: name a file that can be read", file=sys.stderr)
        return REFUSED
    except DomainError as refusal:
        for complaint in refusal.complaints:
            print(f"{given.shelf}: {complaint}", file=sys.stderr)
        return REFUSED
    except ValueError as error:
        print(error, file=sys.stderr)
        return REFUSED
    print(json.dumps(answer, indent=1, ensure_ascii=False) if given.json else told(answer))
    return FOUND


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(
        prog="crisp mix", description="Match a colour in drops, or say what a mix dries to."
    )
    parser.add_argument("shelf", type=Path, help="CSV, GIMP palette or crisp-muster/shelf JSON")
    parser.add_argument("--target", help='a colour to match: "#6b7a3a" or "lab 50 -10 30"')
    parser.add_argument("--paints", type=int, default=3, help="at most so many paints, 1 to 4")
    parser.add_argument("--drops", type=int, default=12, help="at most so many drops, 1 to 60")
    parser.add_argument(
        "--kinds", default="plain", help=f"kinds of paint to mix from: {', '.join(GROUPS)}"
    )
    parser.add_argument(
        "--closest", action="store_true", help="rank by difference alone, not by what an eye tells"
    )
    parser.add_argument("--parts", help='a mix to judge: "3 Post red, 1 Tarn black"')
    parser.add_argument("--over", help='the ground it is laid over: "#1c1d1f"')
    parser.add_argument("--coats", type=int, default=1, help="coats of it, 1 to 9")
    parser.add_argument("--by", default="brush", help="technique: brush, wash, spray, dry-brush …")
    parser.add_argument("--json", action="store_true", help="the answer as JSON")
    return parser


def matched(given: argparse.Namespace, paints: list[OwnedPaint]) -> dict[str, Any]:
    """The best mixes for a colour. Raises DomainError and ValueError for what cannot be matched."""
    target = _target(given.target)
    if all(one.clear for one in paints):
        raise DomainError("every paint is a varnish, glue or fluid: add a colour")
    shelf = shelf_from(paints)
    kinds = [word.strip() for word in given.kinds.split(",")]
    by: Literal["eye", "difference"] = "difference" if given.closest else "eye"
    kernel = match_plain if len(shelf.paints) <= FEW_PAINTS else None
    mixes = match(shelf, target, given.paints, given.drops, ANSWERS, kinds, by=by, kernel=kernel)
    single = shelf.nearest(target, kinds)
    return as_json(given.target, target, shelf, paints, mixes, single)


def stated(
    parts: str, paints: list[OwnedPaint], over: str | None, by: str, coats: int
) -> dict[str, Any]:
    """What a stated mix dries to, alone or over a ground. Raises DomainError."""
    # Loaded for this alone: matching a colour needs no recipe.
    from muster.core.colour.stated_mix import stated_mix
    from muster.core.stack.mix_look import look_over

    mix = stated_mix(parts, paints)
    optics = mix.optics
    answer: dict[str, Any] = {
        "dries_to": optics.hex(),
        "parts": [{"paint": paint.name, "parts": many} for paint, many in mix.parts],
        "thinner_parts": mix.thinner,
        "wet": wet_of(optics.hex()),
    }
    if over is not None:
        ground = _hex(over, "--over")
        look = look_over(optics, ground, by, coats, mix.dilution)
        answer |= {
            "dries_to": look.flat, "alone": optics.hex(), "over": ground, "by": by, "coats": coats,
            "recess": look.recess, "flat": look.flat, "edge": look.edge,
        }  # fmt: skip
    elif by != "brush" or coats != 1:
        raise DomainError('--by and --coats need a ground: say --over "#1c1d1f"')
    else:
        found = ladders(optics)
        answer["one_to_four_coats_over"] = {one.ground: list(one.coats) for one in found}
        answer["coats_to_cover"] = {one.ground: one.covers for one in found}
        answer["coats_to_hide_strictly"] = coats_to_hide(optics)
    return answer


def stated_said(answer: dict[str, Any]) -> str:
    """The same as text."""
    parts = " + ".join(f"{one['parts']} {one['paint']}" for one in answer["parts"])
    if "over" in answer:
        coats = f"{answer['coats']} coat{'s' if answer['coats'] > 1 else ''}"
        return (
            f"{parts}, {coats} by {answer['by']} over {answer['over']} dries to "
            f"{answer['dries_to']} (in recesses {answer['recess']}, on edges {answer['edge']})."
        )
    covers = answer["coats_to_cover"]["black"]
    needed = f"{covers} coat{'' if covers == 1 else 's'}" if covers else "no number of coats"
    return (
        f"{parts} dries to {answer['dries_to']}.\nOver black it covers in {needed} by brush.\n"
        f"Wet it looks about like {answer['wet']}: judge it dry, by daylight."
    )


def _target(text: str) -> Floats:
    lab = re.fullmatch(
        r"lab[ (:]*(-?[\d.]+)[ ,]+(-?[\d.]+)[ ,]+(-?[\d.]+)\)?", text.strip().lower()
    )
    if lab:
        found = np.array([float(lab[n]) for n in (1, 2, 3)])
        if not 0 <= found[0] <= 100 or np.abs(found[1:]).max() > 128:
            raise DomainError(f"--target {text}: L* is 0 to 100, a* and b* -128 to 128")
        return found
    given: Floats = lab_of(xyz_of_hex([_hex(text, "--target", ' or "lab 50 -10 30"')]))[0]
    return given


def _hex(text: str, option: str, or_else: str = "") -> str:
    plain = text.strip().lower().removeprefix("#")
    if re.fullmatch(r"[0-9a-f]{3}", plain):
        plain = "".join(letter * 2 for letter in plain)
    if not re.fullmatch(r"[0-9a-f]{6}", plain):
        raise DomainError(f'{option} {text}: use "#6b7a3a"{or_else}')
    return f"#{plain}"


def as_json(
    asked: str, target: Floats, shelf: Shelf, paints: list[OwnedPaint], mixes: list[Mix],
    single: Mix,
) -> dict[str, Any]:  # fmt: skip
    """The answer as plain values."""
    names = called(paints)
    return {
        "target": {"given": asked, "lab": _rounded(target)},
        "mixes": [_mix(shelf, names, one) for one in mixes],
        "nearest_single": _mix(shelf, names, single),
        "sounds_like": {one.name: one.sounds_like for one in paints if one.sounds_like},
    }


def _mix(shelf: Shelf, names: list[str], one: Mix) -> dict[str, Any]:
    optics = shelf.optics(one.drops)
    found = ladders(optics)
    return {
        "drops": [{"paint": names[index], "drops": drops} for index, drops in one.drops],
        "total_drops": one.total, "colour": one.hex, "lab": _rounded(np.array(one.lab)),
        "difference": round(one.off, 2), "in_stock": one.in_stock,
        "price": round(one.price, 3),
        "coats_to_cover": {each.ground: each.covers for each in found},
        # By its name of former versions, which others read.
        "coats_to_hide": {each.ground: each.covers for each in found},
        "coats_to_hide_strictly": coats_to_hide(optics),
        "one_to_four_coats_over": {each.ground: list(each.coats) for each in found},
    }  # fmt: skip


def _rounded(lab: Floats) -> list[float]:
    return [round(float(value), 2) for value in lab]


def said(answer: dict[str, Any]) -> str:
    """The answer as text."""
    lab = " ".join(f"{value:g}" for value in answer["target"]["lab"])
    lines = [f"{answer['target']['given']} (L* a* b* {lab}), dry", ""]
    for number, one in enumerate(answer["mixes"], 1):
        drops = " + ".join(f"{each['drops']} {each['paint']}" for each in one["drops"])
        short = "" if one["in_stock"] else ", not all in stock"
        lines.append(f"{number:3}  ΔE00 {one['difference']:5.2f}  {one['colour']}  {drops}{short}")
    best = answer["mixes"][0]
    black = best["coats_to_cover"]["black"]
    coats = "1 brushed coat" if black == 1 else f"{black or 'more than 12'} brushed coats"
    lines += ["", f"The first covers black in {coats}."]
    if best["difference"] > OUT_OF_REACH:
        lines.append("No mix of these paints comes near: the colour is out of their reach.")
    for name, kind in answer["sounds_like"].items():
        lines.append(f"'{name}' sounds like {kind} paint: say so in the column 'kind'.")
    single = answer["nearest_single"]
    lines.append(
        f"Nearest single paint: {single['drops'][0]['paint']}, ΔE00 {single['difference']:g}."
    )
    lines.append("Mixes look other when wet: judge them dry, by daylight.")
    return "\n".join(lines)


if __name__ == "__main__":
    from muster.cli.running import run

    sys.exit(run(main))

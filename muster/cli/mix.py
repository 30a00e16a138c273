"""``crisp mix``: the best mixes of owned paints for a colour. Needs no database and no network."""

from __future__ import annotations

import argparse
import json
import re
import sys
from pathlib import Path
from typing import Any

import numpy as np

from muster.core.colour.ladder import ladders
from muster.core.colour.match import match
from muster.core.colour.observer import Floats
from muster.core.colour.owned import OwnedPaint, shelf_from
from muster.core.colour.shelf import Mix, Shelf
from muster.core.colour.spaces import lab_of, xyz_of_hex
from muster.core.errors import DomainError
from muster.core.formats.shelf import read

FOUND, REFUSED = 0, 2
ANSWERS = 8


def main(arguments: list[str] | None = None) -> int:
    """Exit 0 found, 2 refused."""
    parser = argparse.ArgumentParser(prog="crisp mix", description="Match a colour in drops.")
    parser.add_argument("shelf", type=Path, help="CSV, GIMP palette or crisp-muster/shelf JSON")
    parser.add_argument("--target", required=True, help='"#6b7a3a" or "lab 50 -10 30"')
    parser.add_argument("--paints", type=int, default=3, help="at most so many paints, 1 to 4")
    parser.add_argument("--drops", type=int, default=12, help="at most so many drops, 1 to 60")
    parser.add_argument("--json", action="store_true", help="the answer as JSON")
    given = parser.parse_args(arguments)
    try:
        paints = read(given.shelf.read_bytes(), given.shelf.name)
        target = _target(given.target)
        colours = [one for one in paints if not one.clear]
        if not colours:
            raise DomainError("every paint is a varnish, glue or fluid: add a colour")
        shelf = shelf_from(colours)
        mixes = match(shelf, target, given.paints, given.drops, keep=ANSWERS)
        single = match(shelf, target, 1, 1, keep=1)[0]
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
    answer = as_json(given.target, target, shelf, colours, mixes, single)
    print(json.dumps(answer, indent=1, ensure_ascii=False) if given.json else said(answer))
    return FOUND


def _target(text: str) -> Floats:
    lab = re.fullmatch(
        r"lab[ (:]*(-?[\d.]+)[ ,]+(-?[\d.]+)[ ,]+(-?[\d.]+)\)?", text.strip().lower()
    )
    if lab:
        found = np.array([float(lab[n]) for n in (1, 2, 3)])
        if not 0 <= found[0] <= 100 or np.abs(found[1:]).max() > 128:
            raise DomainError(f"--target {text}: L* is 0 to 100, a* and b* -128 to 128")
        return found
    plain = text.strip().lower().removeprefix("#")
    if re.fullmatch(r"[0-9a-f]{3}", plain):
        plain = "".join(letter * 2 for letter in plain)
    if not re.fullmatch(r"[0-9a-f]{6}", plain):
        raise DomainError(f'--target {text}: use "#6b7a3a" or "lab 50 -10 30"')
    given: Floats = lab_of(xyz_of_hex([plain]))[0]
    return given


def as_json(
    asked: str, target: Floats, shelf: Shelf, paints: list[OwnedPaint], mixes: list[Mix],
    single: Mix,
) -> dict[str, Any]:  # fmt: skip
    """The answer as plain values."""
    return {
        "target": {"given": asked, "lab": _rounded(target)},
        "mixes": [_mix(shelf, paints, one) for one in mixes],
        "nearest_single": _mix(shelf, paints, single),
    }


def _mix(shelf: Shelf, paints: list[OwnedPaint], one: Mix) -> dict[str, Any]:
    found = ladders(shelf.optics(one.drops))
    ladder = {each.ground: list(each.coats) for each in found}
    hides = {each.ground: each.hides for each in found}
    return {
        "drops": [{"paint": paints[index].name, "drops": drops} for index, drops in one.drops],
        "total_drops": one.total, "colour": one.hex, "lab": _rounded(np.array(one.lab)),
        "difference": round(one.off, 2), "in_stock": one.in_stock,
        "price": round(one.price, 3), "coats_to_hide": hides, "one_to_four_coats_over": ladder,
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
    black = best["coats_to_hide"]["black"]
    coats = "1 brushed coat" if black == 1 else f"{black or 'more than 12'} brushed coats"
    lines += ["", f"The first hides black in {coats}."]
    single = answer["nearest_single"]
    lines.append(
        f"Nearest single paint: {single['drops'][0]['paint']}, ΔE00 {single['difference']:g}."
    )
    lines.append("Mixes look other when wet: judge them dry, by daylight.")
    return "\n".join(lines)


if __name__ == "__main__":
    from muster.cli.running import run

    sys.exit(run(main))

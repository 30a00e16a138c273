"""``crisp plan``: a problem file in, a plan file out, and exit codes that scripts can go by."""

from __future__ import annotations

import copy
import json
from pathlib import Path
from typing import Any

import pytest

from muster.cli.plan import IMPOSSIBLE, PLANNED, REFUSED, main
from muster.core.plan.checking import check
from muster.core.plan.plan import Plan
from muster.core.plan.reading import problem_from
from tests.core.plan.test_refusals import EXAMPLE


def written(folder: Path, raw: Any) -> str:
    path = folder / "problem.json"
    path.write_text(raw if isinstance(raw, str) else json.dumps(raw))
    return str(path)


def test_the_worked_example_gives_the_worked_plan_on_standard_output(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    assert main([written(tmp_path, EXAMPLE), "--steps", "20"]) == PLANNED
    plan = json.loads(capsys.readouterr().out)
    assert (plan["hands_on_s"], plan["finish"], plan["cost_s"]) == (888, 74864, 935)
    assert (plan["seed"], plan["steps"]) == (1, 20)


def test_same_seed_and_steps_write_the_same_file(tmp_path: Path) -> None:
    texts = []
    for name in ("one.json", "two.json"):
        out = tmp_path / name
        problem = written(tmp_path, EXAMPLE)
        assert main([problem, "--steps", "30", "--seed", "7", "--out", str(out)]) == PLANNED
        texts.append(out.read_bytes())
    assert texts[0] == texts[1]


def test_what_it_writes_passes_the_checker(tmp_path: Path) -> None:
    from tests.bench.instances import force

    raw = force(6, windows=True, daylight=True)
    out = tmp_path / "plan.json"
    assert main([written(tmp_path, raw), "--seconds", "1", "--out", str(out)]) == PLANNED
    assert check(problem_from(raw), Plan.from_json(json.loads(out.read_text()))) == []


def test_a_broken_file_exits_2_and_says_what_to_mend(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    bad = copy.deepcopy(EXAMPLE)
    bad["tasks"][0]["family"] = "blue"
    for raw in ("{", bad):
        assert main([written(tmp_path, raw)]) == REFUSED
    said = capsys.readouterr()
    assert "no family 'blue'" in said.err
    assert said.out == ""


def test_a_file_that_is_not_there_exits_2(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    assert main([str(tmp_path / "gone.json")]) == REFUSED
    assert "name a file" in capsys.readouterr().err


def test_what_cannot_be_planned_exits_3_with_reasons(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    raw = copy.deepcopy(EXAMPLE)
    raw["sittings"] = [{"start": 70200, "end": 73000}]
    assert main([written(tmp_path, raw), "--steps", "40"]) == IMPOSSIBLE
    said = capsys.readouterr()
    assert json.loads(said.out)["status"] == "impossible"
    assert json.loads(said.out)["reasons"]
    assert said.err.strip()


@pytest.mark.parametrize("words", [["--seed", "-1"], ["--steps", "0"], ["--seconds", "-2"]])
def test_figures_that_make_no_sense_are_refused(tmp_path: Path, words: list[str]) -> None:
    with pytest.raises(SystemExit) as ended:
        main([written(tmp_path, EXAMPLE), *words])
    assert ended.value.code == 2

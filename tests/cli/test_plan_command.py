"""``crisp plan``: a problem file in, a plan file out, and exit codes that scripts can go by."""

from __future__ import annotations

import copy
import json
import subprocess
from pathlib import Path
from typing import Any

import pytest

from muster.cli.plan import PARTIAL, PLANNED, REFUSED, main
from muster.core.plan.checking import check
from muster.core.plan.plan import Plan
from muster.core.plan.reading import problem_from
from tests.core.plan.test_validation import EXAMPLE


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


def test_what_finds_no_place_exits_3_and_the_plan_is_written_all_the_same(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    raw = copy.deepcopy(EXAMPLE)
    raw["sittings"] = [{"start": 70200, "end": 73000}]
    assert main([written(tmp_path, raw), "--steps", "40"]) == PARTIAL
    said = capsys.readouterr()
    plan = json.loads(said.out)
    assert plan["status"] == "partial"
    assert [(one["task"], one["why"]) for one in plan["left"]] == [("pikes-a/base", "no_time")]
    assert {"left_weight", "left_s", "wants_s", "dropped_pins"} <= set(plan)
    assert plan["bounds"]["left_weight"] <= plan["left_weight"] == 2
    assert "pikes-a/base" in said.err
    assert check(problem_from(raw), Plan.from_json(plan)) == []


DEMO = Path(__file__).resolve().parents[2] / "demo"
NOW = "2027-03-01T18:00+00:00"


def test_a_muster_is_planned_as_the_application_plans_it_and_said_in_sittings(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    out = tmp_path / "plan.json"
    words = [str(DEMO / "lock-watch.json"), "--now", NOW, "--steps", "60", "--out", str(out)]
    assert main(words) == PLANNED
    said = capsys.readouterr().out
    assert said.startswith("Lock Watch: 14 of 14 models still to do")
    assert "Wednesday 3 March, 20:00 to 21:30" in said
    assert "undercoat, Watch 2, Tarn black" in said
    assert json.loads(out.read_text())["status"] == "planned"


def test_what_is_left_of_a_muster_is_said_with_its_cause(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    raw = json.loads((DEMO / "lock-watch.json").read_text())
    raw["version"] = 2
    for recipe in raw["recipes"]:
        for one in recipe["passes"]:
            one["needs"], one["cut"] = (["daylight"], None) if one["key"] == "base" else ([], None)
    raw["choices"] |= {"rhythm": [{"id": "wed", "weekday": 2, "start": "20:00", "end": "21:30",
                                   "since": "2027-03-03"}], "evenings": [], "lost": []}  # fmt: skip
    assert main([written(tmp_path, raw), "--now", NOW, "--steps", "20"]) == PARTIAL
    said = capsys.readouterr().out
    assert "Left\n" in said
    assert "Base, coat 1 of 2, Watch: needs daylight, and no sitting has any" in said


def test_a_house_of_ones_own_moves_a_musters_plan(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    house = tmp_path / "house.json"
    house.write_text(json.dumps({"air": {"celsius": 12, "humidity": 70}}))
    words = [str(DEMO / "lock-watch.json"), "--now", NOW, "--steps", "30"]
    assert main(words) == PLANNED
    usual = capsys.readouterr().out
    assert main([*words, "--house", str(house)]) == PLANNED
    assert capsys.readouterr().out != usual
    house.write_text(json.dumps({"air": {"celsius": 400}}))
    assert main([*words, "--house", str(house)]) == REFUSED
    assert main([*words[:1], "--now", "soon"]) == REFUSED
    assert main([written(tmp_path, EXAMPLE), "--now", NOW]) == REFUSED


def test_an_older_plan_that_says_impossible_is_read_as_all_left() -> None:
    plan = {"format": "crisp-muster/plan", "version": 1, "status": "impossible", "blocks": [],
            "late_weight": 0, "lateness_days": 0, "hands_on_s": 0, "finish": 0, "mean_done": 0,
            "cost_s": 0, "bounds": {"late_weight": 0, "hands_on_s": 0, "finish": 0, "cost_s": 0},
            "missed": [], "seed": 1, "steps": 1, "reasons": ["too much"]}  # fmt: skip
    read = Plan.from_json(plan)
    assert (read.status, read.blocks) == ("partial", ())


@pytest.mark.parametrize("command", [
    ["plan", "problem.json", "--steps", "3"],
    ["check", "recipe.json"],
    ["mix", "shelf.csv", "--target", "#6b7a3a"],
])  # fmt: skip
def test_commands_run_from_any_folder_and_end_quietly_when_nobody_reads(
    tmp_path: Path, command: list[str]
) -> None:
    (tmp_path / "problem.json").write_text(json.dumps(EXAMPLE))
    recipe = {"name": "x", "kind": "figure", "passes": [{"technique": "brush"}]}
    (tmp_path / "recipe.json").write_text(
        json.dumps({"format": "crisp-muster/recipe", "version": 2, "recipe": recipe})
    )
    (tmp_path / "shelf.csv").write_text("name,colour\nReed green,#66703f\nSilt,#8a7a59\n")
    crisp = str(DEMO.parent / "crisp")
    done = subprocess.run([crisp, *command], cwd=tmp_path, capture_output=True, text=True)
    assert done.returncode in (0, 1), done.stderr
    assert done.stdout
    shut = subprocess.Popen(
        [crisp, *command], cwd=tmp_path, stdout=subprocess.PIPE, stderr=subprocess.PIPE
    )
    assert shut.stdout is not None and shut.stderr is not None
    shut.stdout.close()
    assert shut.stderr.read() == b""
    shut.wait()


def test_a_fault_of_the_program_is_no_finding(
    monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    from muster.cli import running

    def broken() -> int:
        raise RuntimeError("oops")

    assert running.run(broken) == running.FAULT
    assert "fault of the program" in capsys.readouterr().err


@pytest.mark.parametrize("words", [["--seed", "-1"], ["--steps", "0"], ["--seconds", "-2"]])
def test_figures_that_make_no_sense_are_refused(tmp_path: Path, words: list[str]) -> None:
    with pytest.raises(SystemExit) as ended:
        main([written(tmp_path, EXAMPLE), *words])
    assert ended.value.code == 2
